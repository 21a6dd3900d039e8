package nullroom.core.predict;

import java.util.List;
import java.util.stream.Stream;
import nullroom.core.Decibels;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Pattern;
import nullroom.core.room.NoiseSource;
import nullroom.core.room.PlacedLoudspeaker;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Room;

/** What a room's microphone hears of noise that comes from places. */
public final class PlaceNoise {
  /** Far under any hearing: the level of a source in a band where nothing was heard of it. */
  private static final double UNHEARD_DB_SPL = -60;

  private PlaceNoise() {}

  /** What makes noise from a place: sources alike in all directions, and what plays a backing. */
  static List<Heard.SourceNoise> of(Room room, Bands decaySeconds) {
    Stream<Heard.SourceNoise> sources =
        room.sources().stream()
            .map(s ->
                new Heard.SourceNoise(
                    s.name(),
                    s.dbSplAtMetre().with(sourceGainDb(room, decaySeconds, s.at()), Double::sum)));
    Point ears = room.requireMicrophone().at();
    Stream<Heard.SourceNoise> backings =
        room.loudspeakers().stream()
            .map(m -> {
              PlacedLoudspeaker l = m.it();
              double off = l.aim().angleTo(ears.minus(l.at()));
              Bands on = Bands.from(b -> l.directivity().gainDb(b, off));
              Bands whole = l.directivity().indexDb().map(index -> -index);
              return new Heard.SourceNoise(
                  m.name(),
                  l.dbSplAtMetre()
                      .with(sourceGainDb(room, decaySeconds, l.at(), on, whole), Double::sum));
            });
    return Stream.concat(sources, backings).toList();
  }

  /**
   * Level at the room's microphone, through its pattern, over that at 1 m of a steady source alike
   * in all directions: straight by 1/r, and by the whole diffuse field.
   *
   * @param at where the source is
   * @throws Trouble.BadField if the microphone is missing
   */
  private static Bands sourceGainDb(Room room, Bands decaySeconds, Point at) {
    return sourceGainDb(room, decaySeconds, at, Bands.all(0), Bands.all(0));
  }

  /** The same of a source that sends otherwise towards the microphone, and over all directions. */
  private static Bands sourceGainDb(
      Room room, Bands decaySeconds, Point at, Bands towardsDb, Bands allDb) {
    PlacedMicrophone microphone = room.requireMicrophone();
    Pattern pattern = microphone.capture().pattern();
    Point toSource = at.minus(microphone.at());
    double straight =
        pattern.gainDb(microphone.aim().angleTo(toSource))
            - Decibels.ofAmplitude(Math.max(Heard.NEAREST_METRES, toSource.length()));
    double pickup = pattern.diffuseGainDb();
    Bands screens = Screens.gainDb(room, at, microphone.at());
    return Bands.from(b ->
        Decibels.sum(
            straight + towardsDb.get(b) + screens.get(b),
            ReflectedSound.diffuseGainDb(room, decaySeconds.get(b)) + pickup + allDb.get(b)));
  }

  /**
   * The source that explains what was heard of it at the room's microphone, from the place where it
   * stands.
   *
   * @param heardDbSpl its own level at the microphone, per octave; minus infinity where nothing was
   *     heard of it
   * @throws Trouble.BadField if the microphone is missing
   */
  public static NoiseSource behind(
      Room room, Bands decaySeconds, String name, Point at, Bands heardDbSpl) {
    Bands gain = sourceGainDb(room, decaySeconds, at);
    return new NoiseSource(
        name, at, heardDbSpl.with(gain, (level, g) -> Math.max(level - g, UNHEARD_DB_SPL)));
  }
}
