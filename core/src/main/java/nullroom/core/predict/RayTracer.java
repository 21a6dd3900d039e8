package nullroom.core.predict;

import java.util.Arrays;
import java.util.SplittableRandom;
import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.IntStream;
import nullroom.core.Progress;
import nullroom.core.acoustics.Octave;
import nullroom.core.room.Point;

/**
 * The part of a room's reply that mirrors do not give, as energy over time per octave: every
 * sequence of reflections in which at least one scattered, and specular ones that come after those
 * that were taken from the mirrors.
 *
 * <p>Rays leave the source evenly in all directions. At each facet a ray goes on either mirrored or
 * scattered by Lambert's law; the choice is drawn once for all octaves, and each octave's energy is
 * weighted so that its own scattering coefficient holds in the mean. What is scattered towards the
 * receiver is counted at once from every facet met ("diffuse rain": R. Heinz, Appl. Acoust. 38
 * (1993) 145; D. Schroeder, dissertation, Aachen 2011); rays that were mirrored last are counted by
 * the length of their way through a ball around the receiver over its volume (M. Vorlander, J.
 * Acoust. Soc. Am. 86 (1989) 172), as are those scattered right beside it, where a point would be
 * no fair receiver. Of a ball that reaches through a surface only the part in the same air counts.
 * Batches of rays give the standard error. Energies are squares of pressure over that of the direct
 * sound on axis at 1 m.
 */
final class RayTracer {
  /** How fine time is. */
  static final double BIN_SECONDS = 0.001;

  /** Batches, each with a seed of its own; their spread is the error. */
  static final int BATCHES = 16;

  private static final double LARGEST_BALL_METRES = 0.45;
  private static final double SMALLEST_BALL_METRES = 0.12;

  /** Points of the ball that are looked at for whether they lie in the same air. */
  private static final int BALL_POINTS = 4000;

  /** Work of a reflection beside trying facets, in trials of a facet. */
  static final int TRIALS_PER_REFLECTION = 60;

  private static final Collector NOBODY = (facet, x, y, z, energy, seconds) -> {};

  /**
   * What is looked for.
   *
   * @param source where rays start
   * @param receiver where energy is counted
   * @param sourceGain energy per octave sent in a direction, over that on axis
   * @param receiverGain energy taken up from a direction
   * @param lossPerMetre exponent per octave of air and loose objects
   * @param speedOfSound metres a second
   * @param specularOrder mirrored ones up to this order ...
   * @param specularMetres ... and no longer than this are left out
   * @param longestSeconds rays are followed that long
   */
  @SuppressWarnings("ArrayRecordComponent") // never compared
  record Setting(
      Point source,
      Point receiver,
      Gain sourceGain,
      Pickup receiverGain,
      double[] lossPerMetre,
      double speedOfSound,
      int specularOrder,
      double specularMetres,
      double longestSeconds) {}

  /** Gain of a direction per octave. */
  interface Gain {
    /**
     * @param gains overwritten, one per octave
     */
    void of(double dx, double dy, double dz, double[] gains);
  }

  /** Gain of what travels in a direction, alike in all octaves. */
  interface Pickup {
    /** Energy over that on axis; the three make a unit vector. */
    double of(double dx, double dy, double dz);
  }

  /** Told of all that a facet could send to the receiver, were it a perfect diffuser. */
  interface Collector {
    /**
     * @param facet that sends it
     * @param energy per octave at the receiver; not to be kept
     * @param seconds since the emission
     */
    void sent(int facet, double x, double y, double z, double[] energy, double seconds);
  }

  /**
   * What rays gave.
   *
   * @param energy per batch, octave and bin, as that batch alone would give it
   * @param rays in each batch
   * @param trials what they cost, in trials of a facet
   */
  @SuppressWarnings("ArrayRecordComponent") // never compared
  record Round(double[][][] energy, int rays, long trials) {
    /** Both rounds as one of all their rays. */
    Round plus(Round more) {
      double share = (double) rays / (rays + more.rays);
      for (int k = 0; k < energy.length; k++) {
        for (int b = 0; b < energy[k].length; b++) {
          for (int i = 0; i < energy[k][b].length; i++) {
            energy[k][b][i] = share * energy[k][b][i] + (1 - share) * more.energy[k][b][i];
          }
        }
      }
      return new Round(energy, rays + more.rays, trials + more.trials);
    }
  }

  final RayGeometry geometry;
  final Setting set;
  final Loss loss;
  final double ball;
  final double ballVolume;
  final boolean wholeBall;

  RayTracer(RayGeometry geometry, Setting set) {
    this.geometry = geometry;
    this.set = set;
    double clearance = geometry.clearance(set.receiver());
    double whole = Math.clamp(0.95 * clearance, SMALLEST_BALL_METRES, LARGEST_BALL_METRES);
    wholeBall = whole < clearance;
    // in a corner a ball as large would catch few rays
    ball = wholeBall ? whole : whole / Math.cbrt(shareInAir(whole));
    ballVolume = 4 * Math.PI / 3 * ball * ball * ball * (wholeBall ? 1 : shareInAir(ball));
    loss = new Loss(set.lossPerMetre(), geometry.longestWay());
  }

  /** Share of a ball that lies in the air around the receiver. */
  private double shareInAir(double radius) {
    SplittableRandom random = new SplittableRandom(BALL_POINTS);
    Point r = set.receiver();
    int in = 0;
    int all = 0;
    while (all < BALL_POINTS) {
      double x = 2 * random.nextDouble() - 1;
      double y = 2 * random.nextDouble() - 1;
      double z = 2 * random.nextDouble() - 1;
      if (x * x + y * y + z * z < 1) {
        all++;
        in += geometry.hides(r.x() + radius * x, r.y() + radius * y, r.z() + radius * z, r) ? 0 : 1;
      }
    }
    return (double) Math.max(1, in) / all;
  }

  /** About what a ray costs that is followed to its end, in trials of a facet. */
  double trialsPerRay(double reflections) {
    return reflections * (geometry.trials() + TRIALS_PER_REFLECTION);
  }

  /**
   * Shoots rays.
   *
   * @param raysPerBatch in each of {@link #BATCHES}
   * @param progress told of trials, of how many nobody knows; may cancel
   */
  Round shoot(int raysPerBatch, long seed, Progress progress) {
    int bins = (int) Math.ceil(set.longestSeconds() / BIN_SECONDS);
    double[][][] energy = new double[BATCHES][][];
    Told told = new Told(progress);
    IntStream.range(0, BATCHES)
        .parallel()
        .forEach(b ->
            energy[b] =
                new RayBatch(this, seed * 1_000_003 + b, bins, NOBODY, told).shoot(raysPerBatch));
    return new Round(energy, raysPerBatch, told.trials.get());
  }

  /** Shoots some rays for a collector alone, on this thread. */
  void collect(int rays, long seed, Collector collector, Progress progress) {
    int bins = (int) Math.ceil(set.longestSeconds() / BIN_SECONDS);
    new RayBatch(this, seed, bins, collector, new Told(progress)).shoot(rays);
  }

  /** Work done by all batches together; once one of them is told to stop, all do. */
  static final class Told {
    private final Progress progress;
    private final AtomicLong trials = new AtomicLong();
    private volatile boolean stopped;

    Told(Progress progress) {
      this.progress = progress;
    }

    void step(long more) {
      long all = trials.addAndGet(more);
      if (stopped) {
        throw new CancellationException();
      }
      try {
        progress.step(all, 0);
      } catch (CancellationException e) {
        stopped = true;
        throw e;
      }
    }
  }

  /** The mean over batches. */
  static double[][] mean(double[][][] batches) {
    double[][] mean = new double[Octave.COUNT][batches[0][0].length];
    for (double[][] batch : batches) {
      for (int b = 0; b < mean.length; b++) {
        for (int i = 0; i < mean[b].length; i++) {
          mean[b][i] += batch[b][i] / batches.length;
        }
      }
    }
    return mean;
  }

  /** Standard error in decibels of the energy from a bin on, per octave; 0 where there is none. */
  static double[] standardErrorDb(double[][][] batches, int fromBin) {
    double[] error = new double[Octave.COUNT];
    for (int b = 0; b < error.length; b++) {
      double[] late = new double[batches.length];
      for (int k = 0; k < late.length; k++) {
        late[k] =
            Arrays.stream(
                    batches[k][b], Math.min(fromBin, batches[k][b].length), batches[k][b].length)
                .sum();
      }
      double mean = Arrays.stream(late).average().orElse(0);
      double squares = Arrays.stream(late).map(e -> (e - mean) * (e - mean)).sum();
      double deviation = Math.sqrt(squares / (late.length - 1) / late.length);
      error[b] = mean > 0 ? 10 / Math.log(10) * deviation / mean : 0;
    }
    return error;
  }
}
