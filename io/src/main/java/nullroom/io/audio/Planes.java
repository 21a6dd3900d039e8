package nullroom.io.audio;

import static org.bytedeco.ffmpeg.global.avutil.*;
import static org.bytedeco.ffmpeg.global.swresample.*;

import java.io.IOException;
import org.bytedeco.ffmpeg.avutil.AVChannelLayout;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.swresample.SwrContext;
import org.bytedeco.javacpp.FloatPointer;
import org.bytedeco.javacpp.Pointer;
import org.bytedeco.javacpp.PointerPointer;
import org.jspecify.annotations.Nullable;

/** One decoded frame as float samples per channel, in native memory; the rate never changes. */
final class Planes implements AutoCloseable {
  /** No codec has longer frames; more is damage. */
  private static final int MOST_FRAMES = 1 << 22;

  private static final int LEAST_CAPACITY = 4096;

  private @Nullable SwrContext converter;
  private final AVChannelLayout layout =
      new AVChannelLayout(Pointer.calloc(1, Pointer.sizeof(AVChannelLayout.class)));
  private int sampleFormat = -1;
  private FloatPointer[] planes = new FloatPointer[0];
  private @Nullable PointerPointer<FloatPointer> all;
  private int capacity;
  private int rate;
  private int ready;
  private int taken;
  private float[] copy = new float[LEAST_CAPACITY];

  double sampleRateHz() {
    return rate;
  }

  int channels() {
    return planes.length;
  }

  /** Samples not handed out yet. */
  int left() {
    return ready - taken;
  }

  /** Whether a frame is of the rate and channels of those before it. */
  boolean fits(AVFrame frame) {
    return rate == 0
        || frame.nb_samples() <= 0
        || (frame.sample_rate() == rate && frame.ch_layout().nb_channels() == planes.length);
  }

  /** Takes over a decoded frame that fits; false where it is empty. */
  boolean fill(AVFrame frame) throws IOException {
    int count = frame.nb_samples();
    int channels = frame.ch_layout().nb_channels();
    if (count <= 0) {
      return false;
    }
    if (count > MOST_FRAMES || channels < 1 || frame.sample_rate() < 1) {
      throw new IOException("holds a frame that is no sound");
    }
    rate = frame.sample_rate();
    if (converter == null
        || frame.format() != sampleFormat
        || av_channel_layout_compare(frame.ch_layout(), layout) != 0) {
      prepare(frame);
    }
    makeRoom(channels, count);
    ready = swr_convert(converter, all, count, frame.extended_data(), count);
    taken = 0;
    if (ready < 0) {
      throw new IOException("holds a frame that cannot be converted");
    }
    return ready > 0;
  }

  private void prepare(AVFrame frame) throws IOException {
    av_channel_layout_copy(layout, frame.ch_layout());
    sampleFormat = frame.format();
    if (converter != null) {
      swr_free(converter);
    }
    SwrContext fresh = new SwrContext(null);
    int made =
        swr_alloc_set_opts2(
            fresh, layout, AV_SAMPLE_FMT_FLTP, rate, layout, sampleFormat, rate, 0, null);
    converter = fresh;
    if (made < 0 || swr_init(fresh) < 0) {
      throw new IOException("has samples that cannot be converted");
    }
  }

  private void makeRoom(int channels, int count) {
    if (all != null && count <= capacity) {
      return;
    }
    free();
    capacity = Math.max(count, LEAST_CAPACITY);
    planes = new FloatPointer[channels];
    all = new PointerPointer<>(channels);
    for (int c = 0; c < channels; c++) {
      planes[c] = new FloatPointer(capacity);
      all.put(c, planes[c]);
    }
    copy = new float[capacity];
  }

  /**
   * Hands out samples.
   *
   * @param block rows; overwritten from {@code at} on
   * @return how many per channel, {@code most} or what is left
   */
  int take(double[][] block, int at, int most) {
    int count = Math.min(most, left());
    for (int c = 0; c < planes.length; c++) {
      planes[c].position(taken).get(copy, 0, count);
      for (int i = 0; i < count; i++) {
        block[c][at + i] = copy[i];
      }
    }
    taken += count;
    return count;
  }

  /** Leaves samples out; how many, {@code most} or what is left. */
  int skip(int most) {
    int count = Math.min(most, left());
    taken += count;
    return count;
  }

  private void free() {
    for (FloatPointer plane : planes) {
      plane.position(0).close();
    }
    if (all != null) {
      all.close();
    }
  }

  @Override
  public void close() {
    free();
    if (converter != null) {
      swr_free(converter);
    }
    av_channel_layout_uninit(layout);
    Pointer.free(layout);
  }
}
