package nullroom.core.plan.mic;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Directivity;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.Hearing;
import nullroom.core.book.RoomBook;
import nullroom.core.predict.Heard;
import nullroom.core.room.Aim;
import nullroom.core.room.Member;
import nullroom.core.room.PlacedLoudspeaker;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.SetUp;

/**
 * A singer, a microphone and a loudspeaker with the backing at the corners of a triangle whose
 * sides are alike, and how loud the backing may be.
 *
 * @param room with the three there, the backing at its level
 * @param loudspeaker name of the one that plays it
 * @param sideMetres of the triangle
 * @param underDb by so much the backing lies under the voice at the microphone, A-weighted
 * @param levelDbA of the loudspeaker on axis at 1 m
 * @param earsDbA at the singer's ears, straight from the loudspeaker
 */
public record Backing(
    Room room,
    String loudspeaker,
    double sideMetres,
    double underDb,
    double levelDbA,
    double earsDbA) {
  /** A tape that is sung is taken from so far (common practice). */
  public static final double NEAREST_METRES = 1.2;

  public static final double FURTHEST_METRES = 1.8;

  private static final double TRIED_DB_A = 70;
  private static final String NAME = "backing";

  /** Over this hours of it harm hearing. */
  private static final double HARM_DB_A = 85;

  private static final double TRIANGLE_DEGREES = 60;

  /**
   * Of the voice and the microphone judged; the microphone comes to the triangle's corner on its
   * way from the lips, the loudspeaker to that of the others which is free and in no picture.
   *
   * @throws Trouble.BadField where the triangle does not fit into the room
   */
  public static Backing triangle(RoomBook book, double sideMetres, double underDb) {
    if (!(sideMetres > 0)) {
      throw new Trouble.BadField("side", "must be more than nothing, not " + sideMetres);
    }
    Room room = book.room();
    Point lips = room.requireTalker().at();
    Point way = room.requireMicrophone().at().minus(lips);
    double azimuth =
        way.x() == 0 && way.y() == 0
            ? room.requireTalker().aim().azimuthDegrees()
            : Aim.along(way).azimuthDegrees();
    Point ears = lips.plus(new Aim(azimuth, 0).direction(), sideMetres);
    if (!room.isFree(ears)) {
      throw new Trouble.BadField(
          "side",
          Figures.say("%.1f m before the singer is no free place for the microphone", sideMetres));
    }
    Point at =
        List.of(azimuth + TRIANGLE_DEGREES, azimuth - TRIANGLE_DEGREES).stream()
            .map(a -> lips.plus(new Aim(a, 0).direction(), sideMetres))
            .filter(p -> room.isFree(p))
            .min((a, b) -> Boolean.compare(room.setUp().films(a), room.setUp().films(b)))
            .orElseThrow(() ->
                new Trouble.BadField(
                    "side",
                    Figures.say(
                        "a triangle of %.1f m does not fit: neither corner beside the singer is free",
                        sideMetres)));
    PlacedMicrophone microphone =
        room.requireMicrophone().placed(ears, Aim.along(lips.minus(ears)));
    Point between = lips.plus(ears.minus(lips), 0.5);
    PlacedLoudspeaker tried =
        PlacedLoudspeaker.flat(at, Aim.along(between.minus(at)), TRIED_DB_A, Directivity.VOICE);
    SetUp moved = moved(room.setUp(), microphone);
    String name = moved.free(NAME);
    Heard heard = Hearing.quick(book.with(with(room, moved, name, tried))).heard();
    double backing = levelDbA(heard, name);
    double level = TRIED_DB_A + heard.voiceDbSplA() - underDb - backing;
    PlacedLoudspeaker right = tried.withLevelDbA(level);
    double off = tried.aim().angleTo(lips.minus(at));
    double towards =
        Octave.aWeightedSum(
            Bands.from(b -> right.dbSplAtMetre().get(b) + right.directivity().gainDb(b, off)));
    return new Backing(
        with(room, moved, name, right),
        name,
        sideMetres,
        underDb,
        level,
        towards - Decibels.ofAmplitude(lips.distanceTo(at)));
  }

  /** What a loudspeaker comes to at the microphone, A-weighted. */
  static double levelDbA(Heard heard, String loudspeaker) {
    return heard.sources().stream()
        .filter(s -> s.name().equals(loudspeaker))
        .mapToDouble(s -> Octave.aWeightedSum(s.levelDbSpl()))
        .findFirst()
        .orElseThrow();
  }

  /** With the microphone judged standing there by itself; all others stay. */
  private static SetUp moved(SetUp s, PlacedMicrophone microphone) {
    String name = s.listener().orElseThrow().name();
    return s.riding(name, Optional.empty()).with(microphone);
  }

  private static Room with(Room room, SetUp s, String name, PlacedLoudspeaker loudspeaker) {
    List<Member<PlacedLoudspeaker>> all = new ArrayList<>(s.loudspeakers());
    all.add(new Member<>(name, loudspeaker));
    return room.with(s.withLoudspeakers(all));
  }

  /** What to do, and what to mind. */
  public List<String> advice() {
    List<String> all = new ArrayList<>();
    all.add(
        Figures.say(
            "Turn the loudspeaker to %.0f dBA at 1 m: at the microphone the backing lies %.0f dB under the voice.",
            levelDbA, underDb));
    if (sideMetres < NEAREST_METRES || sideMetres > FURTHEST_METRES) {
      all.add("1.2 to 1.8 m are usual of a tape that is sung.");
    }
    if (earsDbA > HARM_DB_A) {
      all.add(
          Figures.say(
              "That is %.0f dBA at the ears: too loud for long. Go nearer to the loudspeaker or take headphones.",
              earsDbA));
    }
    all.add(
        "Closed headphones, not over 85 dBA, keep the backing out of the microphone altogether; one ear off helps pitch.");
    return all;
  }
}
