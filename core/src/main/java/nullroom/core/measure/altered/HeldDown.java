package nullroom.core.measure.altered;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import nullroom.core.Figures;
import nullroom.core.Quantile;
import nullroom.core.measure.Frames;

/**
 * Noise that is softer while something loud sounds than in the pauses beside it. Sounds only add up
 * in the air: where a voice has nothing, under its pitch and over its hisses, the noise stands as
 * it is, and only a gain takes it down. Sees a gain however fast it recovers, where the noise is
 * loud enough to be heard there beside the voice; compares what lies within some seconds, so that a
 * noise that swells is not taken for one.
 */
final class HeldDown {
  private static final double SPAN_SECONDS = 8;
  private static final double LOUD_SHARE = 0.98;
  private static final double LOUD_DB = 8;
  private static final double PAUSE_DB = 6;
  private static final double UNDER_LOUD_DB = 11;
  private static final double QUIET_SHARE = 0.1;
  private static final int FEWEST_LOUD = 12;
  private static final int FEWEST_PAUSE = 6;

  /** The softest of the loud moments, in which the voice adds least. */
  private static final double SOFTEST = 0.2;

  /** And of the pauses: less than their middle, for what breathes in them. */
  private static final double MIDDLE = 0.35;

  /** Of untouched sound the noise seems 1.2 dB softer at most, by chance. */
  private static final double LEAST_DB = 2.2;

  private static final double ALIKE_DB = 2;

  private HeldDown() {}

  /**
   * What speaks for a gain.
   *
   * @param octaves levels of the voice's octaves
   * @param aside levels of the bands beside the voice, not a number where there are none
   * @param seconds length of a row
   */
  static Optional<Alteration> of(Frames octaves, Frames aside, double seconds) {
    double[] total = SpectraSeen.totals(octaves);
    int n = total.length;
    if (n < FEWEST_LOUD + FEWEST_PAUSE) {
      return Optional.empty();
    }
    double loud = Quantile.of(total, LOUD_SHARE);
    int span = (int) (SPAN_SECONDS / seconds);
    List<double[]> all = new ArrayList<>();
    for (int from = 0; from < Math.max(1, n - span / 2); from += Math.max(1, span / 2)) {
      compare(total, aside, from, Math.min(n, from + span), loud).ifPresent(all::add);
    }
    if (all.isEmpty()) {
      return Optional.empty();
    }
    double[] bands =
        IntStream.range(0, SpectraSeen.ASIDE)
            .mapToDouble(b -> Quantile.median(all.stream().mapToDouble(d -> d[b]).toArray()))
            .filter(d -> !Double.isNaN(d))
            .toArray();
    double most = Arrays.stream(bands).max().orElse(0);
    double least = Arrays.stream(bands).min().orElse(0);
    return bands.length == SpectraSeen.ASIDE && most < -LEAST_DB && most - least < ALIKE_DB
        ? Optional.of(
            new Alteration(
                Alteration.Kind.AUTOMATIC_GAIN,
                Figures.say(
                    "while something loud sounds the noise under 70 Hz and over 8 kHz is %.1f dB softer than in the pauses beside it, where sounds in the air only add up",
                    -(most + least) / 2),
                0,
                n * seconds))
        : Optional.empty();
  }

  private static Optional<double[]> compare(
      double[] total, Frames aside, int from, int to, double loud) {
    double pause =
        Math.min(Quantile.of(total, from, to, QUIET_SHARE) + PAUSE_DB, loud - UNDER_LOUD_DB);
    int[] loudest = IntStream.range(from, to).filter(k -> total[k] > loud - LOUD_DB).toArray();
    int[] still = IntStream.range(from, to).filter(k -> total[k] < pause).toArray();
    if (loudest.length < FEWEST_LOUD || still.length < FEWEST_PAUSE) {
      return Optional.empty();
    }
    double[] apart = new double[SpectraSeen.ASIDE];
    for (int b = 0; b < apart.length; b++) {
      apart[b] = quantile(aside, b, loudest, SOFTEST) - quantile(aside, b, still, MIDDLE);
    }
    return Optional.of(apart);
  }

  private static double quantile(Frames aside, int band, int[] rows, double share) {
    double[] levels = Arrays.stream(rows).mapToDouble(k -> aside.get(k, band)).toArray();
    return Double.isNaN(levels[0]) ? Double.NaN : Quantile.of(levels, share);
  }
}
