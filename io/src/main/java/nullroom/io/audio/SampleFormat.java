package nullroom.io.audio;

import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteOrder;

/**
 * How samples are stored.
 *
 * @param sampleRateHz samples a second
 * @param channels interleaved channels
 * @param containerBits bits of a stored sample, 8 to 64
 * @param validBits bits that carry sound
 * @param kind of number
 */
record SampleFormat(
    double sampleRateHz, int channels, int containerBits, int validBits, Kind kind) {
  private static final VarHandle SHORTS =
      MethodHandles.byteArrayViewVarHandle(short[].class, ByteOrder.LITTLE_ENDIAN);

  enum Kind {
    UNSIGNED,
    SIGNED_LITTLE,
    SIGNED_BIG,
    FLOAT_LITTLE,
    FLOAT_BIG
  }

  int sampleBytes() {
    return containerBits / 8;
  }

  int frameBytes() {
    return sampleBytes() * channels;
  }

  private boolean isFloat() {
    return kind == Kind.FLOAT_LITTLE || kind == Kind.FLOAT_BIG;
  }

  double largestAmplitude() {
    return isFloat() ? 1 : 1 - Math.pow(2, 1 - validBits);
  }

  /** Decodes interleaved frames into one row per channel. */
  void decode(byte[] bytes, int frames, double[][] block) {
    if (kind == Kind.SIGNED_LITTLE
        && containerBits == 16) { // the usual long file, without a call for each sample
      decode16(bytes, frames, block);
      return;
    }
    int at = 0;
    int size = sampleBytes();
    double scale = Math.pow(2, 1 - containerBits);
    for (int i = 0; i < frames; i++) {
      for (int c = 0; c < channels; c++, at += size) {
        block[c][i] =
            switch (kind) {
              case UNSIGNED -> ((bytes[at] & 0xff) - 128) / 128.0;
              case SIGNED_LITTLE -> signed(bytes, at + size - 1, -1, size) * scale;
              case SIGNED_BIG -> signed(bytes, at, 1, size) * scale;
              case FLOAT_LITTLE -> floating(bytes, at + size - 1, -1, size);
              case FLOAT_BIG -> floating(bytes, at, 1, size);
            };
      }
    }
  }

  private void decode16(byte[] bytes, int frames, double[][] block) {
    for (int c = 0; c < channels; c++) {
      double[] row = block[c];
      int at = 2 * c;
      for (int i = 0; i < frames; i++, at += 2 * channels) {
        row[i] = (short) SHORTS.get(bytes, at) * 0x1p-15;
      }
    }
  }

  /** A two's complement number, read from its most significant byte on. */
  private static long signed(byte[] bytes, int first, int step, int size) {
    long number = bytes[first];
    for (int k = 1; k < size; k++) {
      number = number << 8 | (bytes[first + k * step] & 0xff);
    }
    return number;
  }

  private static double floating(byte[] bytes, int first, int step, int size) {
    long bits = signed(bytes, first, step, size);
    return size == 4 ? Float.intBitsToFloat((int) bits) : Double.longBitsToDouble(bits);
  }
}
