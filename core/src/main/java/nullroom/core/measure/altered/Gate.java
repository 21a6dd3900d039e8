package nullroom.core.measure.altered;

import java.util.Optional;
import java.util.stream.IntStream;
import nullroom.core.Figures;
import nullroom.core.measure.Frames;

/**
 * Levels that drop at once, faster than any room lets sound die away, to a floor far under; or
 * digital silence between sounds. A beep ends so, too, but the noise beside it goes on. Cannot see
 * a gate that closes over more than a tenth of a second.
 */
final class Gate {
  /** Within 10 ms. In a dead room a clap falls by 27 dB. */
  private static final double DROP_DB = 32;

  private static final int WITHIN_FRAMES = 2;
  private static final int FEWEST = 3;
  private static final double DIGITAL_SILENCE_DB = -170;
  private static final double SILENCE_SECONDS = 0.02;

  /** What is between two silences is a sound, and not some steps of the file. */
  private static final double SOUND_DB = 30;

  /** Noise that a gate shut off; what dies away ends among the steps of the file. */
  private static final double SHUT_DB = 18;

  /** While some bands fall: a gate takes from every band what it takes from all. */
  private static final double GOES_ON_DB = 6;

  /** Bands softer than this hold no noise of a room. */
  private static final double NOISE_DB = -130;

  private static final double BESIDE_SECONDS = 0.02;

  private Gate() {}

  /**
   * What speaks for a gate.
   *
   * @param levels row by row, the first column in decibels
   * @param seconds of a row
   * @param fine levels of bands, in which noise is seen to go on
   */
  static Optional<Alteration> of(Frames levels, double seconds, FineBands fine) {
    int n = levels.count();
    int drops = 0;
    double deepest = 0;
    int silences = 0;
    int first = -1;
    int last = 0;
    int silent = 0;
    boolean heard = false;
    double shutDb = 0;
    for (int k = WITHIN_FRAMES; k < n; k++) {
      double drop = levels.get(k - WITHIN_FRAMES, 0) - levels.get(k, 0);
      boolean none = levels.get(k, 0) < DIGITAL_SILENCE_DB;
      if (drop > DROP_DB && !none && !goesOn(fine, k * seconds)) {
        drops++;
        deepest = Math.max(deepest, drop);
        first = first < 0 ? k : first;
        last = k;
        k += WITHIN_FRAMES;
      }
      if (none) {
        if (silent++ == 0) {
          shutDb = Math.max(levels.get(k - 1, 0), levels.get(k - 2, 0));
        }
      } else {
        if (heard && silent * seconds >= SILENCE_SECONDS && shutDb > fine.stepsDb() + SHUT_DB) {
          silences++;
          first = first < 0 ? k - silent : first;
          last = k;
          heard = false;
        }
        silent = 0;
        heard |= levels.get(k, 0) > fine.stepsDb() + SOUND_DB;
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

  /** Whether a band is still as loud after a drop, that lasts, as shortly before. */
  private static boolean goesOn(FineBands fine, double seconds) {
    Frames bands = fine.levels();
    int beside = (int) Math.ceil(BESIDE_SECONDS / fine.seconds());
    int at = (int) (seconds / fine.seconds());
    int before = at - 2 * beside;
    int after = at + beside;
    if (before < 0 || after + beside > bands.count()) {
      return false;
    }
    int still = 0;
    int fallen = 0;
    for (int b = 0; b < fine.bands(); b++) {
      int band = b;
      double left = Rows.mean(bands, b, after, beside);
      double most =
          IntStream.range(before, at).mapToDouble(k -> bands.get(k, band)).max().orElse(left);
      boolean noise = left > NOISE_DB && !fine.onSteps(b, left);
      still += noise && Rows.mean(bands, b, before, beside) < left + GOES_ON_DB ? 1 : 0;
      fallen += most > left + DROP_DB / 2 ? 1 : 0;
    }
    return still > 0 && fallen > 0;
  }
}
