package nullroom.core.signal;

import java.util.Arrays;

/**
 * Energy spectrum of a stream of any length, in memory that does not grow.
 *
 * <p>Blocks of about 1.4 s under a sine window, overlapping by half. The squares of two neighbouring sine windows
 * add up to exactly 1, so with half a block of silence before and after the stream every sample counts once: the sum
 * over all bins is the sum of squares of the samples (Parseval), whatever the sound does in time. Band levels are
 * that spectrum times a band's power response, which no decimation or edge of Nyquist can bend. Each block's mean is
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
  private int silentHead;
  private long count;
  private boolean finished;

  /** A meter for one channel at the given rate. */
  public SpectrumMeter(double sampleRateHz) {
    this.sampleRateHz = sampleRateHz;
    fft = new Fft(Fft.sizeFor((long) (sampleRateHz * BLOCK_SECONDS)));
    int n = fft.size();
    window = new double[n];
    for (int i = 0; i < n; i++) {
      window[i] = Math.sin(Math.PI * (i + 0.5) / n);
    }
    ring = new double[n];
    work = new double[n];
    energy = new double[n / 2 + 1];
    filled = n / 2;
    silentHead = n / 2;
  }

  /** Takes the next samples; {@code block} is not modified. */
  public void add(double[] block, int length) {
    count += length;
    int at = 0;
    while (at < length) {
      int n = Math.min(length - at, ring.length - filled);
      System.arraycopy(block, at, ring, filled, n);
      filled += n;
      at += n;
      if (filled == ring.length) {
        transform(silentHead, ring.length);
        System.arraycopy(ring, ring.length / 2, ring, 0, ring.length / 2);
        filled = ring.length / 2;
        silentHead = 0;
      }
    }
  }

  private void transform(int from, int to) {
    double mean = 0;
    for (int i = from; i < to; i++) {
      mean += ring[i];
    }
    mean /= Math.max(1, to - from);
    for (int i = from; i < to; i++) {
      work[i] = (ring[i] - mean) * window[i];
    }
    Arrays.fill(work, 0, from, 0);
    Arrays.fill(work, to, work.length, 0);
    fft.forward(work);
    fft.addEnergy(work, energy);
  }

  /** Ends the stream; nothing may be added afterwards. */
  public void finish() {
    if (finished) {
      throw new IllegalStateException("already finished");
    }
    finished = true;
    int half = ring.length / 2;
    transform(Math.min(silentHead, filled), filled);
    if (filled > half) { // what reached beyond the first half still owes its second window
      System.arraycopy(ring, half, ring, 0, filled - half);
      transform(0, filled - half);
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
    return count == 0 ? 0 : sum / count;
  }

  /** Width of a bin in hertz. */
  public double binHz() {
    return sampleRateHz / fft.size();
  }

  /** Mean square per bin from 0 Hz up; a copy. */
  public double[] meanSquarePerBin() {
    return Arrays.stream(energy).map(e -> count == 0 ? 0 : e / count).toArray();
  }
}
