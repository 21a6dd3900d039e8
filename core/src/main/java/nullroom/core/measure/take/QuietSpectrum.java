package nullroom.core.measure.take;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import nullroom.core.measure.Softest;
import nullroom.core.measure.noise.MainsHum;
import nullroom.core.measure.noise.Tone;
import nullroom.core.measure.noise.Tones;
import nullroom.core.signal.Fft;
import nullroom.core.signal.Sums;

/**
 * The spectrum of what is left in the quietest moments of a take, in which hum and music are looked
 * for: the voice covers them elsewhere.
 */
final class QuietSpectrum {
  private static final double WINDOW_SECONDS = 0.6;
  private static final int KEPT = 8;

  /** Windows louder than the quietest by this energy are no longer quiet. */
  private static final double MOST_OVER = 4;

  /** Less is rounding or a muted input. */
  private static final double LEAST_MEAN_SQUARE = 1e-13;

  /** Mean square of a Hann window. */
  private static final double HANN_SQUARES = 0.375;

  /** Windows up to so much over the noise floor lie in a pause. */
  private static final double FLOOR_OVER = 2;

  /** A note stands out by this. */
  private static final double CLEAR_TONE_DB = 6;

  private static final int NOTES = 2;
  private static final int FEWEST_CHORDS = 3;

  /** Tones nearer to each other than half a semitone are one note. */
  private static final double SAME_NOTE = 0.029;

  /** Over all windows there are so many times as many different notes as in one. */
  private static final double CHANGING = 1.5;

  private final int length;
  private final double rate;
  private double[] half;
  private double[] halfBefore;
  private int filled;
  private double halfEnergy;
  private double energyBefore = Double.POSITIVE_INFINITY;
  private final Softest<double[]> quietest = new Softest<>(KEPT);

  QuietSpectrum(double sampleRateHz) {
    rate = sampleRateHz;
    length = Fft.sizeFor((long) (WINDOW_SECONDS * sampleRateHz));
    half = new double[length / 2];
    halfBefore = new double[length / 2];
  }

  void add(double[] block, int count) {
    int taken = 0;
    while (taken < count) {
      int n = Math.min(count - taken, half.length - filled);
      System.arraycopy(block, taken, half, filled, n);
      halfEnergy += Sums.ofSquares(block, taken, n);
      taken += n;
      filled += n;
      if (filled == half.length) {
        offer();
        double[] free = halfBefore;
        halfBefore = half;
        half = free;
        filled = 0;
      }
    }
  }

  /** A window begins with every half. */
  private void offer() {
    double energy = (energyBefore + halfEnergy) / length;
    energyBefore = halfEnergy;
    halfEnergy = 0;
    if (energy < LEAST_MEAN_SQUARE || Double.isInfinite(energy)) {
      return;
    }
    if (quietest.wants(energy)) {
      quietest.add(energy, whole());
    }
  }

  private double[] whole() {
    double[] whole = Arrays.copyOf(halfBefore, length);
    System.arraycopy(half, 0, whole, half.length, half.length);
    return whole;
  }

  /** Hum from the mains, where there is one. */
  Optional<MainsHum> mains() {
    return quietest.count() == 0
        ? Optional.empty()
        : MainsHum.among(tones(quietest.upTo(MOST_OVER * quietest.least())));
  }

  /**
   * Whether music lies under the voice: most of the windows that are no louder than the noise floor
   * hold several tones at once, and not the same all the time, as a machine's would be.
   *
   * @param floorMeanSquare in the pauses
   */
  boolean music(double floorMeanSquare) {
    List<double[]> quiet = quietest.upTo(FLOOR_OVER * floorMeanSquare);
    List<Double> different = new ArrayList<>();
    int chords = 0;
    int together = 0;
    for (double[] window : quiet) {
      List<Double> notes =
          tones(List.of(window)).stream()
              .filter(t -> !t.mains() && t.prominenceDb() >= CLEAR_TONE_DB)
              .map(Tone::frequencyHz)
              .toList();
      if (notes.size() >= NOTES) {
        chords++;
        together += notes.size();
        notes.stream()
            .filter(n -> different.stream().noneMatch(d -> Math.abs(n / d - 1) < SAME_NOTE))
            .toList()
            .forEach(different::add);
      }
    }
    return chords >= FEWEST_CHORDS
        && 2 * chords >= quiet.size()
        && different.size() * chords > CHANGING * together;
  }

  private List<Tone> tones(List<double[]> windows) {
    Fft fft = new Fft(length);
    double[] power = new double[length / 2 + 1];
    for (double[] window : windows) {
      double[] x = window.clone();
      for (int k = 0; k < length; k++) {
        x[k] *= 0.5 - 0.5 * Math.cos(2 * Math.PI * k / length);
      }
      fft.forward(x);
      fft.addEnergy(x, power);
    }
    for (int k = 0; k < power.length; k++) {
      power[k] /= HANN_SQUARES * length * windows.size();
    }
    return Tones.find(power, rate / length);
  }
}
