package nullroom.io.audio;

import static nullroom.io.audio.Ffmpeg.check;
import static org.bytedeco.ffmpeg.global.avcodec.*;
import static org.bytedeco.ffmpeg.global.avformat.*;
import static org.bytedeco.ffmpeg.global.avutil.*;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import nullroom.core.Trouble;
import nullroom.core.measure.take.WrittenAs;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVCodecParameters;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVDictionaryEntry;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.avutil.AVRational;
import org.bytedeco.javacpp.BytePointer;

/**
 * The sound of a compressed or media file, through the decoders of the FFmpeg libraries.
 *
 * <p>Native code is loaded with the first such file, never for WAV or AIFF. Only local files, only
 * the containers and sound decoders listed: no playlist, no network, no picture is touched. Rate
 * and channels are those of the first decoded frame, since HE-AAC states half its rate in the
 * header. What an encoder put before and after the sound is cut off as far as the file says so.
 * Holds one frame. Not thread-safe.
 */
final class CompressedStream implements SoundStream {
  private static final String FORMATS =
      "mov,mp4,m4a,3gp,3g2,mj2,mp3,aac,ogg,flac,wav,w64,caf,aiff,matroska,webm";
  private static final String CODECS =
      "aac,alac,mp3float,mp3,mp2float,mp2,vorbis,opus,flac,ac3,eac3,pcm_u8,pcm_s8,pcm_s16le,pcm_s16be,"
          + "pcm_s24le,pcm_s24be,pcm_s32le,pcm_s32be,pcm_f32le,pcm_f32be,pcm_f64le,pcm_f64be,pcm_alaw,"
          + "pcm_mulaw,adpcm_ima_qt,adpcm_ima_wav,adpcm_ms";

  /** Those that give back what went in. */
  private static final Set<String> EXACT = Set.of("flac", "alac");

  /** Names of codings for people, by their decoders. */
  private static final Map<String, String> NAMES =
      Map.of(
          "mp3float",
          "MP3",
          "mp3",
          "MP3",
          "mp2float",
          "MP2",
          "aac",
          "AAC",
          "vorbis",
          "Vorbis",
          "opus",
          "Opus",
          "flac",
          "FLAC",
          "alac",
          "ALAC");

  /** Time stamps may move by this much: Vorbis changes its block length all the time. */
  private static final int JUMP_FRAMES = 2048;

  /**
   * What the upper band's decoder of HE-AAC delays, 481 samples of half the rate, is not counted in
   * what its encoders state (from memory; the tests' file comes out aligned with it).
   */
  private static final int SBR_DELAY_FRAMES = 962;

  /** Containers count what the encoder put around the sound in their length, or do not. */
  private static final int MOST_PADDING_FRAMES = 8192;

  /** A decoder that refuses to end is left after this many tries. */
  private static final int MOST_REFUSALS = 100;

  private final AVFormatContext format;
  private final AVCodecContext decoder;
  private final AVPacket packet = av_packet_alloc();
  private final AVFrame frame = av_frame_alloc();
  private final Planes planes = new Planes();
  private final int stream;
  private final boolean exact;
  private final int codedBits;

  /** Where the container says the sound ends, in frames; the largest number where it does not. */
  private final long end;

  private final double ticksPerFrame;
  private final List<String> warnings = new ArrayList<>();
  private long expectedTick = AV_NOPTS_VALUE;
  private long frames;
  private int refused;
  private int jumps;
  private boolean draining;
  private boolean ended;

  private CompressedStream(AVFormatContext format, int stream, AVCodecContext decoder)
      throws IOException {
    this.format = format;
    this.stream = stream;
    this.decoder = decoder;
    AVStream chosen = format.streams(stream);
    exact = EXACT.contains(decoder.codec().name().getString());
    codedBits = chosen.codecpar().bits_per_raw_sample();
    AVRational tick = chosen.time_base();
    try {
      if (!nextFrame()) {
        throw new IOException("holds no sound that could be decoded");
      }
    } catch (IOException e) {
      freeFrames();
      throw e;
    }
    double framesPerTick = (double) tick.num() / tick.den() * planes.sampleRateHz();
    ticksPerFrame = 1 / framesPerTick;
    Gapless gapless = Gapless.of(format);
    boolean states =
        chosen.duration() != AV_NOPTS_VALUE && format.iformat().name().getString().contains("mp4");
    if (gapless.lengthTicks() > 0) {
      end = Math.round(gapless.lengthTicks() * framesPerTick);
    } else {
      end = states ? Math.round(chosen.duration() * framesPerTick) : Long.MAX_VALUE;
    }
    if (gapless.lengthTicks() > 0 && framesPerTick > 1.5) {
      skip((int) Math.round(gapless.primingTicks() * (framesPerTick - 1)) + SBR_DELAY_FRAMES);
    }
  }

  /** The library takes priming off in ticks, which with HE-AAC are two frames each. */
  private void skip(int count) throws IOException {
    int left = count;
    while (left > 0 && (planes.left() > 0 || nextFrame())) {
      left -= planes.skip(left);
    }
  }

  static SoundStream open(Path file) throws IOException {
    AVFormatContext format = openContainer(file);
    AVCodecContext decoder = null;
    try {
      check(avformat_find_stream_info(format, (AVDictionary) null), "holds no sound");
      AVCodec none = null;
      int stream = av_find_best_stream(format, AVMEDIA_TYPE_AUDIO, -1, -1, none, 0);
      check(stream, "holds no sound");
      for (int i = 0; i < format.nb_streams(); i++) {
        if (i != stream) {
          format.streams(i).discard(AVDISCARD_ALL);
        }
      }
      decoder = openDecoder(format.streams(stream));
      CompressedStream opened = new CompressedStream(format, stream, decoder);
      try {
        opened.checkPlausible(file.toString());
      } catch (Trouble.BadFile e) {
        opened.freeFrames();
        throw e;
      }
      return opened;
    } catch (IOException | RuntimeException e) {
      if (decoder != null) {
        avcodec_free_context(decoder);
      }
      avformat_close_input(format);
      throw e;
    }
  }

  private static AVFormatContext openContainer(Path file) throws IOException {
    AVFormatContext format = avformat_alloc_context();
    AVDictionary options = new AVDictionary(null);
    set(options, "protocol_whitelist", "file");
    set(options, "format_whitelist", FORMATS);
    set(options, "codec_whitelist", CODECS);
    try (BytePointer name = Ffmpeg.name(file)) {
      check(avformat_open_input(format, name, null, options), "is no sound file that can be read");
      return format;
    } finally {
      av_dict_free(options);
    }
  }

  private static AVCodecContext openDecoder(AVStream stream) throws IOException {
    AVCodecParameters parameters = stream.codecpar();
    AVCodec codec = avcodec_find_decoder(parameters.codec_id());
    if (codec == null || codec.isNull()) {
      throw new UnknownCoding(avcodec_get_name(parameters.codec_id()).getString());
    }
    AVCodecContext decoder = avcodec_alloc_context3(codec);
    AVDictionary options = new AVDictionary(null);
    set(options, "codec_whitelist", CODECS);
    try {
      check(avcodec_parameters_to_context(decoder, parameters), "has damaged parameters");
      decoder.pkt_timebase(stream.time_base()); // the encoder's delay is cut by it
      decoder.thread_count(1);
      decoder.err_recognition(AV_EF_CRCCHECK);
      check(avcodec_open2(decoder, codec, options), "cannot be decoded");
      return decoder;
    } catch (IOException e) {
      avcodec_free_context(decoder);
      throw e;
    } finally {
      av_dict_free(options);
    }
  }

  private void checkPlausible(String name) {
    if (planes.channels() > SoundFile.MOST_CHANNELS
        || !(planes.sampleRateHz() >= SoundFile.LOWEST_RATE_HZ
            && planes.sampleRateHz() <= SoundFile.HIGHEST_RATE_HZ)) {
      throw new Trouble.BadFile(
          name, "claims a sampling rate or channel count that is no recording");
    }
  }

  @Override
  public WrittenAs writtenAs() {
    AVCodecParameters coded = format.streams(stream).codecpar();
    long rate = coded.bit_rate() > 0 ? coded.bit_rate() : format.bit_rate();
    String name = decoder.codec().name().getString();
    boolean lossless = exact || name.startsWith("pcm");
    return new WrittenAs(
        NAMES.getOrDefault(name, name.toUpperCase(Locale.ROOT)),
        lossless || rate <= 0 ? OptionalDouble.empty() : OptionalDouble.of(rate),
        bitDepth(),
        sampleRateHz(),
        started());
  }

  private String started() {
    AVDictionaryEntry entry = av_dict_get(format.metadata(), "creation_time", null, 0);
    return entry == null || entry.isNull() ? "" : entry.value().getString();
  }

  @Override
  public double sampleRateHz() {
    return planes.sampleRateHz();
  }

  @Override
  public int channels() {
    return planes.channels();
  }

  @Override
  public double largestAmplitude() {
    return exact && codedBits > 0 ? 1 - Math.pow(2, 1 - codedBits) : 1;
  }

  @Override
  public OptionalDouble seconds() {
    long micros = format.duration(); // less than nothing where it is not known
    return micros < 0 ? OptionalDouble.empty() : OptionalDouble.of(micros / 1e6);
  }

  @Override
  public OptionalInt bitDepth() {
    return exact && codedBits > 0 ? OptionalInt.of(codedBits) : OptionalInt.empty();
  }

  @Override
  public int read(double[][] block) throws IOException {
    int want = (int) Math.min(block[0].length, end - frames);
    int done = 0;
    while (done < want && (planes.left() > 0 || nextFrame())) {
      done += planes.take(block, done, want - done);
    }
    frames += done;
    if (done == 0) {
      sayDamage();
    }
    return done;
  }

  /**
   * Once, at the end. Most damage in lossy sound cannot be noticed, so nothing is ever called
   * whole.
   */
  private void sayDamage() {
    if (refused > 0) {
      warnings.add(refused + " damaged packets were left out; the figures are of what remains.");
    }
    if (jumps > 0) {
      warnings.add(
          "The file's time stamps jump in " + jumps + " place(s): parts of the sound are missing.");
    }
    if (end < Long.MAX_VALUE && end - frames > MOST_PADDING_FRAMES) {
      warnings.add(
          "The file is cut short: its header promises more sound than there is; measured as far as it goes.");
    }
    refused = 0;
    jumps = 0;
    frames = Math.max(frames, end < Long.MAX_VALUE ? end : 0);
  }

  /** Decodes the next frame into the planes; false at the end. */
  private boolean nextFrame() throws IOException {
    int refusals = 0;
    while (!ended) {
      int result = avcodec_receive_frame(decoder, frame);
      if (result >= 0) {
        try {
          watchTime();
          if (!planes.fits(frame)) {
            ended = true;
            warnings.add(
                "The sampling rate or the number of channels changes midway; measured up to there.");
          } else if (planes.fill(frame)) {
            return true;
          }
        } finally {
          av_frame_unref(frame);
        }
      } else if (result == AVERROR_EOF() || refusals > MOST_REFUSALS) {
        ended = true;
      } else if (result != AVERROR_EAGAIN()) {
        refused++;
        refusals++;
      } else {
        feed();
      }
    }
    return false;
  }

  private void watchTime() {
    if (frame.decode_error_flags() != 0 || (frame.flags() & AVFrame.AV_FRAME_FLAG_CORRUPT) != 0) {
      refused++;
    }
    long tick = frame.best_effort_timestamp();
    if (tick != AV_NOPTS_VALUE && ticksPerFrame > 0) {
      if (expectedTick != AV_NOPTS_VALUE
          && Math.abs(tick - expectedTick) > JUMP_FRAMES * ticksPerFrame + 1) {
        jumps++;
      }
      expectedTick = tick + Math.round(frame.nb_samples() * ticksPerFrame);
    }
  }

  /** Hands the decoder its next packet, or the end. */
  private void feed() throws IOException {
    while (true) {
      int read = av_read_frame(format, packet);
      if (read < 0) {
        if (read != AVERROR_EOF()) {
          refused++;
        }
        if (draining) {
          ended = true;
        }
        draining = true;
        avcodec_send_packet(decoder, null);
        return;
      }
      try {
        if (packet.stream_index() == stream) {
          if (avcodec_send_packet(decoder, packet) >= 0) {
            return;
          }
          refused++;
        }
      } finally {
        av_packet_unref(packet);
      }
    }
  }

  @Override
  public List<String> warnings() {
    return List.copyOf(warnings);
  }

  @Override
  public void close() {
    ended = true;
    freeFrames();
    avcodec_free_context(decoder);
    avformat_close_input(format);
  }

  private void freeFrames() {
    planes.close();
    av_frame_free(frame);
    av_packet_free(packet);
  }

  private static void set(AVDictionary options, String key, String value) {
    av_dict_set(options, key, value, 0);
  }
}
