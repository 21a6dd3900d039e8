package nullroom.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.book.Brief;
import nullroom.core.measure.take.TakeReport;

/** What was written for a brief, as reading it back tells. */
public final class WrittenTake {
  /** Rounding, dither and another rate move a level by less. */
  private static final double SLACK_DB = 0.15;

  private WrittenTake() {}

  /** What is in the file, in words. */
  public static String words(TakeReport written) {
    List<String> said = new ArrayList<>();
    int channels = written.channels().size();
    said.add(channels == 1 ? "one channel" : channels + " channels");
    said.add(Figures.say("%.1f kHz", written.sampleRateHz() / 1000));
    written.loudness().integratedLufs().ifPresent(l -> said.add(Figures.say("%.1f LUFS", l)));
    if (written.truePeak() > 0) {
      said.add(Figures.say("true peak %.1f dBTP", Decibels.ofAmplitude(written.truePeak())));
    }
    return String.join(", ", said);
  }

  /**
   * What is not as the brief asks and a gain could have made it; empty where all is.
   *
   * @param delivery that it was written by, where the brief asks for a level
   */
  public static Optional<String> fault(
      TakeReport written, Brief brief, Optional<Delivery> delivery) {
    if (brief.channels().isPresent() && brief.channels().getAsInt() != written.channels().size()) {
      return Optional.of(Figures.say("%d channels are asked for", brief.channels().getAsInt()));
    }
    double rate = brief.handover().rateHz().orElse(written.sampleRateHz());
    if (rate != written.sampleRateHz()) {
      return Optional.of(Figures.say("%.1f kHz are asked for", rate / 1000));
    }
    double limit = brief.truePeakDbtp().orElse(Double.POSITIVE_INFINITY);
    if (written.truePeak() > 0 && Decibels.ofAmplitude(written.truePeak()) > limit + SLACK_DB) {
      return Optional.of(Figures.say("true peaks may reach %.1f dBTP", limit));
    }
    boolean reachable = delivery.filter(d -> d.shortLu() < SLACK_DB).isPresent();
    if (reachable
        && brief.integratedLufs().isPresent()
        && written.loudness().integratedLufs().isPresent()
        && Math.abs(
                written.loudness().integratedLufs().getAsDouble()
                    - brief.integratedLufs().getAsDouble())
            > brief.toleranceLu().orElse(1) + SLACK_DB) {
      return Optional.of(
          Figures.say("%.0f LUFS are asked for", brief.integratedLufs().getAsDouble()));
    }
    return Optional.empty();
  }
}
