package nullroom.app.room;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.Executor;
import java.util.function.UnaryOperator;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import nullroom.app.control.ItemHandler;
import nullroom.app.control.Tint;
import nullroom.app.shell.Newest;
import nullroom.app.shell.StationContext;
import nullroom.app.shell.StationText;
import nullroom.app.shell.Units;
import nullroom.core.Figures;
import nullroom.core.book.DecayMeasurement;
import nullroom.core.book.RoomBook;
import nullroom.core.measure.decay.PositionAverage;
import nullroom.core.plan.BookReasons;
import nullroom.core.predict.Statistics;
import nullroom.core.room.Camera;
import nullroom.core.room.Finish;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.RoomItem;
import nullroom.core.room.Surface;
import nullroom.core.room.SurfaceTag;
import nullroom.io.book.BookFolder;

/** What the room station knows and can do. */
public final class RoomModel {
  private final ObjectProperty<RoomPage> page = new SimpleObjectProperty<>(RoomPage.FOLD_OUT);
  private final ObjectProperty<Tint> tint = new SimpleObjectProperty<>(Tint.NOTHING);
  private final ObjectProperty<Sight> sight = new SimpleObjectProperty<>(Sight.UNFOLDED);
  private final StationContext context;
  private final StationText say;
  private final ShapeModel shape;
  private final SpotsModel spots;
  private final FurnitureModel furniture;
  private final SetUpModel setUp;
  private final MaterialsModel materials;
  private final TraceModel trace;
  private final PlacesModel places;

  /**
   * A model that works with a context.
   *
   * @param background traces the room
   */
  public RoomModel(StationContext context, Executor background) {
    this.context = context;
    shape = new ShapeModel(context);
    spots = new SpotsModel(context);
    furniture = new FurnitureModel(context);
    setUp = new SetUpModel(context);
    materials = new MaterialsModel(context);
    trace = new TraceModel(context, background);
    places = new PlacesModel(context, new Newest(background, context.work()::warn));
    say =
        StationText.of(
            context.session(),
            this::sayAnswer,
            this::sayMeaning,
            this::sayFigure,
            () -> BookReasons.predicted(context.session().book()));
  }

  /** The station's words. */
  public StationText say() {
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

  /** How the room is looked at. */
  public ObjectProperty<Sight> sightProperty() {
    return sight;
  }

  /** Its outline, ceiling, doors and windows. */
  public ShapeModel shape() {
    return shape;
  }

  /** Places to record from. */
  public SpotsModel spots() {
    return spots;
  }

  /** Who and what is in it to record. */
  public SetUpModel setUp() {
    return setUp;
  }

  /** What stands in it. */
  public FurnitureModel furniture() {
    return furniture;
  }

  /** The table of materials. */
  public MaterialsModel materials() {
    return materials;
  }

  /** The places of the book. */
  public PlacesModel places() {
    return places;
  }

  /** Ends what goes on in the background. */
  public void leave() {
    trace.leave();
    places.leave();
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
    context.session().describe("Open the room " + other.name(), now -> other);
  }

  /**
   * Writes the room in the open form that {@link #open} reads.
   *
   * @throws nullroom.core.Trouble if it cannot be written
   */
  public void write(Path file) {
    BookFolder.writeRoom(room(), file);
    context.work().wrote(file);
  }

  /** The room as it is. */
  public Room room() {
    return context.session().book().room();
  }

  private String sayFigure() {
    return context.session().book().here().described()
        ? Figures.say("%.0f m³", room().volume())
        : "not described";
  }

  private String sayAnswer() {
    Statistics s = Statistics.of(room());
    OptionalDouble measured =
        context
            .session()
            .book()
            .decays()
            .average()
            .map(PositionAverage::tMidSeconds)
            .orElse(OptionalDouble.empty());
    if (!context.session().book().here().described()) {
      return sayAssumed(measured);
    }
    if (measured.isEmpty()) {
      return Figures.say(
          "%.1f m³ that would ring for %.2f s at mid frequencies, by its description.",
          s.volume(), s.midSeconds());
    }
    boolean simulated =
        context.session().book().decay().filter(DecayMeasurement::simulated).isPresent();
    return Figures.say(
        "%.1f m³ that ring for %.2f s at mid frequencies, %s. By its description alone it would be %.2f s.",
        s.volume(),
        measured.getAsDouble(),
        simulated ? "as the simulated device heard them" : "as measured",
        s.midSeconds());
  }

  private String sayAssumed(OptionalDouble measured) {
    Point size = room().size();
    Units units = context.units().get();
    String box =
        units.length(size.x()) + " by " + units.length(size.y()) + " by " + units.length(size.z());
    return measured.isPresent()
        ? Figures.say(
            "It rings for %.2f s at mid frequencies. How large it is nobody said yet: %s are assumed.",
            measured.getAsDouble(), box)
        : "Nobody said yet how large this room is: " + box + " are assumed.";
  }

  /** What is assumed of the room's size is so. */
  public void setDescribed() {
    context.session().edit("Say that the room is so large", b -> b.with(b.here().described(true)));
  }

  private String sayMeaning() {
    Statistics s = Statistics.of(room());
    return Figures.say(
        "Below %.0f Hz single resonances rule and one time says little. Sound travels %.1f m between two reflections. Drag"
            + " anything in the picture, or use the arrow keys.",
        s.schroederHz(), s.meanFreePath());
  }

  /** The book, to be followed. */
  ReadOnlyObjectProperty<RoomBook> bookProperty() {
    return context.session().bookProperty();
  }

  /** Says what a surface is to be or not to be. */
  public void tag(Surface surface, Optional<SurfaceTag> tag) {
    context
        .session()
        .edit(
            "Say what " + surface.spoken() + " is to be",
            b -> b.with(b.room().tagged(surface, tag)));
  }

  /** Makes a surface of another material. */
  public void setMaterial(Surface surface, Finish finish) {
    context
        .session()
        .describe(
            "Change the material of " + surface.spoken(), now -> now.withFinish(surface, finish));
  }

  /** Makes all walls of another material, in one step. */
  public void setWalls(Finish finish) {
    context
        .session()
        .describe(
            "Change the material of all walls",
            now -> {
              Room made = now;
              for (Surface wall : walls(now)) {
                made = made.withFinish(wall, finish);
              }
              return made;
            });
  }

  /** What all walls are made of; empty where they differ. */
  public Optional<Finish> walls() {
    List<Finish> all = walls(room()).stream().map(room()::finishOf).distinct().toList();
    return all.size() == 1 ? Optional.of(all.getFirst()) : Optional.empty();
  }

  private static List<Surface> walls(Room room) {
    return room.surfaces().stream().filter(Surface::isWall).toList();
  }

  /**
   * Changes length, width or greatest height of the room, keeping its kind of ceiling; the talker
   * and the microphone keep their share of the way.
   *
   * @param axis 0 length, 1 width, 2 height
   */
  public void setSize(int axis, double metres) {
    String name = List.of("length", "width", "height").get(axis);
    context.session().describe("Change the " + name, now -> resized(now, axis, metres));
  }

  private static Room resized(Room room, int axis, double metres) {
    Point size = room.size();
    return switch (axis) {
      case 0 -> room.stretched(metres / size.x(), 1, 1);
      case 1 -> room.stretched(1, metres / size.y(), 1);
      default -> room.stretched(1, 1, metres / size.z());
    };
  }

  /** What happens to things that are taken hold of in a picture; what does not fit is said. */
  public ItemHandler itemHandler() {
    return new ItemHandler() {
      @Override
      public void move(RoomItem item, Point to) {
        describe("Move the ", item, room -> item.moved(room, to));
      }

      @Override
      public void turn(RoomItem item, double azimuthDegrees) {
        describe("Turn the ", item, room -> item.turned(room, azimuthDegrees));
      }

      @Override
      public void remove(RoomItem item) {
        describe("Take out the ", item, item::without);
      }

      @Override
      public void turnOver(RoomItem item) {
        if (item.switches(room())) {
          attempt(() ->
              context
                  .session()
                  .edit(
                      "Open or shut the " + item.name(room()),
                      b -> b.with(item.switched(b.room()))));
        }
      }
    };
  }

  private void describe(String verb, RoomItem item, UnaryOperator<Room> change) {
    String name = verb + item.name(room());
    attempt(() -> context.session().describe(name, change));
  }

  private void attempt(Runnable change) {
    context
        .work()
        .attempt(
            () -> {
              change.run();
              context.work().say("");
            },
            () -> {});
  }

  /**
   * Moves a thing over the plan.
   *
   * @throws nullroom.core.Trouble.BadField where it does not fit there
   */
  public void move(RoomItem item, double x, double y) {
    context
        .session()
        .edit(
            "Move the " + item.name(room()),
            b -> b.with(item.moved(b.room(), new Point(x, y, item.at(b.room()).z()))));
  }

  /**
   * Puts a thing at a height.
   *
   * @throws nullroom.core.Trouble.BadField where it does not fit there
   */
  public void setHeight(RoomItem item, double metres) {
    Point at = item.at(room());
    context
        .session()
        .edit(
            "Move the " + item.name(room()),
            b -> b.with(item.moved(b.room(), new Point(at.x(), at.y(), metres))));
  }

  /** Puts up a camera two metres before the talker, or as far as the room goes; or takes it out. */
  public void setCamera(boolean there) {
    context
        .session()
        .edit(
            there ? "Put up a camera" : "Take out the camera",
            b ->
                b.with(
                    b.room()
                        .withCamera(
                            there ? Optional.of(Camera.before(b.room())) : Optional.empty())));
  }

  /** Gives the camera another lens. */
  public void setFocal(double millimetres) {
    context.session().edit("Change the lens", b -> b.with(lens(b.room(), millimetres, Double.NaN)));
  }

  /** Gives its picture another shape: width over height. */
  public void setAspect(double ratio) {
    context
        .session()
        .edit("Change the picture’s shape", b -> b.with(lens(b.room(), Double.NaN, ratio)));
  }

  private static Room lens(Room room, double millimetres, double ratio) {
    return room.withCamera(
        room.camera()
            .map(c ->
                c.with(
                    Double.isNaN(millimetres) ? c.focalMillimetres() : millimetres,
                    Double.isNaN(ratio) ? c.aspectRatio() : ratio)));
  }
}
