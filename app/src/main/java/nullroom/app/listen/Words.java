package nullroom.app.listen;

import java.util.Collections;
import java.util.Comparator;
import java.util.Optional;
import java.util.OptionalDouble;
import nullroom.app.control.BandName;
import nullroom.core.Figures;
import nullroom.core.book.NoiseMeasurement;
import nullroom.core.measure.noise.Intrusion;
import nullroom.core.measure.noise.NoiseReport;
import nullroom.core.measure.noise.Scale;
import nullroom.core.measure.noise.Tone;

/** How this station says figures. */
final class Words {
  private Words() {}

  /** Whole decibels, but never nought of them. */
  static String decibels(double amount) {
    return Figures.say(amount < 2 ? "%.1f dB" : "%.0f dB", amount);
  }

  /** ", give or take 3 dB", where a scale has an uncertainty. */
  static String giveOrTake(Optional<Scale> scale) {
    return scale
        .map(Scale::uncertaintyDb)
        .filter(u -> u > 0)
        .map(u ->
            Figures.say(
                u < 2 && u != Math.rint(u) ? ", give or take %.1f dB" : ", give or take %.0f dB",
                u))
        .orElse("");
  }

  /** "31 dBA" in the air, or the digital level with its sign. */
  static String level(double dbfs, Optional<Scale> scale) {
    return scale
        .map(s -> Figures.say("%.0f dBA", dbfs + s.fullScaleDbSpl()))
        .orElse(Figures.say("%.0f dBFS A", dbfs));
  }

  /** A room's noise in a few words, with what decides its rating. */
  static String level(NoiseMeasurement n) {
    OptionalDouble inAir = n.laeqDbSpl();
    if (inAir.isEmpty()) {
      return level(n.report().laeqDbfs().orElseThrow(), Optional.empty()) + ", relative only";
    }
    return Figures.say("%.0f dBA%s", inAir.getAsDouble(), giveOrTake(n.scale()))
        + n.nc()
            .map(nc ->
                Figures.say(", NC-%d decided at %s", nc.rating(), BandName.of(nc.decidingBandHz())))
            .orElse("");
  }

  /** What stands out of the noise, each with where to look for it. */
  static String found(NoiseMeasurement n, HumModel hum) {
    StringBuilder found = new StringBuilder();
    NoiseReport r = n.report();
    if (r.rumbles()) {
      found.append(
          Figures.say(
              " Most of it is rumble: C is %.0f dB over A. Look for traffic, a fan, a stand on boards; the microphone's low cut takes it.",
              r.cMinusADb().orElseThrow()));
    }
    found.append(hum.words());
    r.tones().stream()
        .filter(t -> !t.mains())
        .max(Comparator.comparingDouble(Tone::prominenceDb))
        .ifPresent(t ->
            found.append(
                Figures.say(
                    " A tone at %.0f Hz stands out by %.0f dB: look for a fan, a pump or a charger.",
                    t.frequencyHz(), t.prominenceDb())));
    if (!r.intrusions().isEmpty()) {
      Intrusion worst =
          Collections.max(r.intrusions(), Comparator.comparingDouble(Intrusion::riseDb));
      found.append(
          Figures.say(
              " %s broke in, the worst after %.1f s by %.0f dB: listen again without it.",
              r.intrusions().size() == 1 ? "One sound" : r.intrusions().size() + " sounds",
              worst.startSeconds(),
              worst.riseDb()));
    }
    if (r.clippedSamples() > 0) {
      found.append(" It clips: turn the gain down and listen again.");
    }
    return found.toString();
  }
}
