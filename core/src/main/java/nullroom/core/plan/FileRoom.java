package nullroom.core.plan;

/**
 * How long files, cards and batteries last.
 *
 * @param sampleRateHz of a channel
 * @param bits of a sample
 * @param channels of the file
 */
public record FileRoom(double sampleRateHz, int bits, int channels) {
  /** Where files of 32-bit sizes end. */
  public static final double FOUR_GIB = 4.0 * 1024 * 1024 * 1024;

  private static final int BITS_PER_BYTE = 8;
  private static final double SECONDS_PER_MINUTE = 60;

  public FileRoom {
    if (!(sampleRateHz >= 8000 && sampleRateHz <= 400_000)
        || bits < 8
        || bits > 64
        || channels < 1
        || channels > 64) {
      throw new IllegalArgumentException(
          "needs a rate from 8 to 400 kHz, 8 to 64 bits and 1 to 64 channels");
    }
  }

  /** Bytes a second, uncompressed. */
  public double bytesPerSecond() {
    return sampleRateHz * bits / BITS_PER_BYTE * channels;
  }

  /** Minutes until a file holds so many bytes. */
  public double minutes(double bytes) {
    return bytes / bytesPerSecond() / SECONDS_PER_MINUTE;
  }

  /**
   * Minutes until a camera's file holds 4 GiB.
   *
   * @param megabitsPerSecond of picture and sound
   */
  public static double cameraMinutes(double megabitsPerSecond) {
    return FOUR_GIB * BITS_PER_BYTE / (megabitsPerSecond * 1e6) / SECONDS_PER_MINUTE;
  }
}
