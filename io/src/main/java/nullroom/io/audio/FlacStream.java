package nullroom.io.audio;

import static nullroom.io.audio.Ffmpeg.check;
import static org.bytedeco.ffmpeg.global.avcodec.*;
import static org.bytedeco.ffmpeg.global.avformat.*;
import static org.bytedeco.ffmpeg.global.avutil.*;

import java.io.IOException;
import java.nio.file.Path;
import nullroom.core.Trouble;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVIOContext;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.javacpp.BytePointer;
import org.bytedeco.javacpp.IntPointer;
import org.bytedeco.javacpp.ShortPointer;

/** Writes a FLAC file of 16 or 24 bits through the encoder of the FFmpeg libraries. */
final class FlacStream implements SoundSink {
  private static final int SHORT_BITS = 16;
  private static final int LONG_BITS = 24;

  /** More the format does not hold. */
  private static final int MOST_CHANNELS = 8;

  private final NewFile file;
  private final Codes codes;
  private final int channels;
  private final int bits;
  private final AVFormatContext container = new AVFormatContext(null);
  private final AVCodecContext encoder;
  private final AVStream stream;
  private final AVFrame frame = av_frame_alloc();
  private final AVPacket packet = av_packet_alloc();
  private final int frameSize;
  private final int[] woven;
  private final short[] wovenShort;
  private int filled;
  private long written;
  private boolean whole;

  /**
   * Begins a file.
   *
   * @param bits 16 or 24
   * @param codes of that word length
   */
  FlacStream(Path target, double sampleRateHz, int channels, int bits, Codes codes) {
    if (bits != SHORT_BITS && bits != LONG_BITS) {
      throw new Trouble.BadField("bits", "FLAC holds 16 or 24 bits; for float write WAV");
    }
    if (channels > MOST_CHANNELS) {
      throw new Trouble.BadField("target", "FLAC holds eight channels, not " + channels);
    }
    file = new NewFile(target);
    this.codes = codes;
    this.channels = channels;
    this.bits = bits;
    AVCodec flac = avcodec_find_encoder(AV_CODEC_ID_FLAC);
    encoder = avcodec_alloc_context3(flac);
    try (BytePointer name = Ffmpeg.name(file.part())) {
      encoder.sample_rate((int) Math.round(sampleRateHz));
      encoder.sample_fmt(bits == SHORT_BITS ? AV_SAMPLE_FMT_S16 : AV_SAMPLE_FMT_S32);
      encoder.bits_per_raw_sample(bits);
      av_channel_layout_default(encoder.ch_layout(), channels);
      encoder.time_base(av_make_q(1, encoder.sample_rate()));
      encoder.thread_count(1);
      check(avcodec_open2(encoder, flac, (AVDictionary) null), "this rate is not encoded");
      check(
          avformat_alloc_output_context2(container, null, "flac", (String) null),
          "no memory is left");
      stream = avformat_new_stream(container, null);
      check(avcodec_parameters_from_context(stream.codecpar(), encoder), "no memory is left");
      stream.time_base(encoder.time_base());
      AVIOContext out = new AVIOContext(null);
      check(avio_open(out, name, AVIO_FLAG_WRITE), "the folder takes no new file");
      container.pb(out);
      check(avformat_write_header(container, (AVDictionary) null), "the disk takes no more");
    } catch (IOException e) {
      free();
      throw file.cannot(e);
    }
    frameSize = encoder.frame_size();
    woven = new int[frameSize * channels];
    wovenShort = new short[woven.length];
  }

  @Override
  public void write(double[][] block, int count) {
    for (int i = 0; i < count; i++) {
      for (int c = 0; c < channels; c++) {
        woven[filled * channels + c] = codes.of(block[c][i]);
      }
      filled++;
      if (filled == frameSize) {
        encode();
      }
    }
  }

  private void encode() {
    try {
      frame.nb_samples(filled);
      frame.format(encoder.sample_fmt());
      frame.sample_rate(encoder.sample_rate());
      av_channel_layout_default(frame.ch_layout(), channels);
      check(av_frame_get_buffer(frame, 0), "no memory is left");
      int numbers = filled * channels;
      for (int k = 0; k < numbers; k++) {
        wovenShort[k] = (short) woven[k];
        woven[k] <<= Integer.SIZE - bits; // the encoder takes them from the top of its words
      }
      if (bits == SHORT_BITS) {
        new ShortPointer(frame.data(0)).put(wovenShort, 0, numbers);
      } else {
        new IntPointer(frame.data(0)).put(woven, 0, numbers);
      }
      frame.pts(written);
      written += filled;
      filled = 0;
      check(avcodec_send_frame(encoder, frame), "the sound could not be encoded");
      av_frame_unref(frame);
      drain();
    } catch (IOException e) {
      throw file.cannot(e);
    }
  }

  private void drain() throws IOException {
    while (avcodec_receive_packet(encoder, packet) >= 0) {
      packet.stream_index(0);
      av_packet_rescale_ts(packet, encoder.time_base(), stream.time_base());
      check(av_interleaved_write_frame(container, packet), "the disk takes no more");
    }
  }

  @Override
  public void finish() {
    if (filled > 0) {
      encode();
    }
    try {
      check(avcodec_send_frame(encoder, null), "the sound could not be encoded");
      drain();
      check(av_write_trailer(container), "the disk takes no more");
      avio_flush(container.pb());
      check(container.pb().error(), "the disk takes no more");
      whole = true;
    } catch (IOException e) {
      throw file.cannot(e);
    }
  }

  private void free() {
    av_packet_free(packet);
    av_frame_free(frame);
    avcodec_free_context(encoder);
    if (!container.isNull()) {
      avio_close(container.pb());
      avformat_free_context(container);
    }
  }

  @Override
  public void close() {
    free();
    file.close(whole);
  }
}
