package nullroom.io.audio;

import static org.bytedeco.ffmpeg.global.avutil.av_dict_get;

import java.nio.file.Path;
import org.bytedeco.ffmpeg.avutil.AVDictionaryEntry;
import org.bytedeco.ffmpeg.avutil.AVFrame;

/**
 * What FFmpeg's loudness filter {@code ebur128} reads of a file.
 *
 * @param integratedLufs over all of it
 * @param rangeLu loudness range
 * @param truePeak largest amplitude of the first channel
 */
record EburFilter(double integratedLufs, double rangeLu, double truePeak) {
  static EburFilter of(Path file) {
    try (SoundFile sound = SoundFile.open(file)) {
      return of(sound, true);
    }
  }

  /** The same with or without true peaks, which cost most of its time. */
  static EburFilter of(SoundFile sound, boolean peaks) {
    double[] last = {Double.NaN, Double.NaN, 0};
    FfmpegFilter.run(
        sound,
        "ebur128",
        "metadata=1" + (peaks ? ":peak=true" : ""),
        heard -> {
          last[0] = figure(heard, "lavfi.r128.I", last[0]);
          last[1] = figure(heard, "lavfi.r128.LRA", last[1]);
          last[2] = peaks ? Math.max(last[2], figure(heard, "lavfi.r128.true_peaks_ch0", 0)) : 0;
        });
    return new EburFilter(last[0], last[1], last[2]);
  }

  private static double figure(AVFrame frame, String key, double otherwise) {
    AVDictionaryEntry entry = av_dict_get(frame.metadata(), key, null, 0);
    return entry == null ? otherwise : Double.parseDouble(entry.value().getString());
  }
}
