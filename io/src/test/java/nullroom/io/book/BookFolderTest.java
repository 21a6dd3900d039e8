package nullroom.io.book;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import nullroom.core.Trouble;
import nullroom.core.predict.Goal;
import nullroom.core.predict.Statistics;
import nullroom.core.room.Patch;
import nullroom.core.room.Room;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class BookFolderTest {
  private static final String ROOM =
      """
      { "name": "box", "lengthMetres": 4.2, "widthMetres": 3.1, "ceiling": {"kind": "flat", "heightMetres": 2.4},
        "surfaces": {"floor": {"material": "wood_floor_joists"}, "ceiling": {"material": "gypsum_on_studs"},
                     "walls": {"absorption": [0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 0.1]}},
        "patches": [{"name": "rug", "surface": "floor", "corners": [[1,1],[3,1],[3,2],[1,2]], "material": "rug_on_wood"}],
        "objects": [{"name": "bed", "absorptionArea": [0.3,0.6,1,1.4,1.6,1.6,1.6,1.6]}],
        "talker": {"at": [1.2, 1.5, 1.5]},
        "microphone": {"at": [1.6, 1.5, 1.4], "azimuthDegrees": 180},
        "noise": {"octaveDbSpl": [40, 34, 28, 23, 19, 15, 12, 10]} }
      """;

  @TempDir Path folder;

  private Room room() throws IOException {
    return BookFolder.readRoom(Files.writeString(folder.resolve("room.json"), ROOM));
  }

  @Test
  void whatIsSavedComesBackAsItWas() throws IOException {
    BookFolder place = new BookFolder(folder.resolve("a book"));
    RoomBook book = MeasuredBook.listened(place, room());
    place.save(book);
    assertThat(place.load()).isEqualTo(book);
  }

  @Test
  void theSimulatedRoomIsMeasuredAsItWasMade() throws IOException {
    Room room = room();
    RoomBook book = MeasuredBook.of(new BookFolder(folder.resolve("b")), room);
    assertThat(book.noise().orElseThrow().roomDbSpl().orElseThrow().get(2))
        .isCloseTo(28, within(1.0));
    assertThat(book.decay().orElseThrow().report().tMidSeconds().orElseThrow())
        .isCloseTo(
            Statistics.of(room).midSeconds(), within(0.12 * Statistics.of(room).midSeconds()));
    assertThat(book.decay().orElseThrow().report().takes()).isEqualTo(3);
  }

  @Test
  void aDamagedBookNamesThePlaceAndTheLastGoodOne() throws IOException {
    BookFolder place = new BookFolder(folder.resolve("c"));
    RoomBook first = new RoomBook("c", Goal.SUNG_DRY, room());
    place.save(first);
    place.save(
        first.with(
            first.room().plus(Patch.rectangle("blanket", "wall1", 1, 0.2, 1.5, 2, "blanket_100"))));
    Path file = place.path().resolve("book.json");
    Files.writeString(file, Files.readString(file).substring(0, 300));
    assertThatThrownBy(place::load)
        .isInstanceOf(Trouble.BadFile.class)
        .hasMessageContaining("line")
        .hasMessageContaining("book.previous.json");
    assertThat(place.restore()).isEqualTo(first);
    assertThat(place.load()).isEqualTo(first);
    assertThat(place.path().resolve("book.damaged.json")).exists();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "\"heightMetres\": 2.4|\"heightMetres\": \"tall\"|ceiling.heightMetres",
        "\"wood_floor_joists\"|\"cheese\"|surfaces.floor",
        "[1.6, 1.5, 1.4]|[9, 1.5, 1.4]|microphone.at",
        "[0.3,0.6,1|[0.3,1|objects[0].absorptionArea",
        "\"surface\": \"floor\"|\"surface\": \"wall9\"|patches[0].surface",
        "\"lengthMetres\": 4.2|\"outline\": [[0,0],[0,3],[4,3],[4,0]]|clockwise"
      })
  void wrongInputNamesItsPlace(String good, String bad, String place) throws IOException {
    Path file = Files.writeString(folder.resolve("bad.json"), ROOM.replace(good, bad));
    assertThatThrownBy(() -> BookFolder.readRoom(file))
        .isInstanceOf(Trouble.class)
        .hasMessageContaining(place);
  }
}
