package nullroom.app.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

class MicTest {
  @TempDir Path folder;

  private Path room() throws IOException {
    return RoomFile.in(folder, "", "");
  }

  @Test
  @DisplayName("has every key, and each entry's room gives its margins to predict")
  void json() throws IOException {
    JsonNode out =
        Run.json(
            "mic", room().toString(), "--top", "3", "--second", "--distances", "Clip-on, omni");
    assertThat(out.propertyNames())
        .containsExactly("goal", "targets", "ranking", "distances", "backup", "frames", "warnings");
    assertThat(out.get("ranking")).hasSize(3);
    for (JsonNode entry : out.get("ranking")) {
      assertThat(entry.propertyNames())
          .containsExactly(
              "microphone",
              "input",
              "booster",
              "place",
              "at",
              "azimuthDegrees",
              "elevationDegrees",
              "distanceMetres",
              "gainDb",
              "margins",
              "worst",
              "swayDb",
              "weakest",
              "shortDb",
              "why",
              "chain",
              "price",
              "needs",
              "room");
      Path there = folder.resolve("there.json");
      Files.writeString(there, entry.get("room").toString());
      JsonNode again = Run.json("predict", there.toString(), "--quick");
      for (String margin : new String[] {"quietDb", "clearDb", "safeDb"}) {
        assertThat(again.get("margins").get(margin).asDouble())
            .as(margin)
            .isCloseTo(entry.get("margins").get(margin).asDouble(), within(0.01));
      }
      assertThat(entry.get("chain")).hasSize(6);
    }
    assertThat(out.get("distances")).isNotEmpty();
    assertThat(out.get("backup").get("failsDifferently")).isNotEmpty();
  }

  @Test
  @DisplayName("an empty shelf, a name that is not there and a shelf that is wrong are named")
  void bad() throws IOException {
    Path empty = Files.writeString(folder.resolve("empty.json"), "{}");
    Run.of("mic", room(), "--shelf", empty).isRefusedWith("holds no microphone");
    Run.of("mic", room(), "--distances", "gold plated").isRefusedWith("'gold plated' is none of");
    Path wrong =
        Files.writeString(
            folder.resolve("wrong.json"),
            "{ \"microphones\": [ { \"name\": \"a\", \"class\": \"boundary\", \"pattern\": \"square\" } ] }");
    Run.of("mic", room(), "--shelf", wrong).isRefusedWith("pattern", "line 1");
    Run.of("mic", room(), "--top", "0").isRefusedWith("must be 1 or more");
  }
}
