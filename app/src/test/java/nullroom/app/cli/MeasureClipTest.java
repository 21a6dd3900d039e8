package nullroom.app.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** One clip on the command line, of the room that the simulated device acts. */
class MeasureClipTest {
  @TempDir Path folder;

  @Test
  @DisplayName("parts in their order, noise, decay, voice and verdicts of one file")
  void clip() {
    Path room = RoomFile.in(folder);
    Path sound = folder.resolve("clip.wav");
    Run.json("simulate", room, sound, "--what", "clip", "--seconds", 38, "--seed", 3);
    JsonNode out = Run.json("measure", "clip", sound, "--room", room, "--distance", "0.3");
    assertThat(Run.elements(out.get("parts")))
        .extracting(p -> p.get("kind").asString())
        .containsExactly("quiet", "talk", "claps");
    assertThat(out.get("takes").asInt()).isGreaterThanOrEqualTo(3);
    assertThat(out.get("voice").get("levelDbA").asDouble()).isCloseTo(60, within(1e-3));
    assertThat(out.get("voice").get("octaveDbSplAtMetre")).hasSize(8);
    assertThat(out.get("noiseDbA").asDouble())
        .as("the room file's octaves A-weighted, 26.2 dBA, and 16 dBA of the microphone")
        .isCloseTo(26.7, within(1.5));
    assertThat(out.get("uncertaintyDb").get("quietDb").asDouble()).isLessThan(3);
    assertThat(out.get("altered")).isEmpty();
    JsonNode loud =
        Run.json(
            "measure", "clip", sound, "--room", room, "--distance", "0.3", "--effort", "raised");
    assertThat(loud.get("noiseDbA").asDouble() - out.get("noiseDbA").asDouble())
        .isCloseTo(6, within(0.5));
    assertThat(loud.get("margins").get("quietDb").asDouble())
        .as("the ratio stays but for the microphone's own noise")
        .isCloseTo(out.get("margins").get("quietDb").asDouble(), within(1.5));
  }
}
