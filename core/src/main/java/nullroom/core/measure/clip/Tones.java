package nullroom.core.measure.clip;

import java.util.ArrayList;
import java.util.List;
import nullroom.core.signal.Fft;
import nullroom.core.signal.HannSpectrum;
import nullroom.core.signal.Samples;
import nullroom.core.signal.Sums;

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
    HannSpectrum spectrum =
        new HannSpectrum(Fft.sizeFor(Math.round(BLOCK_SECONDS * rate * 0.75)), rate);
    int low = spectrum.bin(LOW_HZ);
    int high = spectrum.bin(Math.min(HIGH_HZ, rate * 0.45));
    double[] x = sound.part(fromSeconds, toSeconds).toArray();
    List<double[]> fine = new ArrayList<>();
    List<Double> energies = new ArrayList<>();
    for (int at = 0; at + spectrum.size() <= x.length; at += spectrum.size()) {
      double[] power = spectrum.of(x, at);
      energies.add(Sums.of(power, 0, power.length));
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
          double now = fine.get(k)[b];
          double then = fine.get(k + LATER)[b];
          along += now * then;
          all += (now * now + then * then) / 2;
        }
      }
    }
    return pairs < FEWEST || all == 0 ? 0 : along / all;
  }

  /** Logarithms of the lines over those around them. */
  private static double[] fine(double[] power, int low, int high) {
    double[] logs = new double[high - low];
    for (int b = 0; b < logs.length; b++) {
      logs[b] = Math.log(power[low + b] + 1e-20);
    }
    HannSpectrum.level(logs, AROUND);
    return logs;
  }
}
