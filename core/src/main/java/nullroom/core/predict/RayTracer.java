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

  /** A ray is given up when each octave has lost this, as energy (70 dB). */
  private static final double GIVE_UP = 1e-7;

  private static final double LARGEST_BALL_METRES = 0.45;
  private static final double SMALLEST_BALL_METRES = 0.12;

  /** What scatters nearer than this goes through the ball rather than to its middle. */
  private static final double NEAR_METRES = 0.25;

  /** Nearer than this a scattering facet is no single source to a collector. */
  private static final double NEAREST_METRES = 0.1;

  /** Rays are drawn neither never nor always scattered, so that every octave gets its share. */
  private static final double LEAST_SHARE = 0.03;

  /** Points of the ball that are looked at for whether they lie in the same air. */
  private static final int BALL_POINTS = 4000;

  /** Work of a reflection beside trying facets, in trials of a facet. */
  private static final int TRIALS_PER_REFLECTION = 60;

  /** Progress is told, and cancelling heeded, about so often: every few milliseconds. */
  private static final long TRIALS_PER_STEP = 1_000_000;

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

  private final RayGeometry shell;
  private final Setting set;
  private final Loss loss;
  private final double ball;
  private final double ballVolume;
  private final boolean wholeBall;

  RayTracer(RayGeometry shell, Setting set) {
    this.shell = shell;
    this.set = set;
    double clearance = shell.clearance(set.receiver());
    double whole = Math.clamp(0.95 * clearance, SMALLEST_BALL_METRES, LARGEST_BALL_METRES);
    wholeBall = whole < clearance;
    // in a corner a ball as large would catch few rays
    ball = wholeBall ? whole : whole / Math.cbrt(shareInAir(whole));
    ballVolume = 4 * Math.PI / 3 * ball * ball * ball * (wholeBall ? 1 : shareInAir(ball));
    loss = new Loss(set.lossPerMetre(), shell.longestWay());
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
        in += shell.hides(r.x() + radius * x, r.y() + radius * y, r.z() + radius * z, r) ? 0 : 1;
      }
    }
    return (double) Math.max(1, in) / all;
  }

  /** About what a ray costs that is followed to its end, in trials of a facet. */
  double trialsPerRay(double reflections) {
    return reflections * (shell.trials() + TRIALS_PER_REFLECTION);
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
            energy[b] = new Batch(seed * 1_000_003 + b, bins, NOBODY, told).shoot(raysPerBatch));
    return new Round(energy, raysPerBatch, told.trials.get());
  }

  /** Shoots some rays for a collector alone, on this thread. */
  void collect(int rays, long seed, Collector collector, Progress progress) {
    int bins = (int) Math.ceil(set.longestSeconds() / BIN_SECONDS);
    new Batch(seed, bins, collector, new Told(progress)).shoot(rays);
  }

  /** Work done by all batches together; once one of them is told to stop, all do. */
  private static final class Told {
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

  /** One batch's rays and what they left; on one thread. */
  private final class Batch {
    private final SplittableRandom random;
    private final double[][] energy;
    private final RayGeometry.Hit hit = new RayGeometry.Hit();
    private final double[] ray = new double[Octave.COUNT];
    private final double[] left = new double[Octave.COUNT];
    private final double[] direction = new double[3];
    private final Collector collector;
    private final Told told;
    private final double[] sent = new double[Octave.COUNT];
    private final long trialsPerReflection = shell.trials() + TRIALS_PER_REFLECTION;
    private double perRay;
    private long trials;

    Batch(long seed, int bins, Collector collector, Told told) {
      this.collector = collector;
      this.told = told;
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
      told.step(trials);
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
      boolean byBall = false;
      int order = 0;
      while (way < longest && shell.meet(x, y, z, dx, dy, dz, hit)) {
        if (byBall) {
          through(x, y, z, dx, dy, dz, way, scattered || order > set.specularOrder());
        }
        way += hit.distance;
        x += hit.distance * dx;
        y += hit.distance * dy;
        z += hit.distance * dz;
        order++;
        trials += trialsPerReflection;
        if (trials > TRIALS_PER_STEP) {
          told.step(trials);
          trials = 0;
        }
        if (!absorb()) {
          return;
        }
        Point normal = shell.normal(hit.facet);
        boolean near = rain(x, y, z, normal, way);
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
        byBall = near || !diffuse;
      }
    }

    private double share() {
      double mean = 0;
      for (double s : hit.scattering) {
        mean += s / hit.scattering.length;
      }
      return mean == 0 ? 0 : Math.clamp(mean, LEAST_SHARE, 1 - LEAST_SHARE);
    }

    /** What the way to the facet and the facet leave; false where that is nothing. */
    private boolean absorb() {
      loss.over(hit.distance, left);
      double most = 0;
      for (int b = 0; b < ray.length; b++) {
        ray[b] *= left[b] * (1 - hit.absorption[b]);
        most = Math.max(most, ray[b]);
      }
      return most > GIVE_UP * perRay;
    }

    /**
     * Counts what the facet just met scatters to the receiver.
     *
     * @return whether it is too near for that, and the ray itself is to be counted
     */
    private boolean rain(double x, double y, double z, Point normal, double way) {
      double tx = set.receiver().x() - x;
      double ty = set.receiver().y() - y;
      double tz = set.receiver().z() - z;
      double distance = Math.sqrt(tx * tx + ty * ty + tz * tz);
      boolean near = distance < NEAR_METRES;
      double cosine = (normal.x() * tx + normal.y() * ty + normal.z() * tz) / distance;
      int bin = (int) ((way + distance) / set.speedOfSound() / BIN_SECONDS);
      if (cosine <= 0 || bin >= energy[0].length || !shell.sees(x, y, z, set.receiver())) {
        return near;
      }
      double apart = Math.max(NEAREST_METRES, distance);
      double shape = cosine / (Math.PI * apart * apart);
      shape *= set.receiverGain().of(tx / distance, ty / distance, tz / distance);
      loss.over(distance, left);
      for (int b = 0; b < ray.length; b++) {
        sent[b] = ray[b] * shape * left[b];
        if (!near) {
          energy[b][bin] += hit.scattering[b] * sent[b];
        }
      }
      collector.sent(hit.facet, x, y, z, sent, (way + distance) / set.speedOfSound());
      return near;
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
      double middle = (from + to) / 2;
      int bin = (int) ((way + middle) / set.speedOfSound() / BIN_SECONDS);
      if (to <= from
          || bin >= energy[0].length
          || !wholeBall
              && shell.hides(x + middle * dx, y + middle * dy, z + middle * dz, set.receiver())) {
        return;
      }
      double share = (to - from) / ballVolume * set.receiverGain().of(dx, dy, dz);
      loss.over(middle, left);
      for (int b = 0; b < ray.length; b++) {
        energy[b][bin] += ray[b] * share * left[b];
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
