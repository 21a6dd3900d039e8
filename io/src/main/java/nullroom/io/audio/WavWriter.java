package nullroom.io.audio;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import nullroom.core.Trouble;
import nullroom.core.signal.Samples;
import nullroom.io.SafeFile;

/** Writes mono WAV files: 32-bit float for responses, integers for recordings. */
public final class WavWriter {
  private static final double LARGEST_OF_16_BITS = 1 - 0x1p-15;

  private WavWriter() {}

  /** 32-bit float; amplitudes beyond full scale are kept. */
  public static void writeFloat(Path file, Samples sound) {
    write(file, sound, 3, 4);
  }

  /** 24-bit integer; amplitudes beyond full scale are clipped, as a converter clips them. */
  public static void write24(Path file, Samples sound) {
    write(file, sound, 1, 3);
  }

  /**
   * What was recorded, in words as long as the input's, 16 bits or 24, so that its largest code
   * stays the largest.
   */
  public static void writeRecording(Path file, Samples sound) {
    write(file, sound, 1, sound.largestAmplitude() == LARGEST_OF_16_BITS ? 2 : 3);
  }

  private static void write(Path file, Samples sound, int tag, int sampleBytes) {
    double[] x = sound.toArray();
    int data = Math.multiplyExact(x.length, sampleBytes);
    ByteBuffer out = ByteBuffer.allocate(44 + data + (data & 1)).order(ByteOrder.LITTLE_ENDIAN);
    int rate = (int) Math.round(sound.sampleRateHz());
    out.put("RIFF".getBytes(StandardCharsets.US_ASCII)).putInt(36 + data + (data & 1));
    out.put("WAVEfmt ".getBytes(StandardCharsets.US_ASCII)).putInt(16);
    out.putShort((short) tag).putShort((short) 1).putInt(rate).putInt(rate * sampleBytes);
    out.putShort((short) sampleBytes).putShort((short) (8 * sampleBytes));
    out.put("data".getBytes(StandardCharsets.US_ASCII)).putInt(data);
    for (double v : x) {
      if (tag == 3) {
        out.putFloat((float) v);
      } else {
        double full = 1L << (8 * sampleBytes - 1);
        int code = (int) Math.clamp(Math.rint(v * full), -full, full - 1);
        for (int k = 0; k < sampleBytes; k++) {
          out.put((byte) (code >> 8 * k));
        }
      }
    }
    try {
      SafeFile.write(file, out.array());
    } catch (IOException e) {
      throw new Trouble.BadFile(file.toString(), "cannot be written: " + e.getMessage());
    }
  }
}
