package nullroom.core.measure.altered;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import nullroom.core.Figures;
import nullroom.core.Quantile;
import org.apache.commons.statistics.descriptive.Mean;

/**
 * Noise of the pauses that jumps up and down by as much in all bands: a gate whose threshold lies
 * in the noise, that opens and shuts with it. Plain noise scatters in each band by itself; what
 * somebody does in a pause, cloth and breath among it, has another colour than the noise beneath
 * it, and what swells by itself goes on longer than a jump. Cannot see a gate that stays shut.
 */
final class Flutter {
  private static final int FEWEST_BANDS = 5;

  /** Nearer to the steps of the file the noise is that of the steps. */
  private static final double STEPS_DB = 8;

  /** What is left of a sound at the beginning of a pause, and of the next at its end. */
  private static final int TAIL_ROWS = 12;

  private static final int NEXT_ROWS = 4;
  private static final int FEWEST_ROWS = 8;

  /** The softest of a pause are its noise. */
  private static final int SOFTEST_PART = 4;

  private static final int FEWEST_SOFTEST = 3;

  /** Rows that have no samples in common. */
  private static final int APART = 2;

  private static final double JUMP_DB = 2.5;

  /** Variance of what differs from band to band by itself. */
  private static final double OWN = 0.15;

  /** Times what plain noise deviates in all bands. */
  private static final double ALIKE = 2;

  /** Of three decibels each, noise that swells by itself jumps a dozen times. */
  private static final int FEWEST = 15;

  private static final double ALIKE_SHARE = 0.75;
  private static final double OF_NOISE_SHARE = 2.0 / 3;

  /** Beside sounds without a colour of their own: cloth and rain come nearest to it. */
  private static final int FEWEST_COLOURLESS = 30;

  private static final double ALIKE_SHARE_COLOURLESS = 0.85;

  /**
   * Noise that swells by itself ebbs as often as it rises, and goes on before and after a jump by
   * more than that; over so many rows on either side.
   */
  private static final double AS_OFTEN = 0.5;

  private static final int BESIDE_ROWS = 5;
  private static final double GOES_ON = 1.3;

  /** Hardly anything swells faster. */
  private static final double SWELLS_DB = 4;

  /** What crackles is up for a moment, and so often: three of four times, of enough. */
  private static final int CRACKLE_ROWS = 3;

  private static final double CRACKLES = 0.7;
  private static final int FEWEST_CRACKLES = 8;

  /** What is let by an open gate is as loud each time; of what is not so fewer are short. */
  private static final double HEIGHTS_DB = 8;

  private static final double QUARTER = 0.25;

  private static final double CRACKLES_OF_ALL_HEIGHTS = 0.55;

  private final FineBands fine;
  private final double[] variance;
  private int jumps;
  private int alike;
  private int rising;
  private final Mean goesOn = Mean.create();
  private int shortUps;
  private final List<Double> peaks = new ArrayList<>();
  private int ofNoise;
  private double sum;

  private Flutter(FineBands fine) {
    this.fine = fine;
    variance =
        IntStream.range(0, fine.noiseBands())
            .mapToDouble(b -> Math.pow(fine.scatterDb(b, 1), 2) + OWN)
            .toArray();
  }

  /** What speaks for a gate. */
  static Optional<Alteration> of(FineBands fine, Pauses pauses) {
    Flutter flutter = new Flutter(fine);
    pauses.all().stream().map(Flutter::within).forEach(p -> flutter.count(p.from(), p.to()));
    return flutter.isTold(FEWEST, ALIKE_SHARE)
            && !flutter.swells()
            && !flutter.crackles()
            && !Beats.in(fine, pauses)
            && (flutter.isTold(FEWEST_COLOURLESS, ALIKE_SHARE_COLOURLESS) || fine.isColoured())
        ? Optional.of(
            new Alteration(
                Alteration.Kind.GATE,
                Figures.say(
                    "in the pauses the noise jumps %d times, by %.0f dB on average within %.0f ms and alike in all bands: noise by itself moves in each band by another amount",
                    flutter.alike, flutter.sum / flutter.alike, 1000 * APART * fine.seconds()),
                0,
                fine.levels().count() * fine.seconds()))
        : Optional.empty();
  }

  /** Of a pause, what is neither left of a sound nor the beginning of the next. */
  static Stretch within(Stretch pause) {
    return new Stretch(pause.from() + TAIL_ROWS, pause.to() - NEXT_ROWS);
  }

  private boolean isTold(int fewest, double share) {
    return alike >= fewest
        && ofNoise >= fewest
        && alike >= share * jumps
        && ofNoise >= OF_NOISE_SHARE * jumps;
  }

  private boolean swells() {
    return Math.min(rising, alike - rising) > AS_OFTEN * Math.max(rising, alike - rising)
        && goesOn.getAsDouble() > GOES_ON
        && sum < SWELLS_DB * alike;
  }

  private boolean crackles() {
    if (peaks.size() < FEWEST_CRACKLES) {
      return false;
    }
    double[] all = peaks.stream().mapToDouble(p -> p).toArray();
    double heights = Quantile.of(all, 1 - QUARTER) - Quantile.of(all, QUARTER);
    return shortUps > (heights > HEIGHTS_DB ? CRACKLES_OF_ALL_HEIGHTS : CRACKLES) * all.length;
  }

  /** How far up what jumps goes, and how long it stays there, if it comes down again. */
  private void countUps(double[] levels) {
    for (int k = 0; k + APART < levels.length; k++) {
      double middle = (levels[k] + levels[k + APART]) / 2;
      if (levels[k + APART] - levels[k] > JUMP_DB) {
        int end = k + APART;
        while (end < levels.length && levels[end] > middle) {
          end++;
        }
        if (end < levels.length) {
          peaks.add(Arrays.stream(levels, k, end).max().orElseThrow());
          shortUps += end - k - 1 <= CRACKLE_ROWS ? 1 : 0;
        }
        k = end - 1;
      }
    }
  }

  private void count(int from, int to) {
    int n = to - from;
    double[] noise = n < FEWEST_ROWS ? new double[0] : noise(from, n);
    double[] weights =
        IntStream.range(0, noise.length)
            .mapToDouble(b -> fine.overStepsDb(b, noise[b]) > STEPS_DB ? 1 / variance[b] : 0)
            .toArray();
    if (Weighted.heard(weights) < FEWEST_BANDS) {
      return;
    }
    double[][] over =
        IntStream.range(from, to)
            .mapToObj(k -> Weighted.over(fine.row(k), noise))
            .toArray(double[][]::new);
    double[] means = Arrays.stream(over).mapToDouble(o -> Weighted.mean(o, weights)).toArray();
    countUps(means);
    for (int k = 0; k + APART < n; k++) {
      double[] before = over[k];
      double[] after = over[k + APART];
      double[] by = Weighted.over(after, before);
      double jump = Math.abs(means[k + APART] - means[k]);
      if (jump > JUMP_DB) {
        jumps++;
        if (Weighted.apart(by, weights) < 2 * ALIKE) { // of two rows
          alike++;
          sum += jump;
          rising += means[k + APART] > means[k] ? 1 : 0;
          int beside = k + 1 - BESIDE_ROWS;
          if (beside >= 0 && k + APART + BESIDE_ROWS <= n) {
            goesOn.accept(
                Math.abs(
                        Rows.mean(means, k + APART, BESIDE_ROWS)
                            - Rows.mean(means, beside, BESIDE_ROWS))
                    / jump);
          }
        }
        ofNoise +=
            Weighted.apart(before, weights) < ALIKE && Weighted.apart(after, weights) < ALIKE
                ? 1
                : 0;
      }
    }
  }

  /** Level of each band in the softest rows of a pause. */
  private double[] noise(int from, int n) {
    double[][] softest =
        IntStream.range(from, from + n)
            .mapToObj(fine::row)
            .sorted(Comparator.comparingDouble(row -> Arrays.stream(row).sum()))
            .limit(Math.max(FEWEST_SOFTEST, n / SOFTEST_PART))
            .toArray(double[][]::new);
    return IntStream.range(0, variance.length)
        .mapToDouble(b -> Arrays.stream(softest).mapToDouble(row -> row[b]).average().orElseThrow())
        .toArray();
  }
}
