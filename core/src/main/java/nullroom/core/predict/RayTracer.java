package nullroom.core.predict;

import java.util.Arrays;
import java.util.SplittableRandom;
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
 * Acoust. Soc. Am. 86 (1989) 172). Batches of rays give the standard error. Energies are squares of
 * pressure over that of the direct sound on axis at 1 m.
 */
final class RayTracer {
  /** How fine time is. */
  static final double BIN_SECONDS = 0.001;

  /** Batches, each with a seed of its own; their spread is the error. */
  static final int BATCHES = 16;

  /** A ray is given up when each octave has lost this, as energy (70 dB). */
  private static final double GIVE_UP = 1e-7;

  private static final double LARGEST_BALL_METRES = 0.45;
  private static final double SMALLEST_BALL_METRES = 0.12;

  /** Nearer than this a scattering facet is no single source. */
  private static final double NEAREST_METRES = 0.1;

  /** Rays are drawn neither never nor always scattered, so that every octave gets its share. */
  private static final double LEAST_SHARE = 0.03;

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
      Gain receiverGain,
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

  /** Told of all that a facet could send to the receiver, were it a perfect diffuser. */
  interface Collector {
    /**
     * @param facet that sends it
     * @param energy per octave at the receiver; not to be kept
     * @param seconds since the emission
     */
    void sent(int facet, double x, double y, double z, double[] energy, double seconds);
  }

  private final Shell shell;
  private final Setting set;
  private final double ball;

  RayTracer(Shell shell, Setting set) {
    this.shell = shell;
    this.set = set;
    ball =
        Math.clamp(
            0.95 * shell.clearance(set.receiver()), SMALLEST_BALL_METRES, LARGEST_BALL_METRES);
  }

  /**
   * Shoots rays.
   *
   * @param raysPerBatch in each of {@link #BATCHES}
   * @param progress may cancel
   * @return per batch, octave and bin the energy that batch alone would give
   */
  double[][][] shoot(int raysPerBatch, long seed, Progress progress) {
    int bins = (int) Math.ceil(set.longestSeconds() / BIN_SECONDS);
    double[][][] energy = new double[BATCHES][][];
    java.util.concurrent.atomic.AtomicInteger done =
        new java.util.concurrent.atomic.AtomicInteger();
    IntStream.range(0, BATCHES)
        .parallel()
        .forEach(b -> {
          energy[b] = new Batch(seed * 1_000_003 + b, bins).shoot(raysPerBatch);
          progress.step(done.incrementAndGet(), BATCHES);
        });
    return energy;
  }

  /** Shoots some rays for a collector alone, on this thread. */
  void collect(int rays, long seed, Collector collector) {
    int bins = (int) Math.ceil(set.longestSeconds() / BIN_SECONDS);
    new Batch(seed, bins, collector).shoot(rays);
  }

  /** One batch's rays and what they left; on one thread. */
  private final class Batch {
    private final SplittableRandom random;
    private final double[][] energy;
    private final Shell.Hit hit = new Shell.Hit();
    private final double[] ray = new double[Octave.COUNT];
    private final double[] gain = new double[Octave.COUNT];
    private final double[] direction = new double[3];
    private double perRay;

    private final Collector collector;
    private final double[] sent = new double[Octave.COUNT];

    Batch(long seed, int bins) {
      this(seed, bins, (facet, x, y, z, energy, seconds) -> {});
    }

    Batch(long seed, int bins, Collector collector) {
      this.collector = collector;
      random = new SplittableRandom(seed);
      energy = new double[Octave.COUNT][bins];
    }

    double[][] shoot(int rays) {
      perRay = 4 * Math.PI / rays;
      for (int k = 0; k < rays; k++) {
        // stratified in height, so that few rays cover the sphere evenly
        double z = 1 - 2 * (k + random.nextDouble()) / rays;
        double angle = 2 * Math.PI * random.nextDouble();
        double flat = Math.sqrt(Math.max(0, 1 - z * z));
        follow(flat * Math.cos(angle), flat * Math.sin(angle), z);
      }
      return energy;
    }

    private void follow(double dx0, double dy0, double dz0) {
      double dx = dx0;
      double dy = dy0;
      double dz = dz0;
      double x = set.source().x();
      double y = set.source().y();
      double z = set.source().z();
      set.sourceGain().of(dx, dy, dz, ray);
      for (int b = 0; b < ray.length; b++) {
        ray[b] *= perRay;
      }
      double way = 0;
      double longest = set.longestSeconds() * set.speedOfSound();
      boolean scattered = false;
      boolean mirroredLast = false;
      int order = 0;
      while (way < longest && shell.meet(x, y, z, dx, dy, dz, hit)) {
        if (mirroredLast) {
          through(x, y, z, dx, dy, dz, way, scattered || order > set.specularOrder());
        }
        way += hit.distance;
        x += hit.distance * dx;
        y += hit.distance * dy;
        z += hit.distance * dz;
        order++;
        if (!absorb(way)) {
          return;
        }
        Point normal = shell.normal(hit.facet);
        rain(x, y, z, normal, way);
        double share = share();
        boolean diffuse = random.nextDouble() < share;
        for (int b = 0; b < ray.length; b++) {
          ray[b] *= diffuse ? hit.scattering[b] / share : (1 - hit.scattering[b]) / (1 - share);
        }
        if (diffuse) {
          lambert(normal);
          dx = direction[0];
          dy = direction[1];
          dz = direction[2];
        } else {
          double twice = 2 * (dx * normal.x() + dy * normal.y() + dz * normal.z());
          dx -= twice * normal.x();
          dy -= twice * normal.y();
          dz -= twice * normal.z();
        }
        scattered |= diffuse;
        mirroredLast = !diffuse;
      }
    }

    private double share() {
      double mean = 0;
      for (double s : hit.scattering) {
        mean += s / hit.scattering.length;
      }
      return mean == 0 ? 0 : Math.clamp(mean, LEAST_SHARE, 1 - LEAST_SHARE);
    }

    private boolean absorb(double way) {
      double most = 0;
      for (int b = 0; b < ray.length; b++) {
        ray[b] *= 1 - hit.absorption[b];
        most = Math.max(most, ray[b] * Math.exp(-set.lossPerMetre()[b] * way));
      }
      return most > GIVE_UP * perRay;
    }

    private void rain(double x, double y, double z, Point normal, double way) {
      double tx = set.receiver().x() - x;
      double ty = set.receiver().y() - y;
      double tz = set.receiver().z() - z;
      double distance = Math.sqrt(tx * tx + ty * ty + tz * tz);
      double cosine = (normal.x() * tx + normal.y() * ty + normal.z() * tz) / distance;
      if (cosine <= 0 || !shell.sees(new Point(x, y, z), set.receiver())) {
        return;
      }
      double near = Math.max(NEAREST_METRES, distance);
      double shape = cosine / (Math.PI * near * near);
      set.receiverGain().of(-tx / distance, -ty / distance, -tz / distance, gain);
      int bin = (int) ((way + distance) / set.speedOfSound() / BIN_SECONDS);
      if (bin < energy[0].length) {
        for (int b = 0; b < ray.length; b++) {
          sent[b] = ray[b] * shape * gain[b] * Math.exp(-set.lossPerMetre()[b] * (way + distance));
          energy[b][bin] += hit.scattering[b] * sent[b];
        }
        collector.sent(hit.facet, x, y, z, sent, (way + distance) / set.speedOfSound());
      }
    }

    /**
     * Counts the way from here to the facet just met through the ball.
     *
     * @param any whether whatever its length; else only what is longer than the mirrors' paths
     */
    private void through(
        double x, double y, double z, double dx, double dy, double dz, double way, boolean any) {
      double tx = set.receiver().x() - x;
      double ty = set.receiver().y() - y;
      double tz = set.receiver().z() - z;
      double along = tx * dx + ty * dy + tz * dz;
      double beside = tx * tx + ty * ty + tz * tz - along * along;
      if (beside >= ball * ball || !any && way + along <= set.specularMetres()) {
        return;
      }
      double half = Math.sqrt(ball * ball - beside);
      double from = Math.max(0, along - half);
      double to = Math.min(hit.distance, along + half);
      int bin = (int) ((way + along) / set.speedOfSound() / BIN_SECONDS);
      if (to <= from || bin < 0 || bin >= energy[0].length) {
        return;
      }
      double share = (to - from) / (4 * Math.PI / 3 * ball * ball * ball);
      set.receiverGain().of(dx, dy, dz, gain);
      for (int b = 0; b < ray.length; b++) {
        energy[b][bin] +=
            ray[b] * share * gain[b] * Math.exp(-set.lossPerMetre()[b] * (way + along));
      }
    }

    /** A direction by Lambert's law around a normal. */
    private void lambert(Point n) {
      double cosine = Math.sqrt(random.nextDouble());
      double sine = Math.sqrt(1 - cosine * cosine);
      double angle = 2 * Math.PI * random.nextDouble();
      Point side =
          Math.abs(n.x()) < 0.9 ? new Point(1, 0, 0).cross(n) : new Point(0, 1, 0).cross(n);
      double length = side.length();
      double ax = side.x() / length;
      double ay = side.y() / length;
      double az = side.z() / length;
      double bx = n.y() * az - n.z() * ay;
      double by = n.z() * ax - n.x() * az;
      double bz = n.x() * ay - n.y() * ax;
      double u = sine * Math.cos(angle);
      double v = sine * Math.sin(angle);
      direction[0] = cosine * n.x() + u * ax + v * bx;
      direction[1] = cosine * n.y() + u * ay + v * by;
      direction[2] = cosine * n.z() + u * az + v * bz;
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
