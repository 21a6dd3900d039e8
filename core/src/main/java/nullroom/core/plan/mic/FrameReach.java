package nullroom.core.plan.mic;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nullroom.core.Decibels;
import nullroom.core.acoustics.Mount;
import nullroom.core.book.Shelf;
import nullroom.core.room.Aim;
import nullroom.core.room.Camera;
import nullroom.core.room.Member;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Talker;

/**
 * What a camera's picture shows of the talker judged, and how near it lets a microphone come.
 * Lengths in metres; at the talker means in the plane through the lips that the lens looks at
 * squarely.
 *
 * @param camera name of it
 * @param lens it
 * @param metres from the lens to that plane
 * @param widthMetres of the picture there
 * @param heightMetres of the picture there
 * @param shot what it shows
 * @param lips whether the lips are in the picture
 * @param headroomMetres from the crown of the head to the picture's upper edge; negative where it
 *     cuts the head off, NaN where the talker is behind the lens
 * @param above nearest place out of the picture straight over the lips; empty where the room ends
 *     before it
 * @param below straight under them
 * @param left to the talker's left
 * @param right to their right
 * @param nearest to the lips, of all that a boom reaches; empty where there is none
 * @param buys what other pictures would let come nearer
 */
public record FrameReach(
    String camera,
    Camera lens,
    double metres,
    double widthMetres,
    double heightMetres,
    Shelf.Shot shot,
    boolean lips,
    double headroomMetres,
    OptionalDouble above,
    OptionalDouble below,
    OptionalDouble left,
    OptionalDouble right,
    OptionalDouble nearest,
    List<Buy> buys) {
  /** From the lips to the crown (common practice). */
  static final double CROWN_METRES = 0.19;

  /** Less headroom than this looks cut off (common practice). */
  private static final double LEAST_HEADROOM_METRES = 0.05;

  /** A change is worth telling from here on. */
  private static final double LEAST_METRES = 0.01;

  private static final double FURTHER = 1.5;
  private static final Point DOWN = new Point(0, 0, -1);

  /**
   * Another picture.
   *
   * @param what to change
   * @param nearest place of a boom then
   * @param gainDb of voice by coming nearer, 20 lg of the distances
   */
  public record Buy(String what, double nearest, double gainDb) {}

  public FrameReach {
    buys = List.copyOf(buys);
  }

  /** Whether the picture is higher than wide. */
  public boolean upright() {
    return heightMetres > widthMetres;
  }

  /**
   * Of each camera of a room.
   *
   * @throws nullroom.core.Trouble.BadField where there is no talker
   */
  public static List<FrameReach> of(Room room, Shelf shelf) {
    List<FrameReach> all = new ArrayList<>();
    for (int k = 0; k < room.setUp().cameras().size(); k++) {
      all.add(of(room, shelf, k));
    }
    return all;
  }

  private static FrameReach of(Room room, Shelf shelf, int index) {
    Member<Camera> member = room.setUp().cameras().get(index);
    Camera camera = member.it();
    Talker talker = room.requireTalker();
    MicPlaces places = new MicPlaces(room, shelf);
    double metres = camera.seen(talker.at()).z();
    double width = 2 * Math.max(0, metres) * Math.tan(Math.toRadians(camera.widthDegrees() / 2));
    double height = height(camera, Math.max(0, metres));
    Point up = new Point(0, 0, 1);
    Point ahead = new Aim(talker.aim().azimuthDegrees(), 0).direction();
    Point aside = new Point(-ahead.y(), ahead.x(), 0);
    OptionalDouble nearest = nearest(room, shelf);
    return new FrameReach(
        member.name(),
        camera,
        metres,
        width,
        height,
        Shot.of(Math.max(1e-3, height)),
        camera.frames(talker.at()),
        metres > 0 ? upperEdge(camera, talker.at(), height) - CROWN_METRES : Double.NaN,
        places.nearest(up),
        places.nearest(DOWN),
        places.nearest(aside),
        places.nearest(new Point(-aside.x(), -aside.y(), 0)),
        nearest,
        buys(room, shelf, index, nearest));
  }

  /** From the lips up to the picture's edge, across the axis. */
  private static double upperEdge(Camera camera, Point lips, double height) {
    return height / 2 - camera.seen(lips).y();
  }

  private static double height(Camera camera, double metres) {
    return 2 * metres * Math.tan(Math.toRadians(camera.heightDegrees() / 2));
  }

  /** What a camera shows of the talker of a room. */
  public static Shelf.Shot shotOf(Room room, Camera camera) {
    double metres = Math.abs(camera.seen(room.requireTalker().at()).z());
    return Shot.of(Math.max(1e-3, height(camera, metres)));
  }

  /** A camera turned and zoomed so that it shows so much of the talker, the lips in its middle. */
  public static Camera showing(Room room, Camera camera, Shelf.Shot shot) {
    Point lips = room.requireTalker().at();
    Camera at = camera.movedTo(camera.at(), lips);
    return at.showing(Shot.height(shot), camera.at().distanceTo(lips));
  }

  /** A camera tilted down until little is left over the head; empty where no more is. */
  public static Optional<Camera> lowered(Room room, Camera camera) {
    Point lips = room.requireTalker().at();
    double metres = camera.seen(lips).z();
    double spare =
        upperEdge(camera, lips, height(camera, metres)) - CROWN_METRES - LEAST_HEADROOM_METRES;
    Point target = camera.at().plus(camera.aim().direction(), metres).plus(DOWN, spare);
    return metres > 0 && spare > 0
        ? Optional.of(camera.movedTo(camera.at(), target))
        : Optional.empty();
  }

  private static OptionalDouble nearest(Room room, Shelf shelf) {
    Point lips = room.requireTalker().at();
    return new MicPlaces(room, shelf)
        .of(Mount.BOOM, false).stream().mapToDouble(p -> p.at().distanceTo(lips)).min();
  }

  private static List<Buy> buys(Room room, Shelf shelf, int index, OptionalDouble now) {
    Camera camera = room.setUp().cameras().get(index).it();
    Point lips = room.requireTalker().at();
    double metres = camera.seen(lips).z();
    if (metres <= 0 || now.isEmpty()) {
      return List.of();
    }
    double height = height(camera, metres);
    List<Buy> all = new ArrayList<>();
    lowered(room, camera).ifPresent(c -> add(all, "headroom of 5 cm only", room, shelf, index, c));
    Shot.tighter(Shot.of(height))
        .ifPresent(tighter ->
            add(
                all,
                "a tighter picture: " + words(tighter),
                room,
                shelf,
                index,
                showing(room, camera, tighter)));
    Point back = camera.at().plus(camera.aim().direction(), (1 - FURTHER) * metres);
    if (room.isFree(back) && camera.focalMillimetres() * FURTHER <= Camera.LONGEST_MILLIMETRES) {
      add(
          all,
          "a lens half as long again, from half as far again",
          room,
          shelf,
          index,
          camera
              .placed(back, camera.aim())
              .with(camera.focalMillimetres() * FURTHER, camera.aspectRatio()));
    }
    add(
        all,
        camera.aspectRatio() > 1 ? "the picture turned upright" : "the picture turned across",
        room,
        shelf,
        index,
        camera.with(camera.focalMillimetres(), 1 / camera.aspectRatio()));
    all.removeIf(b -> b.nearest() > now.getAsDouble() - LEAST_METRES);
    return all.stream()
        .map(b ->
            new Buy(b.what(), b.nearest(), Decibels.ofAmplitude(now.getAsDouble() / b.nearest())))
        .toList();
  }

  private static void add(
      List<Buy> all, String what, Room room, Shelf shelf, int index, Camera camera) {
    Room other = room.with(room.setUp().withCamera(index, camera));
    nearest(other, shelf).ifPresent(metres -> all.add(new Buy(what, metres, 0)));
  }

  /** What a picture shows, in words. */
  public static String words(Shelf.Shot shot) {
    return switch (shot) {
      case FACE -> "the face";
      case HEAD_AND_SHOULDERS -> "head and shoulders";
      case WAIST -> "down to the waist";
      case WHOLE -> "the whole person";
    };
  }
}
