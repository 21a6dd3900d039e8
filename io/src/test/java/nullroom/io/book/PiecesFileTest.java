package nullroom.io.book;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import nullroom.core.Trouble;
import nullroom.core.book.AtHand;
import nullroom.core.book.TreatmentPiece;
import nullroom.core.room.Finish;
import nullroom.core.room.Surface;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is at hand, as a file of its own. */
class PiecesFileTest {
  private static final String PIECE =
      """
      { "name": "wool", "widthMetres": 1.2, "heightMetres": 0.6, "hold": "hook",
        "porous": { "flowResistivity": 8000, "thicknessMetres": 0.1, "gapMetres": 0.05 },
        "on": ["wall2", "ceiling"], "turnable": true, "count": 4, "owned": false, "price": 40,
        "minutes": 15, "weightKg": 5, "coloured": true }
      """;

  @TempDir Path folder;

  private Path file(String text) throws IOException {
    return Files.writeString(folder.resolve("pieces.json"), text);
  }

  @Test
  @DisplayName("everything that can be said is read, and written so that it is read alike")
  void whole() throws IOException {
    AtHand hand =
        PiecesFile.read(
            file(
                """
                { "pieces": [ %s ], "budget": 60, "minutes": 30, "drilling": true, "ladder": true,
                  "reachMetres": 2.4, "inPicture": "allowed", "states": false, "moves": true,
                  "keepClear": [ { "surface": "wall1", "corners": [[0, 0], [1, 0], [1, 2]], "why": "heater" } ] }
                """
                    .formatted(PIECE)));
    TreatmentPiece piece = hand.pieces().getFirst();
    assertThat(piece.finish()).isInstanceOf(Finish.Porous.class);
    assertThat(piece.on()).isEqualTo(Set.of("wall2", "ceiling"));
    assertThat(piece.isFor(Surface.wall(2))).isTrue();
    assertThat(piece.isFor(Surface.wall(1))).isFalse();
    assertThat(piece.toPay()).isEqualTo(40);
    assertThat(piece.weightKg()).hasValue(5);
    assertThat(piece.coloured()).isTrue();
    assertThat(piece.trace()).isEqualTo("may leave a mark");
    assertThat(hand.budget()).hasValue(60);
    assertThat(hand.inPicture()).isTrue();
    assertThat(hand.states()).isFalse();
    assertThat(hand.moves()).isTrue();
    assertThat(hand.keepClear().getFirst().patch().name()).isEqualTo("heater");
    Path copy = folder.resolve("copy.json");
    PiecesFile.write(hand, copy);
    assertThat(PiecesFile.read(copy)).isEqualTo(hand);
  }

  @Test
  @DisplayName("what is not said is usual")
  void usual() throws IOException {
    AtHand hand =
        PiecesFile.read(
            file(
                """
                { "pieces": [ { "name": "rug", "widthMetres": 2, "heightMetres": 1.4,
                  "material": "rug_on_wood", "hold": "lay" } ] }
                """));
    TreatmentPiece rug = hand.pieces().getFirst();
    assertThat(rug.count()).isEqualTo(1);
    assertThat(rug.owned()).isTrue();
    assertThat(rug.minutes()).isEqualTo(10);
    assertThat(rug.weightKg()).isEmpty();
    assertThat(hand.budget()).isEmpty();
    assertThat(hand.reachMetres()).isEqualTo(AtHand.USUAL_REACH_METRES);
    assertThat(hand.states()).isTrue();
    assertThat(hand.moves()).isFalse();
    assertThat(PiecesFile.read(file("{}")).pieces()).isEmpty();
  }

  @ParameterizedTest
  @DisplayName("each wrong field is named with its line and what it must be")
  @CsvSource(
      delimiter = '|',
      value = {
        "\"count\": 4|\"count\": 0|pieces[0].count|between 1 and 50",
        "\"count\": 4|\"count\": 1.5|pieces[0].count|whole number",
        "\"price\": 40|\"price\": -1|pieces[0].price|between 0",
        "\"minutes\": 15|\"minutes\": -1|pieces[0].minutes|between 0",
        "\"widthMetres\": 1.2|\"widthMetres\": 0|pieces[0].widthMetres|0.05",
        "\"weightKg\": 5|\"weightKg\": -1|pieces[0].weightKg|between 0",
        "\"hook\"|\"glue\"|pieces[0].hold|none of stand, rail",
        "\"wall2\", |\"floor\", |pieces[0].on|go against each other",
        "\"wall2\", |\"roof\", |pieces[0].on|no surface “roof”",
        "8000|-3|pieces[0].porous|flow resistivity",
        "\"name\": \"wool\"|\"name\": \" \"|pieces[0].name|is missing",
        "\"coloured\": true|\"coloured\": \"red\"|pieces[0].coloured|true or false"
      })
  void wrong(String right, String bad, String field, String words) throws IOException {
    assertThat(PIECE).contains(right);
    Path file = file("{ \"pieces\": [\n" + PIECE.replace(right, bad) + "] }");
    assertThatThrownBy(() -> PiecesFile.read(file))
        .isInstanceOf(Trouble.BadFile.class)
        .hasMessageContaining(field)
        .hasMessageContaining("line ")
        .hasMessageContaining(words);
  }

  @ParameterizedTest
  @DisplayName("limits that cannot be are named")
  @CsvSource(
      delimiter = '|',
      value = {
        "\"budget\": -1|budget",
        "\"minutes\": -1|minutes",
        "\"reachMetres\": 0|reachMetres",
        "\"inPicture\": \"maybe\"|inPicture",
        "\"keepClear\": [{ \"surface\": \"sky\", \"corners\": [[0,0],[1,0],[1,1]] }]|keepClear[0].surface",
        "\"keepClear\": [{ \"surface\": \"wall1\", \"corners\": [[0,0],[1,0],[2,0]] }]|keepClear[0]",
        "\"pieces\": \"none\"|pieces"
      })
  void limits(String text, String field) throws IOException {
    Path file = file("{ " + text + " }");
    assertThatThrownBy(() -> PiecesFile.read(file)).hasMessageContaining(field);
  }
}
