package nullroom.core.measure.decay;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nullroom.core.Figures;
import nullroom.core.Quantile;
import nullroom.core.signal.Deconvolution;
import nullroom.core.signal.Peak;
import nullroom.core.signal.Sweep;
import nullroom.core.signal.SweepTrace;

/**
 * Impulse responses from recorded sweeps: divides by what was played, finds each repeat, takes out
 * the drift of the clocks, lays the repeats over each other to a fraction of a sample and averages
 * them, and tells the harmonics, which come ahead of the direct sound (Farina 2000).
 */
final class SweepTakes {
  private static final int HIGHEST_ORDER = 5;

  /** Nearly six minutes at 48 kHz; more would not fit into a small heap. */
  private static final long MOST_SAMPLES = 1 << 24;

  /** The longest response kept of a sweep. */
  private static final double LONGEST_SECONDS = 6;

  private static final double SHORTEST_SECONDS = 0.3;

  /** Repeats differ by less; what is weaker is an echo or a harmonic. */
  private static final double REPEAT_SHARE = 0.4;

  /** How far a response's peak stands over the rest, or there was no such sweep. */
  private static final double LEAST_PEAK = 25;

  private static final double DIRECT_SHARE = 0.35;

  /**
   * A loudspeaker and the nearest surfaces delay its treble and bass by this much against each
   * other (common practice), which over a sweep's length looks like clocks that differ.
   */
  private static final double DELAYS_DIFFER_SECONDS = 40e-6;

  /** A drift is told, and taken out, where it is so many times as large. */
  private static final double CERTAIN = 2.5;

  /** Clocks of players and recorders differ by less. */
  private static final double DRIFT_POSSIBLE = 180e-6;

  private static final double DRIFT_LOOKED_FOR = 200e-6;

  private static final double SAME_RISE = 0.03;
  private static final int SINC_REACH = 16;

  private final double rate;
  private final Sweep sweep;
  private final double[] played;
  private final List<String> warnings = new ArrayList<>();

  /**
   * @param played the signal that was played, at the recording's rate
   * @param sweep its law, for drift and harmonics
   */
  SweepTakes(double[] played, Sweep sweep, double rate) {
    this.played = played;
    this.sweep = sweep;
    this.rate = rate;
  }

  /**
   * @param heard how a sweep in the recording rises, where one is seen
   */
  Takes find(double[] recorded, Optional<SweepTrace> heard) {
    Optional<String> wrong = heard.flatMap(this::mismatch);
    if (wrong.isPresent()) {
      return Takes.none(wrong.get());
    }
    if (recorded.length < played.length) {
      return Takes.none(
          Figures.say(
              "The recording (%.1f s) is shorter than the sweep (%.1f s): record from before it starts until two seconds after it ends.",
              recorded.length / rate, played.length / rate));
    }
    if ((long) recorded.length + played.length > MOST_SAMPLES) {
      return Takes.none(
          Figures.say(
              "The recording is too long to be divided by a sweep at once (%.0f s): cut it to the sweeps.",
              recorded.length / rate));
    }
    Deconvolution division = new Deconvolution(played, recorded, rate);
    double[] response = division.response();
    List<Integer> starts = starts(response, recorded.length);
    if (starts.isEmpty()) {
      return Takes.none(
          "No sweep stands out of the recording: is this the sweep that was played, and was it loud enough?");
    }
    double drift = drift(division, response, starts.getFirst());
    if (Math.abs(drift) > DRIFT_POSSIBLE) {
      return Takes.none(
          "The recording does not fit the sweep: it runs faster or slower than clocks differ. Was it this sweep, at this sampling rate?");
    }
    double uncertainty = DELAYS_DIFFER_SECONDS / sweep.seconds();
    if (Math.abs(drift) > CERTAIN * uncertainty) {
      division.removeDrift(drift, sweep);
      response = division.response();
      starts = starts(response, recorded.length);
      warnings.add(
          Figures.say(
              "The recorder's clock differs from the player's by %.0f millionths, give or take %.0f; that was taken out.",
              Math.abs(drift) * 1e6, uncertainty * 1e6));
    }
    return cut(response, starts, recorded.length);
  }

  /** Whether the recording holds a sweep of another law. */
  private Optional<String> mismatch(SweepTrace heard) {
    double ratio = heard.secondsPerE() / sweep.secondsPerE();
    if (Math.abs(ratio - 1) < SAME_RISE) {
      return Optional.empty();
    }
    String sentence =
        Figures.say(
            "The recording holds another sweep: it rises by an octave in %.2f s, the one it was compared with in %.2f s.",
            heard.secondsPerE() * Math.log(2), sweep.secondsPerE() * Math.log(2));
    for (double other : new double[] {44_100.0 / 48_000, 48_000.0 / 44_100}) {
      if (Math.abs(ratio / other - 1) < 0.01) {
        sentence +=
            " It looks as if one of the two states a wrong sampling rate (44.1 and 48 kHz?).";
        break;
      }
    }
    return Optional.of(sentence);
  }

  private double drift(Deconvolution division, double[] response, int start) {
    int reach = Integer.highestOneBit((int) (0.04 * rate));
    double[] around = new double[reach];
    for (int i = 0; i < reach; i++) {
      double fade = Math.sin(Math.PI * (i + 0.5) / reach);
      around[i] = response[Math.floorMod(start - reach / 2 + i, response.length)] * fade * fade;
    }
    return division.drift(around, sweep, DRIFT_LOOKED_FOR);
  }

  /** Direct sounds of all repeats. */
  private List<Integer> starts(double[] response, int recorded) {
    int last = Math.min(response.length, recorded - played.length + (int) (0.2 * rate));
    double largest = 0;
    for (int i = 0; i < last; i++) {
      largest = Math.max(largest, Math.abs(response[i]));
    }
    if (largest < LEAST_PEAK * usual(response, last)) {
      return List.of();
    }
    List<Integer> starts = new ArrayList<>();
    int apart = (int) (0.9 * played.length);
    int i = 0;
    while (i < last) {
      if (Math.abs(response[i]) < REPEAT_SHARE * largest) {
        i++;
        continue;
      }
      int peak = i;
      for (int k = i; k < Math.min(last, i + (int) (0.1 * rate)); k++) {
        peak = Math.abs(response[k]) > Math.abs(response[peak]) ? k : peak;
      }
      starts.add(direct(response, peak));
      i = peak + apart;
    }
    return starts;
  }

  /**
   * Median size, as of noise 0.67 of its root mean square, where noise in the recording would show:
   * at negative times, too.
   */
  private double usual(double[] response, int last) {
    double[] sizes = new double[20_001];
    int from = -played.length / 2;
    for (int i = 0; i < sizes.length; i++) {
      int at = from + (int) ((long) i * (last - from) / sizes.length);
      sizes[i] = Math.abs(response[Math.floorMod(at, response.length)]);
    }
    return Quantile.median(sizes) / 0.6745;
  }

  /** The first peak that comes near the largest: a reflection may be stronger. */
  private int direct(double[] response, int peak) {
    double[] around = new double[(int) (0.06 * rate)];
    int from = peak - around.length / 2;
    for (int i = 0; i < around.length; i++) {
      around[i] = response[Math.floorMod(from + i, response.length)];
    }
    double[] size = Envelope.of(around);
    int top = around.length / 2;
    for (int i = around.length / 4; i < top; i++) {
      if (size[i] >= DIRECT_SHARE * size[top] && size[i] >= size[i - 1] && size[i] > size[i + 1]) {
        return from + i;
      }
    }
    return peak;
  }

  private Takes cut(double[] response, List<Integer> starts, int recorded) {
    int lead = (int) (ImpulseTakes.LEAD_SECONDS * rate);
    int harmonics = (int) (sweep.secondsPerE() * Math.log(HIGHEST_ORDER + 0.5) * rate);
    int length = (int) (LONGEST_SECONDS * rate);
    for (int i = 1; i < starts.size(); i++) {
      length = Math.min(length, starts.get(i) - starts.get(i - 1) - harmonics - lead);
    }
    int after = recorded - starts.getLast() - played.length;
    if (after < SHORTEST_SECONDS * rate) {
      warnings.add(
          "The recording ends right after the sweep; let it run for two seconds more, or the decay at high frequencies is cut off.");
    }
    length = Math.min(length, Math.max(after, (int) (SHORTEST_SECONDS * rate)));
    if (length < SHORTEST_SECONDS * rate) {
      return Takes.none(
          "The sweeps follow each other too closely; leave a pause of three seconds between them.");
    }
    double[] sum = new double[lead + length];
    double first = fraction(response, starts.getFirst());
    for (int start : starts) {
      addShifted(response, start - lead, fraction(response, start) - first, sum);
    }
    for (int i = 0; i < sum.length; i++) {
      sum[i] /= starts.size();
    }
    return new Takes(
        List.of(sum),
        lead,
        starts.size(),
        0,
        OptionalDouble.of((starts.getFirst() + first) / rate),
        distortion(response, starts),
        Optional.of(sweep),
        warnings);
  }

  /** Where between samples the peak lies, -0.5 to 0.5. */
  private static double fraction(double[] response, int at) {
    double[] around = new double[64];
    for (int i = 0; i < around.length; i++) {
      around[i] = response[Math.floorMod(at - 32 + i, response.length)];
    }
    double[] size = Envelope.of(around);
    return Math.clamp(Peak.offset(size[31], size[32], size[33]), -0.5, 0.5);
  }

  /** Adds what lies from {@code from} on, moved back by a fraction of a sample. */
  private static void addShifted(double[] response, int from, double by, double[] sum) {
    if (Math.abs(by) < 0.01) {
      for (int i = 0; i < sum.length; i++) {
        sum[i] += response[Math.floorMod(from + i, response.length)];
      }
      return;
    }
    double[] taps = new double[2 * SINC_REACH];
    for (int k = 0; k < taps.length; k++) {
      double t = k - SINC_REACH + 1 - by;
      double window = Math.cos(Math.PI / 2 * t / (SINC_REACH + 1));
      taps[k] = (Math.abs(t) < 1e-9 ? 1 : Math.sin(Math.PI * t) / (Math.PI * t)) * window * window;
    }
    for (int i = 0; i < sum.length; i++) {
      double value = 0;
      for (int k = 0; k < taps.length; k++) {
        value += taps[k] * response[Math.floorMod(from + i + k - SINC_REACH + 1, response.length)];
      }
      sum[i] += value;
    }
  }

  /**
   * Amplitude of the orders 2 to 5 together over that of the fundamental, each order compared over
   * the band that both cover; the noise between the orders is taken off.
   */
  private OptionalDouble distortion(double[] response, List<Integer> starts) {
    double l = sweep.secondsPerE();
    int width = (int) (Math.min(0.1, 0.8 * l * Math.log(5.5 / 5)) * rate);
    if (width < 0.01 * rate) {
      return OptionalDouble.empty();
    }
    double squares = 0;
    double top = Math.min(sweep.toHz(), 0.45 * rate);
    for (int order = 2; order <= HIGHEST_ORDER; order++) {
      double low = Math.max(1.3 * order * sweep.fromHz(), 100);
      double high = 0.8 * top;
      if (high < 2 * low) {
        continue;
      }
      double harmonic = 0;
      double linear = 0;
      for (int start : starts) {
        harmonic += energy(response, start - ahead(order), width, low, high);
        linear += energy(response, start, width, low, high);
        harmonic -= energy(response, start - ahead(order + 0.5), width, low, high);
      }
      squares += Math.max(0, harmonic) / linear;
    }
    return OptionalDouble.of(100 * Math.sqrt(squares));
  }

  private int ahead(double order) {
    return (int) Math.round(sweep.secondsPerE() * Math.log(order) * rate);
  }

  private double energy(double[] response, int at, int width, double lowHz, double highHz) {
    int lead = width / 8;
    double[] part = new double[width];
    for (int i = 0; i < width; i++) {
      part[i] = response[Math.floorMod(at - lead + i, response.length)];
    }
    return BandEnergy.between(part, rate, lowHz, highHz);
  }
}
