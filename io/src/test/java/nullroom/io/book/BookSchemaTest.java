package nullroom.io.book;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.OptionalDouble;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.book.AtHand;
import nullroom.core.book.Brief;
import nullroom.core.book.Goal;
import nullroom.core.book.Handover;
import nullroom.core.book.Kit;
import nullroom.core.book.Levels;
import nullroom.core.book.NoiseMeasurement;
import nullroom.core.book.RoomBook;
import nullroom.core.book.Shelf;
import nullroom.core.room.Camera;
import nullroom.core.room.Finish;
import nullroom.core.room.Patch;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** What the program writes and reads is what the schema says. */
class BookSchemaTest {
  private static final String CEILING = "\"ceiling\": {\"kind\": \"flat\", \"heightMetres\": 2.4}";
  private static final String ROOM =
      """
      {"lengthMetres": 4, "widthMetres": 3, "ceiling": {"kind": "flat", "heightMetres": 2.4},
       "surfaces": {"floor": {"material": "wood_floor_joists"}, "ceiling": {"material": "gypsum_on_studs"},
                    "walls": {"absorption": [0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 0.1], "scattering": 0.3}},
       "furniture": [{"name": "desk", "at": [2, 1, 0], "lengthMetres": 1.2, "widthMetres": 0.6, "heightMetres": 0.74,
                      "azimuthDegrees": 20, "material": "door_solid"},
                     {"name": "wardrobe", "at": [3, 2, 0], "lengthMetres": 1, "widthMetres": 0.6, "heightMetres": 1.3,
                      "material": "door_hollow", "state": "shut",
                      "otherwise": {"state": "open", "material": "glass_fibre_50"}}],
       "patches": [{"name": "quilt", "surface": "wall1", "corners": [[1, 1], [2, 1], [2, 2], [1, 2]],
                    "porous": {"flowResistivity": 12000, "thicknessMetres": 0.03, "gapMetres": 0.05}},
                   {"name": "window", "surface": "wall3", "corners": [[1, 1], [2, 1], [2, 2], [1, 2]],
                    "absorption": [0.3, 0.2, 0.2, 0.1, 0.1, 0.1, 0, 0], "materialName": "old pane", "state": "bare",
                    "otherwise": {"state": "curtain drawn", "material": "curtain_medium_draped"}}],
       "camera": {"at": [3.5, 1, 1.3], "azimuthDegrees": 180, "focalMillimetres": 35, "aspectRatio": 1.5},
       "talker": {"at": [1, 1, 1.2]}, "microphone": {"at": [1.5, 1, 1.2], "azimuthDegrees": 180}}
      """;

  @TempDir Path folder;

  private static String text() {
    try (InputStream in = BookSchemaTest.class.getResourceAsStream("book.schema.json")) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static Schema schema(String text) {
    return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
        .getSchema(text, InputFormat.JSON);
  }

  private static List<?> errors(Schema schema, JsonNode node) {
    return schema.validate(node.toString(), InputFormat.JSON);
  }

  /** The schema of a room alone. */
  private static Schema roomSchema() {
    ObjectNode whole = (ObjectNode) JsonMapper.shared().readTree(text());
    whole.remove(List.of("required", "properties"));
    return schema(whole.put("$ref", "#/$defs/room").toString());
  }

  private static Room room(String text) {
    return RoomJson.read(JsonMapper.shared().readTree(text));
  }

  /** What is kept clear has no finish of its own. */
  private static Patch unpainted(Patch p) {
    return new Patch(
        p.name(), p.surface(), p.corners(), new Finish.Stated(Bands.all(0), Bands.all(0)));
  }

  @Test
  void aMeasuredBookKeepsItsSchema() {
    BookFolder place = new BookFolder(folder);
    Room room = room(ROOM);
    RoomBook bare = new RoomBook("box", Goal.SUNG_DRY, room);
    RoomBook book = MeasuredBook.listened(place, room);
    Schema schema = schema(text());
    assertThat(errors(schema, BookJson.write(book))).isEmpty();
    assertThat(errors(schema, BookJson.write(bare))).isEmpty();
    RoomBook assumed = bare.with(bare.here().described(false));
    assertThat(errors(schema, BookJson.write(assumed))).isEmpty();
    assertThat(errors(schema, BookJson.write(bare).put("roomAssumed", "yes"))).isNotEmpty();
    assertThat(errors(schema, BookJson.write(bare).put("goal", "opera"))).isNotEmpty();
    assertThat(errors(schema, BookJson.write(bare).put("schemaVersion", 6))).isNotEmpty();
    assertThat(BookJson.read(BookJson.write(book))).isEqualTo(book);
    Patch clear = Patch.rectangle("door swings", Surface.wall(1), 0, 0, 1, 2, "door_solid");
    RoomBook hung =
        bare.with(
            AtHand.USUAL
                .withBudget(40)
                .withLadder(true)
                .plus(AtHand.THINKABLE.get(11))
                .withKeepClear(List.of(new AtHand.KeepClear(unpainted(clear)))));
    assertThat(errors(schema, BookJson.write(hung))).isEmpty();
    assertThat(BookJson.read(BookJson.write(hung))).isEqualTo(hung);
    assertThat(BookJson.read(BookJson.write(hung)).hand().keepClear()).hasSize(1);
    Finish.Stated own = new Finish.Stated("felt tiles", Bands.all(0.4), Bands.all(0.1));
    RoomBook mine = bare.withMaterials(List.of(own));
    assertThat(errors(schema, BookJson.write(mine))).isEmpty();
    assertThat(BookJson.read(BookJson.write(mine))).isEqualTo(mine);
    RoomBook levelled =
        bare.with(
            Levels.NOTHING
                .withBrief("podcast-16")
                .with(
                    new Levels.Locked(
                        "2026-03-14T21:40",
                        room.requireTalker().at(),
                        room.requireMicrophone(),
                        -12.5)));
    assertThat(errors(schema, BookJson.write(levelled))).isEmpty();
    assertThat(BookJson.read(BookJson.write(levelled))).isEqualTo(levelled);
    Levels.Locked locked = levelled.levels().locked().orElseThrow();
    assertThat(locked.changed(room)).isEmpty();
    PlacedMicrophone microphone = room.requireMicrophone();
    Room hotter = room.withMicrophone(microphone.with(microphone.capture().withGainDb(55)));
    assertThat(locked.changed(hotter)).contains("the gain");
    assertThat(
            locked.changed(
                room.withTalker(
                    room.requireTalker().movedTo(microphone.at().plus(microphone.at(), 0.1)))))
        .hasValueSatisfying(words -> assertThat(words).contains("where you"));
    RoomBook several =
        book.moved(room.named("wardrobe"))
            .copied("wardrobe, hung")
            .goTo("wardrobe")
            .with(Shelf.EMPTY.plus(Kit.of(MicrophoneType.ALL.getFirst(), "lapel")));
    assertThat(errors(schema, BookJson.write(several))).isEmpty();
    assertThat(BookJson.read(BookJson.write(several))).isEqualTo(several);
    ObjectNode nameless = BookJson.write(mine);
    ((ObjectNode) nameless.get("materials").get(0)).remove("materialName");
    assertThat(errors(schema, nameless)).isNotEmpty();
    assertThatThrownBy(() -> BookJson.read(nameless))
        .isInstanceOfSatisfying(
            Trouble.class, t -> assertThat(t.line()).contains("materials[0].materialName"));
  }

  @Test
  void aBriefOfOnesOwnStaysInTheBookAndADamagedOneIsNamed() throws Exception {
    RoomBook bare = new RoomBook("box", Goal.SPOKEN_CLOSE, room(ROOM));
    Handover file =
        new Handover(
            Handover.Format.FLAC,
            16,
            OptionalDouble.of(44_100),
            OptionalDouble.of(30),
            OptionalDouble.of(90.5),
            "{room} {date} {take}",
            "2026-12-24");
    Brief own = Brief.own("trailer", -18, 0.5, -2, OptionalDouble.of(-65), file);
    RoomBook book = bare.with(bare.levels().withOwn(own));
    ObjectNode json = BookJson.write(book);
    assertThat(errors(schema(text()), json)).isEmpty();
    assertThat(BookJson.read(json)).isEqualTo(book);
    assertThat(book.levels().handedOverAs()).contains(own);
    assertThat(book.levels().withBrief("podcast-16").handedOverAs().orElseThrow().id())
        .isEqualTo("podcast-16");
    assertThat(bare.levels().handedOverAs()).isEmpty();
    for (String[] wrong :
        new String[][] {
          {"format", "\"mp3\"", "levels.ownBrief.format"},
          {"due", "\"soon\"", "levels.ownBrief.due"},
          {"bits", "20", "levels.ownBrief: bits"},
          {"truePeakDbtp", "3", "levels.ownBrief: highest true peak"}
        }) {
      ObjectNode damaged = json.deepCopy();
      ((ObjectNode) damaged.get("levels").get("ownBrief"))
          .set(wrong[0], new ObjectMapper().readTree(wrong[1]));
      assertThatThrownBy(() -> BookJson.read(damaged))
          .isInstanceOfSatisfying(Trouble.class, t -> assertThat(t.line()).contains(wrong[2]));
    }
  }

  @Test
  void aCameraADoorAndAMaterialOfOnesOwnAreRead() {
    Room room = room(ROOM);
    Camera camera = room.camera().orElseThrow();
    assertThat(camera.focalMillimetres()).isEqualTo(35);
    assertThat(camera.aim().azimuthDegrees()).isEqualTo(180);
    Patch window = room.patches().getLast();
    assertThat(window.label()).isEqualTo("window, bare");
    assertThat(((Finish.Stated) window.finish()).name()).isEqualTo("old pane");
    assertThat(window.turned().finish()).isEqualTo(Finish.of("curtain_medium_draped"));
    assertThat(room.furniture().getLast().turned().label()).isEqualTo("wardrobe, open");
    assertThat(
            room(ROOM.replace(", \"aspectRatio\": 1.5", "")).camera().orElseThrow().aspectRatio())
        .isEqualTo(Camera.WIDE);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        CEILING,
        "\"ceiling\": {\"kind\": \"leanTo\", \"lowMetres\": 2.2, \"highMetres\": 2.6, \"lowWall\": \"wall3\"}",
        "\"ceiling\": {\"kind\": \"gable\", \"kneeMetres\": 1.4, \"ridgeMetres\": 3, \"ridgeAlong\": \"y\"}"
      })
  void everyCeilingIsWrittenAsItIsRead(String ceiling) {
    Room room = room(ROOM.replace(CEILING, ceiling));
    JsonNode written = RoomJson.write(room);
    assertThat(RoomJson.read(written)).isEqualTo(room);
    assertThat(errors(roomSchema(), written)).isEmpty();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "\"heightMetres\": 2.4|\"heightMetres\": \"tall\"",
        "\"kind\": \"flat\"|\"kind\": \"dome\"",
        "\"lengthMetres\": 4,|",
        "\"scattering\": 0.3|\"scattering\": [0.3]",
        "\"at\": [1, 1, 1.2]|\"at\": [1, 1]",
        "\"walls\"|\"roof\"",
        "{\"material\": \"gypsum_on_studs\"}|{}",
        "\"lengthMetres\": 1.2|\"lengthMetres\": -1.2",
        "\"at\": [2, 1, 0]|\"at\": [2, 1]",
        "\"flowResistivity\": 12000|\"flowResistivity\": -12",
        "\"focalMillimetres\": 35|\"focalMillimetres\": 2",
        "\"focalMillimetres\": 35,|",
        "\"aspectRatio\": 1.5|\"aspectRatio\": 0",
        "\"state\": \"shut\",|",
        "{\"state\": \"open\", |{",
        "[0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 0.1]|[0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 1.1]"
      })
  void schemaAndReaderRefuseTheSame(String good, String bad) {
    String wrong = ROOM.replace(good, bad == null ? "" : bad);
    assertThat(wrong).isNotEqualTo(ROOM);
    assertThat(errors(roomSchema(), JsonMapper.shared().readTree(wrong))).isNotEmpty();
    assertThatThrownBy(() -> room(wrong)).isInstanceOf(Trouble.class);
  }

  @Test
  void aBookOfTheFirstVersionIsStillRead() {
    RoomBook bare = new RoomBook("box", Goal.SUNG_DRY, room(ROOM));
    ObjectNode old = BookJson.write(bare);
    for (String later : List.of("calibration", "suspects", "spots", "surveys")) {
      old.remove(later);
    }
    old.put("schemaVersion", 1);
    ObjectNode noise = old.putObject("noise");
    noise.put("sound", "simulated-noise-1.wav").put("taken", "2026-01-01T20:00");
    noise.put("laeqDbSpl", 27.1).put("nc", 21).put("ncBandHz", 63);
    noise.set("octaveDbSpl", RoomJson.numbers(44, 38, 32, 26, 20, 15, 11, 9));
    noise.putArray("tones");
    noise.putArray("intrusions");
    NoiseMeasurement read = BookJson.read(old).noise().orElseThrow();
    assertThat(read.simulated()).isTrue();
    assertThat(read.roomDbSpl().orElseThrow().get(0)).isEqualTo(44);
    assertThat(read.laeqDbSpl().orElseThrow()).isBetween(26.0, 29.0);
    assertThat(BookJson.read(BookJson.write(bare.with(read))).noise()).contains(read);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "suspects[0].needed|\"needed\" : true|\"needed\" : 3",
        "humTest.way|covered|sung at",
        "calibration.method|meter|by ear",
        "surveys[0].file|survey-1.csv|../survey-1.csv",
        "surveys[0].scale|96.0|960.0"
      })
  void whatIsWrongInTheListeningIsNamed(String where, String good, String bad) {
    String text =
        BookJson.write(MeasuredBook.listened(new BookFolder(folder), room(ROOM))).toPrettyString();
    assertThat(text).contains(good);
    JsonNode wrong = JsonMapper.shared().readTree(text.replace(good, bad));
    assertThatThrownBy(() -> BookJson.read(wrong))
        .isInstanceOf(Trouble.BadField.class)
        .extracting(e -> ((Trouble) e).place())
        .asString()
        .startsWith(where);
  }
}
