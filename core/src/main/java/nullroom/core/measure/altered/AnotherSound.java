package nullroom.core.measure.altered;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import nullroom.core.measure.Frames;

/**
 * Whether what sounds before a pause is another thing than the noise of the pause: of another
 * colour, or begun at once. Of a noise that swells and ebbs, as of traffic, nobody can say whether
 * a gain did it.
 */
final class AnotherSound {
  /** Bands of a loud sound lie so unlike those of the noise. */
  private static final double UNLIKE_DB = 1.5;

  /** All that is nearly as loud as the loudest. */
  private static final double NEAR_DB = 6;

  /** What rises so far within so short a time does not swell. */
  private static final double SUDDEN_DB = 28;

  private static final double SUDDEN_SECONDS = 0.02;

  private AnotherSound() {}

  /**
   * The pauses after other sounds; none where those are fewer than half.
   *
   * @param bands levels, row by row
   * @param total of all bands together
   * @param seconds of a row
   * @param before seconds before each that are looked at
   */
  static List<Stretch> before(
      List<Stretch> pauses, Frames bands, double[] total, double seconds, double before) {
    int rows = (int) (before / seconds);
    int sudden = (int) Math.ceil(SUDDEN_SECONDS / seconds);
    List<Stretch> others =
        pauses.stream()
            .filter(p -> isSudden(p.from(), total, rows, sudden) || isUnlike(p, bands, total, rows))
            .toList();
    return 2 * others.size() < pauses.size() ? List.of() : others;
  }

  private static boolean isSudden(int to, double[] total, int rows, int sudden) {
    return IntStream.range(Math.max(sudden, to - rows), to)
        .anyMatch(k -> total[k] - total[k - sudden] > SUDDEN_DB);
  }

  private static boolean isUnlike(Stretch pause, Frames bands, double[] total, int rows) {
    int from = Math.max(0, pause.from() - rows);
    double most = Arrays.stream(total, from, pause.from()).max().orElse(0);
    int[] loud =
        IntStream.range(from, pause.from()).filter(k -> total[k] > most - NEAR_DB).toArray();
    double[] over = new double[bands.width()];
    Arrays.setAll(
        over,
        b ->
            Arrays.stream(loud).mapToDouble(k -> bands.get(k, b)).average().orElse(0)
                - Rows.mean(bands, b, pause.from(), pause.rows()));
    return loud.length > 0 && Scatter.of(over) > UNLIKE_DB;
  }
}
