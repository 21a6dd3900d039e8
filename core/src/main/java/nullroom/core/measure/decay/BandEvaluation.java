package nullroom.core.measure.decay;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import nullroom.core.Decibels;
import nullroom.core.Regression;
import nullroom.core.signal.Band;
import nullroom.core.signal.Biquads;
import nullroom.core.signal.Butterworth;
import nullroom.core.signal.Fft;
import nullroom.core.signal.Sums;

/**
 * One band of a decay.
 *
 * <p>Short decays are the usual case here, and a band filter rings for about as long as a treated
 * room. So each figure is taken where the filter's ringing cannot reach it:
 *
 * <ul>
 *   <li>Times come from the response filtered backwards in time [1]. All ringing then lies before
 *       the direct sound, and after it an exponential decay comes out as exactly that exponential,
 *       whatever the filter. The curve is read from the direct sound on; its reference is the total
 *       energy, ringing included. EDT, which begins at that reference, takes a gentler band.
 *   <li>C50, C80 and D50 cut the response first and filter the two parts after (Parseval), so
 *       nothing is smeared over the cut. A wide filter beforehand keeps the cut of strong bass from
 *       splashing into the treble.
 *   <li>The centre time comes from a zero-phase filter, whose symmetric smearing leaves a mean
 *       where it was.
 * </ul>
 *
 * <p>[1] F. Jacobsen, J. H. Rindel, J. Sound Vib. 117 (1987) 187-190.
 */
final class BandEvaluation {
  /** Steep, so that a ringing neighbour octave stays out; its length does no harm backwards. */
  private static final int ORDER = 6;

  /**
   * For EDT: what a steep band rings before the direct sound is energy that the curve begins
   * without, 1.4 to 3.4 dB of a short noise-like decay, a third of EDT's range.
   */
  private static final int GENTLE_ORDER = 3;

  /** Least bandwidth times time for EDT; ISO 3382-2 asks it of filters that run forwards. */
  private static final double LEAST_BT_EDT = 16;

  /** Square of the correlation; two rooms one behind the other still reach 0.8. */
  private static final double LEAST_STRAIGHT = 0.6;

  /** Bandwidth times time until the filter has settled. */
  private static final double BUILD_UP = 3;

  private final Band band;
  private final double rate;
  private final List<double[]> takes;
  private final List<ZeroPhase> spectra;
  private final int lead;

  /** By their lengths: those of one take are those of the next. */
  private final Map<Integer, Fft> transforms = new HashMap<>();

  /**
   * @param spectra of the takes, in their order
   */
  BandEvaluation(
      Band band, double sampleRateHz, List<double[]> takes, List<ZeroPhase> spectra, int lead) {
    this.band = band;
    this.rate = sampleRateHz;
    this.takes = takes;
    this.spectra = spectra;
    this.lead = lead;
  }

  DecayReport.BandDecay evaluate() {
    double[] energy = energy(ORDER);
    Lundeby tail = tail(energy);
    OptionalDouble inr = OptionalDouble.of(Decibels.ofEnergy(peakMean(energy) / tail.noise()));
    if (inr.getAsDouble() < DecayAnalysis.INR_EDT_DB || tail.decayPerSample() == 0) {
      return DecayReport.BandDecay.unknown(band.nominalHz(), inr);
    }
    double[] curve = decayCurve(energy, tail);
    boolean enough20 = inr.getAsDouble() >= DecayAnalysis.INR_T20_DB;
    Regression twenty = Regression.between(curve, -5, -25);
    OptionalDouble t20 = seconds(twenty, enough20);
    double[] ratios = earlyOverLate(tail, enough20);
    return new DecayReport.BandDecay(
        band.nominalHz(),
        early(),
        t20,
        seconds(Regression.between(curve, -5, -35), inr.getAsDouble() >= DecayAnalysis.INR_T30_DB),
        ratio(ratios[0]),
        ratio(ratios[1]),
        ratios[0] > 0
            ? OptionalDouble.of(100 * ratios[0] / (1 + ratios[0]))
            : OptionalDouble.empty(),
        OptionalDouble.of(Math.max(0, centreTime(tail))),
        inr,
        enough20 && twenty.count() > 2
            ? OptionalDouble.of(1000 * (1 - twenty.rSquared()))
            : OptionalDouble.empty(),
        DecayDeviation.ofT20(t20, band.widthHz(), DecayDeviation.RESPONSE_DECAYS),
        thin(curve, rate));
  }

  /**
   * A filter that runs backwards begins at the take's end from rest: what it gives there is too
   * little, and noise read from it would make every ratio to it too good.
   *
   * @return how much of so many samples lies before that
   */
  static int settled(int length, Band band, double rate) {
    return length - (int) Math.min(length / 4.0, BUILD_UP * rate / band.widthHz());
  }

  /** Energy per sample of all takes together, filtered backwards. */
  private double[] energy(int order) {
    double[] energy = new double[takes.getFirst().length];
    for (double[] take : takes) {
      Sums.addSquares(energy, backwards(take, band, rate, order), 0);
    }
    return energy;
  }

  private Lundeby tail(double[] energy) {
    int until = lead + settled(energy.length - lead, band, rate);
    return Lundeby.of(Arrays.copyOfRange(energy, lead, until), rate);
  }

  /** The take filtered from its end to its start. */
  static double[] backwards(double[] take, Band band, double rate) {
    return backwards(take, band, rate, ORDER);
  }

  /**
   * Sums of squares of a take filtered from its end to its start, step by step: a long one's in
   * little memory.
   *
   * @param step samples that are summed up
   * @return of all whole steps from the start
   */
  static double[] backwardEnergies(double[] take, Band band, double rate, int step) {
    Biquads filter = Butterworth.bandPass(band, rate, ORDER);
    double[] energies = new double[take.length / step];
    double[] reversed = new double[step];
    int end = take.length;
    for (int k = energies.length; k >= 0; k--) { // first what is left behind the last whole step
      int n = end - k * step;
      for (int i = 0; i < n; i++) {
        reversed[i] = take[end - 1 - i];
      }
      filter.filter(reversed, reversed, n);
      end -= n;
      if (k < energies.length) {
        energies[k] = Sums.ofSquares(reversed, 0, n);
      }
    }
    return energies;
  }

  private static double[] backwards(double[] take, Band band, double rate, int order) {
    double[] y = new double[take.length];
    for (int i = 0; i < y.length; i++) {
      y[i] = take[take.length - 1 - i];
    }
    Butterworth.bandPass(band, rate, order).filter(y, y, y.length);
    for (int i = 0, j = y.length - 1; i < j; i++, j--) {
      double swap = y[i];
      y[i] = y[j];
      y[j] = swap;
    }
    return y;
  }

  /** Largest 10 ms mean. */
  private double peakMean(double[] energy) {
    int width = Math.max(1, (int) (0.01 * rate));
    double sum = 0;
    double largest = 0;
    for (int i = 0; i < energy.length; i++) {
      sum += energy[i] - (i >= width ? energy[i - width] : 0);
      largest = Math.max(largest, sum);
    }
    return largest / width;
  }

  /**
   * Schroeder's curve from the direct sound to the crossing, noise taken off, the cut tail added;
   * dB re total.
   */
  private double[] decayCurve(double[] energy, Lundeby tail) {
    int n = tail.crossing();
    double[] curve = new double[n];
    double sum = tail.noise() / tail.decayPerSample(); // at the crossing the decay equals the noise
    for (int i = n - 1; i >= 0; i--) {
      sum += energy[lead + i] - tail.noise();
      curve[i] = sum;
    }
    double total = sum;
    for (int i = 0; i < lead; i++) {
      total += energy[i] - tail.noise();
    }
    total = Math.max(total, sum);
    for (int i = 0; i < n; i++) {
      curve[i] = curve[i] > 0 ? Decibels.ofEnergy(curve[i] / total) : -300;
    }
    return curve;
  }

  private OptionalDouble seconds(Regression fit, boolean valid) {
    return valid && fit.count() > 2 && fit.slope() < 0 && fit.rSquared() > LEAST_STRAIGHT
        ? OptionalDouble.of(-60 / fit.slope() / rate)
        : OptionalDouble.empty();
  }

  /** The filter's own build-up shows in the first 10 dB long before it shows in the rest. */
  private OptionalDouble early() {
    double[] energy = energy(GENTLE_ORDER);
    Lundeby tail = tail(energy);
    if (tail.decayPerSample() == 0) {
      return OptionalDouble.empty();
    }
    OptionalDouble edt = seconds(Regression.between(decayCurve(energy, tail), 0, -10), true);
    return edt.isPresent() && edt.getAsDouble() * band.widthHz() >= LEAST_BT_EDT
        ? edt
        : OptionalDouble.empty();
  }

  private static OptionalDouble ratio(double energyRatio) {
    return energyRatio > 0 && Double.isFinite(energyRatio)
        ? OptionalDouble.of(Decibels.ofEnergy(energyRatio))
        : OptionalDouble.empty();
  }

  /**
   * Energy before over energy after 50 and 80 ms; 0 where the decay meets the noise before.
   *
   * @param clear whether the noise is so far down that what lies under it hardly counts
   */
  private double[] earlyOverLate(Lundeby tail, boolean clear) {
    int end = lead + tail.crossing();
    Band wide = new Band(band.nominalHz(), band.centreHz(), band.lowHz() / 2, band.highHz() * 2);
    double[] ratios = new double[2];
    double[] cuts = {0.05, 0.08};
    double[] early = new double[2];
    double[] late = new double[2];
    double levels = noiseShare(tail);
    for (ZeroPhase take : spectra) {
      double[] y = take.through(wide, 3);
      for (int c = 0; c < cuts.length; c++) {
        int cut = Math.min(end, lead + (int) Math.round(cuts[c] * rate));
        early[c] += bandEnergy(y, 0, cut) - levels * cut;
        late[c] += bandEnergy(y, cut, end) - levels * (end - cut);
      }
    }
    double rest = tail.noise() / tail.decayPerSample();
    for (int c = 0; c < cuts.length; c++) {
      boolean seen = clear || tail.crossing() > cuts[c] * rate;
      ratios[c] = seen ? early[c] / Math.max(1e-300, late[c] + rest) : 0;
    }
    return ratios;
  }

  private double noiseShare(Lundeby tail) {
    return tail.noise() / takes.size();
  }

  private double bandEnergy(double[] y, int from, int to) {
    if (to <= from) {
      return 0;
    }
    Fft fft = transforms.computeIfAbsent(Fft.sizeFor(to - from), Fft::new);
    double[] block = Arrays.copyOf(Arrays.copyOfRange(y, from, to), fft.size());
    fft.forward(block);
    double[] bins = new double[fft.size() / 2 + 1];
    fft.addEnergy(block, bins);
    double sum = 0;
    for (int k = 1; k < bins.length; k++) {
      sum += bins[k] * band.powerResponse(k * rate / fft.size(), ORDER);
    }
    return sum;
  }

  private double centreTime(Lundeby tail) {
    double moment = 0;
    double sum = 0;
    double noise = noiseShare(tail);
    for (ZeroPhase take : spectra) {
      double[] y = take.through(band, ORDER);
      for (int i = 0; i < lead + tail.crossing(); i++) {
        double e = y[i] * y[i] - noise;
        moment += (i - lead) / rate * e;
        sum += e;
      }
    }
    return sum > 0 ? moment / sum : 0;
  }

  /** What is kept of a curve with that many points a second. */
  static List<Double> thin(double[] curve, double rate) {
    List<Double> thinned = new ArrayList<>();
    double step = DecayReport.BandDecay.CURVE_STEP_SECONDS * rate;
    for (double at = 0; at < curve.length; at += step) {
      thinned.add(Math.round(curve[(int) at] * 100) / 100.0);
    }
    return thinned;
  }
}
