package nullroom.app.room;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nullroom.app.shell.StationContext;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.room.Finish;
import nullroom.core.room.Furniture;
import nullroom.core.room.LooseObject;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.RoomItem;
import nullroom.core.room.Screen;

/** What stands in the room. */
public final class FurnitureModel {
  /** Which of the figures is the turn. */
  static final int TURN = 6;

  private static final double STEP_METRES = 0.1;

  /** Nobody puts a screen or a loudspeaker on top of a wardrobe. */
  private static final double HIGHEST_TOP_METRES = 1.2;

  private final StationContext context;

  FurnitureModel(StationContext context) {
    this.context = context;
  }

  private Room room() {
    return context.session().book().room();
  }

  /** All of it. */
  public List<Furniture> all() {
    return room().furniture();
  }

  /**
   * Puts up a piece at the first place where it fits, from the first corner on.
   *
   * @throws Trouble.BadField where there is none
   */
  public void add(Piece kind) {
    Optional<Room> onTop = kind.onTop() ? onTop(kind) : Optional.empty();
    if (onTop.isPresent()) {
      context.session().describe("Put up a " + kind.label(), now -> onTop.get());
      return;
    }
    double[] xs = room().outline().span(0);
    double[] ys = room().outline().span(1);
    for (double y = ys[0]; y < ys[1]; y += STEP_METRES) {
      for (double x = xs[0]; x < xs[1]; x += STEP_METRES) {
        Optional<Room> with = with(kind.at(x, y));
        if (with.isPresent()) {
          Room furnished = with.get();
          context.session().describe("Put up a " + kind.label(), now -> furnished);
          return;
        }
      }
    }
    throw new Trouble.BadField("furniture", "there is no room left for a " + kind.label());
  }

  private Optional<Room> onTop(Piece kind) {
    for (Furniture below : all()) {
      for (double along = 0; along < below.lengthMetres(); along += STEP_METRES) {
        Optional<Room> there = kind.on(below, along).flatMap(this::with);
        if (there.isPresent() && below.top() < HIGHEST_TOP_METRES) {
          return there;
        }
      }
    }
    return Optional.empty();
  }

  /**
   * Hangs cloth up behind the talker, or as near as it finds room; it may be dragged.
   *
   * @throws Trouble.BadField where there is none
   */
  public void add(FreeCloth kind) {
    Optional<Room> leaf = kind == FreeCloth.OVER_DOOR ? overDoor(kind) : Optional.empty();
    if (leaf.isPresent()) {
      context.session().describe("Put up a " + kind.label(), now -> leaf.get());
      return;
    }
    double[] xs = room().outline().span(0);
    double[] ys = room().outline().span(1);
    for (double azimuth : new double[] {90, 0}) {
      for (double x = xs[0] + STEP_METRES; x < xs[1]; x += STEP_METRES) {
        for (double y = ys[0] + STEP_METRES; y < ys[1]; y += STEP_METRES) {
          Optional<Room> with = with(kind.at(x, y, azimuth));
          if (with.isPresent()) {
            Room hung = with.get();
            context.session().describe("Put up a " + kind.label(), now -> hung);
            return;
          }
        }
      }
    }
    throw new Trouble.BadField("screens", "there is no room left for a " + kind.label());
  }

  /** Over a door's leaf that stands open into the room, on either side of the door. */
  private Optional<Room> overDoor(FreeCloth kind) {
    for (Patch door : room().patches()) {
      if (door.surface().isWall() && door.name().startsWith(Opening.DOOR.label())) {
        for (boolean left : new boolean[] {true, false}) {
          Optional<Room> there = with(kind.atDoor(room(), door, left));
          if (there.isPresent()) {
            return there;
          }
        }
      }
    }
    return Optional.empty();
  }

  private Optional<Room> with(Screen screen) {
    List<Screen> more = new ArrayList<>(room().screens());
    more.add(screen);
    try {
      return Optional.of(room().with(room().contents().withScreens(more)));
    } catch (Trouble.BadField doesNotFit) {
      return Optional.empty();
    }
  }

  /** The room with one more piece, where that fits and stands in nobody's way. */
  private Optional<Room> with(Furniture piece) {
    for (Furniture other : all()) {
      if (overlap(other, piece)) {
        return Optional.empty();
      }
    }
    List<Furniture> more = new ArrayList<>(all());
    more.add(piece);
    try {
      return Optional.of(room().withFurniture(more));
    } catch (Trouble.BadField doesNotFit) {
      return Optional.empty();
    }
  }

  /** By the boxes around both, which is enough to keep new ones apart. */
  private static boolean overlap(Furniture a, Furniture b) {
    double[] pa = span(a);
    double[] pb = span(b);
    boolean level = a.corner().z() < b.top() && b.corner().z() < a.top();
    return level && pa[0] < pb[1] && pb[0] < pa[1] && pa[2] < pb[3] && pb[2] < pa[3];
  }

  private static double[] span(Furniture f) {
    List<Point> plan = f.plan();
    return new double[] {
      plan.stream().mapToDouble(Point::x).min().orElseThrow(),
      plan.stream().mapToDouble(Point::x).max().orElseThrow(),
      plan.stream().mapToDouble(Point::y).min().orElseThrow(),
      plan.stream().mapToDouble(Point::y).max().orElseThrow()
    };
  }

  /** Takes a piece out. */
  public void remove(int index) {
    String name = all().get(index).name();
    List<Furniture> fewer = new ArrayList<>(all());
    fewer.remove(index);
    context.session().describe("Take out the " + name, now -> now.withFurniture(fewer));
  }

  /**
   * Changes a piece.
   *
   * @throws Trouble.BadField where it does not fit so
   */
  public void change(int index, Furniture other) {
    List<Furniture> changed = new ArrayList<>(all());
    changed.set(index, other);
    context.session().describe("Change the " + other.name(), now -> now.withFurniture(changed));
  }

  /** Changes one figure of a piece: 0, 1 place; 2 offset; 3, 4, 5 sizes; 6 turn in degrees. */
  public void change(int index, int figure, double number) {
    Furniture f = all().get(index);
    double[] n = figures(f);
    n[figure] = number;
    try {
      change(index, f.placed(new Point(n[0], n[1], n[2]), n[3], n[4], n[5], n[6]));
    } catch (IllegalArgumentException e) {
      throw new Trouble.BadField(f.name(), String.valueOf(e.getMessage()));
    }
  }

  /** The figures of a piece in the order of {@link #change(int, int, double)}. */
  public static double[] figures(Furniture f) {
    return new double[] {
      f.corner().x(),
      f.corner().y(),
      f.corner().z(),
      f.lengthMetres(),
      f.widthMetres(),
      f.heightMetres(),
      f.azimuthDegrees()
    };
  }

  /** Makes a piece of another material. */
  public void setMaterial(int index, Finish finish) {
    change(index, all().get(index).with(finish));
  }

  /** Turns a piece into what else it can be: opens a wardrobe. */
  public void turnOver(int index) {
    context
        .session()
        .edit(
            "Open or shut the " + all().get(index).name(),
            book -> book.with(new RoomItem(RoomItem.Kind.FURNITURE, index).switched(book.room())));
  }

  /** Loose things in square metres of absorption. */
  public List<LooseObject> loose() {
    return room().objects();
  }

  /**
   * Puts in a loose thing.
   *
   * @param squareMetres what it takes up per octave
   * @throws Trouble.BadField where the name is missing or a figure is out of range
   */
  public void addLoose(String name, Bands squareMetres) {
    if (name.isBlank()) {
      throw new Trouble.BadField("loose thing", "needs a name, such as “armchair”");
    }
    try {
      List<LooseObject> more = new ArrayList<>(loose());
      more.add(new LooseObject(name.strip(), squareMetres));
      context.session().describe("Put in the " + name, now -> now.withObjects(more));
    } catch (IllegalArgumentException e) {
      throw new Trouble.BadField(name, String.valueOf(e.getMessage()));
    }
  }

  /** Takes a loose thing out. */
  public void removeLoose(int index) {
    List<LooseObject> fewer = new ArrayList<>(loose());
    LooseObject gone = fewer.remove(index);
    context.session().describe("Take out the " + gone.name(), now -> now.withObjects(fewer));
  }
}
