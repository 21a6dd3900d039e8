package nullroom.app.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

class MeasureDecayTest {
  private static final double RATE = 48_000;

  @TempDir Path folder;

  /** Decaying Gaussian noise: a room whose every octave rings for {@code t} seconds. */
  static double[] noiseDecay(
      double t, double floor, double leadSeconds, double seconds, long seed) {
    Random random = new Random(seed);
    double[] x = new double[(int) (RATE * seconds)];
    int start = (int) (RATE * leadSeconds);
    for (int i = 0; i < x.length; i++) {
      x[i] = floor * random.nextGaussian();
      if (i >= start) {
        x[i] += 0.2 * random.nextGaussian() * Math.exp(-3 * Math.log(10) * (i - start) / RATE / t);
      }
    }
    return x;
  }

  private Path claps(double t, int count) {
    double[] x = new double[(int) (RATE * (0.5 + 2.5 * count))];
    for (int c = 0; c < count; c++) {
      double[] one = noiseDecay(t, 0, 0, 2, 10 + c);
      for (int i = 0; i < one.length; i++) {
        x[(int) (RATE * (0.5 + 2.5 * c)) + i] += one[i];
      }
    }
    Random random = new Random(1);
    for (int i = 0; i < x.length; i++) {
      x[i] += 2e-6 * random.nextGaussian();
    }
    return Run.write(folder.resolve("claps.wav"), x, RATE);
  }

  @Test
  void hasEveryKeyOfTheDocumentedObject() {
    JsonNode json = Run.json("measure", "decay", claps(0.5, 2));
    assertThat(Run.keys(json))
        .containsExactlyInAnyOrder(
            "excitation",
            "sampleRateHz",
            "directArrivalSeconds",
            "bands",
            "tMidSeconds",
            "tMidFrom",
            "tVoiceSeconds",
            "sti",
            "directToReverberantDb",
            "reflections",
            "flutter",
            "harmonicDistortionPercent",
            "takes",
            "altered",
            "warnings");
    assertThat(Run.keys(json.get("bands").get(0)))
        .containsExactlyInAnyOrder(
            "centreHz",
            "edtSeconds",
            "t20Seconds",
            "t30Seconds",
            "c50Db",
            "c80Db",
            "d50Percent",
            "centreTimeSeconds",
            "inrDb",
            "nonLinearityPermille",
            "curvaturePercent");
    assertThat(Run.elements(json.get("bands")).stream().map(b -> b.get("centreHz").asDouble()))
        .isEqualTo(List.of(63.0, 125.0, 250.0, 500.0, 1000.0, 2000.0, 4000.0, 8000.0));
    assertThat(json.get("excitation").asString()).isEqualTo("impulse");
  }

  @ParameterizedTest
  @DisplayName(
      "noise that decays with a known time: mid T20 within 5 % of it, from four claps averaged (ISO 3382-2)")
  @ValueSource(doubles = {0.25, 0.5, 0.9})
  void decayingNoise(double t) {
    JsonNode json = Run.json("measure", "decay", claps(t, 4));
    assertThat(json.get("takes").asInt()).isEqualTo(4);
    assertThat(json.get("directArrivalSeconds").asDouble()).isCloseTo(0.5, within(0.002));
    assertThat(json.get("tMidSeconds").asDouble()).isCloseTo(t, within(0.05 * t));
    assertThat(json.get("tMidFrom").asString()).isEqualTo("t20");
    assertThat(json.get("tVoiceSeconds").asDouble()).isCloseTo(t, within(0.05 * t));
    JsonNode band = Run.band(json.get("bands"), 2000);
    assertThat(band.get("inrDb").asDouble()).isGreaterThan(60);
    assertThat(band.get("edtSeconds").asDouble()).isCloseTo(t, within(0.15 * t));
    double early = 1 - Math.exp(-6 * Math.log(10) * 0.05 / t);
    assertThat(band.get("d50Percent").asDouble()).isCloseTo(100 * early, within(4.0));
    assertThat(band.get("curvaturePercent").asDouble())
        .isCloseTo(
            100 * (band.get("t30Seconds").asDouble() / band.get("t20Seconds").asDouble() - 1),
            within(0.01));
  }

  @Test
  void aNoisyRoomHasNoTimesAndTheMidIsNullWithASentence() {
    Path file = Run.write(folder.resolve("noisy.wav"), noiseDecay(0.5, 0.01, 0.5, 3, 4), RATE);
    JsonNode json = Run.json("measure", "decay", file);
    JsonNode band = Run.band(json.get("bands"), 1000);
    assertThat(band.get("inrDb").asDouble()).isLessThan(35);
    assertThat(band.get("t20Seconds").isNull()).isTrue();
    assertThat(band.get("t30Seconds").isNull()).isTrue();
    assertThat(json.get("tMidSeconds").isNull()).isTrue();
    assertThat(json.get("tMidFrom").isNull()).isTrue();
    assertThat(json.get("warnings").size()).isGreaterThan(1);
  }

  @Test
  void thirdOctavesAreFinerAndAgree() {
    Path file = claps(0.5, 3);
    JsonNode thirds = Run.json("measure", "decay", file, "--bands", "third").get("bands");
    assertThat(thirds.size()).isGreaterThan(20);
    assertThat(Run.band(thirds, 1250).get("t20Seconds").asDouble()).isCloseTo(0.5, within(0.05));
  }

  @Test
  void steadyNoiseHoldsNoClap() {
    Path file = Run.write(folder.resolve("n.wav"), noiseDecay(1e9, 0.05, 0, 3, 2), RATE);
    JsonNode json = Run.json("measure", "decay", file);
    assertThat(json.get("takes").asInt()).isZero();
    assertThat(json.get("excitation").isNull()).isTrue();
    assertThat(Run.band(json.get("bands"), 1000).get("t20Seconds").isNull()).isTrue();
  }

  @Test
  void wordsGiveAnEstimateInASentenceAndNoTimes() {
    double[] tail = noiseDecay(0.35, 0, 0, 1, 3);
    Random random = new Random(5);
    double[] dry = new double[(int) (RATE * 20)];
    for (int at = 5000;
        at < dry.length - RATE;
        at += (int) (RATE * (0.35 + 0.35 * random.nextDouble()))) {
      int length = (int) (RATE * (0.15 + 0.2 * random.nextDouble()));
      for (int i = 0; i < length; i++) {
        double gain = Math.min(1, Math.min(i / 4000.0, (length - i) / 1000.0));
        dry[at + i] = gain * gain * random.nextGaussian();
      }
    }
    double[] wet = nullroom.core.signal.Fft.convolve(dry, tail);
    double peak = java.util.Arrays.stream(wet).map(Math::abs).max().orElseThrow();
    double[] take = new double[dry.length];
    for (int i = 0; i < take.length; i++) {
      take[i] = 0.5 * wet[i] / peak + 2e-5 * random.nextGaussian();
    }
    Path file = Run.write(folder.resolve("take.wav"), take, RATE);
    JsonNode json = Run.json("measure", "decay", file);
    assertThat(json.get("takes").asInt()).isZero();
    assertThat(json.get("tMidSeconds").isNull()).isTrue();
    assertThat(json.get("warnings").get(0).asString()).contains("like someone speaking");
    String offer = json.get("warnings").get(1).asString();
    var figure = java.util.regex.Pattern.compile("about (0\\.\\d+) s").matcher(offer);
    assertThat(figure.find()).as(offer).isTrue();
    assertThat(Double.parseDouble(figure.group(1))).isCloseTo(0.35, within(0.07));
    assertThat(offer).contains("an estimate, no measurement");
  }

  @Test
  void optionsThatDoNotFitAreRefused() {
    Path file = claps(0.4, 1);
    Run.of("measure", "decay", file, "--excitation", "drum").isRefusedWith("--excitation");
    Run.of("measure", "decay", file, "--sweep-from", "0").isRefusedWith("--sweep-from");
    Run.of("measure", "decay", file, "--sweep-to", "30").isRefusedWith("--sweep-to");
    Run.of("measure", "decay", file, "--sweep-seconds", "0").isRefusedWith("--sweep-seconds");
    Run.of("measure", "decay", file, "--excitation", "noise", "--reference", file)
        .isRefusedWith("--reference");
    Run.of("measure", "decay", file, "--channel", "3").isRefusedWith("there is no 3");
    Run.of("measure", "decay", file, "--bands", "fifth").isRefusedWith("octave or third");
  }

  @Test
  void speaksToPeopleWithoutJson() {
    Run run = Run.of("measure", "decay", claps(0.5, 2));
    assertThat(run.code()).isZero();
    assertThat(run.out())
        .contains(
            "impulse, 2 averaged",
            "speech transmission index",
            "T20",
            "mid-frequency reverberation time");
  }
}
