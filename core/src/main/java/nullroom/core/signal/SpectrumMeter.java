package nullroom.core.signal;

import java.util.Arrays;

/**
 * Energy spectrum of a stream of any length, in memory that does not grow.
 *
 * <p>Blocks of about 1.4 s under a sine window, overlapping by half: the squares of two
 * neighbouring windows add up to 1, so every sample counts alike but for the fades at both ends of
 * the stream, which keep its sudden start and end from splashing strong rumble into the treble.
 * What is left at the end gets a shorter window of its own. Band levels are the spectrum times a
 * band's power response, which no decimation or edge of Nyquist can bend. Each block's mean is
 * taken off first, or the leakage of a converter's offset would read as rumble.
 */
public final class SpectrumMeter {
  /** Bin width must resolve the 25 Hz third octave (5.8 Hz wide) several times over. */
  private static final double BLOCK_SECONDS = 0.75;

  /** Order of the band responses: noise bandwidth 1.1 % (0.05 dB) above the ideal band. */
  public static final int BAND_ORDER = 6;

  private final Fft fft;
  private final double sampleRateHz;
  private final double[] window;
  private final double[] ring;
  private final double[] work;
  private final double[] energy;
  private int filled;
  private double weights;
  private boolean finished;

  /** A meter for one channel at the given rate. */
  public SpectrumMeter(double sampleRateHz) {
    this.sampleRateHz = sampleRateHz;
    fft = new Fft(Fft.sizeFor((long) (sampleRateHz * BLOCK_SECONDS)));
    window = window(fft.size());
    ring = new double[fft.size()];
    work = new double[fft.size()];
    energy = new double[fft.size() / 2 + 1];
  }

  private static double[] window(int n) {
    double[] window = new double[n];
    for (int i = 0; i < n; i++) {
      window[i] = Math.sin(Math.PI * (i + 0.5) / n);
    }
    return window;
  }

  /** Takes the next samples; {@code block} is not modified. */
  public void add(double[] block, int length) {
    int at = 0;
    while (at < length) {
      int n = Math.min(length - at, ring.length - filled);
      System.arraycopy(block, at, ring, filled, n);
      filled += n;
      at += n;
      if (filled == ring.length) {
        transform(window);
        System.arraycopy(ring, ring.length / 2, ring, 0, ring.length / 2);
        filled = ring.length / 2;
      }
    }
  }

  /** Adds the energy of the first samples of the ring under a window of their length. */
  private void transform(double[] fade) {
    double mean = Arrays.stream(ring, 0, fade.length).average().orElse(0);
    for (int i = 0; i < fade.length; i++) {
      work[i] = (ring[i] - mean) * fade[i];
    }
    Arrays.fill(work, fade.length, work.length, 0);
    fft.forward(work);
    fft.addEnergy(work, energy);
    weights += fade.length / 2.0; // the sum of sine squared
  }

  /** Ends the stream; nothing may be added afterwards. */
  public void finish() {
    if (finished) {
      throw new IllegalStateException("already finished");
    }
    finished = true;
    if (filled > 0 && (weights == 0 || filled > ring.length / 2)) {
      transform(window(filled));
    }
  }

  /** Mean square of the stream through a weighting, over the whole length. */
  public double meanSquare(Weighting weighting) {
    return weighted(weighting::power);
  }

  /** Mean square of the stream in a band. */
  public double meanSquare(Band band) {
    return weighted(hz -> band.powerResponse(hz, BAND_ORDER));
  }

  private double weighted(java.util.function.DoubleUnaryOperator power) {
    if (!finished) {
      throw new IllegalStateException("finish first");
    }
    double sum = 0;
    for (int k = 1; k < energy.length; k++) {
      sum += energy[k] * power.applyAsDouble(k * sampleRateHz / fft.size());
    }
    return weights == 0 ? 0 : sum / weights;
  }
}
