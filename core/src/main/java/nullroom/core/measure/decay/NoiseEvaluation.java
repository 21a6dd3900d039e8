package nullroom.core.measure.decay;

import java.util.Arrays;
import java.util.OptionalDouble;
import nullroom.core.Decibels;
import nullroom.core.Regression;
import nullroom.core.signal.Band;
import nullroom.core.signal.Sums;

/**
 * One band of switched-off noise: the decays are averaged as energies (ISO 3382-2:2008, 5.2) and
 * the noise that stays is taken off. Lines are fitted to the average summed from its end, which is
 * as steep where the decay is straight and far smoother than the average of a few decays; where it
 * bends, late parts weigh a little more than in a decay curve of many.
 */
final class NoiseEvaluation {
  /** A step of the averaged decay is this part of the time being measured. */
  private static final double STEP_SHARE = 1.0 / 60;

  private static final double LEAST_STEP_SECONDS = 0.001;
  private static final double MOST_STEP_SECONDS = 0.005;

  private final Band band;
  private final double rate;
  private final Takes takes;

  NoiseEvaluation(Band band, double rate, Takes takes) {
    this.band = band;
    this.rate = rate;
    this.takes = takes;
  }

  DecayReport.BandDecay evaluate() {
    double[] energy = new double[takes.responses().getFirst().length];
    for (double[] take : takes.responses()) {
      Sums.addSquares(energy, BandEvaluation.backwards(take, band, rate), 0);
    }
    int lead = takes.lead();
    int from = lead / 4;
    int length = lead - (int) (0.02 * rate) - from;
    double steady = Sums.of(energy, from, length) / length;
    int settled = BandEvaluation.settled(energy.length - lead, band, rate);
    double[] after = Arrays.copyOfRange(energy, lead, lead + settled);
    Lundeby tail = Lundeby.of(after, rate);
    OptionalDouble inr = OptionalDouble.of(Decibels.ofEnergy(steady / tail.noise()));
    if (inr.getAsDouble() < DecayAnalysis.INR_EDT_DB || tail.decayPerSample() == 0) {
      return DecayReport.BandDecay.unknown(band.nominalHz(), inr);
    }
    double rough = 6 * Math.log(10) / tail.decayPerSample() / rate;
    double step = Math.clamp(rough * STEP_SHARE, LEAST_STEP_SECONDS, MOST_STEP_SECONDS);
    int stepSamples = Math.max(1, (int) (step * rate));
    double[] curve = curve(after, tail, steady, stepSamples);
    double[] smooth = integrated(curve);
    Regression twenty = Regression.between(smooth, -5, -25);
    boolean enough = inr.getAsDouble() >= DecayAnalysis.INR_T20_DB;
    OptionalDouble t20 = seconds(twenty, enough, stepSamples);
    OptionalDouble none = OptionalDouble.empty();
    return new DecayReport.BandDecay(
        band.nominalHz(),
        seconds(Regression.between(smooth, 0, -10), true, stepSamples),
        t20,
        seconds(
            Regression.between(smooth, -5, -35),
            inr.getAsDouble() >= DecayAnalysis.INR_T30_DB,
            stepSamples),
        none,
        none,
        none,
        none,
        inr,
        enough && twenty.count() > 2 ? OptionalDouble.of(1000 * (1 - twenty.rSquared())) : none,
        DecayDeviation.ofT20(t20, band.widthHz(), takes.found()),
        BandEvaluation.thin(curve, rate / stepSamples));
  }

  /** Decibels re the steady level, until the decay meets the noise. */
  private static double[] curve(double[] after, Lundeby tail, double steady, int step) {
    double[] curve = new double[tail.crossing() / step];
    for (int k = 0; k < curve.length; k++) {
      double mean = Sums.of(after, k * step, step) / step - tail.noise();
      curve[k] = mean > 0 ? Decibels.ofEnergy(mean / steady) : -300;
    }
    return curve;
  }

  /** The curve summed from its end. */
  private static double[] integrated(double[] curve) {
    double[] sum = new double[curve.length];
    double so = 0;
    for (int k = curve.length - 1; k >= 0; k--) {
      so += Decibels.toEnergy(curve[k]);
      sum[k] = Decibels.ofEnergy(Math.max(1e-30, so));
    }
    for (int k = curve.length - 1; k >= 0; k--) {
      sum[k] -= sum[0];
    }
    return sum;
  }

  private OptionalDouble seconds(Regression fit, boolean valid, int stepSamples) {
    return valid && fit.count() > 4 && fit.slope() < 0
        ? OptionalDouble.of(-60 / fit.slope() * stepSamples / rate)
        : OptionalDouble.empty();
  }
}
