package nullroom.core.measure.decay;

import java.util.Arrays;
import java.util.Random;
import nullroom.core.signal.Fft;
import nullroom.core.signal.Sweep;

/** Invented responses and what recorders would make of them. */
public final class MadeRoom {
  static final double RATE = 48_000;

  /** Delays in samples and levels in decibels of four reflections. */
  static final double[][] REFLECTIONS = {{111, -4}, {229, -6}, {379, -8}, {538, -9}};

  private MadeRoom() {}

  /** A direct sound, four reflections and a tail of noise that decays by 60 dB in {@code t}. */
  public static double[] response(double t, long seed) {
    Random random = new Random(seed);
    double[] h = new double[(int) (1.5 * RATE)];
    for (int i = (int) (0.012 * RATE); i < h.length; i++) {
      h[i] = 0.01 * random.nextGaussian() * Math.pow(10, -3 * i / RATE / t);
    }
    h[0] = 1;
    for (double[] r : REFLECTIONS) {
      h[(int) r[0]] += Math.pow(10, r[1] / 20);
    }
    return h;
  }

  /** Noise that decays at once, as an ideal exponential. */
  static double[] decay(double t, long seed) {
    Random random = new Random(seed);
    double[] h = new double[(int) (4 * t * RATE)];
    for (int i = 0; i < h.length; i++) {
      h[i] = random.nextGaussian() * Math.pow(10, -3 * i / RATE / t);
    }
    return h;
  }

  /** What a recorder makes of sound in a room: its decay, at most 0.6, and a little hiss. */
  static double[] inRoom(double[] dry, double t, long seed) {
    double[] x = Arrays.copyOf(Fft.convolve(dry, decay(t, seed)), dry.length);
    double peak = Arrays.stream(x).map(Math::abs).max().orElseThrow();
    Random random = new Random(seed);
    for (int i = 0; i < x.length; i++) {
      x[i] = 0.6 * x[i] / peak + 1e-5 * random.nextGaussian();
    }
    return x;
  }

  /**
   * A sweep played with second-order distortion through a response, heard late by another clock.
   *
   * @param drift by how much the recorder runs slower
   * @param snrDb of the sweep over white noise; infinite for none
   */
  static double[] played(
      Sweep sweep,
      double[] response,
      int repeats,
      double distortion,
      double latency,
      double drift,
      double snrDb) {
    Sweep heard =
        new Sweep(
            sweep.fromHz() * (1 + drift),
            sweep.toHz() * (1 + drift),
            sweep.seconds() / (1 + drift));
    double[] one = heard.samples(RATE);
    double every = (sweep.seconds() + 3) / (1 + drift) * RATE;
    double[] y = new double[(int) ((repeats * every) + latency * RATE)];
    for (int k = 0; k < repeats; k++) {
      double at = (latency / (1 + drift)) * RATE + k * every;
      add(y, shifted(one, at - Math.floor(at)), (int) at);
    }
    for (int i = 0; i < y.length; i++) {
      y[i] += distortion * (2 * y[i] * y[i] - (Math.abs(y[i]) > 0 ? 1 : 0));
    }
    double[] room = Arrays.copyOf(Fft.convolve(y, response), y.length);
    double power = Arrays.stream(room).map(v -> v * v).average().orElse(0);
    double noise = Math.sqrt(power) * Math.pow(10, -snrDb / 20);
    Random random = new Random(11);
    double peak = Arrays.stream(room).map(Math::abs).max().orElse(1);
    for (int i = 0; i < room.length; i++) {
      room[i] = 0.5 * (room[i] + noise * random.nextGaussian()) / peak;
    }
    return room;
  }

  /** Five claps with a thump and three words between, in a room of 0.4 s, 16 s long. */
  static double[] session() {
    Random random = new Random(7);
    double[] dry = new double[(int) (16 * RATE)];
    for (double at : new double[] {0.6, 3.1, 5.6, 10, 13}) {
      add(dry, clap(random), (int) (at * RATE));
    }
    double[] thump = new double[(int) (0.15 * RATE)];
    double[] word = new double[(int) (0.25 * RATE)];
    for (int i = 0; i < thump.length; i++) {
      thump[i] = 0.3 * Math.sin(2 * Math.PI * 65 * i / RATE) * Math.exp(-i / (0.04 * RATE));
    }
    for (int i = 0; i < word.length; i++) {
      word[i] = 0.05 * random.nextGaussian() * Math.pow(Math.sin(Math.PI * i / word.length), 2);
    }
    add(dry, thump, (int) (8 * RATE));
    for (double at : new double[] {8.7, 9, 9.3}) {
      add(dry, word, (int) (at * RATE));
    }
    return inRoom(dry, 0.4, 2);
  }

  static double[] clap(Random random) {
    double[] clap = new double[(int) (0.008 * RATE)];
    double last = 0;
    for (int i = 0; i < clap.length; i++) {
      double now = random.nextGaussian() * Math.exp(-i / (0.0012 * RATE));
      clap[i] = now - 0.8 * last; // little bass
      last = now;
    }
    return clap;
  }

  /** Delayed by part of a sample, by the spectrum. */
  private static double[] shifted(double[] x, double by) {
    Fft fft = new Fft(Fft.sizeFor(x.length + 1000L));
    double[] packed = Arrays.copyOf(x, fft.size());
    fft.forward(packed);
    for (int k = 1; k < fft.size() / 2; k++) {
      double angle = -2 * Math.PI * k * by / fft.size();
      double re = packed[2 * k] * Math.cos(angle) - packed[2 * k + 1] * Math.sin(angle);
      packed[2 * k + 1] = packed[2 * k] * Math.sin(angle) + packed[2 * k + 1] * Math.cos(angle);
      packed[2 * k] = re;
    }
    fft.inverse(packed);
    return Arrays.copyOf(packed, x.length);
  }

  static void add(double[] target, double[] more, int at) {
    for (int i = 0; i < more.length && at + i < target.length; i++) {
      target[at + i] += more[i];
    }
  }
}
