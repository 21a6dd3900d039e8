package nullroom.io.audio;

import static org.bytedeco.ffmpeg.global.avutil.AV_LOG_QUIET;
import static org.bytedeco.ffmpeg.global.avutil.av_log_set_level;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import org.bytedeco.javacpp.BytePointer;

/** The FFmpeg libraries, whose native code is loaded with the first call. */
final class Ffmpeg {
  private static final String CACHE = "org.bytedeco.javacpp.cachedir";

  static {
    if (System.getProperty(CACHE) == null) {
      System.setProperty(
          CACHE, Path.of(System.getProperty("user.home", "."), ".cache", "nullroom").toString());
    }
    av_log_set_level(AV_LOG_QUIET);
  }

  private Ffmpeg() {}

  /**
   * What it calls a local file.
   *
   * @return to be closed
   */
  static BytePointer name(Path file) {
    // the prefix keeps a name such as "a:b" from being taken for a protocol
    return new BytePointer("file:" + file.toAbsolutePath(), StandardCharsets.UTF_8);
  }

  /**
   * Holds a result against zero.
   *
   * @throws IOException saying what, where it is under it
   */
  static void check(int result, String what) throws IOException {
    if (result < 0) {
      throw new IOException(what);
    }
  }
}
