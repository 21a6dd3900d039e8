package nullroom.app.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import nullroom.app.desktop.DemoBook;
import nullroom.core.book.Hearing;
import nullroom.core.book.RoomBook;
import nullroom.core.plan.GainPlan;
import nullroom.core.plan.Ladder;
import nullroom.core.plan.Margin;
import nullroom.core.plan.Verdicts;
import nullroom.core.predict.Heard;
import nullroom.io.book.BookFolder;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** One book, one answer: whichever face is asked. */
class FacesTest {
  @TempDir private static Path folder;
  private static Path bookFolder;
  private static RoomBook book;

  @BeforeAll
  static void demo() {
    bookFolder = folder.resolve("demo");
    book = DemoBook.create(bookFolder);
  }

  @Test
  @DisplayName("window, predict and gain give the measured book's figures alike, to 0.01 dB")
  void alike() {
    Heard window = Hearing.traced(book).heard(); // as the window's tracing refines it
    Verdicts verdicts = Verdicts.of(window, book.goal().targets());
    JsonNode predicted = Run.json("predict", bookFolder);
    for (Margin margin : verdicts.all()) {
      String name = margin.name().toLowerCase(Locale.ROOT);
      assertThat(predicted.get("margins").get(name + "Db").asDouble())
          .isCloseTo(margin.db(), within(0.01));
      assertThat(predicted.get("uncertaintyDb").get(name + "Db").asDouble())
          .isCloseTo(margin.uncertaintyDb(), within(0.01));
      assertThat(predicted.get("verdicts").get(name).asString()).isEqualTo(margin.verdict().id());
    }
    GainPlan plan = GainPlan.of(window, book.goal().targets(), book.levels().staging());
    JsonNode gain = Run.json("gain", bookFolder);
    double change = gain.get("gainChangeDb").asDouble();
    Ladder ladder = Ladder.of(window, book.goal().targets());
    assertThat(gain.get("gainDb").asDouble()).isEqualTo(plan.gainDb());
    assertThat(gain.get("voiceDbfsA").asDouble() - change)
        .as("the voice of the gain is the ladder's")
        .isCloseTo(level(ladder, "voice"), within(0.01));
    assertThat(gain.get("peakDbfs").asDouble() - change)
        .isCloseTo(level(ladder, "loudest peak"), within(0.01));
    assertThat(predicted.get("basis").toString())
        .isEqualTo(
            "{\"decay\":\"measured\",\"noise\":\"measured\",\"voice\":\"assumed\",\"scale\":\"assumed\"}");
    assertThat(predicted.get("warnings").toString())
        .as("an acted room is not taken for a real one")
        .contains("Not a real room: heard in the simulated room");
  }

  private static double level(Ladder ladder, String label) {
    return ladder.rungs().stream()
        .filter(r -> r.label().equals(label))
        .mapToDouble(Ladder.Rung::dbfs)
        .findFirst()
        .orElseThrow();
  }

  @Test
  @DisplayName(
      "a noise of the gain plan at the gain of now is the ladder's: one converter, with dither")
  void noiseAlike() {
    JsonNode gain = Run.json("gain", bookFolder);

    RoomBook set =
        book.with(
            book.room()
                .withMicrophone(
                    book.room()
                        .requireMicrophone()
                        .with(
                            book.room()
                                .requireMicrophone()
                                .capture()
                                .withGainDb(gain.get("gainDb").asDouble()))));
    new BookFolder(folder.resolve("set")).save(set);
    JsonNode at = Run.json("gain", folder.resolve("set"));
    Heard heard = Hearing.traced(set).heard();
    assertThat(at.get("gainChangeDb").asDouble()).isZero();
    assertThat(at.get("noiseDbfsA").asDouble())
        .isCloseTo(heard.dbfs(heard.noiseDbSplA()), within(0.01));
  }

  @Test
  @DisplayName("the same lines answer why on the command line and in the window")
  void why() {
    List<String> window =
        Ladder.of(Hearing.traced(book).heard(), book.goal().targets()).whyOf("Clear").lines();
    assertThat(Run.of("predict", bookFolder, "--why").out())
        .contains(String.join(System.lineSeparator(), window));
    JsonNode json = Run.json("predict", bookFolder, "--why").get("why");
    assertThat(Run.elements(json).stream().map(w -> w.get("of").asString()))
        .contains("Quiet", "Clear", "Safe", "voice", "converter");
    assertThat(Run.of("gain", bookFolder, "--why").out())
        .contains("gain: ", "common practice", "loudest peak");
  }

  @Test
  @DisplayName("several rooms: one object a line in their order, an error for what is refused")
  void batch() throws Exception {
    Path room = RoomFile.in(folder);
    Path broken = Files.writeString(folder.resolve("broken.json"), "{ \"name\": \"x\" }");
    Run run = Run.of("predict", room, broken, bookFolder, "--json", "--quick");
    assertThat(run.code()).isEqualTo(1);
    List<String> lines = run.out().lines().toList();
    assertThat(lines).hasSize(3);
    assertThat(JsonMapper.shared().readTree(lines.get(1)).get("error").asString()).isNotBlank();
    JsonNode alone = Run.json("predict", room, "--quick");
    assertThat(JsonMapper.shared().readTree(lines.getFirst())).isEqualTo(alone);
    assertThat(Run.of("predict", room, room, "--quick").out()).contains("room.json:");
    assertThat(Run.of("predict", room, room, "--quick", "--json").code()).isZero();
  }

  @Test
  @DisplayName("--goal changes the targets and nothing else; --quick leaves tracing out")
  void goalAndQuick() {
    Path room = RoomFile.in(folder);
    JsonNode usual = Run.json("predict", room, "--quick");
    JsonNode sung = Run.json("predict", room, "--quick", "--goal", "sungDry");
    assertThat(sung.get("targets").get("quietDb").asDouble()).isEqualTo(42);
    assertThat(usual.get("targets").get("quietDb").asDouble()).isEqualTo(38);
    assertThat(usual.get("targets").get("decayFromSeconds").asDouble()).isEqualTo(0.2);
    assertThat(usual.get("targets").get("decayToSeconds").asDouble()).isEqualTo(0.4);
    assertThat(sung.get("margins")).isEqualTo(usual.get("margins"));
    assertThat(usual.get("standardErrorDb").isNull()).isTrue();
    for (JsonNode band : usual.get("bands")) {
      assertThat(band.get("t20Seconds")).isEqualTo(band.get("statisticsSeconds"));
      assertThat(band.get("edtSeconds")).isEqualTo(band.get("statisticsSeconds"));
    }
    Heard quick = Hearing.quick(BookFolder.readBook(room)).heard();
    assertThat(usual.get("margins").get("clearDb").asDouble())
        .isCloseTo(quick.margins().clearDb(), within(0.01));
    Run wrong = Run.of("predict", room, "--goal", "opera");
    assertThat(wrong.code()).isEqualTo(2);
    assertThat(wrong.err()).contains("'opera' is none of spokenClose, spokenOnCamera");
  }

  @Test
  @DisplayName(
      "the word follows the printed figures: cannotTell within the uncertainty of the target")
  void words() {
    for (String gain : List.of("10", "40", "62", "70")) {
      JsonNode json =
          Run.json(
              "predict", RoomFile.in(folder, "\"gainDb\": 40", "\"gainDb\": " + gain), "--quick");
      for (String name : List.of("quiet", "clear", "safe")) {
        double over =
            json.get("margins").get(name + "Db").asDouble()
                - json.get("targets").get(name + "Db").asDouble();
        double give = json.get("uncertaintyDb").get(name + "Db").asDouble();
        String expected =
            Math.abs(over) < give
                ? "cannotTell"
                : over >= 0 ? "met" : over >= -3 ? "close" : "short";
        assertThat(json.get("verdicts").get(name).asString()).as(name + gain).isEqualTo(expected);
      }
    }
  }
}
