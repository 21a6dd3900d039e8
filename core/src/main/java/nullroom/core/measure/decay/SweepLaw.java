package nullroom.core.measure.decay;

import java.util.Arrays;
import java.util.Optional;
import java.util.stream.DoubleStream;
import nullroom.core.signal.Deconvolution;
import nullroom.core.signal.Sums;
import nullroom.core.signal.Sweep;
import nullroom.core.signal.SweepTrace;

/**
 * The law of a sweep that nobody told: from how it rises in the recording, made exact by looking
 * for the rise that leaves the sharpest response, and rounded to what people type.
 */
final class SweepLaw {
  /** A sweep heard over all of this may be the usual one; a small loudspeaker cuts off below. */
  private static final double USUAL_HEARD_TO_HZ = 12_000;

  /** Heard over this as well, its rise alone tells. */
  private static final double USUAL_HEARD_FROM_HZ = 60;

  private static final double USUAL_HEARD_PLAINLY_TO_HZ = 15_000;

  /** How well a length is known from the rise, and how well once that is made exact. */
  private static final double SAME_LENGTH = 0.006;

  private static final double SAME_EXACT_LENGTH = 3e-4;

  /** A trace knows the rise by so much. */
  private static final double TRACE_ERROR = 4e-3;

  /** A sweep fades in and out, and is seen in blocks: it begins lower and ends higher than seen. */
  private static final double BEGINS_LOWER = 1.25;

  private static final double ENDS_HIGHER = 1.35;
  private static final double SEEN_ERROR = 1.02;

  /** What people type as a frequency: these times a power of ten. */
  private static final double[] ROUND = {1, 1.2, 1.25, 1.5, 1.6, 2, 2.5, 3, 3.15, 4, 5, 6, 6.3, 8};

  /** Lengths come in these steps. */
  private static final double ROUND_SECONDS = 0.5;

  private static final int WINDOW = 8192;

  private SweepLaw() {}

  /** The sweep in a recording, as it was probably made; the usual one where none is seen. */
  static Sweep heard(Optional<SweepTrace> trace, double[] x, double rate) {
    if (trace.isEmpty()) {
      return Sweep.USUAL;
    }
    SweepTrace rise = trace.get();
    double limit = Math.min(1, 0.45 * rate / Sweep.USUAL.toHz());
    Optional<Sweep> usual = usual(rise.secondsPerE(), SAME_LENGTH);
    if (usual.isPresent()
        && rise.lowHz() < USUAL_HEARD_FROM_HZ
        && rise.highHz() > USUAL_HEARD_PLAINLY_TO_HZ * limit) {
      return usual.get();
    }
    double exact = exactSecondsPerE(rise, x, rate);
    if (rise.highHz() > USUAL_HEARD_TO_HZ * limit) {
      usual = usual(exact, SAME_EXACT_LENGTH);
      if (usual.isPresent()) {
        return usual.get();
      }
    }
    return rounded(rise, exact)
        .orElseGet(() ->
            new Sweep(rise.lowHz(), rise.highHz(), exact * Math.log(rise.highHz() / rise.lowHz())));
  }

  static boolean usualRange(Sweep sweep) {
    return sweep.fromHz() == Sweep.USUAL.fromHz() && sweep.toHz() == Sweep.USUAL.toHz();
  }

  private static Optional<Sweep> usual(double secondsPerE, double tolerance) {
    return ofRange(Sweep.USUAL.fromHz(), Sweep.USUAL.toHz(), secondsPerE, tolerance);
  }

  /** A sweep of that range, if some round length gives the rise. */
  private static Optional<Sweep> ofRange(
      double fromHz, double toHz, double secondsPerE, double tolerance) {
    double seconds = secondsPerE * Math.log(toHz / fromHz);
    double round = ROUND_SECONDS * Math.round(seconds / ROUND_SECONDS);
    return round > 0 && Math.abs(seconds / round - 1) < tolerance
        ? Optional.of(new Sweep(fromHz, toHz, round))
        : Optional.empty();
  }

  /** The round range nearest to what was seen whose length is round, too. */
  private static Optional<Sweep> rounded(SweepTrace rise, double secondsPerE) {
    Optional<Sweep> best = Optional.empty();
    double nearest = Double.POSITIVE_INFINITY;
    for (double from : round(rise.lowHz() / BEGINS_LOWER, rise.lowHz() * SEEN_ERROR)) {
      for (double to : round(rise.highHz() / SEEN_ERROR, rise.highHz() * ENDS_HIGHER)) {
        Optional<Sweep> sweep = ofRange(from, to, secondsPerE, SAME_EXACT_LENGTH);
        double off =
            Math.abs(Math.log(rise.lowHz() / from)) + Math.abs(Math.log(to / rise.highHz()));
        if (sweep.isPresent() && off < nearest) {
          nearest = off;
          best = sweep;
        }
      }
    }
    return best;
  }

  private static double[] round(double low, double high) {
    double decade = Math.pow(10, Math.floor(Math.log10(low)));
    return DoubleStream.concat(
            Arrays.stream(ROUND).map(r -> r * decade),
            Arrays.stream(ROUND).map(r -> r * 10 * decade))
        .filter(hz -> hz >= low && hz <= high)
        .toArray();
  }

  private static double exactSecondsPerE(SweepTrace rise, double[] x, double rate) {
    double from = rise.lowHz() / BEGINS_LOWER;
    double to = Math.min(0.49 * rate, ENDS_HIGHER * rise.highHz());
    Sweep rough = new Sweep(from, to, rise.secondsPerE() * Math.log(to / from));
    if (rough.seconds() * rate > x.length) {
      return rise.secondsPerE();
    }
    Deconvolution division = new Deconvolution(rough.samples(rate), x, rate);
    double[] response = division.response();
    int top = loudest(response);
    double[] around = new double[WINDOW];
    for (int i = 0; i < WINDOW; i++) {
      double fade = Math.sin(Math.PI * (i + 0.5) / WINDOW);
      around[i] = response[Math.floorMod(top - WINDOW / 2 + i, response.length)] * fade * fade;
    }
    return rise.secondsPerE() * (1 + division.drift(around, rough, TRACE_ERROR));
  }

  /** Where the most energy comes within a hundredth of a second or so. */
  private static int loudest(double[] response) {
    int step = WINDOW / 16;
    int top = 0;
    double most = 0;
    for (int at = 0; at + 2 * step <= response.length; at += step) {
      double energy = Sums.ofSquares(response, at, 2 * step);
      if (energy > most) {
        most = energy;
        top = at + step;
      }
    }
    return top;
  }
}
