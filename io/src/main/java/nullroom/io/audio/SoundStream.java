package nullroom.io.audio;

import java.io.IOException;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import nullroom.core.measure.take.WrittenAs;

/** Decoded sound of one file, as its format gives it; {@link SoundFile} checks what comes out. */
interface SoundStream extends AutoCloseable {
  double sampleRateHz();

  int channels();

  /** Largest amplitude the format holds; 1 for float and for what was never a number of bits. */
  double largestAmplitude();

  /** Bits of a sample, where the format keeps samples exactly. */
  OptionalInt bitDepth();

  /** How long it says that it is, without being read; empty where it says nothing. */
  OptionalDouble seconds();

  /** What was written beside the sound. */
  WrittenAs writtenAs();

  /**
   * Fills the rows as far as the sound goes.
   *
   * @return samples per channel, 0 at the end
   */
  int read(double[][] block) throws IOException;

  /** Sentences on damage; complete once the end was reached. */
  List<String> warnings();

  @Override
  void close() throws IOException;
}
