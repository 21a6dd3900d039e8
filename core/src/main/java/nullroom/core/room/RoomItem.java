package nullroom.core.room;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import nullroom.core.Trouble;

/**
 * Something in a room that can be moved, by its kind and its index among those. Pieces on surfaces
 * are placed in the surface's own axes by their lowest corner, all else in the room.
 *
 * @param kind of it
 * @param index in the room's list of that kind, else 0
 */
public record RoomItem(Kind kind, int index) {
  /** Kinds of things. */
  public enum Kind {
    TALKER,
    MICROPHONE,
    CAMERA,
    LOUDSPEAKER,
    SOURCE,
    FURNITURE,
    SCREEN,
    PATCH
  }

  /** The first who speaks. */
  public static final RoomItem TALKER = new RoomItem(Kind.TALKER, 0);

  /** The first that listens. */
  public static final RoomItem MICROPHONE = new RoomItem(Kind.MICROPHONE, 0);

  /** The first that films. */
  public static final RoomItem CAMERA = new RoomItem(Kind.CAMERA, 0);

  /** What points nearer to the lips than this keeps pointing at them. */
  private static final double AT_LIPS_DEGREES = 2;

  /** Things go to whole steps of this. */
  public static final double STEP_METRES = 0.05;

  /** Nearer than this to an edge they go to the edge. */
  private static final double CATCH_METRES = 0.08;

  /** Moved over the floor a thing keeps its height. */
  private static final double EVEN_METRES = 1e-9;

  private static final double TURN_STEP_DEGREES = 5;

  /** All of a room. */
  public static List<RoomItem> of(Room room) {
    List<RoomItem> all = new ArrayList<>();
    add(all, Kind.PATCH, room.patches().size());
    add(all, Kind.FURNITURE, room.furniture().size());
    add(all, Kind.SCREEN, room.screens().size());
    add(all, Kind.SOURCE, room.sources().size());
    add(all, Kind.LOUDSPEAKER, room.loudspeakers().size());
    add(all, Kind.CAMERA, room.setUp().cameras().size());
    add(all, Kind.TALKER, room.setUp().talkers().size());
    add(all, Kind.MICROPHONE, room.setUp().microphones().size());
    return all;
  }

  /** The voice of a room that is judged. */
  public static RoomItem talker(Room room) {
    return new RoomItem(Kind.TALKER, room.setUp().judged().voice());
  }

  /** The microphone of a room that is judged. */
  public static RoomItem microphone(Room room) {
    return new RoomItem(Kind.MICROPHONE, room.setUp().judged().microphone());
  }

  /** The camera of a room that is chosen. */
  public static RoomItem camera(Room room) {
    return new RoomItem(Kind.CAMERA, room.setUp().judged().camera());
  }

  /** Whether it is drawn as a point, and not by its own outline. */
  public boolean isPoint() {
    return kind != Kind.PATCH && kind != Kind.FURNITURE && kind != Kind.SCREEN;
  }

  /** What of the set-up it is; empty where it belongs to the room. */
  public Optional<Member<?>> member(Room room) {
    SetUp s = room.setUp();
    return switch (kind) {
      case TALKER -> Optional.of(s.talkers().get(index));
      case MICROPHONE -> Optional.of(s.microphones().get(index));
      case CAMERA -> Optional.of(s.cameras().get(index));
      case LOUDSPEAKER -> Optional.of(s.loudspeakers().get(index));
      case SOURCE, FURNITURE, SCREEN, PATCH -> Optional.empty();
    };
  }

  private static void add(List<RoomItem> all, Kind kind, int count) {
    IntStream.range(0, count).forEach(i -> all.add(new RoomItem(kind, i)));
  }

  /** Its name in a room, for people. */
  public String name(Room room) {
    return switch (kind) {
      case TALKER, MICROPHONE, CAMERA, LOUDSPEAKER -> member(room).orElseThrow().name();
      case SOURCE -> room.sources().get(index).name();
      case FURNITURE -> room.furniture().get(index).label();
      case SCREEN -> room.screens().get(index).name();
      case PATCH -> room.patches().get(index).label();
    };
  }

  /** Where it is. */
  public Point at(Room room) {
    return switch (kind) {
      case TALKER, MICROPHONE, CAMERA, LOUDSPEAKER -> member(room).orElseThrow().it().at();
      case SOURCE -> room.sources().get(index).at();
      case FURNITURE -> room.furniture().get(index).corner();
      case SCREEN -> room.screens().get(index).middle();
      case PATCH -> lowest(room.patches().get(index).corners());
    };
  }

  private static Point lowest(List<Point> corners) {
    return new Point(span(corners, 0)[0], span(corners, 1)[0], 0);
  }

  private static double[] span(List<Point> corners, int axis) {
    DoubleStream along = corners.stream().mapToDouble(c -> axis == 0 ? c.x() : c.y());
    var figures = along.summaryStatistics();
    return new double[] {figures.getMin(), figures.getMax()};
  }

  /**
   * The room with it elsewhere. What rides on it follows, and microphones and cameras that point at
   * the lips do so afterwards, also where those moved; what rides on something and is taken further
   * off is put down.
   *
   * @throws Trouble.BadField where it does not fit there
   */
  public Room moved(Room room, Point to) {
    return switch (kind) {
      case TALKER, MICROPHONE, CAMERA, LOUDSPEAKER ->
          room.with(
              Carried.offFurniture(
                  moved(room.setUp(), to), room.furniture(), member(room).orElseThrow(), to));
      case SOURCE -> sources(room, s -> new NoiseSource(s.name(), to, s.dbSplAtMetre()));
      case FURNITURE -> furniture(room, f -> f.movedTo(to));
      case SCREEN -> screens(room, s -> s.movedBy(to.minus(s.middle())));
      case PATCH -> {
        Point shift = to.minus(at(room));
        Patch moved = room.patches().get(index).movedBy(shift.x(), shift.y());
        if (!room.carries(moved)) {
          throw new Trouble.BadField(
              name(room), "does not lie on " + surface(room).spoken() + " there");
        }
        try {
          yield patches(room, p -> moved);
        } catch (Trouble.BadField e) { // on another piece
          throw new Trouble.BadField(name(room), String.valueOf(e.getMessage()));
        }
      }
    };
  }

  private SetUp moved(SetUp s, Point to) {
    return switch (kind) {
      case TALKER -> talkerMoved(s, to);
      case MICROPHONE -> {
        Member<PlacedMicrophone> m = s.microphones().get(index);
        yield s.withMicrophone(
            index,
            s.talker()
                .filter(t -> m.ride().isEmpty())
                .map(t -> m.it().movedTo(to, t.at()))
                .orElse(m.it().placed(to, m.it().aim())));
      }
      case CAMERA -> {
        Camera c = s.cameras().get(index).it();
        yield s.withCamera(
            index, s.talker().map(t -> c.movedTo(to, t.at())).orElse(c.placed(to, c.aim())));
      }
      case LOUDSPEAKER -> {
        PlacedLoudspeaker l = s.loudspeakers().get(index).it();
        yield s.withLoudspeaker(index, l.placed(to, l.aim()));
      }
      default -> throw new IllegalStateException("no member of a set-up: " + this);
    };
  }

  private SetUp talkerMoved(SetUp s, Point to) {
    Talker talker = s.talkers().get(index).it();
    SetUp there = s.withTalker(index, talker.movedTo(to));
    boolean judged = index == s.judged().voice();
    for (int i = 0; i < s.microphones().size(); i++) {
      Member<PlacedMicrophone> m = s.microphones().get(i);
      if (follows(m, talker, judged && i == s.judged().microphone())) {
        PlacedMicrophone now = there.microphones().get(i).it();
        there = there.withMicrophone(i, now.movedTo(now.at(), to));
      }
    }
    for (int i = 0; i < s.cameras().size(); i++) {
      Member<Camera> c = s.cameras().get(i);
      if (follows(c, talker, judged && i == s.judged().camera())) {
        Camera now = there.cameras().get(i).it();
        there = there.withCamera(i, now.movedTo(now.at(), to));
      }
    }
    return there;
  }

  /** Whether it keeps pointing at the lips of a talker. */
  private static boolean follows(Member<?> m, Talker talker, boolean judged) {
    Point toLips = talker.at().minus(m.it().at());
    boolean pointsAt = m.it().aim().angleTo(toLips) < AT_LIPS_DEGREES;
    return m.ride().isEmpty() && (judged || pointsAt);
  }

  private Surface surface(Room room) {
    return room.patches().get(index).surface();
  }

  private Room patches(Room room, UnaryOperator<Patch> change) {
    return room.withPatches(changed(room.patches(), change));
  }

  private Room furniture(Room room, UnaryOperator<Furniture> change) {
    Furniture before = room.furniture().get(index);
    SetUp carried = Carried.along(room.setUp(), before, change.apply(before));
    return room.withFurniture(changed(room.furniture(), change)).with(carried);
  }

  private Room screens(Room room, UnaryOperator<Screen> change) {
    return room.with(room.contents().withScreens(changed(room.screens(), change)));
  }

  private Room sources(Room room, UnaryOperator<NoiseSource> change) {
    return room.withNoise(room.noiseDbSpl().orElseThrow(), changed(room.sources(), change));
  }

  private <T> List<T> changed(List<T> all, UnaryOperator<T> change) {
    List<T> other = new ArrayList<>(all);
    other.set(index, change.apply(other.get(index)));
    return other;
  }

  /**
   * The place near another that it goes to when it is dragged there: whole steps, and the edges of
   * its surface or of the floor; the middle of a wall, and for pieces on walls the middle of the
   * talker's height.
   */
  public Point snapped(Room room, Point to) {
    return switch (kind) {
      case PATCH -> {
        Patch patch = room.patches().get(index);
        double width = patch.width();
        double height = patch.height();
        boolean wall = patch.surface().isWall();
        double[] us = room.enclosure().span(patch.surface(), 0);
        double[] vs =
            patch.surface() instanceof Surface.Wall w
                ? new double[] {0, ceilingOver(room.enclosure(), w, to.x(), width)}
                : floor(room, 1);
        double voice = room.talker().map(t -> t.at().z()).orElse(0.0);
        yield new Point(
            snapped(to.x(), us[0], us[1] - width, (us[0] + us[1] - width) / 2),
            snapped(to.y(), vs[0], vs[1] - height, wall ? voice - height / 2 : vs[0]),
            0);
      }
      case FURNITURE -> {
        Furniture piece = room.furniture().get(index);
        List<Point> plan = piece.plan();
        Point corner = piece.corner();
        double[] xs = floor(room, 0);
        double[] ys = floor(room, 1);
        yield new Point(
            snapped(
                to.x(),
                xs[0] + corner.x() - span(plan, 0)[0],
                xs[1] + corner.x() - span(plan, 0)[1]),
            snapped(
                to.y(),
                ys[0] + corner.y() - span(plan, 1)[0],
                ys[1] + corner.y() - span(plan, 1)[1]),
            to.z());
      }
      default -> {
        double height = at(room).z();
        double z = Math.abs(to.z() - height) < EVEN_METRES ? height : step(to.z());
        yield new Point(step(to.x()), step(to.y()), z);
      }
    };
  }

  private static double[] floor(Room room, int axis) {
    return room.outline().span(axis);
  }

  /** The lower of the ceiling's heights over both ends of a piece on a wall. */
  private static double ceilingOver(
      Enclosure enclosure, Surface.Wall wall, double from, double width) {
    double length = enclosure.length(wall);
    Point start = new Point(Math.clamp(from, 0, length), 0, 0);
    Point end = new Point(Math.clamp(from + width, 0, length), 0, 0);
    return Math.min(
        enclosure.heightAt(enclosure.unbounded(wall, start)),
        enclosure.heightAt(enclosure.unbounded(wall, end)));
  }

  private static double snapped(double value, double... edges) {
    return DoubleStream.of(edges)
        .boxed()
        .min(Comparator.comparingDouble(edge -> Math.abs(edge - value)))
        .filter(edge -> Math.abs(edge - value) < CATCH_METRES)
        .orElse(step(value));
  }

  private static double step(double value) {
    return Math.round(value / STEP_METRES) * STEP_METRES;
  }

  /** Where it points, for what points somewhere and can be turned by hand. */
  public Optional<Aim> aim(Room room) {
    return member(room).map(m -> m.it().aim());
  }

  /** The room with it turned to a direction in the plan, in whole steps of five degrees. */
  public Room turned(Room room, double azimuthDegrees) {
    double azimuth = Math.round(azimuthDegrees / TURN_STEP_DEGREES) * TURN_STEP_DEGREES;
    SetUp s = room.setUp();
    return switch (kind) {
      case TALKER -> room.with(s.withTalker(index, turned(s.talkers().get(index).it(), azimuth)));
      case MICROPHONE ->
          room.with(s.withMicrophone(index, turned(s.microphones().get(index).it(), azimuth)));
      case CAMERA -> room.with(s.withCamera(index, turned(s.cameras().get(index).it(), azimuth)));
      case LOUDSPEAKER ->
          room.with(s.withLoudspeaker(index, turned(s.loudspeakers().get(index).it(), azimuth)));
      case SCREEN -> screens(room, screen -> screen.turnedTo(azimuth));
      case FURNITURE ->
          furniture(
              room,
              f ->
                  f.placed(
                      f.corner(), f.lengthMetres(), f.widthMetres(), f.heightMetres(), azimuth));
      default -> room;
    };
  }

  private static <T extends Placed<T>> T turned(T it, double azimuthDegrees) {
    return it.placed(it.at(), new Aim(azimuthDegrees, it.aim().elevationDegrees()));
  }

  /** Whether it has another state, such as open. */
  public boolean switches(Room room) {
    return switch (kind) {
      case FURNITURE -> room.furniture().get(index).otherwise().isPresent();
      case PATCH -> room.patches().get(index).otherwise().isPresent();
      default -> false;
    };
  }

  /** The room with it in its other state; the same where it has none. */
  public Room switched(Room room) {
    return switch (kind) {
      case FURNITURE -> furniture(room, Furniture::turned);
      case PATCH -> patches(room, Patch::turned);
      default -> room;
    };
  }

  /** The room without it; the last talker and the last microphone stay. */
  public Room without(Room room) {
    SetUp s = room.setUp();
    return switch (kind) {
      case TALKER -> s.talkers().size() == 1 ? room : room.with(s.withTalkers(fewer(s.talkers())));
      case MICROPHONE ->
          s.microphones().size() == 1 ? room : room.with(s.withMicrophones(fewer(s.microphones())));
      case CAMERA -> room.with(s.withCameras(fewer(s.cameras())));
      case LOUDSPEAKER -> room.with(s.withLoudspeakers(fewer(s.loudspeakers())));
      case SOURCE -> room.withNoise(room.noiseDbSpl().orElseThrow(), fewer(room.sources()));
      case FURNITURE -> room.withFurniture(fewer(room.furniture()));
      case SCREEN -> room.with(room.contents().withScreens(fewer(room.screens())));
      case PATCH -> room.withPatches(fewer(room.patches()));
    };
  }

  private <T> List<T> fewer(List<T> all) {
    List<T> fewer = new ArrayList<>(all);
    fewer.remove(index);
    return fewer;
  }
}
