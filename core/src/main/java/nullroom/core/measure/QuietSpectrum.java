package nullroom.core.measure;

import java.util.ArrayList;
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
  private final double[] line;
  private int filled;
  private double firstHalf = Double.POSITIVE_INFINITY;
  private final PriorityQueue<Window> quietest =
      new PriorityQueue<>(Comparator.comparingDouble(Window::energy).reversed());

  QuietSpectrum(double sampleRateHz) {
    rate = sampleRateHz;
    length = Fft.sizeFor((long) (WINDOW_SECONDS * sampleRateHz));
    line = new double[length];
  }

  void add(double[] block, int count) {
    int taken = 0;
    while (taken < count) {
      int n = Math.min(count - taken, length - filled);
      System.arraycopy(block, taken, line, filled, n);
      taken += n;
      filled += n;
      if (filled == length) {
        offer();
        System.arraycopy(line, length / 2, line, 0, length - length / 2);
        filled = length - length / 2;
      }
    }
  }

  private void offer() {
    double second = Sums.ofSquares(line, length / 2, length - length / 2);
    double energy = (firstHalf + second) / length;
    firstHalf = second; // it moves to the front
    if (energy < LEAST_MEAN_SQUARE || Double.isInfinite(energy)) {
      return;
    }
    if (quietest.size() < KEPT) {
      quietest.add(new Window(energy, line.clone()));
    } else if (energy < quietest.peek().energy()) {
      quietest.poll();
      quietest.add(new Window(energy, line.clone()));
    }
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
