package nullroom.core.measure.altered;

import java.util.Arrays;

/** Rows of a few floats each, that come one by one. */
final class Frames {
  private final int width;
  private float[] values = new float[1024];
  private int size;

  Frames(int width) {
    this.width = width;
  }

  void add(double... row) {
    if (size + width > values.length) {
      values = Arrays.copyOf(values, 2 * values.length);
    }
    for (double v : row) {
      values[size++] = (float) v;
    }
  }

  int count() {
    return size / width;
  }

  double get(int row, int column) {
    return values[row * width + column];
  }

  double[] column(int column) {
    double[] all = new double[count()];
    for (int k = 0; k < all.length; k++) {
      all[k] = get(k, column);
    }
    return all;
  }
}
