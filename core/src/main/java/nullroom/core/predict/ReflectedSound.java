package nullroom.core.predict;

import nullroom.core.Decibels;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Pattern;
import nullroom.core.room.Face;
import nullroom.core.room.Room;
import nullroom.core.room.Talker;

/**
 * What a room adds to the direct sound at the microphone, through its pattern, per octave; decibels
 * over the voice on axis at 1 m.
 *
 * @param earlyDb up to 50 ms after the direct sound
 * @param lateDb later
 * @param directBlocked whether something hides the talker from the microphone
 */
public record ReflectedSound(Bands earlyDb, Bands lateDb, boolean directBlocked) {
  /** Where nothing comes at all. */
  private static final double NOTHING_DB = -200;

  /** ln(10^6): an energy of -60 dB. */
  private static final double DECAY_60_DB = 6 * Math.log(10);

  /**
   * The reply of a diffuse field that decays exponentially from the direct sound on (M. Barron and
   * L.-J. Lee, J. Acoust. Soc. Am. 84 (1988) 618).
   *
   * @param decaySeconds reverberation times per octave
   * @throws nullroom.core.Trouble.BadField if talker or microphone is missing
   */
  public static ReflectedSound diffuse(Room room, Bands decaySeconds) {
    Talker talker = room.requireTalker();
    double arrival =
        talker.at().distanceTo(room.requireMicrophone().at()) / room.air().speedOfSound();
    Pattern pattern = room.requireMicrophone().capture().pattern();
    Bands whole =
        Bands.from(b ->
            pattern.diffuseGainDb()
                - talker.directivity().indexDb().get(b)
                + diffuseGainDb(room, decaySeconds.get(b))
                + Decibels.ofEnergy(Math.exp(-DECAY_60_DB * arrival / decaySeconds.get(b))));
    Bands late = decaySeconds.map(t -> Math.exp(-DECAY_60_DB * Heard.EARLY_SECONDS / t));
    return new ReflectedSound(
        whole.with(late, (level, share) -> level + Decibels.ofEnergy(1 - share)),
        whole.with(late, (level, share) -> level + Decibels.ofEnergy(share)),
        false);
  }

  /**
   * A quick answer: what comes by one surface as it is, and the diffuse field from one mean free
   * path after the direct sound on, when other surfaces have their say.
   *
   * @param decaySeconds reverberation times per octave
   * @throws nullroom.core.Trouble.BadField if talker or microphone is missing
   */
  public static ReflectedSound quick(Room room, Bands decaySeconds) {
    return quick(room, decaySeconds, RoomResponse.first(room));
  }

  /** The same, of the direct sound and what comes by one surface. */
  static ReflectedSound quick(Room room, Bands decaySeconds, RoomResponse first) {
    ReflectedSound diffuse = diffuse(room, decaySeconds);
    Bands mirrored = first.earlyEnergy();
    double surface = room.faces().stream().mapToDouble(Face::areaSquareMetres).sum();
    double mixed =
        Math.min(Heard.EARLY_SECONDS, 4 * room.volume() / surface / room.air().speedOfSound());
    Bands early =
        Bands.from(b -> {
          double rate = DECAY_60_DB / decaySeconds.get(b);
          double share = Math.exp(-rate * mixed) - Math.exp(-rate * Heard.EARLY_SECONDS);
          double field =
              Decibels.toEnergy(Decibels.sum(diffuse.earlyDb.get(b), diffuse.lateDb.get(b)));
          return level(mirrored.get(b) + field * share);
        });
    return new ReflectedSound(early, diffuse.lateDb, first.directBlocked());
  }

  /** Level of the diffuse field, 4/A, over that at 1 m of a source alike in all directions. */
  static double diffuseGainDb(Room room, double seconds) {
    double absorption = 4 * DECAY_60_DB * room.volume() / (room.air().speedOfSound() * seconds);
    return Decibels.ofEnergy(4 * Math.PI) + Decibels.ofEnergy(4 / absorption);
  }

  /** The reply of a computed response. */
  public static ReflectedSound of(RoomResponse response) {
    return new ReflectedSound(
        response.earlyEnergy().map(ReflectedSound::level),
        response.lateEnergy().map(ReflectedSound::level),
        response.directBlocked());
  }

  private static double level(double energy) {
    return energy > 0 ? Math.max(NOTHING_DB, Decibels.ofEnergy(energy)) : NOTHING_DB;
  }
}
