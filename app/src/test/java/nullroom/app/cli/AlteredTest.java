package nullroom.app.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Random;
import nullroom.core.signal.Samples;
import nullroom.io.audio.WavWriter;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** What the command line says of a sound that a device has worked on. */
class AlteredTest {
  private static final int RATE = 48_000;

  @TempDir Path folder;
  private Path plain;
  private Path gated;

  @BeforeEach
  void sounds() {
    double[] x = new double[10 * RATE];
    double[] gate = new double[x.length];
    Random random = new Random(4);
    for (int k = 0; k < x.length; k++) {
      int since = k % (2 * RATE) - RATE / 2;
      double decay = since < 0 ? 0 : Math.pow(10, -3.0 * since / RATE / 0.4);
      x[k] = (0.3 * decay + 1e-4) * random.nextGaussian() * 0.5;
      gate[k] = decay > 0.01 ? x[k] : 0.002 * x[k];
    }
    plain = write("plain.wav", x);
    gated = write("gated.wav", gate);
  }

  private Path write(String name, double[] x) {
    Path file = folder.resolve(name);
    WavWriter.writeFloat(file, new Samples(x, RATE));
    return file;
  }

  @ParameterizedTest
  @DisplayName("each measurement names it, with its moment, and which way its figures are wrong")
  @CsvSource({"noise, reads too low", "decay, decays read too short", "level, floor reads lower"})
  void told(String measured, String wrong) {
    JsonNode untouched = Run.json("measure", measured, plain.toString());
    assertThat(untouched.get("altered")).isEmpty();
    JsonNode out = Run.json("measure", measured, gated.toString());
    JsonNode one = out.get("altered").get(0);
    assertThat(one.get("kind").asString()).isEqualTo("gate");
    assertThat(one.get("evidence").asString()).contains("within 10 ms");
    assertThat(one.get("fromSeconds").asDouble()).isBetween(0.0, 2.0);
    assertThat(one.get("toSeconds").asDouble()).isBetween(8.0, 10.0);
    assertThat(out.get("warnings").toString()).contains(wrong).contains("switch off the gate");
  }

  @Test
  @DisplayName("in text it stands among the notes")
  void text() {
    assertThat(Run.of("measure", "noise", gated).out()).contains("note: The sound shows a gate");
  }
}
