package nullroom.app.room;

import java.util.List;
import java.util.Locale;
import javafx.beans.binding.Bindings;
import javafx.beans.binding.StringBinding;
import nullroom.app.control.FoldOut;
import nullroom.app.shell.Desk;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Material;
import nullroom.core.acoustics.Materials;
import nullroom.core.predict.Statistics;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Finish;
import nullroom.core.room.Outline;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Talker;

/** What the room station knows and can do. */
public final class RoomModel {
  /**
   * Materials that are absorbers or furniture belong on a surface as pieces, not as the surface.
   */
  private static final List<String> NOT_SURFACES =
      List.of("absorber", "furniture", "people", "opening");

  private final Desk desk;
  private final StringBinding answer;
  private final StringBinding meaning;
  private final StringBinding figure;

  /** A model on a desk. */
  public RoomModel(Desk desk) {
    this.desk = desk;
    answer = Bindings.createStringBinding(this::sayAnswer, desk.session().bookProperty());
    meaning = Bindings.createStringBinding(this::sayMeaning, desk.session().bookProperty());
    figure =
        Bindings.createStringBinding(
            () -> String.format(Locale.ROOT, "%.0f m³", room().volume()),
            desk.session().bookProperty());
  }

  /** The sentence under the question. */
  public StringBinding answer() {
    return answer;
  }

  /** What it means. */
  public StringBinding meaning() {
    return meaning;
  }

  /** The figure on the rail. */
  public StringBinding figure() {
    return figure;
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
    double fx = axis == 0 ? metres / size.x() : 1;
    double fy = axis == 1 ? metres / size.y() : 1;
    double fz = axis == 2 ? metres / size.z() : 1;
    Outline outline =
        new Outline(
            room.outline().corners().stream()
                .map(c -> new Point(c.x() * fx, c.y() * fy, 0))
                .toList());
    Ceiling ceiling =
        switch (room.ceiling()) {
          case Ceiling.Flat flat -> new Ceiling.Flat(flat.heightMetres() * fz);
          case Ceiling.LeanTo l ->
              new Ceiling.LeanTo(l.lowMetres() * fz, l.highMetres() * fz, l.lowWall());
          case Ceiling.Gable g ->
              new Ceiling.Gable(g.kneeMetres() * fz, g.ridgeMetres() * fz, g.alongX());
        };
    return new Room(
        room.name(),
        outline,
        ceiling,
        room.air(),
        room.finishes(),
        room.patches(),
        room.objects(),
        room.talker()
            .map(t -> new Talker(scaled(t.at(), fx, fy, fz), t.aim(), t.effort(), t.directivity())),
        room.microphone()
            .map(m -> new PlacedMicrophone(scaled(m.at(), fx, fy, fz), m.aim(), m.capture())),
        room.noiseDbSpl());
  }

  private static Point scaled(Point p, double fx, double fy, double fz) {
    return new Point(p.x() * fx, p.y() * fy, Math.min(p.z(), p.z() * fz));
  }

  /**
   * Moves the talker or the microphone over the plan; the microphone keeps pointing at the lips.
   */
  public void move(FoldOut.Handle handle, double x, double y) {
    Room room = room();
    double z = handle == FoldOut.Handle.TALKER ? talker(room).at().z() : microphone(room).at().z();
    place(handle, new Point(x, y, z));
  }

  /** Puts the talker or the microphone at a height. */
  public void setHeight(FoldOut.Handle handle, double metres) {
    Point at = handle == FoldOut.Handle.TALKER ? talker(room()).at() : microphone(room()).at();
    place(handle, new Point(at.x(), at.y(), metres));
  }

  private void place(FoldOut.Handle handle, Point at) {
    desk.session()
        .edit(
            handle == FoldOut.Handle.TALKER ? "Move the talker" : "Move the microphone",
            b -> {
              Room r = b.room();
              if (handle == FoldOut.Handle.MICROPHONE) {
                return b.with(r.withMicrophone(microphone(r).movedTo(at, talker(r).at())));
              }
              Talker t = talker(r);
              Room moved = r.withTalker(new Talker(at, t.aim(), t.effort(), t.directivity()));
              return b.with(
                  moved.withMicrophone(microphone(moved).movedTo(microphone(moved).at(), at)));
            });
  }

  private static Talker talker(Room room) {
    return room.talker().orElseThrow(() -> new Trouble.BadField("talker", "this room has none"));
  }

  private static PlacedMicrophone microphone(Room room) {
    return room.microphone()
        .orElseThrow(() -> new Trouble.BadField("microphone", "this room has none"));
  }
}
