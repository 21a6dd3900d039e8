package nullroom.core.measure.take;

import java.util.Arrays;

/** Numbers that come one by one. */
final class DoubleList {
  private double[] values = new double[256];
  private int size;

  void add(double value) {
    if (size == values.length) {
      values = Arrays.copyOf(values, 2 * size);
    }
    values[size++] = value;
  }

  int size() {
    return size;
  }

  double get(int k) {
    return values[k];
  }

  double[] values() {
    return Arrays.copyOf(values, size);
  }
}
