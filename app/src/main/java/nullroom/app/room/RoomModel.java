package nullroom.app.room;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Executor;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import nullroom.app.control.FoldOut;
import nullroom.app.shell.Desk;
import nullroom.app.shell.Say;
import nullroom.core.acoustics.Material;
import nullroom.core.acoustics.Materials;
import nullroom.core.predict.Statistics;
import nullroom.core.room.Finish;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.io.book.BookFolder;

/** What the room station knows and can do. */
public final class RoomModel {
  /**
   * Materials that are absorbers or furniture belong on a surface as pieces, not as the surface.
   */
  private static final List<String> NOT_SURFACES =
      List.of("absorber", "furniture", "people", "opening");

  private final ObjectProperty<RoomPage> page = new SimpleObjectProperty<>(RoomPage.FOLD_OUT);
  private final ObjectProperty<Tint> tint = new SimpleObjectProperty<>(Tint.NOTHING);
  private final Desk desk;
  private final Say say;
  private final ShapeModel shape;
  private final SpotsModel spots;
  private final FurnitureModel furniture;
  private final MaterialsModel materials;
  private final TraceModel trace;

  /**
   * A model on a desk.
   *
   * @param background traces the room
   */
  public RoomModel(Desk desk, Executor background) {
    this.desk = desk;
    shape = new ShapeModel(desk);
    spots = new SpotsModel(desk);
    furniture = new FurnitureModel(desk);
    materials = new MaterialsModel(desk);
    trace = new TraceModel(desk, background);
    say =
        Say.of(
            desk.session(),
            this::sayAnswer,
            this::sayMeaning,
            () -> String.format(Locale.ROOT, "%.0f m³", room().volume()));
  }

  /** The station's words. */
  public Say say() {
    return say;
  }

  /** The page shown. */
  public ObjectProperty<RoomPage> pageProperty() {
    return page;
  }

  /** What the fold-out is tinted by. */
  public ObjectProperty<Tint> tintProperty() {
    return tint;
  }

  /** Its outline, ceiling, doors and windows. */
  public ShapeModel shape() {
    return shape;
  }

  /** Places to record from. */
  public SpotsModel spots() {
    return spots;
  }

  /** What stands in it. */
  public FurnitureModel furniture() {
    return furniture;
  }

  /** The table of materials. */
  public MaterialsModel materials() {
    return materials;
  }

  /** The room traced. */
  public TraceModel trace() {
    return trace;
  }

  /**
   * Takes the room of a file in place of this one.
   *
   * @throws nullroom.core.Trouble if it cannot be read, or has no talker or microphone
   */
  public void open(Path file) {
    Room other = BookFolder.readRoom(file);
    other.requireTalker();
    other.requireMicrophone();
    desk.session().edit("Open the room " + other.name(), book -> book.with(other));
  }

  /**
   * Writes the room in the open form that {@link #open} reads.
   *
   * @throws nullroom.core.Trouble if it cannot be written
   */
  public void write(Path file) {
    BookFolder.writeRoom(room(), file);
    desk.work().say("Written: " + file.getFileName() + ".");
  }

  /** The room as it is. */
  public Room room() {
    return desk.session().book().room();
  }

  private String sayAnswer() {
    Statistics s = Statistics.of(room());
    return String.format(
        Locale.ROOT,
        "%.1f m³ that would ring for %.2f s at mid frequencies. %s",
        s.volume(),
        s.midSeconds(),
        s.why());
  }

  private String sayMeaning() {
    Statistics s = Statistics.of(room());
    return String.format(
        Locale.ROOT,
        "Below %.0f Hz single resonances rule and one time says little. Sound travels %.1f m between two reflections. Drag the"
            + " talker and the microphone over the floor, or use the arrow keys.",
        s.schroederHz(),
        s.meanFreePath());
  }

  /** Materials a surface can be made of. */
  public static List<Material> surfaceMaterials() {
    return Materials.all().stream().filter(m -> !NOT_SURFACES.contains(m.category())).toList();
  }

  /** Id of a surface's material; empty where its coefficients were stated as numbers. */
  public String materialId(String surface) {
    return room().finishOf(surface) instanceof Finish.Listed listed ? listed.materialId() : "";
  }

  /** Makes a surface of another material. */
  public void setMaterial(String surface, String materialId) {
    desk.session()
        .edit(
            "Change the material of " + surface,
            b -> b.with(b.room().withFinish(surface, Finish.of(materialId))));
  }

  /**
   * Changes length, width or greatest height of the room, keeping its kind of ceiling; the talker
   * and the microphone keep their share of the way.
   *
   * @param axis 0 length, 1 width, 2 height
   */
  public void setSize(int axis, double metres) {
    String name = List.of("length", "width", "height").get(axis);
    desk.session().edit("Change the " + name, b -> b.with(resized(b.room(), axis, metres)));
  }

  private static Room resized(Room room, int axis, double metres) {
    Point size = room.size();
    return switch (axis) {
      case 0 -> room.stretched(metres / size.x(), 1, 1);
      case 1 -> room.stretched(1, metres / size.y(), 1);
      default -> room.stretched(1, 1, metres / size.z());
    };
  }

  /**
   * Moves the talker or the microphone over the plan; the microphone keeps pointing at the lips.
   */
  public void move(FoldOut.Handle handle, double x, double y) {
    Room room = room();
    double z =
        handle == FoldOut.Handle.TALKER
            ? room.requireTalker().at().z()
            : room.requireMicrophone().at().z();
    place(handle, new Point(x, y, z));
  }

  /** Puts the talker or the microphone at a height. */
  public void setHeight(FoldOut.Handle handle, double metres) {
    Point at =
        handle == FoldOut.Handle.TALKER
            ? room().requireTalker().at()
            : room().requireMicrophone().at();
    place(handle, new Point(at.x(), at.y(), metres));
  }

  private void place(FoldOut.Handle handle, Point at) {
    desk.session()
        .edit(
            handle == FoldOut.Handle.TALKER ? "Move the talker" : "Move the microphone",
            b -> {
              Room r = b.room();
              if (handle == FoldOut.Handle.MICROPHONE) {
                return b.with(
                    r.withMicrophone(r.requireMicrophone().movedTo(at, r.requireTalker().at())));
              }
              PlacedMicrophone m = r.requireMicrophone();
              return b.with(
                  r.withTalker(r.requireTalker().movedTo(at))
                      .withMicrophone(m.movedTo(m.at(), at)));
            });
  }
}
