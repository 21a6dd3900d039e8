package nullroom.core.measure;

import java.util.Arrays;

/** Rows of a few floats each, that come one by one. */
public final class Frames {
  private final int width;
  private float[] values = new float[1024];
  private int size;

  /** None yet, of so many floats. */
  public Frames(int width) {
    this.width = width;
  }

  /** The next row. */
  public void add(double... row) {
    if (size + width > values.length) {
      values = Arrays.copyOf(values, 2 * values.length);
    }
    for (double v : row) {
      values[size++] = (float) v;
    }
  }

  /** How many floats a row has. */
  public int width() {
    return width;
  }

  /** How many rows there are. */
  public int count() {
    return size / width;
  }

  /** One float. */
  public double get(int row, int column) {
    return values[row * width + column];
  }

  /** One column of all rows. */
  public double[] column(int column) {
    double[] all = new double[count()];
    for (int k = 0; k < all.length; k++) {
      all[k] = get(k, column);
    }
    return all;
  }
}
