package nullroom.core.measure.take;

import java.util.Arrays;
import nullroom.core.Decibels;

/**
 * Clipping before the converter: peaks cut off flat under full scale. Looked for are plateaus of
 * three samples and more, entered and left at an edge, as a smooth crest never is, that come back
 * at one and the same height.
 */
final class FlatTops {
  /** Samples of a plateau agree within this share. */
  private static final double FLAT = 0.002;

  /** Before and after it the signal is lower by at least this share. */
  private static final double EDGE = 0.008;

  private static final int SHORTEST = 3;
  private static final double QUIETEST = 0.02;

  /** Heights are counted in steps of 0.02 dB under full scale. */
  private static final double STEPS_PER_DB = 50;

  private static final int STEPS = 1700;

  /** Plateaus within so many steps are at one height. */
  private static final int SAME_STEPS = 2;

  /** Fewer are chance. */
  private static final int FEWEST = 6;

  private static final int CHUNK = 64;
  private static final double NEAR_LARGEST = 0.5;

  private final int[] heights = new int[STEPS];
  private double largest;
  private double before;
  private double height;
  private int length;
  private boolean edged;

  /**
   * Takes the next samples.
   *
   * @param top the largest size among them
   */
  void add(double[] block, int count, double top) {
    largest = Math.max(largest, top);
    if (top < NEAR_LARGEST * largest) { // what is cut off lies at the top
      before = Math.abs(block[count - 1]);
      edged = false;
      length = 0;
      return;
    }
    for (int from = 0; from < count; from += CHUNK) {
      int samples = Math.min(CHUNK, count - from);
      if (length > 1 || samples <= SHORTEST || pairs(block, from, from + samples)) {
        look(block, from, from + samples);
      } else { // none but the last ones can belong to a plateau
        int tail = from + samples - SHORTEST;
        before = Math.abs(block[tail - 1]);
        length = 0;
        look(block, tail, from + samples);
      }
    }
  }

  /** Whether any two of the samples, counted in twos, are as equal as in a plateau. */
  private boolean pairs(double[] block, int from, int to) {
    boolean found = false;
    double least = NEAR_LARGEST * largest;
    for (int i = from; i + 1 < to; i += 2) {
      double size = Math.abs(block[i]);
      found |= size > least && Math.abs(Math.abs(block[i + 1]) - size) <= 2 * FLAT * size;
    }
    return found;
  }

  private void look(double[] block, int from, int to) {
    for (int i = from; i < to; i++) {
      double size = Math.abs(block[i]);
      if (length > 0 && Math.abs(size - height) <= FLAT * height) {
        length++;
      } else {
        end(size);
        edged = size > QUIETEST && before < (1 - EDGE) * size;
        height = size;
        length = edged ? 1 : 0;
      }
      before = size;
    }
  }

  private void end(double next) {
    if (length >= SHORTEST && edged && next < (1 - EDGE) * height && height < 1) {
      int step = (int) (-Decibels.ofAmplitude(height) * STEPS_PER_DB);
      if (step < STEPS) {
        heights[step]++;
      }
    }
  }

  /** How many peaks are cut off at the commonest height; 0 where that is chance. */
  int count() {
    int most = 0;
    for (int k = 0; k + SAME_STEPS < STEPS; k++) {
      int here = 0;
      for (int j = k; j <= k + SAME_STEPS; j++) {
        here += heights[j];
      }
      most = Math.max(most, here);
    }
    return most >= FEWEST && 2 * most >= Arrays.stream(heights).sum() ? most : 0;
  }
}
