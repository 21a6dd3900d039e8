package nullroom.core.measure.altered;

import java.util.Arrays;
import java.util.List;
import java.util.Random;
import nullroom.core.Progress;
import nullroom.core.acoustics.Bands;
import nullroom.core.predict.SyntheticRoom;
import nullroom.core.signal.Fft;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.Samples;

/** Sounds to which nothing was done yet, and ways to do it. */
final class AlteredSounds {
  static final int RATE = 48_000;
  static final Bands VOICE = Bands.of(45, 55, 60, 62, 58, 54, 50, 46);
  static final Bands NOISE = Bands.of(40, 33, 27, 22, 17, 13, 10, 8);

  /** As loud in all octaves. */
  static final Bands FLAT = Bands.of(20, 20, 20, 20, 20, 20, 20, 20);

  private AlteredSounds() {}

  static List<Alteration> found(double[] sound) {
    return AlterationMeter.measure(SampleSource.of(new Samples(sound, RATE)), Progress.NONE)
        .getFirst();
  }

  static List<Alteration.Kind> kinds(double[] sound) {
    return found(sound).stream().map(Alteration::kind).toList();
  }

  /**
   * Lines of a voice with pauses of a second and more, in a room that rings a little, over noise.
   */
  static double[] talk(double snrDb, double ringSeconds, long seed) {
    return talk(NOISE, snrDb, ringSeconds, seed);
  }

  /** The same over noise of another colour. */
  static double[] talk(Bands colour, double snrDb, double ringSeconds, long seed) {
    int n = 18 * RATE;
    double[] voice = SyntheticRoom.voice(VOICE, RATE, n, seed);
    for (int line = 0; line < 5; line++) { // silent from the third second of each line on
      int from = (int) ((line * 3.6 + 2.2) * RATE);
      Arrays.fill(voice, Math.min(n, from), Math.min(n, from + (int) (1.4 * RATE)), 0);
    }
    double[] wet = Fft.convolve(voice, reply(ringSeconds, 60, new Random(seed + 5)));
    double[] noise = SyntheticRoom.noise(colour, RATE, n, seed + 9);
    double loud = rms(wet, n);
    double quiet = rms(noise, n);
    double[] out = new double[n];
    for (int k = 0; k < n; k++) {
      out[k] = 0.05 * (wet[k] / loud + noise[k] / quiet * Math.pow(10, -snrDb / 20));
    }
    return out;
  }

  /** Of a room that rings so long, down to so many decibels. */
  static double[] reply(double ringSeconds, double downDb, Random random) {
    double[] reply = new double[(int) (ringSeconds * downDb / 60 * RATE)];
    reply[0] = 1;
    for (int k = 1; k < reply.length; k++) {
      reply[k] = 0.02 * random.nextGaussian() * Math.pow(10, -3.0 * k / RATE / ringSeconds);
    }
    return reply;
  }

  static double rms(double[] x, int n) {
    double sum = 0;
    for (int k = 0; k < n; k++) {
      sum += x[k] * x[k];
    }
    return Math.sqrt(sum / n);
  }

  static double[] claps(double noise, double seconds) {
    double[] x = new double[12 * RATE];
    Random random = new Random(4);
    for (int k = 0; k < x.length; k++) {
      int since = k % (2 * RATE) - RATE / 2;
      double decay = since < 0 ? 0 : Math.pow(10, -3.0 * since / RATE / seconds);
      x[k] = (0.4 * decay + noise) * random.nextGaussian() * 0.5;
    }
    return x;
  }

  interface Gain {
    double of(double power, int bin, int frame);
  }

  /** Spectra of half-overlapping blocks, changed bin by bin. */
  static double[] spectral(double[] x, Gain gain) {
    int size = 2048;
    Fft fft = new Fft(size);
    double[] out = new double[x.length];
    for (int from = 0, frame = 0; from + size <= x.length; from += size / 2, frame++) {
      double[] block = new double[size];
      for (int k = 0; k < size; k++) {
        block[k] = x[from + k] * Math.sin(Math.PI * (k + 0.5) / size);
      }
      fft.forward(block);
      for (int bin = 1; bin < size / 2; bin++) {
        double re = block[2 * bin];
        double im = block[2 * bin + 1];
        double g = gain.of(re * re + im * im, bin, frame);
        block[2 * bin] *= g;
        block[2 * bin + 1] *= g;
      }
      fft.inverse(block);
      for (int k = 0; k < size; k++) {
        out[from + k] += block[k] * Math.sin(Math.PI * (k + 0.5) / size);
      }
    }
    return out;
  }

  /**
   * Wiener's gain with the ratio decided from frame to frame (Y. Ephraim and D. Malah, IEEE Trans.
   * Acoust., Speech, Signal Process. 32 (1984) 1109), and a floor that keeps the pauses plain. The
   * noise is learned from some samples to others.
   */
  static double[] denoised(double[] x, int from, int to, double floorDb) {
    double[] noise = new double[1025];
    int[] frames = {0};
    double[] pause = Arrays.copyOfRange(x, from, to);
    spectral(
        pause,
        (power, bin, frame) -> {
          noise[bin] += power;
          frames[0] = frame + 1;
          return 1;
        });
    double[] before = new double[1025];
    double least = Math.pow(10, floorDb / 20);
    return spectral(
        x,
        (power, bin, frame) -> {
          double ratio = power / (1.3 * noise[bin] / frames[0]);
          double prior = 0.98 * before[bin] + 0.02 * Math.max(0, ratio - 1);
          double gain = Math.max(least, prior / (1 + prior));
          before[bin] = gain * gain * ratio;
          return gain;
        });
  }

  /** Automatic gain over a sound, as fast as it recovers. */
  static double[] compressed(double[] x, double seconds, double ratio) {
    double[] y = x.clone();
    double follow = 0;
    for (int k = 0; k < y.length; k++) {
      follow = Math.max(Math.abs(x[k]), follow * Math.exp(-1 / (seconds * RATE)));
      double over = Math.max(0, 20 * Math.log10(follow / 0.01));
      y[k] *= Math.pow(10, -over * (1 - 1 / ratio) / 20);
    }
    return y;
  }

  /** Shuts by so much, over so long, where the level falls under a threshold. */
  static double[] gated(double[] x, double rangeDb, double seconds, double threshold) {
    double[] y = x.clone();
    double shut = Math.pow(10, -rangeDb / 20);
    double step = Math.pow(shut, 1 / (seconds * RATE));
    double follow = 0;
    double gain = 1;
    for (int k = 0; k < y.length; k++) {
      follow = Math.max(Math.abs(x[k]), follow * 0.9998);
      gain = follow > threshold ? 1 : Math.max(shut, gain * step);
      y[k] *= gain;
    }
    return y;
  }

  /** Written in so many bits, with a noise of two steps that smooths them, or without. */
  static double[] written(double[] x, int bits, boolean smooth) {
    double steps = Math.scalb(1.0, bits - 1);
    Random random = new Random(bits);
    return Arrays.stream(x)
        .map(v ->
            v * steps + (smooth ? random.nextDouble(-0.5, 0.5) + random.nextDouble(-0.5, 0.5) : 0))
        .map(v -> Math.rint(v) / steps)
        .toArray();
  }
}
