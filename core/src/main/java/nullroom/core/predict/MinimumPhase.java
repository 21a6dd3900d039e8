package nullroom.core.predict;

import java.util.Arrays;
import nullroom.core.acoustics.Octave;
import nullroom.core.signal.Fft;

/**
 * Pulses of minimum phase for levels told per octave, by the folded cepstrum (A. V. Oppenheim, R.
 * W. Schafer, Discrete-Time Signal Processing). Folding is linear in the levels: the logarithm of a
 * pulse's spectrum is the sum of what each octave gives to it, which is computed once.
 */
final class MinimumPhase {
  /** Samples of a pulse: long enough for the slopes between octaves at 48 kHz. */
  private static final int SIZE = 4096;

  private final Fft fft = new Fft(SIZE);

  /** Packed logarithm of the spectrum for a decibel in one octave. */
  private final double[][] ofOctave = new double[Octave.COUNT][];

  MinimumPhase(double sampleRateHz) {
    for (int octave = 0; octave < Octave.COUNT; octave++) {
      double[] log = new double[SIZE];
      for (int k = 1; k < SIZE / 2; k++) {
        log[2 * k] = share(octave, k * sampleRateHz / SIZE);
      }
      log[0] = share(octave, 1);
      log[1] = share(octave, sampleRateHz / 2);
      fft.inverse(log); // now the real cepstrum
      for (int i = 1; i < SIZE / 2; i++) {
        log[i] *= 2;
        log[SIZE - i] = 0;
      }
      fft.forward(log);
      for (int i = 0; i < SIZE; i++) {
        log[i] *= Math.log(10) / 20;
      }
      ofOctave[octave] = log;
    }
  }

  /** Between octaves straight in decibels over the logarithm of frequency; level beyond. */
  private static double share(int octave, double hz) {
    double at = Math.log(hz / Octave.exactHz(0)) / Math.log(2);
    return Math.max(0, 1 - Math.abs(Math.clamp(at, 0, Octave.COUNT - 1.0) - octave));
  }

  /**
   * The pulse whose spectrum has these levels.
   *
   * @param decibels per octave
   * @return its first half, in which it has died away
   */
  double[] pulse(double[] decibels) {
    double[] spectrum = new double[SIZE];
    for (int octave = 0; octave < Octave.COUNT; octave++) {
      double[] part = ofOctave[octave];
      for (int i = 0; i < SIZE; i++) {
        spectrum[i] += decibels[octave] * part[i];
      }
    }
    for (int k = 1; k < SIZE / 2; k++) {
      double size = Math.exp(spectrum[2 * k]);
      double phase = spectrum[2 * k + 1];
      spectrum[2 * k] = size * Math.cos(phase);
      spectrum[2 * k + 1] = size * Math.sin(phase);
    }
    spectrum[0] = Math.exp(spectrum[0]);
    spectrum[1] = Math.exp(spectrum[1]);
    fft.inverse(spectrum);
    return Arrays.copyOf(spectrum, SIZE / 2);
  }
}
