package nullroom.core.predict;

import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import nullroom.core.Decibels;
import nullroom.core.Progress;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.decay.EnergyDecay;
import nullroom.core.room.Point;
import nullroom.core.room.Room;

/**
 * What comes from the talker to the microphone over time, per octave: the direct sound, mirrored
 * arrivals by mirrors, the rest by rays. Energies are squares of pressure through the microphone's
 * pattern over that of the voice on axis at 1 m.
 *
 * @param directSeconds travel time of the direct sound
 * @param directEnergy of the direct sound, were nothing in its way
 * @param directBlocked whether something is
 * @param arrivals mirrored ones, in order
 * @param rays per octave, energy in bins of {@link #BIN_SECONDS} from the emission on
 * @param standardErrorDb of the rays' energy later than 50 ms after the direct sound, worst of the
 *     octaves from 250 Hz to 4 kHz in which it lies less than 30 dB under what comes before; above
 *     {@link #ENOUGH_ERROR_DB} where the room takes more rays than can be waited for
 */
@SuppressWarnings("ArrayRecordComponent") // large; compared by nobody
public record RoomResponse(
    double directSeconds,
    Bands directEnergy,
    boolean directBlocked,
    List<Arrival> arrivals,
    double[][] rays,
    double standardErrorDb) {
  /** How fine the rays' time is. */
  public static final double BIN_SECONDS = RayTracer.BIN_SECONDS;

  /** Asked of the late level. */
  public static final double ENOUGH_ERROR_DB = 0.25;

  /** Octaves whose late energy lies so far under direct and early need not be known as well. */
  private static final double COUNTS_DB = -30;

  /** ln(10^6): an energy of -60 dB. */
  private static final double DECAY_60_DB = 6 * Math.log(10);

  /**
   * A mirrored arrival.
   *
   * @param seconds travel time
   * @param metres its path
   * @param surfaces that it meets, from the talker on
   * @param points where it meets them
   * @param energy through directivity and pattern
   */
  public record Arrival(
      double seconds, double metres, List<String> surfaces, List<Point> points, Bands energy) {
    public Arrival {
      surfaces = List.copyOf(surfaces);
      points = List.copyOf(points);
    }
  }

  public RoomResponse {
    arrivals = List.copyOf(arrivals);
  }

  /**
   * Computes a response.
   *
   * @param seed of the rays; the same gives the same
   * @param progress may cancel
   * @throws nullroom.core.Trouble.BadField if talker or microphone is missing
   */
  public static RoomResponse of(Room room, long seed, Progress progress) {
    return new Tracing(room).response(seed, progress);
  }

  /** Mirrored arrivals alone, at once. */
  public static RoomResponse quick(Room room) {
    return new Tracing(room).quick();
  }

  /** The direct sound and what comes by one surface, at once. */
  public static RoomResponse first(Room room) {
    return new Tracing(room).first();
  }

  /** Lets a collector hear what each facet could send back. */
  static void collect(
      Room room,
      int rays,
      long seed,
      double seconds,
      RayTracer.Collector collector,
      Progress progress) {
    new Tracing(room).tracer(seconds).collect(rays, seed, collector, progress);
  }

  /** The same with what rays add. */
  RoomResponse with(double[][] more, double errorDb) {
    return new RoomResponse(directSeconds, directEnergy, directBlocked, arrivals, more, errorDb);
  }

  /** Worst standard error of the late level in the voice's octaves in which it counts. */
  double errorDb(RayTracer.Round round) {
    int late = (int) Math.ceil((directSeconds + Heard.EARLY_SECONDS) / BIN_SECONDS);
    double[] errors = RayTracer.standardErrorDb(round.energy(), late);
    RoomResponse mean = with(RayTracer.mean(round.energy()), 0);
    double worst = 0;
    for (int b = Octave.FIRST_VOICE; b < Octave.COUNT - 1; b++) {
      worst = mean.lateDb(b) > COUNTS_DB ? Math.max(worst, errors[b]) : worst;
    }
    return worst;
  }

  /**
   * Whether late energy counts in any of the voice's octaves, so that its error means something.
   */
  public boolean hasLate() {
    return IntStream.range(Octave.FIRST_VOICE, Octave.COUNT - 1)
        .anyMatch(b -> lateDb(b) > COUNTS_DB);
  }

  /** Late energy over direct and early, in decibels; minus infinity where nothing comes late. */
  double lateDb(int octave) {
    double useful =
        directEnergy.get(octave) + between(octave, 0, directSeconds + Heard.EARLY_SECONDS);
    return Decibels.ofEnergy(
        between(octave, directSeconds + Heard.EARLY_SECONDS, Double.MAX_VALUE) / useful);
  }

  /** The same with other times: the rays' energy falls faster or slower. */
  public RoomResponse withDecay(Bands fromSeconds, Bands toSeconds) {
    double[][] other = new double[rays.length][];
    for (int b = 0; b < other.length; b++) {
      double faster = DECAY_60_DB * (1 / toSeconds.get(b) - 1 / fromSeconds.get(b));
      other[b] = rays[b].clone();
      for (int i = 0; i < other[b].length; i++) {
        other[b][i] *= Math.exp(-faster * Math.max(0, i * BIN_SECONDS - directSeconds));
      }
    }
    return with(other, standardErrorDb);
  }

  /** Energy of the direct sound that arrives. */
  private double direct(int octave) {
    return directBlocked ? 0 : directEnergy.get(octave);
  }

  /** Energy of the reply up to 50 ms after the direct sound, per octave. */
  public Bands earlyEnergy() {
    return Bands.from(b -> between(b, 0, directSeconds + Heard.EARLY_SECONDS));
  }

  /** Energy of the reply later than that. */
  public Bands lateEnergy() {
    return Bands.from(b -> between(b, directSeconds + Heard.EARLY_SECONDS, Double.MAX_VALUE));
  }

  private double between(int octave, double from, double to) {
    double sum = 0;
    for (Arrival a : arrivals) {
      sum += a.seconds() >= from && a.seconds() < to ? a.energy().get(octave) : 0;
    }
    for (int i = 0; i < rays[octave].length; i++) {
      double share =
          Math.clamp((to / BIN_SECONDS) - i, 0, 1) - Math.clamp((from / BIN_SECONDS) - i, 0, 1);
      sum += share * rays[octave][i];
    }
    return sum;
  }

  /**
   * Energy over time from the direct sound on, in bins of {@link #BIN_SECONDS}, with the direct
   * sound in the first.
   */
  public double[] course(int octave) {
    int first = (int) Math.floor(directSeconds / BIN_SECONDS);
    double[] course = new double[Math.max(1, rays[octave].length - first)];
    for (int i = 0; i < rays[octave].length; i++) {
      course[Math.max(0, i - first)] += rays[octave][i];
    }
    for (Arrival a : arrivals) {
      int bin = (int) ((a.seconds() - directSeconds) / BIN_SECONDS);
      if (bin < course.length) {
        course[bin] += a.energy().get(octave);
      }
    }
    course[0] += direct(octave);
    return course;
  }

  /** Reverberation time from -5 to -25 dB of the response; empty where it does not fall so far. */
  public OptionalDouble t20Seconds(int octave) {
    return EnergyDecay.seconds(course(octave), BIN_SECONDS, -5, -25);
  }

  /** Early decay time, from 0 to -10 dB. */
  public OptionalDouble edtSeconds(int octave) {
    return EnergyDecay.seconds(course(octave), BIN_SECONDS, 0, -10);
  }
}
