package nullroom.io.audio;

import static nullroom.io.audio.Ffmpeg.check;
import static org.bytedeco.ffmpeg.global.avutil.AV_SAMPLE_FMT_DBLP;
import static org.bytedeco.ffmpeg.global.avutil.av_channel_layout_default;
import static org.bytedeco.ffmpeg.global.avutil.av_opt_set_double;
import static org.bytedeco.ffmpeg.global.avutil.av_opt_set_int;
import static org.bytedeco.ffmpeg.global.swresample.swr_alloc_set_opts2;
import static org.bytedeco.ffmpeg.global.swresample.swr_convert;
import static org.bytedeco.ffmpeg.global.swresample.swr_free;
import static org.bytedeco.ffmpeg.global.swresample.swr_init;

import java.io.IOException;
import nullroom.core.Trouble;
import org.bytedeco.ffmpeg.avutil.AVChannelLayout;
import org.bytedeco.ffmpeg.swresample.SwrContext;
import org.bytedeco.javacpp.DoublePointer;
import org.bytedeco.javacpp.PointerPointer;

/** Another sampling rate for a stream, through the FFmpeg libraries, in double precision. */
final class RateChange implements AutoCloseable {
  /** Length of the filter; the library's usual 32 lets more of the treble fold back. */
  private static final int FILTER = 128;

  private static final double CUTOFF = 0.97;

  private final SwrContext context = new SwrContext(null);
  private final DoublePointer[] in;
  private final DoublePointer[] out;
  private final int most;

  /**
   * Begins.
   *
   * @param block samples of a channel that come at once at most
   */
  RateChange(int channels, double fromHz, double toHz, int block) {
    most = (int) Math.ceil(block * toHz / fromHz) + FILTER;
    in = pointers(channels, block);
    out = pointers(channels, most);
    try (AVChannelLayout layout = new AVChannelLayout()) {
      av_channel_layout_default(layout, channels);
      check(
          swr_alloc_set_opts2(
              context,
              layout,
              AV_SAMPLE_FMT_DBLP,
              (int) Math.round(toHz),
              layout,
              AV_SAMPLE_FMT_DBLP,
              (int) Math.round(fromHz),
              0,
              null),
          "no memory is left");
      av_opt_set_int(context, "filter_size", FILTER, 0);
      av_opt_set_double(context, "cutoff", CUTOFF, 0);
      check(swr_init(context), "this change of rate cannot be made");
    } catch (IOException e) {
      close();
      throw new Trouble.BadField("rate", String.valueOf(e.getMessage()));
    }
  }

  private static DoublePointer[] pointers(int channels, int length) {
    DoublePointer[] all = new DoublePointer[channels];
    for (int c = 0; c < channels; c++) {
      all[c] = new DoublePointer(length);
    }
    return all;
  }

  /** Room that the result of one call needs. */
  int most() {
    return most;
  }

  /**
   * Takes samples and gives what is ready; of 0 samples, what is left at the end.
   *
   * @param result one row a channel, each {@link #most()} long; overwritten
   * @return how many of each; 0 at the very end
   */
  int change(double[][] block, int count, double[][] result) {
    for (int c = 0; c < in.length; c++) {
      in[c].put(block[c], 0, count);
    }
    int got;
    try (PointerPointer<DoublePointer> from = new PointerPointer<>(in);
        PointerPointer<DoublePointer> to = new PointerPointer<>(out)) {
      got =
          swr_convert(
              context, to, most, count == 0 ? new PointerPointer<DoublePointer>() : from, count);
    }
    if (got < 0) {
      throw new Trouble.BadField("rate", "this change of rate failed; hand it over at its own");
    }
    for (int c = 0; c < out.length; c++) {
      out[c].get(result[c], 0, got);
    }
    return got;
  }

  @Override
  public void close() {
    swr_free(context);
    for (int c = 0; c < in.length; c++) {
      in[c].close();
      out[c].close();
    }
  }
}
