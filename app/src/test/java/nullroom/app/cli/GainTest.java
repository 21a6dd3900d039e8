package nullroom.app.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import nullroom.app.TestBooks;
import nullroom.core.book.RoomBook;
import nullroom.core.book.School;
import nullroom.core.book.Staging;
import nullroom.io.book.BookFolder;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

class GainTest {
  @TempDir Path folder;
  private Path room = Path.of("");

  @BeforeEach
  void write() {
    room = folder.resolve("room.json");
    BookFolder.writeRoom(TestBooks.bedroom().room(), room);
  }

  @Test
  void aLouderVoiceTakesAsMuchLessGain() {
    JsonNode normal = Run.json("gain", room);
    JsonNode loud = Run.json("gain", room, "--effort", "loud");
    assertThat(normal.get("effort").asString()).isEqualTo("normal");
    assertThat(normal.get("gainDb").asDouble() - loud.get("gainDb").asDouble())
        .isCloseTo(12, within(3.5));
    assertThat(normal.get("peakDbfs").asDouble()).isBetween(-13.01, -12.0);
    assertThat(normal.get("words").get(0).get("bits").asInt()).isEqualTo(16);
    assertThat(Run.of("gain", room).out()).contains("dB of gain", "loudest line", "a shout");
  }

  @Test
  void schoolsAndLimitsAreObeyed() {
    JsonNode average = Run.json("gain", room, "--school", "average", "--allowance", "10");
    assertThat(average.get("activeSpeechDbfs").asDouble()).isBetween(-19.01, -18.0);
    assertThat(average.get("limiter").asBoolean()).isTrue();
    JsonNode weak = Run.json("gain", room, "--effort", "whispered", "--max-gain", "20");
    assertThat(weak.get("gainDb").asDouble()).isEqualTo(20);
    assertThat(weak.get("advice").toString()).contains("inline booster");
  }

  @Test
  void theBookSaysWhatIsRecordedAndWhatThePreampHas() {
    JsonNode acted = Run.json("gain", room, "--material", "acted");
    assertThat(acted.get("shoutDbfs").asDouble() - acted.get("peakDbfs").asDouble())
        .isCloseTo(12, within(1e-6));
    RoomBook bedroom = TestBooks.bedroom();
    Path book = folder.resolve("book");
    new BookFolder(book)
        .save(
            bedroom.with(
                bedroom.levels().with(new Staging(School.PEAKS, Staging.Material.READ, 2.5, 21))));
    JsonNode planned = Run.json("gain", book, "--effort", "whispered");
    assertThat(planned.get("gainDb").asDouble()).isEqualTo(21);
    assertThat(planned.get("shoutDbfs").asDouble() - planned.get("peakDbfs").asDouble())
        .isCloseTo(2.5, within(1e-6));
    assertThat(Run.of("gain", room, "--material", "opera").err()).contains("'opera' is none of");
  }

  @Test
  void wrongChoicesAreSaid() {
    assertThat(Run.of("gain", room, "--effort", "shy").err()).contains("'shy' is none of");
    assertThat(Run.of("gain", room, "--school", "loudest").err()).contains("peaks, average, float");
    assertThat(Run.of("gain", room, "--max-gain", "-3").err()).contains("between 0 and 120");
    assertThat(Run.of("gain", folder.resolve("none")).code()).isEqualTo(1);
  }
}
