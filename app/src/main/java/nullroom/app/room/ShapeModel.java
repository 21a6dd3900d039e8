package nullroom.app.room;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BiFunction;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nullroom.app.control.NumberField;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.Trouble;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Outline;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.RoomItem;
import nullroom.core.room.Surface;
import nullroom.core.room.Traverse;

/** The outline of the floor and the kind of ceiling, and what lies on surfaces. */
public final class ShapeModel {
  /** Outlines to start from, in the room's own length and width. */
  public enum Template {
    BOX("box", Outline::box),
    ELL("L", Outline::ell),
    ALCOVE("box with an alcove", Outline::alcove);

    private final String label;
    private final BiFunction<Double, Double, Outline> make;

    Template(String label, BiFunction<Double, Double, Outline> make) {
      this.label = label;
      this.make = make;
    }

    /** Name for people. */
    public String label() {
      return label;
    }
  }

  /** How an outline is typed. */
  public enum Typed {
    CORNERS(
        "corners",
        "One corner to a line, x and y in metres, against the clock; wall 1 runs from the first to the second."),
    WALLS(
        "walls and angles",
        "One wall to a line, against the clock: its length in metres and the angle inside the room at its end, 90 in a plain corner, 270 where the room goes around one. A small gap at the last is shared out.");

    private final String label;
    private final String explained;

    Typed(String label, String explained) {
      this.label = label;
      this.explained = explained;
    }

    /** Name for people. */
    public String label() {
      return label;
    }

    /** What is to be typed. */
    public String explained() {
      return explained;
    }
  }

  /** Kinds of ceiling. */
  public enum Roof {
    FLAT("flat", (low, high) -> new Ceiling.Flat(high)),
    LEAN_TO("sloping up from wall 1", (low, high) -> new Ceiling.LeanTo(low, high, 1)),
    LEAN_TO_2("sloping up from wall 2", (low, high) -> new Ceiling.LeanTo(low, high, 2)),
    LEAN_TO_3("sloping up from wall 3", (low, high) -> new Ceiling.LeanTo(low, high, 3)),
    LEAN_TO_4("sloping up from wall 4", (low, high) -> new Ceiling.LeanTo(low, high, 4)),
    GABLE("two slopes, ridge along", (low, high) -> new Ceiling.Gable(low, high, true)),
    GABLE_ACROSS("two slopes, ridge across", (low, high) -> new Ceiling.Gable(low, high, false));

    private final String label;
    private final BiFunction<Double, Double, Ceiling> make;

    Roof(String label, BiFunction<Double, Double, Ceiling> make) {
      this.label = label;
      this.make = make;
    }

    /** Name for people. */
    public String label() {
      return label;
    }
  }

  /** A smaller gap between typed walls is rounding. */
  private static final double LEAST_MISS_METRES = 0.005;

  private final StationContext context;

  ShapeModel(StationContext context) {
    this.context = context;
  }

  private Room room() {
    return context.session().book().room();
  }

  /** The outline as it is typed. */
  public String typed(Typed how) {
    return typed(room().outline(), how);
  }

  /** A template in the room's length and width, as it is typed. */
  public String typed(Template template, Typed how) {
    return typed(template.make.apply(room().size().x(), room().size().y()), how);
  }

  /** An outline as it is typed, one corner or wall to a line. */
  public static String typed(Outline outline, Typed how) {
    Stream<double[]> lines =
        how == Typed.CORNERS
            ? outline.corners().stream().map(p -> new double[] {p.x(), p.y()})
            : Traverse.walls(outline).stream()
                .map(w -> new double[] {w.metres(), w.insideDegrees()});
    String format = how == Typed.CORNERS ? "%.2f %.2f" : "%.2f %.0f";
    return lines.map(n -> Figures.say(format, n[0], n[1])).collect(Collectors.joining("\n"));
  }

  /** The kind of ceiling; one that none of them is counts as flat. */
  public Roof roof() {
    return Stream.of(Roof.values())
        .filter(r -> r.make.apply(heights()[0], heights()[1]).equals(room().ceiling()))
        .findFirst()
        .orElse(Roof.FLAT);
  }

  /** The lowest and the highest of the ceiling. */
  public double[] heights() {
    return switch (room().ceiling()) {
      case Ceiling.Flat f -> new double[] {f.heightMetres(), f.heightMetres()};
      case Ceiling.LeanTo l -> new double[] {l.lowMetres(), l.highMetres()};
      case Ceiling.Gable g -> new double[] {g.kneeMetres(), g.ridgeMetres()};
    };
  }

  /**
   * Gives the room another outline and ceiling, with what still fits in it.
   *
   * @param typed corners or walls, one to a line
   * @param low of the ceiling; a flat one has {@code high}
   * @throws Trouble.BadField where that is no room, with the line at fault
   */
  public void apply(String typed, Typed how, Roof roof, double low, double high) {
    double[] miss = {0};
    Outline outline = parse(typed, how, miss);
    Ceiling ceiling = checked("ceiling", () -> roof.make.apply(low, high));
    String shared =
        miss[0] < LEAST_MISS_METRES
            ? ""
            : Figures.say(
                "The walls missed each other by %.0f cm, which was shared out among them. ",
                100 * miss[0]);
    apply(outline, ceiling, shared);
  }

  /**
   * Gives the room another outline under the same ceiling.
   *
   * @throws Trouble.BadField where the ceiling does not go with it
   */
  public void apply(Outline outline) {
    apply(outline, room().ceiling(), "");
  }

  private void apply(Outline outline, Ceiling ceiling, String words) {
    Room before = room();
    Room shaped = before.reshaped(outline, ceiling);
    context.session().describe("Change the room’s shape", now -> shaped);
    int gone = things(before) - things(shaped);
    context
        .work()
        .say(
            words
                + (gone <= 0
                    ? ""
                    : gone
                        + (gone == 1 ? " thing does" : " things do")
                        + " not fit into this shape and went; undo brings it all back."));
  }

  private static int things(Room room) {
    return room.furniture().size() + room.patches().size() + room.sources().size();
  }

  private static <T> T checked(String field, Supplier<T> make) {
    try {
      return make.get();
    } catch (IllegalArgumentException e) {
      throw new Trouble.BadField(field, String.valueOf(e.getMessage()));
    }
  }

  private static Outline parse(String typed, Typed how, double[] miss) {
    List<double[]> lines = numbers(typed, how);
    if (how == Typed.WALLS) {
      Traverse walked =
          checked(
              "walls",
              () -> Traverse.of(lines.stream().map(n -> new Traverse.Wall(n[0], n[1])).toList()));
      miss[0] = walked.missMetres();
      return walked.outline();
    }
    return checked(
        "outline", () -> new Outline(lines.stream().map(n -> new Point(n[0], n[1], 0)).toList()));
  }

  private static List<double[]> numbers(String typed, Typed how) {
    List<double[]> all = new ArrayList<>();
    String[] lines = typed.strip().split("\\R|;");
    for (int i = 0; i < lines.length; i++) {
      String[] numbers = lines[i].strip().split("[\\s]+");
      try {
        if (numbers.length != 2) {
          throw new NumberFormatException();
        }
        all.add(new double[] {NumberField.parse(numbers[0]), NumberField.parse(numbers[1])});
      } catch (NumberFormatException e) {
        throw new Trouble.BadField(
            (how == Typed.WALLS ? "wall " : "corner ") + (i + 1),
            (how == Typed.WALLS
                    ? "must be a length in metres and an angle in degrees"
                    : "must be two numbers in metres")
                + ", not “"
                + lines[i].strip()
                + "”");
      }
    }
    return all;
  }

  /** What lies on surfaces. */
  public List<Patch> pieces() {
    return room().patches();
  }

  /**
   * Lets a door or window into a wall or a skylight into the ceiling, or lays a rug.
   *
   * @param along metres from the surface's first corner
   * @throws Trouble.BadField where it does not lie on the surface
   */
  public void add(Opening kind, Surface surface, double along) {
    Room with = kind.in(room(), surface, along);
    context.session().describe("Add a " + kind.label(), now -> with);
  }

  /** Turns a piece into what else it can be: opens a door, draws a curtain. */
  public void turnOver(int index) {
    RoomItem item = new RoomItem(RoomItem.Kind.PATCH, index);
    context
        .session()
        .edit(
            "Open or shut the " + pieces().get(index).name(),
            book -> book.with(item.switched(book.room())));
  }

  /**
   * Makes a piece as wide and high as told, about its lowest corner.
   *
   * @throws Trouble.BadField where it does not lie on its surface so
   */
  public void resize(int index, double width, double height) {
    context
        .session()
        .describe(
            "Resize the " + pieces().get(index).name(),
            now -> Opening.resized(now, index, width, height));
  }

  /**
   * Puts the lowest corner of a piece so far from the first corner of its surface and so far up.
   *
   * @throws Trouble.BadField where it does not lie on its surface so
   */
  public void place(int index, double along, double up) {
    context
        .session()
        .describe(
            "Move the " + pieces().get(index).name(), now -> Opening.placed(now, index, along, up));
  }

  /** Takes a piece off. */
  public void remove(int index) {
    List<Patch> fewer = new ArrayList<>(pieces());
    Patch gone = fewer.remove(index);
    context.session().describe("Take off the " + gone.name(), now -> now.withPatches(fewer));
  }
}
