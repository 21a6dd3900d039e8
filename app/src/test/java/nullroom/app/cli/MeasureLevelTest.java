package nullroom.app.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.util.stream.StreamSupport;
import nullroom.app.TestSounds;
import nullroom.core.signal.Samples;
import nullroom.io.audio.WavWriter;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

class MeasureLevelTest {
  @TempDir Path folder;

  @ParameterizedTest
  @DisplayName(
      "AES17: a sine of amplitude a has peak 20 lg a and the same RMS in dBFS; its crest factor is 3.01 dB")
  @CsvSource({"1,0", "0.5,-6.02", "0.1,-20", "0.001,-60"})
  void sine(double amplitude, double dbfs) {
    JsonNode json = Run.json("measure", "level", Run.sine(file(), 997, amplitude, 48_000, 2));
    assertThat(json.get("peakDbfs").asDouble()).isCloseTo(dbfs, within(0.01));
    assertThat(json.get("rmsDbfs").asDouble()).isCloseTo(dbfs, within(0.01));
    assertThat(json.get("crestFactorDb").asDouble()).isCloseTo(3.01, within(0.01));
    assertThat(json.get("gainChangeDb").asDouble()).isCloseTo(-12 - dbfs, within(0.01));
    assertThat(json.get("durationSeconds").asDouble()).isCloseTo(2, within(1e-6));
  }

  @Test
  void hasEveryKeyOfTheDocumentedObject() {
    JsonNode json = Run.json("measure", "level", Run.sine(file(), 997, 0.3, 48_000, 1));
    assertThat(Run.keys(json))
        .containsExactly(
            "durationSeconds",
            "sampleRateHz",
            "bitDepth",
            "written",
            "peakDbfs",
            "truePeakDbtp",
            "rmsDbfs",
            "crestFactorDb",
            "integratedLufs",
            "loudnessRangeLu",
            "maxMomentaryLufs",
            "maxShortTermLufs",
            "activeSpeechDbfs",
            "activityPercent",
            "noiseFloorDbfs",
            "noiseFloorDbfsA",
            "speechToNoiseDb",
            "clippedSamples",
            "clippedRuns",
            "dcOffset",
            "mains",
            "gainChangeDb",
            "verdicts",
            "altered",
            "channels",
            "warnings");
    assertThat(Run.keys(json.get("verdicts").get(0)))
        .containsExactly("check", "pass", "measured", "limit", "advice");
    assertThat(json.get("bitDepth").asInt()).isEqualTo(32);
    assertThat(Run.warns(json, "No pause was found")).isTrue();
    assertThat(json.get("truePeakDbtp").asDouble())
        .isCloseTo(json.get("peakDbfs").asDouble(), within(0.1));
  }

  @Test
  @DisplayName(
      "a clipped run is three or more samples in a row of one sign at full scale; two are none")
  void clippedRuns() {
    double[] x = new double[48_000];
    for (int i = 0; i < x.length; i++) {
      x[i] = 0.5 * Math.sin(i * 0.05);
    }
    for (int i : new int[] {100, 101, 102, 103, 500, 501, 900, 901, 902}) {
      x[i] = 1;
    }
    x[1500] = 1;
    x[1501] = -1;
    x[1502] = 1;
    JsonNode json = Run.json("measure", "level", Run.write(file(), x, 48_000));
    assertThat(json.get("clippedRuns").asInt()).isEqualTo(2);
    assertThat(json.get("clippedSamples").asInt()).isEqualTo(7);
    assertThat(verdict(json, "clipping").get("pass").asBoolean()).isFalse();
    assertThat(verdict(json, "peak").get("pass").asBoolean()).isFalse();
  }

  @Test
  @DisplayName("in 24 bit the largest code, one step under 1, counts as full scale")
  void clippingInIntegers() {
    double[] x = new double[48_000];
    for (int i = 0; i < x.length; i++) {
      x[i] = Math.clamp(1.5 * Math.sin(i * 0.05), -1, 1);
    }
    WavWriter.write24(file(), new Samples(x, 48_000));
    JsonNode json = Run.json("measure", "level", file());
    assertThat(json.get("bitDepth").asInt()).isEqualTo(24);
    assertThat(json.get("clippedRuns").asInt()).isGreaterThan(700);
    assertThat(json.get("peakDbfs").asDouble()).isCloseTo(0, within(0.001));
  }

  @Test
  void anOffsetIsNoticed() {
    double[] x = new double[48_000];
    for (int i = 0; i < x.length; i++) {
      x[i] = 0.02 + 0.1 * Math.sin(2 * Math.PI * i / 48);
    }
    JsonNode json = Run.json("measure", "level", Run.write(file(), x, 48_000));
    assertThat(json.get("dcOffset").asDouble()).isCloseTo(0.02, within(1e-5));
    assertThat(verdict(json, "dcOffset").get("pass").asBoolean()).isFalse();
    assertThat(verdict(json, "clipping").get("pass").asBoolean()).isTrue();
  }

  @Test
  void theTargetMovesTheAdvice() {
    Path file = Run.sine(file(), 997, 0.5, 48_000, 1);
    assertThat(
            Run.json("measure", "level", file, "--peak-target", "-6")
                .get("gainChangeDb")
                .asDouble())
        .isCloseTo(0.02, within(0.01));
    assertThat(verdict(Run.json("measure", "level", file), "peak").get("advice").asString())
        .contains("−6.0 dB");
  }

  @ParameterizedTest
  @CsvSource({"2,0,silence", "0.1,0.5,shorter than 0.4 s"})
  void silenceAndAnInstantAreSaid(double seconds, double amplitude, String words) {
    JsonNode json = Run.json("measure", "level", Run.sine(file(), 997, amplitude, 48_000, seconds));
    assertThat(Run.warns(json, words)).isTrue();
    assertThat(json.get("peakDbfs").isNull()).isEqualTo(amplitude == 0);
  }

  @Test
  void speaksToPeopleWithoutJson() {
    Run run = Run.of("measure", "level", Run.sine(file(), 997, 0.25, 48_000, 1));
    assertThat(run.code()).isZero();
    assertThat(run.out()).contains("peak", "-12.0 dBFS", "true peak", "pass  clipping");
  }

  @Test
  @DisplayName("two channels: loudness of both, true peak of the louder, and each alone")
  void channels() {
    double[] left = new double[4 * 48_000];
    double[] right = new double[left.length];
    for (int i = 0; i < left.length; i++) {
      left[i] = 0.1 * Math.sin(2 * Math.PI * 997 * i / 48_000.0);
      right[i] = -0.2 * Math.sin(2 * Math.PI * 997 * i / 48_000.0);
    }
    JsonNode json = Run.json("measure", "level", TestSounds.stereo(file(), left, right));
    double both = 10 * Math.log10(0.1 * 0.1 / 2 + 0.2 * 0.2 / 2); // K-weighting cancels -0.691
    assertThat(json.get("integratedLufs").asDouble()).isCloseTo(both, within(0.02));
    assertThat(json.get("truePeakDbtp").asDouble()).isCloseTo(-13.98, within(0.1));
    assertThat(json.get("peakDbfs").asDouble()).isCloseTo(-20, within(0.01));
    JsonNode second = json.get("channels").get(1);
    assertThat(second.get("integratedLufs").asDouble())
        .isCloseTo(20 * Math.log10(0.2) - 3.01, within(0.02));
    assertThat(verdict(json, "polarity").get("pass").asBoolean()).isFalse();
    assertThat(verdict(json, "deadChannels").get("pass").asBoolean()).isTrue();
  }

  @Test
  @DisplayName(
      "a brief for one channel is held against all channels made one, as it would be written")
  void mono() {
    double[] x = new double[4 * 48_000];
    for (int i = 0; i < x.length; i++) {
      x[i] = 0.1 * Math.sin(2 * Math.PI * 997 * i / 48_000.0);
    }
    Path file = TestSounds.stereo(file(), x, x);
    JsonNode json = Run.json("measure", "level", file, "--deliver", "podcast-19");
    double one = 20 * Math.log10(0.1) - 3.01;
    assertThat(json.get("integratedLufs").asDouble()).isCloseTo(one + 3.01, within(0.02));
    assertThat(verdict(json, "loudness").get("measured").asDouble()).isCloseTo(one, within(0.02));
    JsonNode stereo = Run.json("measure", "level", file, "--deliver", "podcast-16");
    assertThat(verdict(stereo, "loudness").get("measured").asDouble())
        .isCloseTo(one + 3.01, within(0.02));
  }

  @Test
  @DisplayName("a brief says what is missing; an unknown one is refused with the known ones")
  void briefs() {
    Path file = Run.sine(file(), 997, 0.1, 48_000, 5);
    JsonNode json = Run.json("measure", "level", file, "--deliver", "podcast-16");
    assertThat(verdict(json, "loudness").get("measured").asDouble())
        .isCloseTo(-23.01, within(0.02));
    assertThat(verdict(json, "loudness").get("limit").asDouble()).isEqualTo(-16);
    assertThat(verdict(json, "loudness").get("advice").asString()).contains("Turn it up by 7.0 dB");
    assertThat(verdict(json, "truePeak").get("pass").asBoolean()).isTrue();
    Run wrong = Run.of("measure", "level", file, "--deliver", "vinyl");
    assertThat(wrong.code()).isEqualTo(1);
    assertThat(wrong.err()).contains("'vinyl' is none of stream-14");
  }

  private static JsonNode verdict(JsonNode json, String check) {
    return StreamSupport.stream(json.get("verdicts").spliterator(), false)
        .filter(v -> v.get("check").asString().equals(check))
        .findFirst()
        .orElseThrow();
  }

  private Path file() {
    return folder.resolve("x.wav");
  }
}
