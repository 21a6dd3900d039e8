package nullroom.core.predict;

import java.util.Arrays;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Decibels;
import nullroom.core.acoustics.Octave;
import nullroom.core.signal.Fft;
import nullroom.core.signal.Sums;

/**
 * A computed response as sound: the direct sound and each mirrored arrival as a short minimum-phase
 * pulse with its gains per octave, the rays' energy as seeded noise.
 */
public final class ResponseSound {
  /** Long enough for the slopes between octaves at 48 kHz. */
  private static final int PULSE = 4096;

  /** Gains alike within this make a pulse of one sample. */
  private static final double ALIKE_DB = 0.01;

  private static final double LEAST_EVEN_SECONDS = 0.01;
  private static final double EVEN_BT = 4;

  /** The rays' energy is smoothed over this share of the time since the direct sound. */
  private static final double SMOOTH = 0.06;

  private ResponseSound() {}

  /**
   * Makes a response audible.
   *
   * @param seconds length
   * @param seed of the noise
   * @return pressure over that of the voice on axis at 1 m; time zero is the emission
   */
  public static double[] of(RoomResponse response, double sampleRateHz, double seconds, long seed) {
    int count = (int) Math.round(seconds * sampleRateHz);
    double[] sound = new double[count];
    if (!response.directBlocked()) {
      pulse(sound, response.directSeconds(), response.directEnergy(), sampleRateHz);
    }
    for (RoomResponse.Arrival arrival : response.arrivals()) {
      pulse(sound, arrival.seconds(), arrival.energy(), sampleRateHz);
    }
    int n = Fft.sizeFor(count);
    for (int octave = 0; octave < Octave.COUNT; octave++) {
      double[] noise = SyntheticRoom.bandNoise(n, octave, sampleRateHz, seed * 31 + octave);
      even(noise, Octave.ALL.get(octave).widthHz(), sampleRateHz);
      double[] energy = smoothed(response.rays()[octave], response.directSeconds());
      double perBin = RoomResponse.BIN_SECONDS * sampleRateHz;
      // noise of unit mean square in one octave stands for white noise that is stronger by this
      double share = 2 * Octave.ALL.get(octave).widthHz() / sampleRateHz;
      for (int i = 0; i < count; i++) {
        int bin = (int) (i / perBin);
        if (bin < energy.length) {
          sound[i] += noise[i] * Math.sqrt(energy[bin] / perBin * share);
        }
      }
    }
    return sound;
  }

  /**
   * Takes the chance out of noise: every stretch a few times as long as the band is wide gets the
   * same energy, so that one response decays as the mean of many would.
   */
  private static void even(double[] noise, double widthHz, double rate) {
    int window = (int) (Math.max(LEAST_EVEN_SECONDS, EVEN_BT / widthHz) * rate);
    double[] gains = new double[noise.length / window + 1];
    for (int k = 0; k < gains.length; k++) {
      int from = Math.min(k * window, noise.length - window);
      double meanSquare = Sums.ofSquares(noise, from, window) / window;
      gains[k] = Math.clamp(1 / Math.sqrt(meanSquare + 1e-12), 0.3, 3.0);
    }
    for (int i = 0; i < noise.length; i++) {
      double at = Math.clamp((double) i / window - 0.5, 0, gains.length - 1.0);
      int below = Math.min((int) at, Math.max(0, gains.length - 2));
      int above = Math.min(below + 1, gains.length - 1);
      noise[i] *= gains[below] + (at - below) * (gains[above] - gains[below]);
    }
  }

  private static double[] smoothed(double[] energy, double directSeconds) {
    double[] sums = new double[energy.length + 1];
    for (int i = 0; i < energy.length; i++) {
      sums[i + 1] = sums[i] + energy[i];
    }
    double[] smooth = new double[energy.length];
    for (int i = 0; i < energy.length; i++) {
      int reach = (int) Math.max(0, SMOOTH * (i - directSeconds / RoomResponse.BIN_SECONDS) / 2);
      int from = Math.max(0, i - reach);
      int to = Math.min(energy.length, i + reach + 1);
      smooth[i] = (sums[to] - sums[from]) / (to - from);
    }
    return smooth;
  }

  private static void pulse(double[] sound, double seconds, Bands energy, double rate) {
    int at = (int) Math.round(seconds * rate);
    if (at >= sound.length) {
      return;
    }
    double[] decibels = energy.map(e -> Decibels.ofEnergy(Math.max(1e-20, e))).toArray();
    double most = Arrays.stream(decibels).max().orElseThrow();
    if (most - Arrays.stream(decibels).min().orElseThrow() < ALIKE_DB) {
      sound[at] += Decibels.toAmplitude(most);
      return;
    }
    double[] shape = minimumPhase(decibels, rate);
    for (int i = 0; i < shape.length / 2 && at + i < sound.length; i++) {
      sound[at + i] += shape[i];
    }
  }

  /**
   * The minimum-phase pulse of a magnitude, by the folded cepstrum (A. V. Oppenheim, R. W. Schafer,
   * Discrete-Time Signal Processing).
   */
  private static double[] minimumPhase(double[] decibels, double rate) {
    Fft fft = new Fft(PULSE);
    double[] log = new double[PULSE];
    for (int k = 1; k < PULSE / 2; k++) {
      log[2 * k] = amplitudeLog(decibels, k * rate / PULSE);
    }
    log[0] = amplitudeLog(decibels, 1);
    log[1] = amplitudeLog(decibels, rate / 2);
    fft.inverse(log); // now the real cepstrum
    for (int i = 1; i < PULSE / 2; i++) {
      log[i] *= 2;
      log[PULSE - i] = 0;
    }
    fft.forward(log);
    double[] spectrum = new double[PULSE];
    for (int k = 1; k < PULSE / 2; k++) {
      double size = Math.exp(log[2 * k]);
      spectrum[2 * k] = size * Math.cos(log[2 * k + 1]);
      spectrum[2 * k + 1] = size * Math.sin(log[2 * k + 1]);
    }
    spectrum[0] = Math.exp(log[0]);
    spectrum[1] = Math.exp(log[1]);
    fft.inverse(spectrum);
    return spectrum;
  }

  /** Between octaves straight in decibels over the logarithm of frequency; level beyond. */
  private static double amplitudeLog(double[] decibels, double hz) {
    double octave = Math.log(hz / Octave.exactHz(0)) / Math.log(2);
    int below = (int) Math.clamp(Math.floor(octave), 0, Octave.COUNT - 2);
    double share = Math.clamp(octave - below, 0.0, 1.0);
    double level = decibels[below] + share * (decibels[below + 1] - decibels[below]);
    return level * Math.log(10) / 20;
  }
}
