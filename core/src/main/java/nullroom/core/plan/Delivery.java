package nullroom.core.plan;

import java.util.Optional;
import java.util.OptionalDouble;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.book.Brief;
import nullroom.core.measure.take.TakeChannel;
import nullroom.core.measure.take.TakeReport;

/**
 * What brings a take to its brief by gain alone.
 *
 * @param wantedDb gain that the brief's level asks for
 * @param gainDb gain that its peak limit allows of that
 * @param peakDb true peak, or sample peak where the brief limits that, after the gain allowed
 * @param shortLu by how much it stays too soft for the peaks' sake; 0 where it does not
 */
public record Delivery(double wantedDb, double gainDb, double peakDb, double shortLu) {
  /**
   * Works it out; empty in silence, or where the brief asks for no level.
   *
   * @param report of the take
   */
  public static Optional<Delivery> of(TakeReport report, Brief brief) {
    OptionalDouble wanted = wanted(report, brief);
    double largest =
        brief.samplePeakDbfs().isPresent() && brief.truePeakDbtp().isEmpty()
            ? report.channels().stream().mapToDouble(TakeChannel::peak).max().orElse(0)
            : report.truePeak();
    if (wanted.isEmpty() || largest == 0) {
      return Optional.empty();
    }
    double peak = Decibels.ofAmplitude(largest);
    double limit = brief.truePeakDbtp().orElse(brief.samplePeakDbfs().orElse(0));
    double gain = Math.min(wanted.getAsDouble(), limit - peak);
    return Optional.of(
        new Delivery(wanted.getAsDouble(), gain, peak + gain, wanted.getAsDouble() - gain));
  }

  private static OptionalDouble wanted(TakeReport report, Brief brief) {
    if (brief.integratedLufs().isPresent()) {
      return report.loudness().integratedLufs().isPresent()
          ? OptionalDouble.of(
              brief.integratedLufs().getAsDouble()
                  - report.loudness().integratedLufs().getAsDouble())
          : OptionalDouble.empty();
    }
    if (brief.rmsLowDbfs().isPresent() && brief.rmsHighDbfs().isPresent()) {
      double rms = Decibels.dbfs(report.channels().getFirst().meanSquare());
      double middle = (brief.rmsLowDbfs().getAsDouble() + brief.rmsHighDbfs().getAsDouble()) / 2;
      return Double.isFinite(rms) ? OptionalDouble.of(middle - rms) : OptionalDouble.empty();
    }
    return OptionalDouble.empty();
  }

  /** What to do for a change of level, as an order. */
  static String turn(double db) {
    return Figures.say(db < 0 ? "Turn it down by %.1f dB" : "Turn it up by %.1f dB", Math.abs(db));
  }

  /** In a sentence. */
  public String words() {
    String there = turn(gainDb) + Figures.say("; peaks would come to %.1f dB then.", peakDb);
    return (shortLu < 0.05
        ? there
        : Figures.say(
            "%+.1f dB are wanted, but peaks allow %+.1f: it stays %.1f LU too soft. Tame the peaks first.",
            wantedDb, gainDb, shortLu));
  }
}
