package nullroom.app.listen;

import java.util.Optional;
import nullroom.core.Figures;
import nullroom.core.measure.noise.Scale;

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
}
