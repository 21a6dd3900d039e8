package nullroom.core.acoustics;

import java.util.Arrays;
import java.util.function.DoubleBinaryOperator;
import java.util.function.DoubleUnaryOperator;
import java.util.function.IntToDoubleFunction;
import nullroom.core.Decibels;

/**
 * Eight numbers, one per octave of {@link Octave}; finite but for levels, which may be minus
 * infinity. Immutable.
 */
public final class Bands {
  private final double[] numbers;

  private Bands(double[] numbers) {
    if (numbers.length != Octave.COUNT) {
      throw new IllegalArgumentException(
          "need " + Octave.COUNT + " octave bands, got " + numbers.length);
    }
    for (double n : numbers) {
      if (Double.isNaN(n) || n == Double.POSITIVE_INFINITY) {
        throw new IllegalArgumentException(
            "octave bands must be numbers, got " + Arrays.toString(numbers));
      }
    }
    this.numbers = numbers;
  }

  /** Eight numbers, 63 Hz to 8 kHz; copied. */
  public static Bands of(double... numbers) {
    return new Bands(numbers.clone());
  }

  /** The same number in every band. */
  public static Bands all(double number) {
    return from(i -> number);
  }

  /** One number per octave index. */
  public static Bands from(IntToDoubleFunction perOctave) {
    double[] numbers = new double[Octave.COUNT];
    Arrays.setAll(numbers, perOctave);
    return new Bands(numbers);
  }

  /** The number of one octave. */
  public double get(int octave) {
    return numbers[octave];
  }

  /** A copy as an array. */
  public double[] toArray() {
    return numbers.clone();
  }

  /** Each number changed alike. */
  public Bands map(DoubleUnaryOperator change) {
    return from(i -> change.applyAsDouble(numbers[i]));
  }

  /** Band by band with another. */
  public Bands with(Bands other, DoubleBinaryOperator combine) {
    return from(i -> combine.applyAsDouble(numbers[i], other.numbers[i]));
  }

  /** Energy sum of levels, band by band. */
  public Bands energySum(Bands other) {
    return with(other, Decibels::sum);
  }

  /** Energy sum over all bands. */
  public double energySum() {
    return Decibels.sum(numbers);
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Bands bands && Arrays.equals(numbers, bands.numbers);
  }

  @Override
  public int hashCode() {
    return Arrays.hashCode(numbers);
  }

  @Override
  public String toString() {
    return Arrays.toString(numbers);
  }
}
