package nullroom.io.book;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import nullroom.core.Trouble;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Cloth;
import nullroom.core.room.Movement;
import nullroom.core.room.Ride;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;
import nullroom.core.room.SurfaceTag;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.json.JsonMapper;

/** Several talkers, microphones, cameras and loudspeakers, and free cloth, in room files. */
class SetUpJsonTest {
  private static final String SEVERAL =
      """
      { "name": "two", "lengthMetres": 5, "widthMetres": 4,
        "ceiling": {"kind": "flat", "heightMetres": 2.5},
        "surfaces": {"floor": {"material": "wood_floor_joists"},
          "ceiling": {"absorption": [0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 0.1]},
          "walls": {"absorption": [0.2, 0.2, 0.2, 0.2, 0.2, 0.2, 0.2, 0.2]}},
        "screens": [{"name": "duvet", "from": [2, 1], "to": [2, 3], "bottomMetres": 0.1, "topMetres": 2,
          "massKgPerSquareMetre": 1.5, "flowResistancePascalSecondsPerMetre": 800}],
        "talkers": [{"name": "host", "at": [1.5, 2, 1.2], "leanMetres": 0.2, "turnDegrees": 45},
          {"name": "guest", "at": [3.5, 2, 1.2], "azimuthDegrees": 180}],
        "microphones": [{"name": "clip", "pattern": "omni", "ridesOn": {"what": "host", "part": "chest"}},
          {"name": "shotgun", "ridesOn": {"what": "wide", "part": "top"}},
          {"name": "table", "at": [2.5, 2.2, 0.9]}],
        "cameras": [{"name": "wide", "at": [2.5, 0.5, 1.4], "azimuthDegrees": 90, "focalMillimetres": 24}],
        "loudspeakers": [{"name": "backing", "at": [2.5, 3.8, 1], "azimuthDegrees": -90,
          "octaveDbSplAtMetre": [50, 50, 50, 50, 50, 48, 45, 40]}],
        "judged": {"voice": "guest", "microphone": "table"} }
      """;

  private static Room read(String json) {
    return RoomJson.read(JsonMapper.shared().readTree(json));
  }

  @Test
  @DisplayName("all of them are read, and written so that they are read alike")
  void roundTrip() {
    Room room = read(SEVERAL);
    assertThat(room.setUp().talkers()).hasSize(2);
    assertThat(room.setUp().talkers().getFirst().it().movement()).isEqualTo(new Movement(0.2, 45));
    assertThat(room.setUp().voice().orElseThrow().name()).isEqualTo("guest");
    assertThat(room.setUp().listener().orElseThrow().name()).isEqualTo("table");
    assertThat(room.setUp().microphones().getFirst().ride())
        .contains(new Ride("host", Ride.Part.CHEST));
    assertThat(room.screens().getFirst().cloth()).isEqualTo(new Cloth.Sheet(1.5, 800));
    assertThat(RoomJson.read(RoomJson.write(room))).isEqualTo(room);
    Room stated =
        read(
            SEVERAL.replace(
                "\"massKgPerSquareMetre\": 1.5, \"flowResistancePascalSecondsPerMetre\": 800",
                "\"absorption\": [0.1, 0.2, 0.3, 0.4, 0.5, 0.5, 0.5, 0.5],"
                    + " \"transmission\": [0.8, 0.7, 0.6, 0.5, 0.4, 0.3, 0.3, 0.3]"));
    assertThat(RoomJson.read(RoomJson.write(stated))).isEqualTo(stated);
  }

  @Test
  @DisplayName("what surfaces are to be, and a clip under cloth, are read and written alike")
  void tags() {
    Room room =
        read(
            SEVERAL
                .replace("\"part\": \"chest\"", "\"part\": \"underCloth\"")
                .replace(
                    "\"screens\"",
                    "\"tags\": {\"wall1\": \"bouncesLight\", \"ceiling\": \"stayBare\"}, \"screens\""));
    assertThat(room.tagOf(Surface.wall(1))).contains(SurfaceTag.BOUNCES_LIGHT);
    assertThat(room.setUp().microphones().getFirst().ride().orElseThrow().part())
        .isEqualTo(Ride.Part.UNDER_CLOTH);
    assertThat(RoomJson.read(RoomJson.write(room))).isEqualTo(room);
    assertThatThrownBy(() ->
            read(
                SEVERAL.replace("\"screens\"", "\"tags\": {\"wall9\": \"stayBare\"}, \"screens\"")))
        .isInstanceOf(Trouble.BadField.class)
        .extracting(e -> ((Trouble) e).line())
        .asString()
        .contains("tags.wall9", "no such surface");
    assertThatThrownBy(() ->
            read(SEVERAL.replace("\"screens\"", "\"tags\": {\"wall1\": \"pretty\"}, \"screens\"")))
        .hasMessageContaining("'pretty' is none of bouncesLight, stayBare, darkCloth");
  }

  @Test
  @DisplayName("stages behind a microphone, of digits too, are read and written alike")
  void stages() {
    String row =
        ", \"stages\": [{\"name\": \"transmitter\", \"gainDb\": 12, \"einDbu\": -118, \"limitDbu\": -20},"
            + " {\"name\": \"camera\", \"automatic\": true}]";
    Room room = read(SEVERAL.replace("\"pattern\": \"omni\"", "\"pattern\": \"omni\"" + row));
    Capture clip = room.setUp().microphones().getFirst().it().capture();
    assertThat(clip.stages()).hasSize(2);
    assertThat(clip.automatic().orElseThrow().name()).isEqualTo("camera");
    assertThat(RoomJson.read(RoomJson.write(room))).isEqualTo(room);
    Room digital =
        read(
            SEVERAL.replace(
                "\"pattern\": \"omni\"", "\"pattern\": \"omni\", \"dbfsAt94DbSpl\": -26" + row));
    Capture phone = digital.setUp().microphones().getFirst().it().capture();
    assertThat(phone.dbfsAt94DbSpl()).isCloseTo(-26, within(1e-9));
    assertThat(phone.fullScaleDbSpl()).isCloseTo(94 + 26 - 12, within(1e-9));
    assertThat(RoomJson.read(RoomJson.write(digital))).isEqualTo(digital);
    assertThatThrownBy(() ->
            read(
                SEVERAL.replace(
                    "\"pattern\": \"omni\"",
                    "\"pattern\": \"omni\", \"stages\": [{\"name\": \"x\", \"gainDb\": 500}]")))
        .isInstanceOf(Trouble.BadField.class)
        .hasMessageContaining("gainDb 500.0 is outside");
  }

  @Test
  @DisplayName("one that rides without a place sits where such a thing usually does")
  void usualPlaces() {
    Room room = read(SEVERAL);
    double toLips =
        room.setUp()
            .microphones()
            .get(0)
            .it()
            .at()
            .distanceTo(room.setUp().talkers().get(0).it().at());
    assertThat(toLips).isBetween(0.15, 0.35);
    assertThat(room.setUp().microphones().get(1).it().aim().azimuthDegrees()).isEqualTo(90);
  }

  @Test
  @DisplayName("one of each is written in the single form, as before there could be several")
  void single() {
    String json =
        SEVERAL
            .replaceAll("(?s)\"talkers\".*", "\"talker\": {\"at\": [1, 2, 1.2]},")
            .concat("\"microphone\": {\"at\": [1.5, 2, 1.2]} }");
    Room room = read(json);
    assertThat(RoomJson.write(room).has("talker")).isTrue();
    assertThat(RoomJson.write(room).has("talkers")).isFalse();
    assertThat(RoomJson.read(RoomJson.write(room))).isEqualTo(room);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "\"what\": \"host\" | \"what\": \"clip\" | microphones[0].at",
        "\"what\": \"wide\" | \"what\": \"narrow\" | microphones[1].at",
        "\"part\": \"chest\" | \"part\": \"knee\" | microphones[0].ridesOn.part",
        "\"name\": \"shotgun\" | \"name\": \"clip\" | microphones[1].name",
        "\"at\": [2.5, 2.2, 0.9] | \"at\": [9, 2.2, 0.9] | microphones[2].at",
        "\"voice\": \"guest\" | \"voice\": \"nobody\" | judged.voice",
        "\"leanMetres\": 0.2 | \"leanMetres\": 4 | talkers[0]",
        "\"topMetres\": 2, | \"topMetres\": 0.05, | screens[0]",
        "\"massKgPerSquareMetre\": 1.5 | \"massKgPerSquareMetre\": -1 | screens[0]",
        "\"judged\" | \"talker\": {\"at\": [1, 1, 1]}, \"judged\" | talkers[0]"
      })
  @DisplayName("what is wrong is named by its place")
  void badInput(String piece, String other, String place) {
    assertThatThrownBy(() -> read(SEVERAL.replace(piece, other)))
        .isInstanceOfSatisfying(
            Trouble.BadField.class, e -> assertThat(e.place()).isEqualTo(place));
  }
}
