package nullroom.io.book;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.Closeable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import nullroom.core.Trouble;
import nullroom.core.book.Goal;
import nullroom.core.book.Levels;
import nullroom.core.book.RoomBook;
import nullroom.core.predict.Statistics;
import nullroom.core.room.Patch;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
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
            first
                .room()
                .plus(Patch.rectangle("blanket", Surface.wall(1), 1, 0.2, 1.5, 2, "blanket_100"))));
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

  @Test
  void aBookIsOpenInOneWindowAndUnfinishedSavesAreClearedThen() throws IOException {
    BookFolder place = new BookFolder(folder.resolve("d"));
    place.save(new RoomBook("d", Goal.SUNG_DRY, room()));
    Path torn = Files.writeString(place.path().resolve(".book.json123.new"), "{");
    Path sound = Files.writeString(place.sounds().file(".claps-1.wav.new"), "RIFF");
    try (Closeable mine = place.lock()) {
      assertThat(mine).isNotNull();
      assertThat(torn).doesNotExist();
      assertThat(sound).doesNotExist();
      assertThatThrownBy(() -> new BookFolder(place.path()).lock())
          .isInstanceOf(Trouble.BadFile.class)
          .hasMessageContaining("open in another window")
          .hasMessageContaining("process " + ProcessHandle.current().pid());
    }
    place.lock().close();
    assertThat(place.load().name()).isEqualTo("d");
  }

  @Test
  @DisplayName(
      "a folder that went away is said, nothing is made in its place, and the book goes on elsewhere")
  void gone() throws IOException {
    BookFolder place = new BookFolder(folder.resolve("e"));
    RoomBook book = new RoomBook("e", Goal.SUNG_DRY, room());
    place.save(book);
    assertThat(place.condition()).isEmpty();
    Path away = Files.move(place.path(), folder.resolve("away"));
    assertThat(place.condition().orElseThrow()).contains("is gone", "moved or deleted");
    assertThatThrownBy(() -> place.save(book.with(Goal.SPOKEN_CLOSE)))
        .isInstanceOf(Trouble.BadFile.class)
        .hasMessageContaining("keep the book elsewhere");
    assertThat(place.path()).doesNotExist();
    assertThat(new BookFolder(away).load().goal()).isEqualTo(Goal.SUNG_DRY);
    Files.writeString(place.path(), "in the way"); // so that not even a recording can be kept
    String kept = place.sounds().keep("claps", new Samples(new double[4800], 48_000));
    BookFolder saved = place.copyTo(folder.resolve("other"), book.with(Goal.SPOKEN_CLOSE));
    assertThat(saved.load().goal()).isEqualTo(Goal.SPOKEN_CLOSE);
    assertThat(saved.sounds().list())
        .singleElement()
        .satisfies(sound -> {
          assertThat(sound.name()).isEqualTo(kept);
          assertThat(sound.seconds()).hasValue(0.1);
        });
    assertThatThrownBy(() -> place.copyTo(saved.path(), book)).hasMessageContaining("already");
  }

  @Test
  @DisplayName("what a recording is for is said, also of another place of the book")
  void uses() throws IOException {
    BookFolder place = new BookFolder(folder.resolve("u"));
    RoomBook book =
        MeasuredBook.listened(place, room()).with(Levels.NOTHING.withTake("take-1.wav"));
    Map<String, List<String>> here = SoundUses.of(book);
    assertThat(here)
        .containsEntry("noise-1.wav", List.of("the noise"))
        .containsEntry("claps-1.wav", List.of("the decay", "an earlier decay"))
        .containsEntry("fridge-on-1.wav", List.of("a culprit"))
        .containsEntry("take-1.wav", List.of("the decay heard in speech", "the take checked last"));
    Map<String, List<String>> elsewhere = SoundUses.of(book.copied("hall"));
    assertThat(elsewhere.get("claps-1.wav")).contains("the decay at " + book.here().name());
  }

  @Test
  @DisplayName("that nobody described a room is kept, of each place by itself")
  void assumed() throws IOException {
    BookFolder place = new BookFolder(folder.resolve("a"));
    RoomBook book = new RoomBook("a", Goal.SUNG_DRY, room()).copied("described");
    RoomBook assumed = book.with(book.here().named("assumed").described(false));
    place.save(assumed);
    assertThat(place.load()).isEqualTo(assumed);
    assertThat(place.load().places()).extracting(p -> p.described()).containsExactly(true, false);
  }

  @Test
  @DisplayName("a recording is deleted and brought back, byte for byte")
  void deleted() throws IOException {
    BookFolder place = new BookFolder(folder.resolve("g"));
    place.save(new RoomBook("g", Goal.SUNG_DRY, room()));
    String name = place.sounds().keep("take", new Samples(new double[480], 48_000));
    byte[] before = Files.readAllBytes(place.sounds().file(name));
    place.sounds().delete(name);
    assertThat(place.sounds().file(name)).doesNotExist();
    assertThat(place.sounds().list()).singleElement().matches(s -> s.deleted());
    place.sounds().bringBack(name);
    assertThat(place.sounds().file(name)).hasBinaryContent(before);
    assertThat(place.sounds().list()).singleElement().matches(s -> !s.deleted());
  }

  @Test
  @DisplayName("a book of a newer program is opened to read, as far as this one knows it")
  void newer() throws IOException {
    BookFolder place = new BookFolder(folder.resolve("n"));
    RoomBook book = new RoomBook("n", Goal.SUNG_DRY, room());
    place.save(book);
    Path file = place.path().resolve("book.json");
    Files.writeString(
        file,
        Files.readString(file)
            .replaceFirst("\"schemaVersion\" : \\d+", "\"schemaVersion\" : 99, \"hologram\" : 1"));
    assertThat(place.isNewer()).isTrue();
    assertThatThrownBy(place::load).hasMessageContaining("Use a newer one");
    assertThat(place.loadToRead()).isEqualTo(book);
  }

  @Test
  void whatLeadsOutOfABookIsNotOpened() throws IOException {
    BookFolder place = new BookFolder(folder.resolve("f"));
    place.save(new RoomBook("f", Goal.SUNG_DRY, room()));
    Path secret = Files.writeString(folder.resolve("secret.wav"), "not yours");
    Files.createSymbolicLink(place.path().resolve("sound").resolve("noise-1.wav"), secret);
    leadsOut(() -> place.sounds().file("noise-1.wav"));
    leadsOut(() -> place.sounds().file("../../secret.wav"));
    leadsOut(() -> place.survey("../book.json"));
    Path sounds = place.path().resolve("sound");
    Files.move(sounds, folder.resolve("moved"));
    Files.createSymbolicLink(sounds, folder.resolve("moved"));
    leadsOut(() -> place.sounds().file("claps-1.wav"));
    place.sounds().keep("claps", new Samples(new double[10], 48_000));
    assertThat(folder.resolve("moved").resolve("claps-1.wav")).doesNotExist();
    Path book = place.path().resolve("book.json");
    Files.move(book, folder.resolve("book.json"));
    Files.createSymbolicLink(book, folder.resolve("book.json"));
    leadsOut(place::load);
  }

  private static void leadsOut(org.assertj.core.api.ThrowableAssert.ThrowingCallable opened) {
    assertThatThrownBy(opened).isInstanceOf(Trouble.BadFile.class).hasMessageContaining("opened");
  }

  @Test
  void membersNamedTwiceAndLongTextsAreFaultsInOneShortLine() throws IOException {
    BookFolder place = new BookFolder(folder.resolve("g"));
    place.save(new RoomBook("g", Goal.SUNG_DRY, room()));
    Path file = place.path().resolve("book.json");
    String good = Files.readString(file);
    Files.writeString(file, good.replace("\"goal\" :", "\"name\" : \"h\", \"goal\" :"));
    assertThatThrownBy(place::load).hasMessageContainingAll("Duplicate", "name", "line");
    Files.writeString(file, good.replace("\"sungDry\"", "\"" + "x".repeat(2_000_000) + "\""));
    assertThatThrownBy(place::load)
        .isInstanceOfSatisfying(
            Trouble.class,
            trouble ->
                assertThat(trouble.line())
                    .hasSizeLessThan(600)
                    .contains("goal", "xxx", "is none of"));
    Files.writeString(
        file,
        good.replace("\"surface\" : \"floor\"", "\"surface\" : \"" + "w".repeat(2_000_000) + "\""));
    assertThatThrownBy(place::load)
        .isInstanceOfSatisfying(
            Trouble.class, trouble -> assertThat(trouble.line()).hasSizeLessThan(600));
  }
}
