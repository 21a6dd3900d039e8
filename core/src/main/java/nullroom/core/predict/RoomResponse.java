package nullroom.core.predict;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import nullroom.core.Progress;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Decibels;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.EnergyDecay;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Talker;

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
 *     250 Hz to 4 kHz octaves
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

  private static final int FIRST_RAYS_PER_BATCH = 250;
  private static final int MOST_ROUNDS = 5;

  /** Rays are followed for this share of the time that statistics predict. */
  private static final double LONGEST_SHARE = 1.2;

  private static final double SHORTEST_SECONDS = 0.25;

  /** ln(10^6): an energy of -60 dB. */
  private static final double DECAY_60_DB = 6 * Math.log(10);

  private static final double LONGEST_SECONDS = 6;

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
  static RoomResponse first(Room room) {
    return new Tracing(room).first();
  }

  /** Lets a collector hear what each facet could send back. */
  static void collect(
      Room room, int rays, long seed, double seconds, RayTracer.Collector collector) {
    new Tracing(room).tracer(seconds).collect(rays, seed, collector);
  }

  /** Computes; holds what mirrors and rays share. */
  private static final class Tracing {
    private final Room room;
    private final Talker talker;
    private final PlacedMicrophone microphone;
    private final Shell shell;
    private final double speed;
    private final double[] loss;
    private final double direct;

    Tracing(Room room) {
      this.room = room;
      talker = room.requireTalker();
      microphone = room.requireMicrophone();
      shell = new Shell(room);
      speed = room.air().speedOfSound();
      Bands objects = room.looseArea();
      double volume = room.volume();
      loss =
          room.air()
              .energyAttenuation()
              .with(objects, (air, area) -> air + area / (4 * volume))
              .toArray();
      direct = talker.at().distanceTo(microphone.at());
    }

    RoomResponse quick() {
      return with(new double[Octave.COUNT][0], 0);
    }

    RoomResponse first() {
      return with(
          ImageSources.byTree(shell, talker.at(), microphone.at(), longestMetres(), 1),
          new double[Octave.COUNT][0],
          0);
    }

    private RoomResponse with(double[][] rays, double error) {
      int order = ImageSources.order(room, shell);
      return with(
          ImageSources.of(room, shell, talker.at(), microphone.at(), longestMetres(), order),
          rays,
          error);
    }

    private RoomResponse with(List<ImageSources.Path> paths, double[][] rays, double error) {
      Shell.Hit hit = new Shell.Hit();
      return new RoomResponse(
          direct / speed,
          directEnergy(),
          !shell.sees(talker.at(), microphone.at()),
          paths.stream().map(path -> arrival(path, hit)).toList(),
          rays,
          error);
    }

    private Bands directEnergy() {
      Bands level = Heard.directGainDb(room);
      return level.map(Decibels::toEnergy);
    }

    private double longestMetres() {
      return direct + Heard.EARLY_SECONDS * speed;
    }

    private Arrival arrival(ImageSources.Path path, Shell.Hit hit) {
      double[] energy = new double[Octave.COUNT];
      double[] gain = new double[Octave.COUNT];
      Point first = path.points().getFirst().minus(talker.at());
      sourceGain(first.x(), first.y(), first.z(), energy);
      Point last = microphone.at().minus(path.points().getLast());
      receiverGain(last.x(), last.y(), last.z(), gain);
      double d = path.metres();
      for (int b = 0; b < energy.length; b++) {
        energy[b] *= gain[b] / (d * d) * Math.exp(-loss[b] * d);
      }
      for (int k = 0; k < path.order(); k++) {
        Point at = path.points().get(k);
        shell.finish(path.facets().get(k), at.x(), at.y(), at.z(), hit);
        for (int b = 0; b < energy.length; b++) {
          energy[b] *= (1 - hit.absorption[b]) * (1 - hit.scattering[b]);
        }
      }
      return new Arrival(
          d / speed,
          d,
          path.facets().stream().map(shell::surface).toList(),
          path.points(),
          Bands.of(energy));
    }

    private void sourceGain(double dx, double dy, double dz, double[] gains) {
      double angle = talker.aim().angleTo(new Point(dx, dy, dz));
      for (int b = 0; b < gains.length; b++) {
        gains[b] = Decibels.toEnergy(talker.directivity().gainDb(b, angle));
      }
    }

    private void receiverGain(double dx, double dy, double dz, double[] gains) {
      double angle = microphone.aim().angleTo(new Point(-dx, -dy, -dz));
      Arrays.fill(gains, Decibels.toEnergy(microphone.capture().pattern().gainDb(angle)));
    }

    private RayTracer tracer(double longestSeconds) {
      return new RayTracer(
          shell,
          new RayTracer.Setting(
              talker.at(),
              microphone.at(),
              this::sourceGain,
              this::receiverGain,
              loss,
              speed,
              ImageSources.order(room, shell),
              longestMetres(),
              longestSeconds));
    }

    RoomResponse response(long seed, Progress progress) {
      double predicted = Arrays.stream(Statistics.of(room).seconds().toArray()).max().orElse(1);
      double longest =
          direct / speed + Math.clamp(LONGEST_SHARE * predicted, SHORTEST_SECONDS, LONGEST_SECONDS);
      RayTracer tracer = tracer(longest);
      int late = (int) Math.ceil((direct / speed + Heard.EARLY_SECONDS) / BIN_SECONDS);
      int rays = FIRST_RAYS_PER_BATCH;
      double[][][] batches = tracer.shoot(rays, seed, progress);
      double error = worst(RayTracer.standardErrorDb(batches, late));
      for (int round = 1; round < MOST_ROUNDS && error > ENOUGH_ERROR_DB; round++) {
        double more = Math.pow(error / ENOUGH_ERROR_DB, 2) * 1.2;
        rays = (int) Math.clamp(rays * more, 1.5 * rays, 8.0 * rays);
        batches = tracer.shoot(rays, seed + 7919L * round, progress);
        error = worst(RayTracer.standardErrorDb(batches, late));
      }
      return with(RayTracer.mean(batches), error);
    }

    private static double worst(double[] errors) {
      return Arrays.stream(errors, Octave.FIRST_VOICE, Octave.COUNT - 1).max().orElse(0);
    }
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
    return new RoomResponse(
        directSeconds, directEnergy, directBlocked, arrivals, other, standardErrorDb);
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
