package nullroom.core.predict;

import java.util.Arrays;
import java.util.List;
import nullroom.core.Decibels;
import nullroom.core.Progress;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.acoustics.Pattern;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Talker;

/** Computes; holds what mirrors and rays share. */
final class Tracing {
  private static final int FIRST_RAYS_PER_BATCH = 64;

  private static final int FEWEST_RAYS_PER_BATCH = 6;

  private static final int MOST_ROUNDS = 6;

  /** The next round is made a little larger than the error asks for. */
  private static final double SPARE = 1.15;

  /**
   * What a response may cost, in trials of a facet by a ray: about a second and a half on one core.
   * Counted, not timed, so that the same room gives the same figures everywhere.
   */
  private static final double MOST_TRIALS = 400e6;

  /** Of that for the first look. */
  private static final double FIRST_SHARE = 0.2;

  /** Rays are followed for this share of the time that statistics predict. */
  private static final double LONGEST_SHARE = 1.2;

  private static final double SHORTEST_SECONDS = 0.25;

  private static final double LONGEST_SECONDS = 6;

  /** Of the whole, what the first look is told as, and of what is left each round after it. */
  private static final double FIRST_TOLD = 0.15;

  private static final double REST_TOLD = 0.9;

  private final Room room;
  private final Talker talker;
  private final PlacedMicrophone microphone;
  private final RayGeometry geometry;
  private final Pattern pattern;
  private final Point aim;
  private final double speed;
  private final double[] loss;
  private final double direct;

  Tracing(Room room) {
    this(room, new RayGeometry(room));
  }

  /** With what is the same for all microphones of a room. */
  Tracing(Room room, RayGeometry geometry) {
    this.room = room;
    talker = room.requireTalker();
    microphone = room.requireMicrophone();
    this.geometry = geometry;
    pattern = microphone.capture().pattern();
    aim = microphone.aim().direction();
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
        ImageSources.byTree(geometry, talker.at(), microphone.at(), longestMetres(), 1),
        new double[Octave.COUNT][0],
        0);
  }

  private RoomResponse with(double[][] rays, double error) {
    int order = ImageSources.order(room, geometry);
    return with(
        ImageSources.of(room, geometry, talker.at(), microphone.at(), longestMetres(), order),
        rays,
        error);
  }

  private RoomResponse with(List<ImageSources.Path> paths, double[][] rays, double error) {
    RayGeometry.Hit hit = new RayGeometry.Hit();
    return new RoomResponse(
        direct / speed,
        directEnergy(),
        !geometry.sees(talker.at(), microphone.at()),
        paths.stream()
            .map(path -> arrival(path, hit))
            .filter(a -> Arrays.stream(a.energy().toArray()).anyMatch(e -> e > 0))
            .toList(),
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

  private RoomResponse.Arrival arrival(ImageSources.Path path, RayGeometry.Hit hit) {
    double[] energy = new double[Octave.COUNT];
    Point first = path.points().getFirst().minus(talker.at());
    sourceGain(first.x(), first.y(), first.z(), energy);
    Point last = microphone.at().minus(path.points().getLast());
    double far = last.length();
    double gain = receiverGain(last.x() / far, last.y() / far, last.z() / far);
    double d = path.metres();
    for (int b = 0; b < energy.length; b++) {
      energy[b] *= gain / (d * d) * Math.exp(-loss[b] * d);
    }
    Point before = talker.at();
    for (int k = 0; k < path.order(); k++) {
      Point at = path.points().get(k);
      geometry.pass(before.x(), before.y(), before.z(), at, energy);
      before = at;
      geometry.finish(path.facets().get(k), at.x(), at.y(), at.z(), hit);
      for (int b = 0; b < energy.length; b++) {
        energy[b] *= (1 - hit.absorption[b]) * (1 - hit.scattering[b]);
      }
    }
    geometry.pass(before.x(), before.y(), before.z(), microphone.at(), energy);
    return new RoomResponse.Arrival(
        d / speed,
        d,
        path.facets().stream().map(geometry::name).toList(),
        path.points(),
        Bands.of(energy));
  }

  private void sourceGain(double dx, double dy, double dz, double[] gains) {
    double angle = talker.aim().angleTo(new Point(dx, dy, dz));
    for (int b = 0; b < gains.length; b++) {
      gains[b] = Decibels.toEnergy(talker.directivity().gainDb(b, angle));
    }
  }

  /** Of what travels in a direction, a unit vector. */
  private double receiverGain(double dx, double dy, double dz) {
    return pattern.energyGain(-dx * aim.x() - dy * aim.y() - dz * aim.z());
  }

  RayTracer tracer(double longestSeconds) {
    return new RayTracer(
        geometry,
        new RayTracer.Setting(
            talker.at(),
            microphone.at(),
            this::sourceGain,
            this::receiverGain,
            loss,
            speed,
            ImageSources.order(room, geometry),
            longestMetres(),
            longestSeconds));
  }

  RoomResponse response(long seed, Progress progress) {
    RoomResponse quick = quick();
    Statistics statistics = Statistics.of(room);
    double predicted = Arrays.stream(statistics.seconds().toArray()).max().orElse(1);
    double longest =
        direct / speed + Math.clamp(LONGEST_SHARE * predicted, SHORTEST_SECONDS, LONGEST_SECONDS);
    RayTracer tracer = tracer(longest);
    double perRay =
        RayTracer.BATCHES * tracer.trialsPerRay(longest * speed / statistics.meanFreePath());
    Share share = new Share(progress);
    int rays =
        (int)
            Math.clamp(
                FIRST_SHARE * MOST_TRIALS / perRay, FEWEST_RAYS_PER_BATCH, FIRST_RAYS_PER_BATCH);
    RayTracer.Round all = tracer.shoot(rays, seed, share.next(perRay * rays, FIRST_TOLD));
    double error = quick.errorDb(all);
    for (int round = 1; round < MOST_ROUNDS && error > RoomResponse.ENOUGH_ERROR_DB; round++) {
      double more = all.rays() * (SPARE * Math.pow(error / RoomResponse.ENOUGH_ERROR_DB, 2) - 1);
      double trialsPerRay = (double) all.trials() / all.rays();
      int affordable = (int) ((MOST_TRIALS - all.trials()) / trialsPerRay);
      rays = (int) Math.min(affordable, Math.max(more, 0.3 * all.rays()));
      if (rays < FEWEST_RAYS_PER_BATCH) {
        break;
      }
      Progress told = share.next(trialsPerRay * rays, REST_TOLD);
      all = all.plus(tracer.shoot(rays, seed + 7919L * round, told));
      error = quick.errorDb(all);
    }
    return quick.with(RayTracer.mean(all.energy()), error);
  }

  /** Progress over rounds of which nobody knows how many there will be: it only goes on. */
  private static final class Share {
    private static final int STEPS = 1000;
    private final Progress progress;
    private double done;

    Share(Progress progress) {
      this.progress = progress;
    }

    /**
     * Of the next round.
     *
     * @param trials that it will take, about
     * @param part of what is left
     */
    Progress next(double trials, double part) {
      double from = done;
      double share = part * (1 - from);
      done = from + share;
      return (now, unknown) ->
          progress.step(
              (long) (STEPS * (from + share * Math.min(1, now / Math.max(1, trials)))), STEPS);
    }
  }
}
