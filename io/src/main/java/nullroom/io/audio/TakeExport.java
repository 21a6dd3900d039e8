package nullroom.io.audio;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import nullroom.core.Decibels;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.signal.Mixed;
import nullroom.core.signal.SampleSource;

/**
 * A take trimmed, brought to a level and written as a new file; the original is never touched.
 *
 * @param fromSeconds where it begins
 * @param toSeconds where it ends; infinite for the end of the take
 * @param gainDb on all channels; at 0 dB and the same word length every sample stays what it was
 * @param bits 16, 24 or 32 for float
 * @param rateHz sampling rate; empty for the take's own
 * @param mix what each channel gives to the one that is written; empty for all as they are
 */
public record TakeExport(
    double fromSeconds,
    double toSeconds,
    double gainDb,
    int bits,
    OptionalDouble rateHz,
    List<Double> mix) {
  private static final int BLOCK = 1 << 14;
  private static final double MOST_GAIN_DB = 60;

  /** The dither of one file is always the same. */
  private static final long SEED = 16;

  /** At the take's own sampling rate. */
  public TakeExport(double fromSeconds, double toSeconds, double gainDb, int bits) {
    this(fromSeconds, toSeconds, gainDb, bits, OptionalDouble.empty());
  }

  /** With all channels as they are. */
  public TakeExport(
      double fromSeconds, double toSeconds, double gainDb, int bits, OptionalDouble rateHz) {
    this(fromSeconds, toSeconds, gainDb, bits, rateHz, List.of());
  }

  public TakeExport {
    mix = List.copyOf(mix);
    if (!(fromSeconds >= 0 && toSeconds > fromSeconds)) {
      throw new Trouble.BadField("trim", "the end must lie after the beginning");
    }
    if (!(Math.abs(gainDb) <= MOST_GAIN_DB)) {
      throw new Trouble.BadField("gain", "must lie within 60 dB, not " + gainDb);
    }
    if (bits != 16 && bits != 24 && bits != 32) {
      throw new Trouble.BadField("bits", "must be 16, 24 or 32, not " + bits);
    }
  }

  /**
   * Writes it as FLAC where the target's name ends so, else as WAV.
   *
   * @return samples of each channel that would have passed full scale and were cut off; 0 in float
   * @throws Trouble where it cannot be read or written, or target and source are one file
   */
  public long write(Path source, Path target, Progress progress) {
    refuseItself(source, target);
    try (SoundFile file = SoundFile.open(source)) {
      SampleSource sound = mix.isEmpty() ? file : new Mixed(file, mix);
      double rate = sound.sampleRateHz();
      double asked = rateHz.orElse(rate);
      boolean same =
          gainDb == 0
              && asked == rate
              && (bits == 32 || file.bitDepth().isPresent() && file.bitDepth().getAsInt() <= bits)
              && mix.isEmpty();
      try (SoundSink out = sink(target, asked, sound.channels(), new Codes(bits, !same, SEED))) {
        long cut = copy(sound, asked, out, progress);
        out.finish();
        return cut;
      }
    }
  }

  private SoundSink sink(Path target, double rate, int channels, Codes codes) {
    if (!target.toString().toLowerCase(Locale.ROOT).endsWith(".flac")) {
      return new WavStream(target, rate, channels, bits, codes);
    }
    try {
      return new FlacStream(target, rate, channels, bits, codes);
    } catch (LinkageError e) {
      throw new Trouble.BadFile(
          target.toString(),
          "needs an encoder that cannot be loaded on this computer; write WAV instead");
    }
  }

  private long copy(SampleSource sound, double askedHz, SoundSink out, Progress progress) {
    double rate = sound.sampleRateHz();
    if (askedHz == rate) {
      return copy(sound, block -> block, out, progress);
    }
    int channels = sound.channels();
    try (RateChange change = new RateChange(channels, rate, askedHz, BLOCK)) {
      double[][] changed = new double[channels][change.most()];
      Step step =
          block -> new Block(changed, change.change(block.samples(), block.count(), changed));
      long cut = copy(sound, step, out, progress);
      Block none = new Block(new double[channels][0], 0);
      for (Block rest = step.of(none); rest.count() > 0; rest = step.of(none)) {
        cut += write(rest, out);
      }
      return cut;
    }
  }

  /** Samples of each channel, so many of them. */
  @SuppressWarnings("ArrayRecordComponent") // never compared
  private record Block(double[][] samples, int count) {}

  private interface Step {
    Block of(Block block);
  }

  private long copy(SampleSource sound, Step step, SoundSink out, Progress progress) {
    double rate = sound.sampleRateHz();
    long from = Math.round(fromSeconds * rate);
    long to =
        toSeconds * rate < Long.MAX_VALUE / 2.0 ? Math.round(toSeconds * rate) : Long.MAX_VALUE;
    double gain = Decibels.toAmplitude(gainDb);
    double[][] block = new double[sound.channels()][BLOCK];
    long at = 0;
    long cut = 0;
    int read;
    while (at < to && (read = sound.read(block)) >= 0) {
      int first = (int) Math.clamp(from - at, 0, read);
      int last = (int) Math.clamp(to - at, 0, read);
      for (double[] channel : block) {
        for (int i = first; i < last; i++) {
          channel[i - first] = gain * channel[i];
        }
      }
      if (last > first) {
        cut += write(step.of(new Block(block, last - first)), out);
      }
      at += read;
      progress.step(at, -1);
    }
    if (at <= from) {
      throw new Trouble.BadField("trim", "nothing is left of the take");
    }
    return cut;
  }

  /**
   * Writes a block.
   *
   * @return how many samples were cut off by it
   */
  private long write(Block block, SoundSink out) {
    out.write(block.samples(), block.count());
    long cut = 0;
    for (double[] channel : block.samples()) {
      for (int i = 0; i < block.count() && bits != 32; i++) {
        cut += channel[i] < -1 || channel[i] >= 1 ? 1 : 0;
      }
    }
    return cut;
  }

  private static void refuseItself(Path source, Path target) {
    try {
      if (Files.exists(target) && Files.isSameFile(source, target)) {
        throw new Trouble.BadField("target", "is the take itself, which stays as it is");
      }
    } catch (IOException e) {
      throw new Trouble.BadFile(target.toString(), "cannot be looked at: " + e.getMessage());
    }
  }
}
