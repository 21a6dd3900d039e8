package nullroom.core.signal;

import java.util.Arrays;
import java.util.function.Consumer;
import nullroom.core.Quantile;
import org.jspecify.annotations.Nullable;

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
  private final double[] rise;
  private final double windowWeight;
  private final double[] block;
  private final double[] overlap;
  private final double[] energy;
  private final double[] hann;
  private final double hannWeight;
  private final int step;
  private final @Nullable Consumer<BlockSpectrum> spectra;
  private final double[] recent = new double[RECENT_BLOCKS];
  private long seen;
  private int blocks;
  private final int fade;
  private int filled;
  private double weights;
  private boolean finished;

  /** A meter for one channel at the given rate. */
  public SpectrumMeter(double sampleRateHz) {
    this(sampleRateHz, null);
  }

  /**
   * A meter for one channel that hands on what it computes.
   *
   * @param spectra receives the spectrum of each block; null where nobody wants them
   */
  public SpectrumMeter(double sampleRateHz, @Nullable Consumer<BlockSpectrum> spectra) {
    this.spectra = spectra;
    this.sampleRateHz = sampleRateHz;
    fft = new Fft(Fft.sizeFor((long) (sampleRateHz * BLOCK_SECONDS)));
    fade = fft.size() / FADES;
    rise = rise(fade);
    windowWeight = weight(fft.size(), rise);
    block = new double[fft.size()];
    overlap = new double[fade];
    energy = new double[fft.size() / 2 + 1];
    hann = new double[energy.length];
    double sum = 0;
    for (int i = 0; i < fft.size(); i++) {
      int fromEnd = Math.min(i, fft.size() - 1 - i);
      double w = fromEnd < fade ? rise[fromEnd] : 1;
      w *= 0.5 - 0.5 * Math.cos(2 * Math.PI * i / fft.size());
      sum += w * w;
    }
    hannWeight = sum;
    step = fft.size() / BlockSpectrum.STEPS;
  }

  /** Samples of a block. */
  public int blockSize() {
    return fft.size();
  }

  /** A fade whose squares add up to 1 with those of its mirror image (known from Vorbis). */
  private static double[] rise(int fade) {
    double[] rise = new double[fade];
    for (int i = 0; i < fade; i++) {
      double sine = Math.sin(Math.PI / 2 * (i + 0.5) / fade);
      rise[i] = Math.sin(Math.PI / 2 * sine * sine);
    }
    return rise;
  }

  /** The sum of the squares of a window with two such fades. */
  private static double weight(int length, double[] rise) {
    return length - 2 * rise.length + 2 * Arrays.stream(rise).map(w -> w * w).sum();
  }

  /** Takes the next samples; {@code samples} is not modified. */
  public void add(double[] samples, int length) {
    int at = 0;
    while (at < length) {
      int n = Math.min(length - at, block.length - filled);
      System.arraycopy(samples, at, block, filled, n);
      filled += n;
      at += n;
      if (filled == block.length) {
        System.arraycopy(block, block.length - fade, overlap, 0, fade);
        transform(rise, windowWeight, (block.length - fade) / step);
        addHann();
        System.arraycopy(overlap, 0, block, 0, fade);
        filled = fade;
      }
    }
  }

  /** Adds the energy of what the block holds, under a window of that length; it is used up. */
  private void transform(double[] fades, double weight, int stepsDone) {
    double mean = Sums.of(block, 0, filled) / filled;
    for (int i = 0; i < filled; i++) {
      block[i] -= mean;
    }
    for (int i = 0; i < fades.length; i++) {
      block[i] *= fades[i];
      block[filled - 1 - i] *= fades[i];
    }
    weights += weight;
    Arrays.fill(block, filled, block.length, 0);
    fft.forward(block);
    fft.addEnergy(block, energy);
    if (spectra != null) {
      spectra.accept(new BlockSpectrum(block.clone(), squaresAtSteps(fades), stepsDone));
    }
  }

  private double[] squaresAtSteps(double[] fades) {
    double[] squares = new double[BlockSpectrum.STEPS];
    for (int at = 0, m = 0; at < filled; at += step, m++) {
      int fromEnd = Math.min(at, filled - 1 - at);
      squares[m] = fromEnd < fades.length ? fades[fromEnd] * fades[fromEnd] : 1;
    }
    return squares;
  }

  /**
   * A Hann window in time is this sum of neighbours in frequency; it keeps tones narrow. A block in
   * which something broke in is left out: its noise would hide a hum.
   */
  private void addHann() {
    int voice = (int) (BROKEN_IN_FROM_HZ / binHz());
    double scale = 2.0 / fft.size();
    double loud = 0;
    for (int k = 2; k < hann.length - 2; k++) {
      double re = block[2 * k] / 2 - (block[2 * k - 2] + block[2 * k + 2]) / 4;
      double im = block[2 * k + 1] / 2 - (block[2 * k - 1] + block[2 * k + 3]) / 4;
      double power = (re * re + im * im) * scale;
      block[k - 2] = power; // over bins that are done with
      loud += k < voice ? 0 : power;
    }
    recent[(int) (seen++ % recent.length)] = loud;
    if (loud > BROKEN_IN * medianOfRecent()) {
      return;
    }
    blocks++;
    for (int k = 2; k < hann.length - 2; k++) {
      hann[k] += block[k - 2];
    }
  }

  private double medianOfRecent() {
    return Quantile.of(recent, 0, (int) Math.min(seen, recent.length), 0.5);
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
      double[] fades = rise(Math.min(fade, filled / 2));
      transform(fades, weight(filled, fades), Math.ceilDiv(filled, step));
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
