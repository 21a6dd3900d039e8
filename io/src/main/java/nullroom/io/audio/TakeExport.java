package nullroom.io.audio;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Decibels;

/**
 * A take trimmed, brought to a level and written as a new file; the original is never touched.
 *
 * @param fromSeconds where it begins
 * @param toSeconds where it ends; infinite for the end of the take
 * @param gainDb on all channels; at 0 dB and the same word length every sample stays what it was
 * @param bits 16, 24 or 32 for float
 */
public record TakeExport(double fromSeconds, double toSeconds, double gainDb, int bits) {
  private static final int BLOCK = 1 << 14;
  private static final double MOST_GAIN_DB = 60;

  /** The dither of one file is always the same. */
  private static final long SEED = 16;

  public TakeExport {
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
    double gain = Decibels.toAmplitude(gainDb);
    try (SoundFile sound = SoundFile.open(source)) {
      boolean same =
          gainDb == 0
              && (bits == 32
                  || sound.bitDepth().isPresent() && sound.bitDepth().getAsInt() <= bits);
      double rate = sound.sampleRateHz();
      long from = Math.round(fromSeconds * rate);
      long to =
          toSeconds * rate < Long.MAX_VALUE / 2.0 ? Math.round(toSeconds * rate) : Long.MAX_VALUE;
      try (SoundSink out = sink(target, rate, sound.channels(), new Codes(bits, !same, SEED))) {
        long cut = copy(sound, out, gain, from, to, progress);
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

  private long copy(
      SoundFile sound, SoundSink out, double gain, long from, long to, Progress progress) {
    double[][] block = new double[sound.channels()][BLOCK];
    long at = 0;
    long cut = 0;
    long written = 0;
    int read;
    while (at < to && (read = sound.read(block)) >= 0) {
      int first = (int) Math.clamp(from - at, 0, read);
      int last = (int) Math.clamp(to - at, 0, read);
      for (double[] channel : block) {
        for (int i = first; i < last; i++) {
          double x = gain * channel[i];
          cut += bits != 32 && (x < -1 || x >= 1) && gain != 1 ? 1 : 0;
          channel[i - first] = x;
        }
      }
      out.write(block, last - first);
      written += last - first;
      at += read;
      progress.step(at, -1);
    }
    if (written == 0) {
      throw new Trouble.BadField("trim", "nothing is left of the take");
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
