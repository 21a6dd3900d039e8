package nullroom.app.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

class MeasureNoiseTest {
  @TempDir Path folder;

  @Test
  void hasEveryKeyOfTheDocumentedObject() {
    JsonNode json = Run.json("measure", "noise", Run.sine(file(), 1000, 0.1, 48_000, 3));
    assertThat(Run.keys(json))
        .contains(
            "durationSeconds",
            "sampleRateHz",
            "calibrated",
            "fullScaleDbSpl",
            "laeqDb",
            "lceqDb",
            "lzeqDb",
            "laeqDbfs",
            "lceqDbfs",
            "lzeqDbfs",
            "laMaxFastDb",
            "la10Db",
            "la50Db",
            "la90Db",
            "laMaxFastDbfs",
            "la10Dbfs",
            "la50Dbfs",
            "la90Dbfs",
            "octaveBands",
            "thirdOctaveBands",
            "nc",
            "nr",
            "ncBandHz",
            "nrBandHz",
            "tones",
            "mains",
            "events",
            "dcOffset",
            "clippedSamples",
            "channels",
            "warnings");
    assertThat(Run.keys(json.get("octaveBands").get(0)))
        .containsExactlyInAnyOrder("centreHz", "leqDb", "leqDbfs", "l90Db", "l90Dbfs");
    assertThat(Run.keys(json.get("thirdOctaveBands").get(0)))
        .containsExactlyInAnyOrder("centreHz", "leqDb", "leqDbfs");
  }

  @ParameterizedTest
  @DisplayName(
      "AES17: amplitude 0.1 at 1 kHz is -20 dBFS; octave and third hold it; IEC 61672-1: A is 0 dB there")
  @ValueSource(doubles = {8_000, 44_100, 48_000, 96_000, 192_000})
  void aSineAtEveryRate(double rate) {
    JsonNode json = Run.json("measure", "noise", Run.sine(file(), 1000, 0.1, rate, 4));
    assertThat(json.get("lzeqDbfs").asDouble()).isCloseTo(-20, within(0.02));
    assertThat(json.get("laeqDbfs").asDouble()).isCloseTo(-20, within(0.05));
    assertThat(json.get("lceqDbfs").asDouble()).isCloseTo(-20, within(0.05));
    assertThat(Run.band(json.get("octaveBands"), 1000).get("leqDbfs").asDouble())
        .isCloseTo(-20, within(0.05));
    assertThat(Run.band(json.get("thirdOctaveBands"), 1000).get("leqDbfs").asDouble())
        .isCloseTo(-20, within(0.05));
    assertThat(json.get("la50Dbfs").asDouble()).isCloseTo(-20, within(0.1));
    assertThat(json.get("sampleRateHz").asDouble()).isEqualTo(rate);
  }

  @Test
  void withoutCalibrationSoundPressureIsNullAndSaysSo() {
    JsonNode json = Run.json("measure", "noise", Run.sine(file(), 500, 0.01, 48_000, 3));
    assertThat(json.get("calibrated").asBoolean()).isFalse();
    for (String key : new String[] {"fullScaleDbSpl", "laeqDb", "la90Db", "nc", "nr", "ncBandHz"}) {
      assertThat(json.get(key).isNull()).as(key).isTrue();
    }
    assertThat(Run.band(json.get("octaveBands"), 500).get("leqDb").isNull()).isTrue();
    assertThat(Run.warns(json, "Not calibrated")).isTrue();
  }

  @Test
  @DisplayName("full scale at 120 dB SPL: a sine of -60 dBFS is 60 dB SPL")
  void fullScaleLevel() {
    JsonNode json =
        Run.json(
            "measure",
            "noise",
            Run.sine(file(), 1000, 0.001, 48_000, 3),
            "--full-scale-spl",
            "120");
    assertThat(json.get("laeqDb").asDouble()).isCloseTo(60, within(0.05));
    assertThat(json.get("fullScaleDbSpl").asDouble()).isEqualTo(120);
    assertThat(json.get("calibrated").asBoolean()).isTrue();
  }

  @Test
  @DisplayName(
      "a calibrator tone of 94 dB at -12 dBFS puts full scale at 106 dB SPL; 114 dB moves it by 20")
  void calibrationFile() {
    Path tone = Run.sine(folder.resolve("cal.wav"), 1000, Math.pow(10, -12 / 20.0), 48_000, 3);
    Path noise = Run.sine(file(), 1000, 0.001, 48_000, 3);
    assertThat(
            Run.json("measure", "noise", noise, "--cal-file", tone)
                .get("fullScaleDbSpl")
                .asDouble())
        .isCloseTo(106, within(0.05));
    assertThat(
            Run.json("measure", "noise", noise, "--cal-file", tone, "--cal-level", "114")
                .get("laeqDb")
                .asDouble())
        .isCloseTo(66, within(0.1));
  }

  @Test
  @DisplayName(
      "worked spectrum 48 41 34 28 23 18 15 14 dB: NC-22 and NR-24, both by 500 Hz; 31.6 dBA (ANSI S12.2, ISO/R 1996)")
  void ratingsOfAWorkedSpectrum() {
    double[] levels = {48, 41, 34, 28, 23, 18, 15, 14};
    double[] x = new double[48_000 * 8];
    for (int o = 0; o < levels.length; o++) {
      double hz = 1000 * Math.pow(10, 0.3 * (o - 4));
      double amplitude = Math.pow(10, (levels[o] - 100) / 20);
      for (int i = 0; i < x.length; i++) {
        x[i] += amplitude * Math.sin(2 * Math.PI * hz * i / 48_000 + o);
      }
    }
    JsonNode json =
        Run.json("measure", "noise", Run.write(file(), x, 48_000), "--full-scale-spl", "100");
    assertThat(json.get("nc").asInt()).isEqualTo(22);
    assertThat(json.get("ncBandHz").asDouble()).isEqualTo(500);
    assertThat(json.get("nr").asInt()).isEqualTo(24);
    assertThat(json.get("nrBandHz").asDouble()).isEqualTo(500);
    assertThat(json.get("laeqDb").asDouble()).isCloseTo(31.62, within(0.1));
    for (int o = 0; o < levels.length; o++) {
      double nominal = new double[] {63, 125, 250, 500, 1000, 2000, 4000, 8000}[o];
      assertThat(Run.band(json.get("octaveBands"), nominal).get("leqDb").asDouble())
          .as("%s Hz", nominal)
          .isCloseTo(levels[o], within(0.2));
    }
  }

  @Test
  void percentilesFollowASoundThatIsOnAFifthOfTheTime() {
    double[] x = new double[48_000 * 30];
    for (int i = 0; i < x.length; i++) {
      double amplitude = i / 48_000 % 10 < 2 ? 0.1 : 0.001;
      x[i] = amplitude * Math.sin(2 * Math.PI * 1000 * i / 48_000);
    }
    JsonNode json = Run.json("measure", "noise", Run.write(file(), x, 48_000));
    assertThat(json.get("la10Dbfs").asDouble()).isCloseTo(-20, within(0.3));
    assertThat(json.get("la90Dbfs").asDouble()).isCloseTo(-60, within(0.3));
    assertThat(json.get("laMaxFastDbfs").asDouble()).isCloseTo(-20, within(0.3));
    assertThat(json.get("laeqDbfs").asDouble()).isCloseTo(-20 - 7, within(0.1));
  }

  @Test
  void severalChannelsAreMeasuredEachAndOneIsChosen() throws IOException {
    Path stereo = stereo(0.1, 0.01);
    JsonNode json = Run.json("measure", "noise", stereo);
    assertThat(json.get("channels").size()).isEqualTo(2);
    assertThat(json.get("laeqDbfs").asDouble()).isCloseTo(-20, within(0.05));
    assertThat(json.get("channels").get(1).get("laeqDbfs").asDouble()).isCloseTo(-40, within(0.05));
    assertThat(Run.json("measure", "noise", stereo, "--channel", "1").get("laeqDbfs").asDouble())
        .isCloseTo(-40, within(0.05));
    Run.of("measure", "noise", stereo, "--channel", "2").isRefusedWith("2 channel(s)");
  }

  private Path stereo(double left, double right) throws IOException {
    int frames = 48_000 * 3;
    ByteBuffer wav = ByteBuffer.allocate(44 + frames * 4).order(ByteOrder.LITTLE_ENDIAN);
    wav.put("RIFF".getBytes("ASCII")).putInt(36 + frames * 4).put("WAVEfmt ".getBytes("ASCII"));
    wav.putInt(16).putShort((short) 1).putShort((short) 2).putInt(48_000).putInt(192_000);
    wav.putShort((short) 4).putShort((short) 16).put("data".getBytes("ASCII")).putInt(frames * 4);
    for (int i = 0; i < frames; i++) {
      double s = Math.sin(2 * Math.PI * 1000 * i / 48_000);
      wav.putShort((short) Math.round(left * 32768 * s));
      wav.putShort((short) Math.round(right * 32768 * s));
    }
    return Files.write(file(), wav.array());
  }

  @ParameterizedTest
  @CsvSource({"0.3,0.1,shorter", "2,0,silence"})
  void tooShortAndSilentGiveNullsAndASentence(double seconds, double amplitude, String words) {
    JsonNode json =
        Run.json("measure", "noise", Run.sine(file(), 1000, amplitude, 48_000, seconds));
    assertThat(json.get("laeqDbfs").isNull()).isTrue();
    assertThat(json.get("octaveBands").get(3).get("leqDbfs").isNull()).isTrue();
    assertThat(Run.elements(json.get("warnings")))
        .anyMatch(w -> w.asString().toLowerCase(java.util.Locale.ROOT).contains(words));
  }

  @Test
  @DisplayName("a sine of 100 Hz is mains hum of 50 Hz; one of 1 kHz a tone; a click an event")
  void tonesHumAndEvents() {
    double[] x = new double[48_000 * 12];
    Random random = new Random(4);
    for (int i = 0; i < x.length; i++) {
      double t = i / 48_000.0;
      x[i] =
          0.001 * random.nextGaussian()
              + 0.002 * Math.sin(2 * Math.PI * 100 * t)
              + 0.001 * Math.sin(2 * Math.PI * 1000 * t);
    }
    x[48_000 * 7] = 0.8;
    JsonNode json = Run.json("measure", "noise", Run.write(file(), x, 48_000));
    assertThat(json.get("tones").size()).isEqualTo(2);
    assertThat(json.get("tones").get(0).get("kind").asString()).isEqualTo("mains");
    assertThat(json.get("tones").get(1).get("kind").asString()).isEqualTo("tone");
    assertThat(json.get("tones").get(1).get("frequencyHz").asDouble()).isCloseTo(1000, within(0.1));
    assertThat(json.get("tones").get(1).get("levelDbfs").asDouble()).isCloseTo(-60, within(0.2));
    JsonNode mains = json.get("mains");
    assertThat(mains.get("fundamentalHz").asDouble()).isCloseTo(50, within(0.05));
    assertThat(mains.get("harmonicsHz").get(0).asDouble()).isCloseTo(100, within(0.1));
    assertThat(mains.get("levelDbfs").asDouble()).isCloseTo(-53.98, within(0.2));
    JsonNode event = json.get("events").get(0);
    assertThat(json.get("events").size()).isEqualTo(1);
    assertThat(event.get("startSeconds").asDouble()).isCloseTo(7, within(0.1));
    assertThat(event.get("peakDbfs").asDouble()).isCloseTo(-1.94, within(0.2));
    assertThat(Run.keys(event))
        .containsExactly("startSeconds", "durationSeconds", "peakDbfs", "riseDb");
    String said = Run.of("measure", "noise", file()).out();
    assertThat(said).contains("hum of 50 Hz mains", "tone at 1000 Hz", "intrusion at 7.0 s");
  }

  @Test
  void clippingAndOffsetAreCounted() {
    Random random = new Random(2);
    double[] x = new double[96_000];
    for (int i = 0; i < x.length; i++) {
      x[i] = 0.2 + 0.001 * random.nextGaussian();
    }
    for (int i = 1000; i < 1010; i++) {
      x[i] = 1;
    }
    JsonNode json = Run.json("measure", "noise", Run.write(file(), x, 48_000));
    assertThat(json.get("clippedSamples").asInt()).isEqualTo(10);
    assertThat(json.get("dcOffset").asDouble()).isCloseTo(0.2, within(0.001));
    assertThat(Run.warns(json, "clipped")).isTrue();
  }

  @Test
  void speaksToPeopleWithoutJson() {
    Run run =
        Run.of(
            "measure",
            "noise",
            Run.sine(file(), 1000, 0.001, 48_000, 3),
            "--full-scale-spl",
            "100");
    assertThat(run.code()).isZero();
    assertThat(run.out()).contains("LAeq", "40.0 dB SPL", "NC-39, decided at 1000 Hz", "31.5 Hz");
  }

  private Path file() {
    return folder.resolve("x.wav");
  }

  @Test
  void severalFilesAreMeasuredAndTheBadOneIsNamed() {
    Path quiet = Run.sine(folder.resolve("quiet.wav"), 1000, 0.001, 48_000, 2);
    Path loud = Run.sine(folder.resolve("loud.wav"), 1000, 0.1, 48_000, 2);
    JsonNode both = Run.json("measure", "noise", quiet, loud);
    assertThat(Run.keys(both)).containsExactly("files", "warnings");
    assertThat(both.get("files").get(0).get("laeqDbfs").asDouble()).isCloseTo(-60, within(0.05));
    assertThat(both.get("files").get(1).get("laeqDbfs").asDouble()).isCloseTo(-20, within(0.05));
    assertThat(both.get("files").get(1).get("file").asString()).endsWith("loud.wav");
    Run mixed = Run.of("measure", "noise", quiet, folder.resolve("none.wav"), "--json");
    assertThat(mixed.code()).isEqualTo(1);
    assertThat(mixed.err()).contains("none.wav", "does not exist").doesNotContain("Exception");
    JsonNode said = tools.jackson.databind.json.JsonMapper.shared().readTree(mixed.out());
    assertThat(said.get("files").get(1).get("error").asString()).contains("does not exist");
    Run text = Run.of("measure", "noise", quiet, loud);
    assertThat(text.out()).contains("quiet.wav", "loud.wav", "-60.0 dBFS", "-20.0 dBFS");
    assertThat(Run.of("measure", "noise").code()).isEqualTo(2);
  }

  @Test
  void aCalibrationFileMustHoldATone() {
    double[] hiss = new double[96_000];
    Random random = new Random(2);
    for (int i = 0; i < hiss.length; i++) {
      hiss[i] = 0.01 * random.nextGaussian();
    }
    Path noise = Run.write(folder.resolve("hiss.wav"), hiss, 48_000);
    Run.of("measure", "noise", noise, "--cal-file", noise)
        .isRefusedWith("hiss.wav", "no calibrator tone");
  }

  @Test
  void theUncertaintyOfTheCalibrationGoesAlong() {
    Path tone = Run.sine(folder.resolve("cal.wav"), 1000, 0.25, 48_000, 3);
    assertThat(
            Run.json("measure", "noise", tone, "--cal-file", tone).get("uncertaintyDb").asDouble())
        .isEqualTo(1);
    assertThat(
            Run.json("measure", "noise", tone, "--full-scale-spl", "120", "--uncertainty", "2.5")
                .get("uncertaintyDb")
                .asDouble())
        .isEqualTo(2.5);
    assertThat(Run.json("measure", "noise", tone).get("uncertaintyDb").isNull()).isTrue();
    assertThat(Run.of("measure", "noise", tone, "--cal-file", tone).out())
        .contains("give or take 1.0 dB");
  }
}
