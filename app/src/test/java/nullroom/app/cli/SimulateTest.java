package nullroom.app.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import nullroom.core.predict.FirstArrivals;
import nullroom.io.audio.SoundFile;
import nullroom.io.book.BookFolder;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

class SimulateTest {
  /** 94 - (-38 + 2.22) - 40 + 20, the room file's chain. */
  private static final double FULL_SCALE = 109.78;

  @TempDir Path folder;

  private Path out(String name) {
    return folder.resolve(name + ".wav");
  }

  @ParameterizedTest
  @ValueSource(strings = {"response", "claps", "sweep", "noise", "voice", "clip"})
  void theSameSeedGivesTheIdenticalFileAndAnotherDoesNot(String what) throws IOException {
    Path room = RoomFile.in(folder);
    JsonNode said =
        Run.json("simulate", room, out("a"), "--what", what, "--seed", 5, "--seconds", 3);
    Run.json("simulate", room, out("b"), "--what", what, "--seed", 5, "--seconds", 3);
    Run.json("simulate", room, out("c"), "--what", what, "--seed", 6, "--seconds", 3);
    assertThat(out("a")).hasSameBinaryContentAs(out("b"));
    assertThat(Files.mismatch(out("a"), out("c"))).isNotNegative();
    assertThat(said.get("fullScaleDbSpl").asDouble()).isCloseTo(FULL_SCALE, within(0.01));
    try (SoundFile file = SoundFile.open(out("a"))) {
      assertThat(file.sampleRateHz()).isEqualTo(48_000);
      assertThat(file.channels()).isEqualTo(1);
      assertThat(file.channel(0).seconds()).isCloseTo(3, within(1e-6));
    }
  }

  @Test
  @DisplayName(
      "the noise that was put into the room comes out of the recording, within 0.5 dB an octave from 125 Hz up")
  void noiseThereAndBack() {
    Run.json("simulate", RoomFile.in(folder), out("n"), "--what", "noise", "--seconds", 30);
    JsonNode measured = Run.json("measure", "noise", out("n"), "--full-scale-spl", FULL_SCALE);
    JsonNode predicted = Run.json("predict", RoomFile.in(folder));
    for (int i = 1; i < 8; i++) {
      JsonNode band = predicted.get("bands").get(i);
      double energy =
          Math.pow(10, band.get("roomNoiseDbSpl").asDouble() / 10)
              + Math.pow(10, band.get("selfNoiseDbSpl").asDouble() / 10)
              + Math.pow(10, band.get("preampNoiseDbSpl").asDouble() / 10);
      assertThat(
              Run.band(measured.get("octaveBands"), band.get("centreHz").asDouble())
                  .get("leqDb")
                  .asDouble())
          .as("%s Hz", band.get("centreHz"))
          .isCloseTo(10 * Math.log10(energy), within(0.5));
    }
  }

  @Test
  @DisplayName(
      "the time that was put into the room comes out of its claps, within 10 % at mid frequencies")
  void decayThereAndBack() {
    Run.json("simulate", RoomFile.in(folder), out("c"), "--what", "claps", "--seconds", 12);
    JsonNode measured = Run.json("measure", "decay", out("c"));
    double predicted =
        Run.band(Run.json("predict", RoomFile.in(folder)).get("bands"), 1000)
            .get("eyringSeconds")
            .asDouble();
    assertThat(measured.get("takes").asInt()).isEqualTo(5);
    assertThat(measured.get("tMidSeconds").asDouble())
        .isCloseTo(predicted, within(0.1 * predicted));
  }

  @Test
  @DisplayName("a response starts with the direct sound after distance over speed of sound, as 1/r")
  void directSoundOfAResponse() {
    Run.json("simulate", RoomFile.in(folder), out("r"), "--what", "response", "--seconds", 1);
    double[] x = SoundFile.readChannel(out("r"), 0).toArray();
    int arrival = (int) Math.round(0.3 / 343.2 * 48_000);
    for (int i = 0; i < arrival; i++) {
      assertThat(x[i]).isZero();
    }
    assertThat(x[arrival]).isCloseTo(1 / 0.3, within(0.5));
  }

  @Test
  @DisplayName(
      "a simulated response, measured, shows what was predicted: times, clarity, first reflections")
  void responseThereAndBack() {
    Path room = RoomFile.in(folder);
    Run.json("simulate", room, out("ir"), "--what", "response", "--seconds", 1.5);
    JsonNode measured = Run.json("measure", "decay", out("ir"), "--excitation", "impulse");
    JsonNode predicted = Run.json("predict", room);
    for (double hz : new double[] {1000, 2000, 4000}) {
      JsonNode is = Run.band(measured.get("bands"), hz);
      JsonNode should = Run.band(predicted.get("bands"), hz);
      double t20 = should.get("t20Seconds").asDouble();
      assertThat(is.get("t20Seconds").asDouble()).as("%s Hz", hz).isCloseTo(t20, within(0.1 * t20));
      assertThat(is.get("c50Db").asDouble())
          .as("%s Hz", hz)
          .isCloseTo(should.get("c50Db").asDouble(), within(1.5));
    }
    JsonNode first = predicted.get("reflections").get(0);
    assertThat(Run.elements(measured.get("reflections")))
        .anyMatch(r ->
            Math.abs(r.get("delaySeconds").asDouble() - first.get("delaySeconds").asDouble()) < 1e-4
                && Math.abs(r.get("levelDb").asDouble() - first.get("levelDb").asDouble()) < 1.5);
  }

  @Test
  @DisplayName(
      "a simulated sweep, measured, shows the room: its time, its reflections; and the loudspeaker's distortion, latency and clock")
  void sweepThereAndBack() {
    Path room = RoomFile.in(folder);
    Run.json("simulate", room, out("s"), "--what", "sweep");
    JsonNode json = Run.json("measure", "decay", out("s"));
    assertThat(json.get("excitation").asString()).isEqualTo("sweep");
    double predicted =
        Run.band(Run.json("predict", room).get("bands"), 1000).get("eyringSeconds").asDouble();
    assertThat(json.get("directArrivalSeconds").asDouble())
        .isCloseTo(0.5 + 0.12 + 0.3 / 343.2, within(0.001));
    assertThat(json.get("tMidSeconds").asDouble()).isCloseTo(predicted, within(0.15 * predicted));
    assertThat(json.get("harmonicDistortionPercent").asDouble())
        .isCloseTo(100 * Math.hypot(0.006, 0.003), within(0.15));
    assertThat(Run.elements(json.get("warnings")).stream().map(JsonNode::asString))
        .anyMatch(w -> w.contains("clock differs"));
    List<FirstArrivals.Arrival> paths = FirstArrivals.of(BookFolder.readRoom(room));
    FirstArrivals.Arrival strongest =
        paths.stream()
            .max(Comparator.comparingDouble(FirstArrivals.Arrival::levelDb))
            .orElseThrow();
    // two others come at the same time here and are stronger together
    assertThat(Run.elements(json.get("reflections")))
        .anyMatch(r ->
            Math.abs(r.get("delaySeconds").asDouble() - strongest.extraMetres() / 343.2) < 1e-4
                && Math.abs(r.get("levelDb").asDouble() - strongest.levelDb()) < 1.5);
  }

  @Test
  void aVoiceStandsOverTheNoiseAndDoesNotClip() {
    Run.json("simulate", RoomFile.in(folder), out("v"), "--what", "voice", "--seconds", 8);
    JsonNode level = Run.json("measure", "level", out("v"));
    double voice = Math.log10(1 / 0.3) * 20 + 62.3 - FULL_SCALE;
    assertThat(level.get("rmsDbfs").asDouble()).isBetween(voice - 5, voice + 3);
    assertThat(level.get("clippedRuns").asInt()).isZero();
  }

  @Test
  void wrongWishesAreRefusedAndNothingIsWritten() {
    Path room = RoomFile.in(folder);
    Run.of("simulate", room, out("x"), "--what", "trumpet").isRefusedWith("--what", "trumpet");
    Run.of("simulate", room, out("x"), "--seconds", "-1").isRefusedWith("--seconds");
    Run.of("simulate", folder.resolve("none.json"), out("x")).isRefusedWith("none.json");
    Run.of("simulate", room, folder.resolve("no folder").resolve("x.wav")).isRefusedWith("x.wav");
    assertThat(out("x")).doesNotExist();
  }
}
