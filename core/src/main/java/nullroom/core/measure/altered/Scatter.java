package nullroom.core.measure.altered;

import org.apache.commons.statistics.descriptive.StandardDeviation;

/** How far numbers lie apart. */
final class Scatter {
  private Scatter() {}

  /** Root mean square of what they are off their mean; none is 0. */
  static double of(double... values) {
    return values.length == 0 ? 0 : StandardDeviation.of(values).setBiased(true).getAsDouble();
  }
}
