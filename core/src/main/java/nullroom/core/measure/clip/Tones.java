package nullroom.core.measure.clip;

import java.util.ArrayList;
import java.util.List;
import nullroom.core.signal.Fft;
import nullroom.core.signal.Samples;

/**
 * How long a sound stands on its tones: instruments and singing hold them, speech glides from one
 * to the next within a syllable.
 */
final class Tones {
  private static final double BLOCK_SECONDS = 0.043;
  private static final double LOW_HZ = 200;
  private static final double HIGH_HZ = 4000;

  /** So many blocks later, 0.13 s, speech is elsewhere. */
  private static final int LATER = 3;

  private static final double LOUD = 0.01;
  private static final int AROUND = 12;
  private static final int FEWEST = 8;

  private Tones() {}

  /** Correlation of the fine structure of loud spectra with that of 0.13 s later, 0 to 1. */
  static double held(Samples sound, double fromSeconds, double toSeconds) {
    double rate = sound.sampleRateHz();
    int size = Fft.sizeFor(Math.round(BLOCK_SECONDS * rate * 0.75));
    Fft fft = new Fft(size);
    int low = (int) (LOW_HZ * size / rate);
    int high = (int) (Math.min(HIGH_HZ, rate * 0.45) * size / rate);
    double[] block = new double[size];
    List<double[]> fine = new ArrayList<>();
    List<Double> energies = new ArrayList<>();
    int end = Math.min(sound.count(), (int) (toSeconds * rate));
    for (int at = (int) (fromSeconds * rate); at + size <= end; at += size) {
      sound.copyTo(at, block, size);
      double energy = 0;
      for (int k = 0; k < size; k++) {
        energy += block[k] * block[k];
        block[k] *= 0.5 - 0.5 * Math.cos(2 * Math.PI * k / size);
      }
      double[] power = new double[size / 2 + 1];
      fft.forward(block);
      fft.addEnergy(block, power);
      energies.add(energy);
      fine.add(fine(power, low, high));
    }
    double loudest = energies.stream().mapToDouble(e -> e).max().orElse(0);
    double along = 0;
    double all = 0;
    int pairs = 0;
    for (int k = 0; k + LATER < fine.size(); k++) {
      if (energies.get(k) > LOUD * loudest && energies.get(k + LATER) > LOUD * loudest) {
        pairs++;
        for (int b = 0; b < high - low; b++) {
          double x = fine.get(k)[b];
          double y = fine.get(k + LATER)[b];
          along += x * y;
          all += (x * x + y * y) / 2;
        }
      }
    }
    return pairs < FEWEST || all == 0 ? 0 : along / all;
  }

  /** Logarithms of the lines over those around them. */
  private static double[] fine(double[] power, int low, int high) {
    double[] sums = new double[high - low + 1];
    double[] logs = new double[high - low];
    for (int b = 0; b < logs.length; b++) {
      logs[b] = Math.log(power[low + b] + 1e-20);
      sums[b + 1] = sums[b] + logs[b];
    }
    double[] out = new double[logs.length];
    for (int b = 0; b < out.length; b++) {
      int from = Math.max(0, b - AROUND);
      int to = Math.min(out.length, b + AROUND + 1);
      out[b] = logs[b] - (sums[to] - sums[from]) / (to - from);
    }
    return out;
  }
}
