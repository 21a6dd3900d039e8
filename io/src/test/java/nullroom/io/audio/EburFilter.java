package nullroom.io.audio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.bytedeco.ffmpeg.global.avfilter.av_buffersink_get_frame;
import static org.bytedeco.ffmpeg.global.avfilter.av_buffersrc_add_frame;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_get_by_name;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_graph_alloc;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_graph_config;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_graph_create_filter;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_graph_free;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_link;
import static org.bytedeco.ffmpeg.global.avutil.AV_SAMPLE_FMT_DBL;
import static org.bytedeco.ffmpeg.global.avutil.av_channel_layout_default;
import static org.bytedeco.ffmpeg.global.avutil.av_dict_get;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_alloc;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_free;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_get_buffer;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_unref;

import java.nio.file.Path;
import org.bytedeco.ffmpeg.avfilter.AVFilterContext;
import org.bytedeco.ffmpeg.avfilter.AVFilterGraph;
import org.bytedeco.ffmpeg.avutil.AVDictionaryEntry;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.javacpp.DoublePointer;

/**
 * What FFmpeg's loudness filter {@code ebur128} reads of a file.
 *
 * @param integratedLufs over all of it
 * @param rangeLu loudness range
 * @param truePeak largest amplitude of the first channel
 */
record EburFilter(double integratedLufs, double rangeLu, double truePeak) {
  private static final int FRAME = 4800;

  static EburFilter of(Path file) {
    try (SoundFile sound = SoundFile.open(file)) {
      return of(sound, true);
    }
  }

  /** The same with or without true peaks, which cost most of its time. */
  static EburFilter of(SoundFile sound, boolean peaks) {
    AVFilterGraph graph = avfilter_graph_alloc();
    int rate = (int) sound.sampleRateHz();
    String layout = sound.channels() == 1 ? "mono" : "stereo";
    AVFilterContext in =
        filter(
            graph,
            "abuffer",
            "sample_rate="
                + rate
                + ":sample_fmt=dbl:time_base=1/"
                + rate
                + ":channel_layout="
                + layout);
    AVFilterContext meter = filter(graph, "ebur128", "metadata=1" + (peaks ? ":peak=true" : ""));
    AVFilterContext out = filter(graph, "abuffersink", "");
    assertThat(avfilter_link(in, 0, meter, 0)).isZero();
    assertThat(avfilter_link(meter, 0, out, 0)).isZero();
    assertThat(avfilter_graph_config(graph, null)).isNotNegative();
    double[][] block = new double[sound.channels()][FRAME];
    double[] woven = new double[sound.channels() * FRAME];
    AVFrame frame = av_frame_alloc();
    AVFrame heard = av_frame_alloc();
    double[] last = {Double.NaN, Double.NaN, 0};
    int read;
    while ((read = sound.read(block)) >= 0) {
      for (int c = 0; c < block.length; c++) {
        for (int i = 0; i < read; i++) {
          woven[i * block.length + c] = block[c][i];
        }
      }
      frame.nb_samples(read);
      frame.format(AV_SAMPLE_FMT_DBL);
      frame.sample_rate(rate);
      av_channel_layout_default(frame.ch_layout(), block.length);
      assertThat(av_frame_get_buffer(frame, 0)).isZero();
      new DoublePointer(frame.data(0)).put(woven, 0, read * block.length);
      assertThat(av_buffersrc_add_frame(in, frame)).isZero();
      drain(out, heard, last, peaks);
    }
    av_buffersrc_add_frame(in, null);
    drain(out, heard, last, peaks);
    av_frame_free(frame);
    av_frame_free(heard);
    avfilter_graph_free(graph);
    return new EburFilter(last[0], last[1], last[2]);
  }

  private static AVFilterContext filter(AVFilterGraph graph, String name, String arguments) {
    AVFilterContext made = new AVFilterContext(null);
    assertThat(
            avfilter_graph_create_filter(
                made, avfilter_get_by_name(name), name, arguments, null, graph))
        .as(name)
        .isNotNegative();
    return made;
  }

  private static void drain(AVFilterContext out, AVFrame heard, double[] last, boolean peaks) {
    while (av_buffersink_get_frame(out, heard) >= 0) {
      last[0] = figure(heard, "lavfi.r128.I", last[0]);
      last[1] = figure(heard, "lavfi.r128.LRA", last[1]);
      last[2] = peaks ? Math.max(last[2], figure(heard, "lavfi.r128.true_peaks_ch0", 0)) : 0;
      av_frame_unref(heard);
    }
  }

  private static double figure(AVFrame frame, String key, double otherwise) {
    AVDictionaryEntry entry = av_dict_get(frame.metadata(), key, null, 0);
    return entry == null ? otherwise : Double.parseDouble(entry.value().getString());
  }
}
