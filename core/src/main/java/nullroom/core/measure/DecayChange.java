package nullroom.core.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import nullroom.core.signal.Band;

/**
 * Whether a reverberation time has changed from one measurement to another, or only its random
 * error has.
 *
 * @param centreHz nominal band
 * @param beforeSeconds T20 before
 * @param afterSeconds T20 after
 * @param uncertaintySeconds of their difference, twice the standard deviation
 */
public record DecayChange(
    double centreHz, double beforeSeconds, double afterSeconds, double uncertaintySeconds) {
  /** A response integrated backwards is worth this many interrupted decays. */
  private static final int RESPONSE_DECAYS = 10;

  /** After less than before by more than chance, or more; else nothing can be told. */
  public boolean real() {
    return Math.abs(differenceSeconds()) > uncertaintySeconds;
  }

  /** After less before. */
  public double differenceSeconds() {
    return afterSeconds - beforeSeconds;
  }

  /** Every band that both have a T20 for, ascending. */
  public static List<DecayChange> of(DecayReport before, DecayReport after) {
    List<DecayChange> changes = new ArrayList<>();
    for (DecayReport.BandDecay band : before.bands()) {
      OptionalDouble then = band.t20Seconds();
      OptionalDouble now =
          after
              .band(band.centreHz())
              .map(DecayReport.BandDecay::t20Seconds)
              .orElse(OptionalDouble.empty());
      if (then.isPresent() && now.isPresent()) {
        double a = deviation(before, band.centreHz(), then.getAsDouble());
        double b = deviation(after, band.centreHz(), now.getAsDouble());
        changes.add(
            new DecayChange(
                band.centreHz(), then.getAsDouble(), now.getAsDouble(), 2 * Math.hypot(a, b)));
      }
    }
    return changes;
  }

  private static double deviation(DecayReport report, double centreHz, double seconds) {
    int decays =
        report.excitation().filter(e -> e == Excitation.NOISE).isPresent()
            ? report.takes()
            : RESPONSE_DECAYS;
    boolean octave = Band.OCTAVES.stream().anyMatch(b -> b.nominalHz() == centreHz);
    return deviation(seconds, (octave ? 0.71 : 0.23) * centreHz, decays, 1);
  }

  /**
   * Standard deviation of T20.
   *
   * <p>Source: ISO 3382-2:2008, Annex A, constants from memory.
   *
   * @param bandwidthHz 0.71 of an octave's centre, 0.23 of a third's
   * @param decays averaged at each position
   * @param positions of source and microphone
   */
  static double deviation(double seconds, double bandwidthHz, int decays, int positions) {
    return 0.88 * seconds * Math.sqrt((1 + 1.90 / decays) / (positions * bandwidthHz * seconds));
  }
}
