package nullroom.app.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import nullroom.app.TestBooks;
import nullroom.core.Progress;
import nullroom.core.book.AtHand;
import nullroom.core.book.RoomBook;
import nullroom.core.book.TreatmentPiece;
import nullroom.core.plan.treatment.TreatmentPlan;
import nullroom.core.plan.treatment.TreatmentPlanner;
import nullroom.core.plan.treatment.TreatmentSchool;
import nullroom.io.book.BookFolder;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

class TreatTest {
  private static final String PIECES =
      """
      { "pieces": [
          { "name": "duvet", "count": 2, "owned": true, "minutes": 10, "widthMetres": 1.35, "heightMetres": 2.0,
            "material": "duvet_100", "hold": "stand" },
          { "name": "panel", "count": 2, "owned": false, "price": 25, "widthMetres": 1.2, "heightMetres": 0.6, "turnable": true,
            "absorption": [0.2, 0.4, 0.8, 1, 1, 1, 1, 1], "hold": "hook", "on": ["wall2", "wall4"] } ],
        "budget": 30, "minutes": 40, "reachMetres": 2.2,
        "keepClear": [ { "surface": "wall1", "corners": [[0, 0], [1.2, 0], [1.2, 2.2], [0, 2.2]], "why": "door swings here" } ] }
      """;

  /** A goal that the room is short of. */
  private static final String CLOSE = "spokenClose";

  @TempDir Path folder;

  private Path pieces(String text) throws IOException {
    return Files.writeString(folder.resolve("pieces.json"), text);
  }

  private Path room() {
    return RoomFile.in(folder, "", "");
  }

  @Test
  @DisplayName("has every key, keeps every limit, and its room gives its figures to predict")
  void json() throws IOException {
    Path room = room();
    JsonNode json = Run.json("treat", room, "--goal", CLOSE, "--at-hand", pieces(PIECES));
    assertThat(Run.keys(json))
        .containsExactly("goal", "targets", "before", "plans", "evaluations", "limits", "warnings");
    List<JsonNode> plans = Run.elements(json.get("plans"));
    assertThat(plans).hasSize(5);
    assertThat(Run.elements(plans.getFirst().get("pieces"))).isNotEmpty();
    assertThat(plans.getFirst().get("school").asString()).isEqualTo("free");
    JsonNode now = Run.json("predict", room, "--goal", CLOSE, "--quick");
    assertThat(json.get("before").get("clearDb").asDouble())
        .isCloseTo(now.get("margins").get("clearDb").asDouble(), within(1e-4));
    for (JsonNode plan : plans) {
      assertThat(Run.keys(plan))
          .containsExactly(
              "school",
              "pieces",
              "after",
              "traced",
              "price",
              "minutes",
              "boundOffDb",
              "proved",
              "gapPercent",
              "room",
              "cautions",
              "notes");
      assertThat(plan.get("price").asDouble()).isLessThanOrEqualTo(30);
      assertThat(plan.get("minutes").asDouble()).isLessThanOrEqualTo(40);
      for (JsonNode piece : Run.elements(plan.get("pieces"))) {
        assertThat(piece.get("surface").asString()).startsWith("wall");
        assertThat(Run.elements(piece.get("corners"))).hasSize(4);
      }
      Path then = Files.writeString(folder.resolve("then.json"), plan.get("room").toString());
      JsonNode predicted = Run.json("predict", then, "--quick").get("margins");
      assertThat(plan.get("after").get("clearDb").asDouble())
          .isCloseTo(predicted.get("clearDb").asDouble(), within(0.01));
      assertThat(plan.get("after").get("quietDb").asDouble())
          .isCloseTo(predicted.get("quietDb").asDouble(), within(0.01));
    }
  }

  @Test
  @DisplayName("one school alone, the free one beside it; in words as well")
  void schools() throws IOException {
    JsonNode json =
        Run.json("treat", room(), "--school", "even", "--most", 1, "--at-hand", pieces(PIECES));
    assertThat(Run.elements(json.get("plans")))
        .extracting(p -> p.get("school").asString())
        .containsExactly("free", "even");
    assertThat(Run.elements(json.get("plans").get(0).get("pieces"))).hasSizeLessThanOrEqualTo(1);
    Run words =
        Run.of("treat", room(), "--school", "free", "--goal", CLOSE, "--at-hand", pieces(PIECES));
    assertThat(words.code()).isZero();
    assertThat(words.out()).contains("whatever the figures say", "dB off the goal", "Weigh stands");
    assertThat(Run.of("treat", room(), "--school", "mine").code()).isEqualTo(2);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "\"count\": 2, \"owned\": true | \"count\": 0, \"owned\": true | pieces[0].count at line 2, column 33 must lie between 1 and 50, not 0",
        "\"price\": 25 | \"price\": -5 | pieces[1].price at line 4, column 61 must lie between 0",
        "\"hold\": \"stand\" | \"hold\": \"glue\" | pieces[0].hold at line 3, column 40 'glue' is none of stand",
        "\"material\": \"duvet_100\" | \"material\": \"down\" | pieces[0] at line 2, column 5 there is no material 'down'",
        "[\"wall2\", \"wall4\"] | [\"floor\"] | pieces[1].on at line 5, column 75 “floor” and hold “hook” go against each other",
        "\"budget\": 30 | \"budget\": -1 | budget at line 6, column 13 must lie between 0",
        "\"surface\": \"wall1\" | \"surface\": \"roof\" | keepClear[0].surface at line 7",
        "\"widthMetres\": 1.2 | \"widthMetres\": \"1.2\" | pieces[1].widthMetres at line 4"
      })
  @DisplayName("PIECES.json: what is wrong is named with line and field")
  void wrong(String before, String now, String sentence) throws IOException {
    Run.of("treat", room(), "--at-hand", pieces(PIECES.replace(before, now)), "--json")
        .isRefusedWith(sentence);
  }

  @Test
  void moneyUnderNoughtAndMissingFilesAreRefused() throws IOException {
    Run.of("treat", room(), "--budget", -3).isRefusedWith("budget", "must lie between 0");
    Run.of("treat", room(), "--at-hand", folder.resolve("none.json"))
        .isRefusedWith("does not exist");
    JsonNode nothing =
        Run.json("treat", room(), "--at-hand", pieces("{ \"pieces\": [] }"), "--budget", 0);
    assertThat(Run.elements(nothing.get("plans").get(0).get("pieces"))).isEmpty();
    assertThat(Run.warns(nothing, "Nothing is at hand")).isTrue();
  }

  @Test
  @DisplayName(
      "what the book has at hand is taken where no file is named; the window plans the same")
  void ofTheBook() {
    Path folderOfBook = folder.resolve("book");
    RoomBook bedroom = TestBooks.bedroom();
    TreatmentPiece rug = AtHand.USUAL.pieces().get(2);
    RoomBook book = bedroom.with(AtHand.USUAL.withPieces(List.of(rug)).withMinutes(20));
    new BookFolder(folderOfBook).save(book);
    JsonNode json = Run.json("treat", folderOfBook, "--school", "free");
    TreatmentPlan same =
        TreatmentPlanner.plan(
                book, book.hand(), EnumSet.of(TreatmentSchool.FREE), 12, Progress.NONE)
            .plans()
            .getFirst();
    JsonNode plan = json.get("plans").get(0);
    assertThat(plan.get("after").get("offDb").asDouble())
        .isCloseTo(same.after().offDb(), within(1e-4));
    assertThat(Run.elements(plan.get("pieces")))
        .extracting(p -> p.get("name").asString())
        .isSubsetOf("rug");
  }

  @Test
  @DisplayName("the hanging list is written beside the figures; where it cannot be, that is said")
  void list() throws IOException {
    Path list = folder.resolve("list.pdf");
    Run run =
        Run.of(
            "treat",
            room(),
            "--school",
            "free",
            "--at-hand",
            pieces(PIECES),
            "--goal",
            CLOSE,
            "--list",
            list);
    assertThat(run.code()).isZero();
    assertThat(Files.readAllBytes(list)).startsWith("%PDF".getBytes(StandardCharsets.US_ASCII));
    Run.of("treat", room(), "--school", "free", "--list", folder.resolve("no/such/list.pdf"))
        .isRefusedWith("cannot be written");
  }
}
