package nullroom.io.audio;

import static org.bytedeco.ffmpeg.global.avutil.av_dict_get;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avutil.AVDictionaryEntry;

/**
 * What an AAC encoder says it put before the sound and how long that is, in a comment that many
 * write: three hexadecimal numbers after a zero, priming, padding and length, in ticks of the
 * stream (the tag is iTunSMPB; its form from memory).
 *
 * @param primingTicks before the sound
 * @param lengthTicks of the sound; 0 where nothing is said
 */
record Gapless(long primingTicks, long lengthTicks) {
  private static final Pattern FORM =
      Pattern.compile(
          "\\s*\\p{XDigit}+ (\\p{XDigit}{1,8}) (\\p{XDigit}{1,8}) (\\p{XDigit}{1,16})\\b.*");
  private static final long MOST_PRIMING = 16_384;

  static Gapless of(AVFormatContext format) {
    AVDictionaryEntry none = null;
    AVDictionaryEntry entry = av_dict_get(format.metadata(), "iTunSMPB", none, 0);
    return entry == null || entry.isNull() ? new Gapless(0, 0) : parse(entry.value().getString());
  }

  /** Empty where the comment has another form or says what cannot be. */
  static Gapless parse(String comment) {
    Matcher m = FORM.matcher(comment);
    if (!m.matches()) {
      return new Gapless(0, 0);
    }
    long priming = Long.parseLong(m.group(1), 16);
    long length = Long.parseUnsignedLong(m.group(3), 16);
    return priming > MOST_PRIMING || length < 0 ? new Gapless(0, 0) : new Gapless(priming, length);
  }
}
