package nullroom.core.signal;

import java.util.Arrays;

/**
 * Energy spectrum of a stream of any length, in memory that does not grow.
 *
 * <p>Blocks of about 0.7 s whose ends fade over the next block's beginning: the squares of both
 * fades add up to 1, so every sample counts alike but for the fades at both ends of the stream,
 * which keep its sudden start and end from splashing strong rumble into the treble. What is left at
 * the end gets a shorter window of its own. Band levels are the spectrum times a band's power
 * response, which no decimation or edge of Nyquist can bend. Each block's mean is taken off first,
 * or the leakage of a converter's offset would read as rumble.
 */
public final class SpectrumMeter {
  /** Bin width must resolve the 25 Hz third octave (5.8 Hz wide) several times over. */
  private static final double BLOCK_SECONDS = 0.6;

  /** A fade is this part of a block. */
  private static final int FADES = 8;

  /**
   * Order of the band responses: noise bandwidth 0.3 % (0.01 dB) above the ideal band, and skirts
   * that keep a band 20 dB above its neighbour out of it.
   */
  public static final int BAND_ORDER = 12;

  /** A block with this many times the energy of the blocks before it holds something sudden. */
  private static final double BROKEN_IN = 4;

  private static final double BROKEN_IN_FROM_HZ = 100;

  /** What goes on for half of these, ten seconds, is no longer sudden. */
  private static final int RECENT_BLOCKS = 31;

  private final Fft fft;
  private final double sampleRateHz;
  private final double[] window;
  private final double windowWeight;
  private final double[] ring;
  private final double[] work;
  private final double[] energy;
  private final double[] hann;
  private final double[] now;
  private final double hannWeight;
  private final double[] recent = new double[RECENT_BLOCKS];
  private long seen;
  private int blocks;
  private final int fade;
  private int filled;
  private double weights;
  private boolean finished;

  /** A meter for one channel at the given rate. */
  public SpectrumMeter(double sampleRateHz) {
    this.sampleRateHz = sampleRateHz;
    fft = new Fft(Fft.sizeFor((long) (sampleRateHz * BLOCK_SECONDS)));
    fade = fft.size() / FADES;
    window = window(fft.size(), fade);
    windowWeight = weight(window);
    ring = new double[fft.size()];
    work = new double[fft.size()];
    energy = new double[fft.size() / 2 + 1];
    hann = new double[energy.length];
    now = new double[energy.length];
    double sum = 0;
    for (int i = 0; i < window.length; i++) {
      double w = window[i] * (0.5 - 0.5 * Math.cos(2 * Math.PI * i / window.length));
      sum += w * w;
    }
    hannWeight = sum;
  }

  /** Flat between fades whose squares add up to 1 with their mirror image (known from Vorbis). */
  private static double[] window(int n, int fade) {
    double[] window = new double[n];
    Arrays.fill(window, 1);
    for (int i = 0; i < fade; i++) {
      double rise = Math.sin(Math.PI / 2 * (i + 0.5) / fade);
      window[i] = Math.sin(Math.PI / 2 * rise * rise);
      window[n - 1 - i] = window[i];
    }
    return window;
  }

  private static double weight(double[] window) {
    return Arrays.stream(window).map(w -> w * w).sum();
  }

  /** The sum of the first samples; four sums side by side do not wait for each other. */
  private static double sum(double[] x, int count) {
    double a = 0;
    double b = 0;
    double c = 0;
    double d = 0;
    int i = 0;
    for (; i + 4 <= count; i += 4) {
      a += x[i];
      b += x[i + 1];
      c += x[i + 2];
      d += x[i + 3];
    }
    for (; i < count; i++) {
      a += x[i];
    }
    return a + b + (c + d);
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
        transform(window, windowWeight);
        System.arraycopy(ring, ring.length - fade, ring, 0, fade);
        filled = fade;
      }
    }
  }

  /** Adds the energy of the first samples of the ring under a window of their length. */
  private void transform(double[] under, double weight) {
    double mean = sum(ring, under.length) / under.length;
    for (int i = 0; i < under.length; i++) {
      work[i] = (ring[i] - mean) * under[i];
    }
    weights += weight;
    Arrays.fill(work, under.length, work.length, 0);
    fft.forward(work);
    fft.addEnergy(work, energy);
    if (under == window) {
      addHann();
    }
  }

  /**
   * A Hann window in time is this sum of neighbours in frequency; it keeps tones narrow. A block in
   * which something broke in is left out: its noise would hide a hum.
   */
  private void addHann() {
    double scale = 2.0 / fft.size();
    int voice = (int) (BROKEN_IN_FROM_HZ / binHz());
    double loud = 0;
    for (int k = 2; k < hann.length - 2; k++) {
      double re = work[2 * k] / 2 - (work[2 * k - 2] + work[2 * k + 2]) / 4;
      double im = work[2 * k + 1] / 2 - (work[2 * k - 1] + work[2 * k + 3]) / 4;
      now[k] = (re * re + im * im) * scale;
      loud += k < voice ? 0 : now[k];
    }
    recent[(int) (seen++ % recent.length)] = loud;
    if (loud > BROKEN_IN * medianOfRecent()) {
      return;
    }
    blocks++;
    for (int k = 2; k < hann.length - 2; k++) {
      hann[k] += now[k];
    }
  }

  private double medianOfRecent() {
    double[] sorted = Arrays.copyOf(recent, (int) Math.min(seen, recent.length));
    Arrays.sort(sorted);
    return sorted[(sorted.length - 1) / 2];
  }

  /**
   * Mean square per bin under a Hann window, as tones are looked for in it; empty where the stream
   * was shorter than one block. Bin k lies at k times {@link #binHz()}.
   */
  public double[] toneSpectrum() {
    double[] power = blocks == 0 ? new double[0] : hann.clone();
    for (int k = 0; k < power.length; k++) {
      power[k] /= blocks * hannWeight;
    }
    return power;
  }

  /** Distance of two bins. */
  public double binHz() {
    return sampleRateHz / fft.size();
  }

  /** Ends the stream; nothing may be added afterwards. */
  public void finish() {
    if (finished) {
      throw new IllegalStateException("already finished");
    }
    finished = true;
    if (filled > 0 && (weights == 0 || filled > fade)) {
      double[] last = window(filled, Math.min(fade, filled / 2));
      transform(last, weight(last));
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
