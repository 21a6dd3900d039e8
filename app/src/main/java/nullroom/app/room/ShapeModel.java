package nullroom.app.room;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import nullroom.app.control.NumberField;
import nullroom.app.shell.Desk;
import nullroom.core.Trouble;
import nullroom.core.room.Aim;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Finish;
import nullroom.core.room.Furniture;
import nullroom.core.room.Outline;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Room;

/** The outline of the floor and the kind of ceiling, and what lies on surfaces. */
public final class ShapeModel {
  /** Outlines to start from, in the room's own length and width. */
  public enum Template {
    BOX("box"),
    ELL("L"),
    ALCOVE("box with an alcove");

    private final String label;

    Template(String label) {
      this.label = label;
    }

    /** Name for people. */
    public String label() {
      return label;
    }
  }

  /** Kinds of ceiling. */
  public enum Roof {
    FLAT("flat"),
    LEAN_TO("sloping up from wall 1"),
    GABLE("two slopes along the length");

    private final String label;

    Roof(String label) {
      this.label = label;
    }

    /** Name for people. */
    public String label() {
      return label;
    }
  }

  /** What can be let into a wall, or laid. */
  public enum Opening {
    DOOR("shut door", "door_solid", 0, 0.85, 2.0),
    OPEN_DOOR("open door", "opening_free", 0, 0.85, 2.0),
    WINDOW("window", "glass_double_10", 0.9, 1.2, 1.2),
    CURTAIN("curtain", "curtain_medium_draped", 0, 1.6, 2.2),
    RUG("rug", "rug_on_wood", 0, 2.0, 1.4);

    private final String label;
    private final String material;
    private final double up;
    private final double width;
    private final double height;

    Opening(String label, String material, double up, double width, double height) {
      this.label = label;
      this.material = material;
      this.up = up;
      this.width = width;
      this.height = height;
    }

    /** Name for people. */
    public String label() {
      return label;
    }
  }

  private final Desk desk;

  ShapeModel(Desk desk) {
    this.desk = desk;
  }

  private Room room() {
    return desk.session().book().room();
  }

  /** The corners as they are typed: one to a line, two numbers in metres. */
  public String corners() {
    return room().outline().corners().stream()
        .map(p -> String.format(Locale.ROOT, "%.2f %.2f", p.x(), p.y()))
        .collect(Collectors.joining("\n"));
  }

  /** A template's corners in the room's length and width, as they are typed. */
  public String corners(Template template) {
    double l = room().size().x();
    double w = room().size().y();
    double[][] xy =
        switch (template) {
          case BOX -> new double[][] {{0, 0}, {l, 0}, {l, w}, {0, w}};
          case ELL ->
              new double[][] {{0, 0}, {l, 0}, {l, w / 2}, {l / 2, w / 2}, {l / 2, w}, {0, w}};
          case ALCOVE ->
              new double[][] {
                {0, 0},
                {l, 0},
                {l, 0.8 * w},
                {2 * l / 3, 0.8 * w},
                {2 * l / 3, w},
                {l / 3, w},
                {l / 3, 0.8 * w},
                {0, 0.8 * w}
              };
        };
    List<String> lines = new ArrayList<>();
    for (double[] p : xy) {
      lines.add(String.format(Locale.ROOT, "%.2f %.2f", p[0], p[1]));
    }
    return String.join("\n", lines);
  }

  /** The kind of ceiling. */
  public Roof roof() {
    return switch (room().ceiling()) {
      case Ceiling.Flat f -> Roof.FLAT;
      case Ceiling.LeanTo l -> Roof.LEAN_TO;
      case Ceiling.Gable g -> Roof.GABLE;
    };
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
   * Gives the room another outline and ceiling. Surfaces keep their material by name, new ones get
   * that of wall 1; pieces on surfaces that are gone or too small go; talker and microphone move to
   * the middle where they would stand outside.
   *
   * @param typed corners, one to a line, against the clock
   * @param low of the ceiling; a flat one has {@code high}
   * @throws Trouble.BadField where that is no room, with the line at fault
   */
  public void apply(String typed, Roof roof, double low, double high) {
    Outline outline = parse(typed);
    Ceiling ceiling;
    try {
      ceiling =
          switch (roof) {
            case FLAT -> new Ceiling.Flat(high);
            case LEAN_TO -> new Ceiling.LeanTo(low, high, 1);
            case GABLE -> new Ceiling.Gable(low, high, true);
          };
    } catch (IllegalArgumentException e) {
      throw new Trouble.BadField("ceiling", String.valueOf(e.getMessage()));
    }
    Room before = room();
    Room shaped = shaped(before, outline, ceiling);
    desk.session().edit("Change the room’s shape", book -> book.with(shaped));
    int gone =
        before.furniture().size()
            + before.patches().size()
            + before.sources().size()
            - shaped.furniture().size()
            - shaped.patches().size()
            - shaped.sources().size();
    if (gone > 0) {
      desk.work()
          .say(
              gone
                  + (gone == 1 ? " thing does" : " things do")
                  + " not fit into this shape and went; undo brings it all back.");
    }
  }

  private static Outline parse(String typed) {
    List<Point> corners = new ArrayList<>();
    String[] lines = typed.strip().split("\\R|;");
    for (int i = 0; i < lines.length; i++) {
      String[] numbers = lines[i].strip().split("[\\s]+");
      try {
        if (numbers.length != 2) {
          throw new NumberFormatException();
        }
        corners.add(new Point(NumberField.parse(numbers[0]), NumberField.parse(numbers[1]), 0));
      } catch (NumberFormatException e) {
        throw new Trouble.BadField(
            "corner " + (i + 1), "must be two numbers in metres, not “" + lines[i].strip() + "”");
      }
    }
    try {
      return new Outline(corners);
    } catch (IllegalArgumentException e) {
      throw new Trouble.BadField("outline", String.valueOf(e.getMessage()));
    }
  }

  private static Room shaped(Room room, Outline outline, Ceiling ceiling) {
    Map<String, Finish> finishes = new LinkedHashMap<>();
    finishes.put("floor", room.finishOf("floor"));
    finishes.put("ceiling", room.finishOf("ceiling"));
    for (int k = 1; k <= outline.corners().size(); k++) {
      boolean old = k <= room.outline().corners().size();
      finishes.put("wall" + k, room.finishOf(old ? "wall" + k : "wall1"));
    }
    Room bare =
        new Room(
            room.name(),
            outline,
            ceiling,
            room.air(),
            finishes,
            List.of(),
            room.objects(),
            Optional.empty(),
            Optional.empty(),
            room.noiseDbSpl());
    List<Patch> kept =
        room.patches().stream()
            .filter(p ->
                bare.surfaceNames().contains(p.surface())
                    && p.corners().stream()
                        .allMatch(c -> bare.on(p.surface(), c.x(), c.y()).isPresent()))
            .toList();
    return furnished(peopled(bare.withPatches(kept), room), room);
  }

  /** With the furniture and the noise sources that still fit. */
  private static Room furnished(Room shaped, Room before) {
    List<Furniture> kept = new ArrayList<>();
    for (Furniture piece : before.furniture()) {
      kept.add(piece);
      if (!fits(shaped, kept)) {
        kept.removeLast();
      }
    }
    Room furnished = shaped.withFurniture(kept);
    return before.noiseDbSpl().isEmpty()
        ? furnished
        : furnished.withNoise(
            before.noiseDbSpl().get(),
            before.sources().stream().filter(s -> shaped.holds(s.at())).toList());
  }

  private static boolean fits(Room room, List<Furniture> furniture) {
    try {
      room.withFurniture(furniture);
      return true;
    } catch (Trouble.BadField doesNot) {
      return false;
    }
  }

  private static Room peopled(Room shaped, Room before) {
    Point centre = inside(shaped);
    Room room = shaped;
    if (before.talker().isPresent()) {
      var talker = before.talker().get();
      room = room.withTalker(shaped.holds(talker.at()) ? talker : talker.movedTo(centre));
    }
    if (before.microphone().isPresent()) {
      var microphone = before.microphone().get();
      Point lips = room.talker().map(t -> t.at()).orElse(centre);
      boolean stays = shaped.holds(microphone.at()) && microphone.at().distanceTo(lips) > 0.02;
      room =
          room.withMicrophone(stays ? microphone : microphone.movedTo(beside(shaped, lips), lips));
    }
    return room;
  }

  /** A place with room around it: the point of a grid that is farthest from all corners' mean. */
  private static Point inside(Room room) {
    double[] xs = room.outline().span(0);
    double[] ys = room.outline().span(1);
    Point middle = Outline.centre(room.outline().corners());
    Point best = room.outline().corners().getFirst();
    double least = Double.POSITIVE_INFINITY;
    for (double x = xs[0] + 0.3; x < xs[1]; x += 0.1) {
      for (double y = ys[0] + 0.3; y < ys[1]; y += 0.1) {
        Point p = new Point(x, y, 0);
        double head = room.heightAt(p);
        if (room.outline().contains(p) && head > 1.35 && p.distanceTo(middle) < least) {
          least = p.distanceTo(middle);
          best = new Point(x, y, 1.25);
        }
      }
    }
    return best;
  }

  private static Point beside(Room room, Point lips) {
    for (int degrees = 0; degrees < 360; degrees += 15) {
      Point p = lips.plus(new Aim(degrees, 0).direction(), 0.3);
      if (room.holds(p)) {
        return p;
      }
    }
    return lips.plus(new Point(0, 0, -1), 0.3);
  }

  /** What lies on surfaces. */
  public List<Patch> pieces() {
    return room().patches();
  }

  /**
   * Lets a door or window into a wall, or lays a rug.
   *
   * @param along metres from the surface's first corner
   * @throws Trouble.BadField where it does not lie on the surface
   */
  public void add(Opening kind, String surface, double along) {
    boolean wall = surface.startsWith("wall");
    Patch patch =
        Patch.rectangle(
            kind.label,
            surface,
            along,
            wall ? kind.up : along,
            kind.width,
            kind.height,
            kind.material);
    for (Point c : patch.corners()) {
      double hair = 1e-6;
      double u = c.x() > along ? c.x() - hair : c.x() + hair;
      if (room().on(surface, u, c.y()).isEmpty()) {
        throw new Trouble.BadField(
            kind.label,
            String.format(
                Locale.ROOT,
                "%.2f m wide and %.2f m high does not fit on %s there",
                kind.width,
                kind.height,
                surface));
      }
    }
    desk.session().edit("Add a " + kind.label, book -> book.with(book.room().plus(patch)));
  }

  /** Takes a piece off. */
  public void remove(int index) {
    List<Patch> fewer = new ArrayList<>(pieces());
    Patch gone = fewer.remove(index);
    desk.session()
        .edit("Take off the " + gone.name(), book -> book.with(book.room().withPatches(fewer)));
  }
}
