package nullroom.core.predict;

import java.util.SplittableRandom;
import nullroom.core.acoustics.Octave;
import nullroom.core.room.Point;

/** One batch's rays and what they left; on one thread. */
final class RayBatch {
  /** A ray is given up when each octave has lost this, as energy (90 dB). */
  private static final double GIVE_UP = 1e-9;

  /**
   * A ray that has lost this (70 dB) draws from a sequence of its own: how far it is followed
   * changes no other.
   */
  private static final double FAINT = 1e-7;

  /** What scatters nearer than this goes through the ball rather than to its middle. */
  private static final double NEAR_METRES = 0.25;

  /** Nearer than this a scattering facet is no single source to a collector. */
  private static final double NEAREST_METRES = 0.1;

  /** Rays are drawn neither never nor always scattered, so that every octave gets its share. */
  private static final double LEAST_SHARE = 0.03;

  /** Progress is told, and cancelling heeded, about so often: every few milliseconds. */
  private static final long TRIALS_PER_STEP = 1_000_000;

  private final RayGeometry geometry;
  private final RayTracer.Setting set;
  private final Loss loss;
  private final double ball;
  private final double ballVolume;
  private final boolean wholeBall;
  private final SplittableRandom main;
  private final SplittableRandom faint;

  /** Either of them. */
  private SplittableRandom random;

  private final double[][] energy;
  private final RayGeometry.Hit hit = new RayGeometry.Hit();
  private final double[] ray = new double[Octave.COUNT];
  private final double[] left = new double[Octave.COUNT];
  private final double[] passed = new double[Octave.COUNT];
  private final double[] direction = new double[3];
  private final RayTracer.Collector collector;
  private final RayTracer.Told told;
  private final double[] sent = new double[Octave.COUNT];
  private final long trialsPerReflection;
  private double perRay;
  private long trials;

  RayBatch(
      RayTracer tracer, long seed, int bins, RayTracer.Collector collector, RayTracer.Told told) {
    geometry = tracer.geometry;
    set = tracer.set;
    loss = tracer.loss;
    ball = tracer.ball;
    ballVolume = tracer.ballVolume;
    wholeBall = tracer.wholeBall;
    trialsPerReflection = geometry.trials() + RayTracer.TRIALS_PER_REFLECTION;
    this.collector = collector;
    this.told = told;
    main = new SplittableRandom(seed);
    faint = new SplittableRandom(~seed);
    random = main;
    energy = new double[Octave.COUNT][bins];
  }

  double[][] shoot(int rays) {
    perRay = 4 * Math.PI / rays;
    for (int k = 0; k < rays; k++) {
      random = main;
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
    while (way < longest && geometry.meet(x, y, z, dx, dy, dz, hit)) {
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
      boolean cloth = hit.transmission.length > 0;
      if (!absorb(cloth)) {
        return;
      }
      Point normal = geometry.normal(hit.facet);
      boolean near = rain(x, y, z, normal, way);
      if (cloth && passes()) {
        order--;
        continue;
      }
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

  /**
   * What the way to the facet and the facet leave; false where that is nothing.
   *
   * @param cloth whether some goes through it
   */
  private boolean absorb(boolean cloth) {
    loss.over(hit.distance, left);
    double most = 0;
    for (int b = 0; b < ray.length; b++) {
      ray[b] *= left[b];
      passed[b] = cloth ? ray[b] * hit.transmission[b] : 0;
      ray[b] *= 1 - hit.absorption[b];
      most = Math.max(most, ray[b] + passed[b]);
    }
    random = most > FAINT * perRay ? random : faint;
    return most > GIVE_UP * perRay;
  }

  /** Draws whether the ray goes on through cloth; each octave's energy holds in the mean. */
  private boolean passes() {
    double through = 0;
    double all = 0;
    for (int b = 0; b < ray.length; b++) {
      through += passed[b];
      all += passed[b] + ray[b];
    }
    double share = Math.clamp(through / all, LEAST_SHARE, 1 - LEAST_SHARE);
    boolean goes = random.nextDouble() < share;
    for (int b = 0; b < ray.length; b++) {
      ray[b] = goes ? passed[b] / share : ray[b] / (1 - share);
    }
    return goes;
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
    int bin = (int) ((way + distance) / set.speedOfSound() / RayTracer.BIN_SECONDS);
    if (cosine <= 0 || bin >= energy[0].length || !geometry.sees(x, y, z, set.receiver())) {
      return near;
    }
    double apart = Math.max(NEAREST_METRES, distance);
    double shape = cosine / (Math.PI * apart * apart);
    shape *= set.receiverGain().of(tx / distance, ty / distance, tz / distance);
    loss.over(distance, left);
    geometry.pass(x, y, z, set.receiver(), left);
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
    int bin = (int) ((way + middle) / set.speedOfSound() / RayTracer.BIN_SECONDS);
    if (to <= from
        || bin >= energy[0].length
        || !wholeBall
            && geometry.hides(x + middle * dx, y + middle * dy, z + middle * dz, set.receiver())) {
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
    Point side = Math.abs(n.x()) < 0.9 ? new Point(1, 0, 0).cross(n) : new Point(0, 1, 0).cross(n);
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
