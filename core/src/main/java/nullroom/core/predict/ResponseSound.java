package nullroom.core.predict;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import nullroom.core.Decibels;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.signal.Fft;
import nullroom.core.signal.Sums;

/**
 * A computed response as sound: the direct sound and each mirrored arrival as a short minimum-phase
 * pulse with its gains per octave, the rays' energy as seeded noise.
 */
public final class ResponseSound {
  /** Gains alike within this make a pulse of one sample. */
  private static final double ALIKE_DB = 0.01;

  /** So many pulses are made before they are added, in order. */
  private static final int AT_ONCE = 256;

  private static final double LEAST_EVEN_SECONDS = 0.01;
  private static final double EVEN_BT = 4;

  /** The rays' energy is smoothed over this share of the time since the direct sound. */
  private static final double SMOOTH = 0.06;

  private record Pulse(double seconds, Bands energy) {}

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
    List<Pulse> pulses = new ArrayList<>();
    if (!response.directBlocked()) {
      pulses.add(new Pulse(response.directSeconds(), response.directEnergy()));
    }
    response.arrivals().forEach(a -> pulses.add(new Pulse(a.seconds(), a.energy())));
    pulses.removeIf(p -> Math.round(p.seconds() * sampleRateHz) >= count);
    MinimumPhase shapes = new MinimumPhase(sampleRateHz);
    for (int from = 0; from < pulses.size(); from += AT_ONCE) {
      List<Pulse> some = pulses.subList(from, Math.min(pulses.size(), from + AT_ONCE));
      List<double[]> made = some.parallelStream().map(p -> pulse(p.energy(), shapes)).toList();
      for (int k = 0; k < some.size(); k++) {
        int at = (int) Math.round(some.get(k).seconds() * sampleRateHz);
        for (int i = 0; i < made.get(k).length && at + i < count; i++) {
          sound[at + i] += made.get(k)[i];
        }
      }
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

  private static double[] pulse(Bands energy, MinimumPhase shapes) {
    double[] decibels = energy.map(e -> Decibels.ofEnergy(Math.max(1e-20, e))).toArray();
    double most = Arrays.stream(decibels).max().orElseThrow();
    return most - Arrays.stream(decibels).min().orElseThrow() < ALIKE_DB
        ? new double[] {Decibels.toAmplitude(most)}
        : shapes.pulse(decibels);
  }
}
