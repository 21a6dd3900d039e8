package nullroom.io.audio;

/** A sound file being written block by block. It takes its name only once it is whole. */
interface SoundSink extends AutoCloseable {
  /** Writes the first {@code count} samples of every channel. */
  void write(double[][] block, int count);

  /** Says that all was written; without it closing leaves no file. */
  void finish();

  @Override
  void close();
}
