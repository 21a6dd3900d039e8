package nullroom.io.book;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import nullroom.core.Trouble;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.book.Kit;
import nullroom.core.book.KitField;
import nullroom.core.book.Shelf;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Shelves of kit as files of their own. */
class ShelfFileTest {
  private static final String ALL =
      """
      { "microphones": [
          { "name": "pencil", "class": "sdc_cardioid", "selfNoiseDbA": 13, "price": 200, "owned": false },
          { "name": "lapel", "class": "lav_omni_wired", "connector": "trs35", "power": "plugIn", "places": ["clip"] } ],
        "inputs": [ { "name": "box", "connectors": ["xlr", "trs35"], "phantom": true, "einDbu": -128 } ],
        "boosters": [ { "name": "lift", "gainDb": 25, "needsPhantom": true } ],
        "transmitters": [ { "name": "sender", "gainDb": 10, "automatic": true } ],
        "cables": [ { "name": "lead", "from": "xlr", "to": "xlr", "lengthMetres": 5 } ],
        "boomMetres": 1.5, "standMetres": 2, "shot": "headAndShoulders" }
      """;

  @TempDir Path folder;

  private Path file(String name, String text) throws IOException {
    return Files.writeString(folder.resolve(name), text);
  }

  @Test
  @DisplayName("JSON is read, and written so that it is read alike")
  void json() throws IOException {
    Shelf shelf = ShelfFile.read(file("shelf.json", ALL));
    assertThat(shelf.kit()).hasSize(6);
    assertThat(shelf.boomMetres()).isEqualTo(1.5);
    assertThat(shelf.shot()).contains(Shelf.Shot.HEAD_AND_SHOULDERS);
    assertThat(shelf.types().getFirst().selfNoiseDbA()).isEqualTo(13);
    assertThat(shelf.stillToBuy()).isEqualTo(200);
    Path copy = folder.resolve("copy.json");
    ShelfFile.write(shelf, copy);
    assertThat(ShelfFile.read(copy)).isEqualTo(shelf);
  }

  @Test
  @DisplayName("CSV holds the same things; semicolons and a mark at its beginning do no harm")
  void csv() throws IOException {
    Shelf shelf = ShelfFile.read(file("shelf.json", ALL));
    Path table = folder.resolve("shelf.CSV");
    ShelfFile.write(shelf, table);
    assertThat(ShelfFile.read(table).kit()).isEqualTo(shelf.kit());
    Path by =
        file(
            "other.csv", "\uFEFFkind;name;class;selfNoiseDbA;owned\nmicrophone;a;ribbon;16,5;no\n");
    Kit kit = ShelfFile.read(by).kit().getFirst();
    assertThat(kit.number(KitField.SELF_NOISE)).isEqualTo(16.5);
    assertThat(kit.is(KitField.OWNED)).isFalse();
  }

  @Test
  @DisplayName("a thing of every kind, nothing stated, keeps through both kinds of file")
  void everyKind() {
    Shelf shelf = Shelf.EMPTY;
    for (MicrophoneType type : MicrophoneType.ALL) {
      shelf = shelf.plus(Kit.of(type, type.label()));
    }
    for (Kit.Kind kind : Kit.Kind.values()) {
      if (kind != Kit.Kind.MICROPHONE) {
        Kit kit = new Kit(kind, "a " + kind.word(), Map.of());
        for (KitField field : kind.fields()) {
          kit = kit.with(field, kit.usual(field));
        }
        shelf = shelf.plus(kit);
      }
    }
    ShelfFile.write(shelf, folder.resolve("all.json"));
    ShelfFile.write(shelf, folder.resolve("all.csv"));
    assertThat(ShelfFile.read(folder.resolve("all.json"))).isEqualTo(shelf);
    assertThat(ShelfFile.read(folder.resolve("all.csv"))).isEqualTo(shelf);
    assertThat(shelf.kit()).hasSize(MicrophoneType.ALL.size() + 7);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "\"sdc_cardioid\" | \"sdc_kardioid\" | microphones[0].class at line 2, column 34 'sdc_kardioid' is none of",
        "\"class\": \"sdc_cardioid\" | \"class\": \"sdc_cardioid\", \"pattern\": \"eight\" | microphones[0].pattern at line 2, column 61 'eight' is none of",
        "\"class\": \"lav_omni_wired\" | \"pattern\": \"omni\" | microphones[1].class at line 3, column 5 is missing",
        "\"selfNoiseDbA\": 13 | \"selfNoiseDbA\": \"13\" | microphones[0].selfNoiseDbA at line 2, column 66 must be a number",
        "\"selfNoiseDbA\": 13 | \"sensitivityDbvPerPascal\": 12 | Millivolts per pascal? That is −38.4 dBV",
        "\"name\": \"lapel\" | \"name\": \"pencil\" | two are called “pencil”",
        "\"shot\": \"headAndShoulders\" | \"shot\": \"knee\" | shot at line 8, column 48 'knee' is none of",
        "\"boomMetres\": 1.5 | \"boomMetres\": -3 | boomMetres at line 8, column 17 must lie between",
        "\"inputs\": [ | \"inputs\": 5, \"x\": [ | inputs at line 4, column 13 must be a list",
        "\"owned\": false | \"owned\": \"perhaps\" | microphones[0].owned at line 2, column"
      })
  @DisplayName("what is wrong in JSON is named with line and column")
  void wrongJson(String before, String now, String sentence) throws IOException {
    Path file = file("wrong.json", ALL.replace(before, now));
    assertThatThrownBy(() -> ShelfFile.read(file))
        .isInstanceOf(Trouble.BadFile.class)
        .hasMessageContaining(sentence);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "kind,name,class/microphone,a,ribbon/microphone,b,rybbon | line 3, column 3: class: 'rybbon' is none of",
        "kind,name,class,pattern/microphone,a,ribbon,square | line 2, column 4: pattern: 'square' is none of",
        "kind,name,colour/stand,a,red | line 1, column 3: 'colour' is no column",
        "kind,name/drum,a | line 2, column 1: 'drum' is none of microphone",
        "kind,name,einDbu/stand,a,-120 | line 2, column 3: einDbu: cannot be said of a stand",
        "kind,name,class,sensitivityDbvPerPascal/microphone,a,ribbon,1.8 | line 2, column 4: sensitivityDbvPerPascal: 1.8 dBV is hardly so. Millivolts",
        "kind,name/microphone,a | line 2: class: is missing",
        "kind,name/stand, | line 2, column 2: name: is missing"
      })
  @DisplayName("what is wrong in CSV is named with line and column")
  void wrongCsv(String text, String sentence) throws IOException {
    Path file = file("wrong.csv", text.replace('/', '\n') + "\n");
    assertThatThrownBy(() -> ShelfFile.read(file))
        .isInstanceOf(Trouble.BadFile.class)
        .hasMessageContaining(sentence);
  }

  @Test
  void whatIsNoShelfIsSaid() throws IOException {
    assertThatThrownBy(() -> ShelfFile.read(folder.resolve("none.json")))
        .hasMessageContaining("does not exist");
    Path torn = file("torn.json", "{ \"microphones\": [");
    assertThatThrownBy(() -> ShelfFile.read(torn)).hasMessageContaining("is damaged at line 1");
    Path empty = file("empty.csv", "");
    assertThat(ShelfFile.read(empty).kit()).isEmpty();
    assertThat(Optional.of(ShelfFile.read(file("bare.json", "{}")))).contains(Shelf.EMPTY);
  }
}
