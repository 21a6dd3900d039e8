package nullroom.app.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import nullroom.core.signal.Samples;
import nullroom.io.audio.SoundFile;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

class SweepTest {
  @TempDir Path folder;

  @Test
  @DisplayName("the written sweep has the stated law, level, repeats and pauses")
  void law() {
    Path out = folder.resolve("s.wav");
    JsonNode json =
        Run.json(
            "sweep",
            out,
            "--from",
            "50",
            "--to",
            "12800",
            "--seconds",
            "4",
            "--repeats",
            "2",
            "--pause",
            "1",
            "--rate",
            "44100",
            "--level",
            "-6");
    assertThat(json.get("durationSeconds").asDouble()).isEqualTo(10);
    Samples sound = SoundFile.readChannel(out, 0);
    double[] x = sound.toArray();
    assertThat(sound.sampleRateHz()).isEqualTo(44_100);
    assertThat(x).hasSize(441_000);
    double peak = 0;
    for (double v : x) {
      peak = Math.max(peak, Math.abs(v));
    }
    assertThat(20 * Math.log10(peak)).isCloseTo(-6, within(0.01));
    // 8 octaves in 4 s: an octave each half second, 800 Hz after two
    int crossings = 0;
    for (int i = (int) (1.95 * 44_100); i < 2.05 * 44_100; i++) {
      crossings += x[i] < 0 && x[i + 1] >= 0 ? 1 : 0;
    }
    assertThat(crossings / 0.1).isCloseTo(800, within(15.0));
    for (int i = 0; i < 4 * 44_100; i++) {
      assertThat(x[i + 5 * 44_100]).isEqualTo(x[i]);
    }
    assertThat(x[(int) (4.5 * 44_100)]).isZero();
  }

  @Test
  @DisplayName("played unchanged, a sweep measured against itself has no room and no distortion")
  void againstItself() {
    Path out = folder.resolve("s.wav");
    Run.json("sweep", out, "--seconds", "5", "--repeats", "2");
    JsonNode json = Run.json("measure", "decay", out, "--sweep-seconds", "5", "--sweep-from", "20");
    assertThat(json.get("excitation").asString()).isEqualTo("sweep");
    assertThat(json.get("takes").asInt()).isEqualTo(2);
    assertThat(json.get("directArrivalSeconds").asDouble()).isCloseTo(0, within(1e-4));
    assertThat(json.get("harmonicDistortionPercent").asDouble()).isLessThan(0.05);
    assertThat(json.get("reflections")).isEmpty();
    JsonNode auto = Run.json("measure", "decay", out);
    assertThat(auto.get("takes").asInt()).isEqualTo(2);
  }

  @Test
  void refusesWhatCannotBeASweep() {
    Path out = folder.resolve("s.wav");
    Run.of("sweep", out, "--from", "0").isRefusedWith("--from");
    Run.of("sweep", out, "--to", "30").isRefusedWith("--to");
    Run.of("sweep", out, "--to", "23000", "--rate", "44100").isRefusedWith("--to");
    Run.of("sweep", out, "--seconds", "1000").isRefusedWith("--seconds");
    Run.of("sweep", out, "--repeats", "0").isRefusedWith("--repeats");
    Run.of("sweep", out, "--repeats", "1000").isRefusedWith("--repeats");
    Run.of("sweep", out, "--pause", "-1").isRefusedWith("--pause");
    Run.of("sweep", out, "--level", "3").isRefusedWith("--level");
    Run.of("sweep", out, "--rate", "100").isRefusedWith("--rate");
    assertThat(out).doesNotExist();
  }
}
