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
import static org.bytedeco.ffmpeg.global.avutil.av_frame_alloc;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_free;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_get_buffer;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_unref;

import java.util.function.Consumer;
import nullroom.core.signal.SampleSource;
import org.bytedeco.ffmpeg.avfilter.AVFilterContext;
import org.bytedeco.ffmpeg.avfilter.AVFilterGraph;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.javacpp.DoublePointer;

/** A sound through one of FFmpeg's filters. */
final class FfmpegFilter {
  private static final int FRAME = 4800;

  private FfmpegFilter() {}

  /**
   * Sends a mono or stereo sound through a filter to its end.
   *
   * @param heard every frame that comes out, its samples interleaved doubles
   */
  static void run(SampleSource sound, String filter, String arguments, Consumer<AVFrame> heard) {
    AVFilterGraph graph = avfilter_graph_alloc();
    int rate = (int) sound.sampleRateHz();
    int channels = sound.channels();
    String form =
        String.format(
            "sample_rate=%d:sample_fmt=dbl:time_base=1/%d:channel_layout=%s",
            rate, rate, channels == 1 ? "mono" : "stereo");
    AVFilterContext in = made(graph, "abuffer", form);
    AVFilterContext one = made(graph, filter, arguments);
    AVFilterContext doubles = made(graph, "aformat", "sample_fmts=dbl");
    AVFilterContext out = made(graph, "abuffersink", "");
    assertThat(avfilter_link(in, 0, one, 0)).isZero();
    assertThat(avfilter_link(one, 0, doubles, 0)).isZero();
    assertThat(avfilter_link(doubles, 0, out, 0)).isZero();
    assertThat(avfilter_graph_config(graph, null)).isNotNegative();
    double[][] block = new double[channels][FRAME];
    double[] woven = new double[channels * FRAME];
    AVFrame frame = av_frame_alloc();
    AVFrame through = av_frame_alloc();
    int read;
    while ((read = sound.read(block)) >= 0) {
      for (int c = 0; c < channels; c++) {
        for (int i = 0; i < read; i++) {
          woven[i * channels + c] = block[c][i];
        }
      }
      frame.nb_samples(read);
      frame.format(AV_SAMPLE_FMT_DBL);
      frame.sample_rate(rate);
      av_channel_layout_default(frame.ch_layout(), channels);
      assertThat(av_frame_get_buffer(frame, 0)).isZero();
      new DoublePointer(frame.data(0)).put(woven, 0, read * channels);
      assertThat(av_buffersrc_add_frame(in, frame)).isZero();
      drain(out, through, heard);
    }
    av_buffersrc_add_frame(in, null);
    drain(out, through, heard);
    av_frame_free(frame);
    av_frame_free(through);
    avfilter_graph_free(graph);
  }

  private static AVFilterContext made(AVFilterGraph graph, String name, String arguments) {
    AVFilterContext made = new AVFilterContext(null);
    assertThat(
            avfilter_graph_create_filter(
                made, avfilter_get_by_name(name), name, arguments, null, graph))
        .as(name)
        .isNotNegative();
    return made;
  }

  private static void drain(AVFilterContext out, AVFrame through, Consumer<AVFrame> heard) {
    while (av_buffersink_get_frame(out, through) >= 0) {
      heard.accept(through);
      av_frame_unref(through);
    }
  }
}
