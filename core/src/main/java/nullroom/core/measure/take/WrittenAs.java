package nullroom.core.measure.take;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import nullroom.core.Figures;

/**
 * What a recorder wrote beside the sound, and what it means for a voice. The bit rates under which
 * a coder is heard on a voice are common practice.
 *
 * @param coder name of the coding, "PCM" where every sample is kept as it was
 * @param bitRate bits a second of a lossy coding; empty where that does not matter or is not said
 * @param bits of a sample; empty where the coding keeps none
 * @param sampleRateHz at which it is decoded
 * @param started local or universal time at which it says it began; empty where it does not
 */
public record WrittenAs(
    String coder, OptionalDouble bitRate, OptionalInt bits, double sampleRateHz, String started) {
  private static final double LEAST_RATE_HZ = 44_100;
  private static final int LEAST_BITS = 16;

  /** Of one channel; two need twice as much, less what they share. */
  private static final double MP3_BITS = 128_000;

  private static final double OTHER_BITS = 96_000;
  private static final double OPUS_BITS = 64_000;
  private static final double SECOND_CHANNEL = 0.5;

  /** Samples alone, as a WAV file keeps them. */
  public static WrittenAs plain(int bits, double sampleRateHz, String started) {
    return new WrittenAs(
        "PCM", OptionalDouble.empty(), OptionalInt.of(bits), sampleRateHz, started);
  }

  /** In a few words: "MP3, 128 kbit/s, 44.1 kHz". */
  public String words() {
    List<String> all = new ArrayList<>(List.of(coder));
    bitRate.ifPresent(rate -> all.add(Figures.say("%.0f kbit/s", rate / 1000)));
    bits.ifPresent(count -> all.add(count + " bits"));
    all.add(Figures.say("%.1f kHz", sampleRateHz / 1000));
    return String.join(", ", all);
  }

  /**
   * What to change on the recorder, each in a sentence; empty where it can stay.
   *
   * @param channels in the file
   * @param alike whether the first two hold the same
   */
  public List<String> faults(int channels, boolean alike) {
    List<String> all = new ArrayList<>();
    double needed = needed() * (channels > 1 ? 1 + SECOND_CHANNEL : 1);
    if (bitRate.isPresent() && bitRate.getAsDouble() < needed) {
      all.add(
          Figures.say(
              "Recorded as %.0f kbit/s %s: change it on the recorder to WAV, or to %.0f kbit/s and more.",
              bitRate.getAsDouble() / 1000, coder, 2 * MP3_BITS / 1000));
    }
    if (sampleRateHz < LEAST_RATE_HZ) {
      all.add(
          Figures.say(
              "Sampled %.0f times a second: nothing over %.0f Hz is in it; choose 48 kHz on the recorder.",
              sampleRateHz, sampleRateHz / 2));
    }
    if (bits.isPresent() && bits.getAsInt() < LEAST_BITS) {
      all.add(
          "Only "
              + bits.getAsInt()
              + " bits a sample: choose 24, or 16 at least, on the recorder.");
    }
    if (channels > 1 && alike) {
      all.add(
          "Both channels are the same: it is one microphone; choose mono, and files are half as large.");
    }
    return all;
  }

  private double needed() {
    return switch (coder) {
      case "MP3", "MP2" -> MP3_BITS + 1;
      case "Opus" -> OPUS_BITS;
      default -> OTHER_BITS;
    };
  }
}
