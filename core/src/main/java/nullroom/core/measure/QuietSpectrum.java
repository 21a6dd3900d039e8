package nullroom.core.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.PriorityQueue;
import nullroom.core.signal.Fft;
import nullroom.core.signal.Sums;

/**
 * The spectrum of what is left in the quietest moments of a take, in which hum is looked for: the
 * voice covers it elsewhere.
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

  private record Window(double energy, double[] samples) {}

  private final int length;
  private final double rate;
  private double[] half;
  private double[] halfBefore;
  private int filled;
  private double halfEnergy;
  private double energyBefore = Double.POSITIVE_INFINITY;
  private final PriorityQueue<Window> quietest =
      new PriorityQueue<>(Comparator.comparingDouble(Window::energy).reversed());

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
    if (quietest.size() < KEPT) {
      quietest.add(new Window(energy, whole()));
    } else if (energy < quietest.peek().energy()) {
      quietest.poll();
      quietest.add(new Window(energy, whole()));
    }
  }

  private double[] whole() {
    double[] whole = Arrays.copyOf(halfBefore, length);
    System.arraycopy(half, 0, whole, half.length, half.length);
    return whole;
  }

  /** Hum from the mains, where there is one. */
  Optional<MainsHum> mains() {
    if (quietest.isEmpty()) {
      return Optional.empty();
    }
    double least = quietest.stream().mapToDouble(Window::energy).min().orElseThrow();
    List<Window> quiet = new ArrayList<>(quietest);
    quiet.removeIf(w -> w.energy() > MOST_OVER * least);
    Fft fft = new Fft(length);
    double[] power = new double[length / 2 + 1];
    for (Window window : quiet) {
      double[] x = window.samples().clone();
      for (int k = 0; k < length; k++) {
        x[k] *= 0.5 - 0.5 * Math.cos(2 * Math.PI * k / length);
      }
      fft.forward(x);
      fft.addEnergy(x, power);
    }
    for (int k = 0; k < power.length; k++) {
      power[k] /= HANN_SQUARES * length * quiet.size();
    }
    return MainsHum.among(Tones.find(power, rate / length));
  }
}
