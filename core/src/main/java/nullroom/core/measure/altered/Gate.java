package nullroom.core.measure.altered;

import java.util.Optional;
import nullroom.core.Figures;
import nullroom.core.measure.Frames;

/**
 * Levels that drop at once, faster than any room lets sound die away, to a floor far under; or
 * digital silence between sounds. Cannot see a gate that closes over more than a tenth of a second.
 */
final class Gate {
  /** Within 10 ms. In a dead room a clap falls by 27 dB. */
  private static final double DROP_DB = 32;

  private static final int WITHIN_FRAMES = 2;
  private static final int FEWEST = 3;
  private static final double DIGITAL_SILENCE_DB = -170;
  private static final double SILENCE_SECONDS = 0.02;

  private Gate() {}

  static Optional<Alteration> of(Frames levels, double seconds) {
    int n = levels.count();
    int drops = 0;
    double deepest = 0;
    int silences = 0;
    int first = -1;
    int last = 0;
    int silent = 0;
    boolean heard = false;
    for (int k = WITHIN_FRAMES; k < n; k++) {
      double drop = levels.get(k - WITHIN_FRAMES, 0) - levels.get(k, 0);
      boolean none = levels.get(k, 0) < DIGITAL_SILENCE_DB;
      if (drop > DROP_DB && !none) {
        drops++;
        deepest = Math.max(deepest, drop);
        first = first < 0 ? k : first;
        last = k;
        k += WITHIN_FRAMES;
      }
      if (none) {
        silent++;
      } else {
        if (heard && silent * seconds >= SILENCE_SECONDS) {
          silences++;
          first = first < 0 ? k - silent : first;
          last = k;
        }
        silent = 0;
        heard = true;
      }
    }
    if (drops < FEWEST && silences < FEWEST) {
      return Optional.empty();
    }
    return Optional.of(
        new Alteration(
            Alteration.Kind.GATE,
            silences >= FEWEST
                ? Figures.say("digital silence between sounds, %d times", silences)
                : Figures.say(
                    "the level drops by up to %.0f dB within 10 ms, %d times: no room dies away so fast",
                    deepest, drops),
            first * seconds,
            (last + 1) * seconds));
  }
}
