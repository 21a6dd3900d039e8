package nullroom.core.plan.mic;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import nullroom.core.Progress;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.acoustics.Mount;
import nullroom.core.book.Goal;
import nullroom.core.book.Hearing;
import nullroom.core.book.Kit;
import nullroom.core.book.KitField;
import nullroom.core.book.RoomBook;
import nullroom.core.book.Shelf;
import nullroom.core.predict.Margins;
import nullroom.core.room.Aim;
import nullroom.core.room.Camera;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class MicPlannerTest {
  private static RoomBook book(double absorption) {
    Room bare = TestRooms.box(absorption);
    Room room = bare.withTalker(bare.requireTalker().turnedTo(0));
    Point lips = room.requireTalker().at();
    Point lens = lips.plus(new Point(1.9, 0, 0), 1);
    Camera camera = new Camera(lens, Aim.along(lips.minus(lens)), 35, Camera.WIDE);
    return new RoomBook("test", Goal.SPOKEN_ON_CAMERA, room.withCamera(Optional.of(camera)));
  }

  private static MicPlanner.Result ranked(RoomBook book, Shelf shelf) {
    return MicPlanner.rank(book, shelf, Progress.NONE);
  }

  private static MicPlanner.Ranked entry(MicPlanner.Result found, String name) {
    return found.ranking().stream()
        .filter(r -> r.chain().microphone().equals(name))
        .findFirst()
        .orElseThrow();
  }

  private static Kit microphone(String type, String name, KitField field, String text) {
    return Kit.of(MicrophoneType.find(type).orElseThrow(), name).with(field, Optional.of(text));
  }

  @Test
  @DisplayName(
      "every place is outside the picture, off the lips, within reach, in the room; its margins are the room's")
  void allowed() {
    RoomBook book = book(0.1);
    MicPlanner.Result found = ranked(book, Shelf.EMPTY.withReach(1.6, 1.4));
    Camera camera = book.room().camera().orElseThrow();
    assertThat(found.ranking()).hasSizeGreaterThan(12);
    for (MicPlanner.Ranked r : found.ranking()) {
      Point at = r.room().requireMicrophone().at();
      Point lips = book.room().requireTalker().at();
      assertThat(book.room().holds(at)).isTrue();
      boolean held = r.mount() == Mount.BOOM || r.mount() == Mount.STAND || r.mount() == Mount.DESK;
      if (held) {
        assertThat(camera.frames(at)).as(r.chain().microphone()).isFalse();
        assertThat(at.distanceTo(lips)).isGreaterThan(r.type().isForCloseTalk() ? 0.049 : 0.149);
      }
      if (r.mount() == Mount.BOOM) {
        assertThat(at.z()).as("1.6 m from the floor at most").isLessThanOrEqualTo(1.6);
      }
      if (r.mount() == Mount.STAND) {
        assertThat(at.z()).isLessThanOrEqualTo(1.4);
      }
      if (r.mount() == Mount.CLIP) {
        assertThat(lips.z() - at.z()).isBetween(0.15, 0.35);
      }
      Margins again = Hearing.quick(book.with(r.room())).heard().margins();
      assertThat(r.heard().margins().quietDb()).isCloseTo(again.quietDb(), within(1e-9));
      assertThat(r.heard().margins().clearDb()).isCloseTo(again.clearDb(), within(1e-9));
      assertThat(r.heard().margins().safeDb()).isCloseTo(again.safeDb(), within(1e-9));
    }
  }

  @Test
  @DisplayName("ranked by what is missing to 0.1 dB, then by the smallest margin, then by price")
  void order() {
    RoomBook book = book(0.08);
    Margins targets = book.goal().targets();
    List<MicPlanner.Ranked> all = ranked(book, Shelf.EMPTY).ranking();
    for (int k = 1; k < all.size(); k++) {
      MicPlanner.Ranked a = all.get(k - 1);
      MicPlanner.Ranked b = all.get(k);
      assertThat(Math.round(a.shortDb() * 10)).isLessThanOrEqualTo(Math.round(b.shortDb() * 10));
      if (Math.round(a.shortDb() * 10) == Math.round(b.shortDb() * 10)) {
        Margins ma = a.heard().margins();
        Margins mb = b.heard().margins();
        assertThat(ma.over(targets, ma.weakest(targets)))
            .isGreaterThanOrEqualTo(mb.over(targets, mb.weakest(targets)) - 1e-9);
      }
    }
  }

  @Test
  @DisplayName(
      "live room: the clip-on beats the boom over the frame, and that beats the same on the camera")
  void live() {
    Shelf shelf =
        Shelf.EMPTY.with(
            List.of(
                microphone("boom_shotgun", "on the boom", KitField.PLACES, "boom"),
                microphone("boom_shotgun", "on the camera", KitField.PLACES, "camera"),
                microphone("lav_omni_wired", "clip", KitField.PLACES, "clip"),
                microphone("phone_builtin", "phone, near", KitField.PLACES, "hand")));
    MicPlanner.Result live = ranked(book(0.08), shelf);
    double clip = entry(live, "clip").shortDb();
    double boom = entry(live, "on the boom").shortDb();
    double camera = entry(live, "on the camera").shortDb();
    assertThat(clip).isLessThanOrEqualTo(boom);
    assertThat(boom).isLessThan(camera);
    assertThat(entry(live, "on the camera").chain().why())
        .anyMatch(w -> w.contains("the room is too loud beside the voice"));
    MicPlanner.Result dead = ranked(book(0.6), shelf);
    assertThat(entry(dead, "on the boom").shortDb())
        .isLessThanOrEqualTo(entry(dead, "clip").shortDb() + 0.1);
  }

  @Test
  @DisplayName("one entry for each input that fits; too little gain, plugs and power are said")
  void chains() {
    Kit poor = new Kit(Kit.Kind.INPUT, "poor box", Map.of(KitField.HIGHEST_GAIN, "40"));
    Kit good = new Kit(Kit.Kind.INPUT, "good box", Map.of(KitField.HIGHEST_GAIN, "75"));
    Kit lift =
        new Kit(Kit.Kind.BOOSTER, "lift", Map.of(KitField.PRICE, "90", KitField.OWNED, "false"));
    Shelf shelf =
        Shelf.EMPTY.with(
            List.of(
                microphone("dynamic_broadcast", "dynamic", KitField.PLACES, "boom"),
                microphone("lav_omni_wired", "clip", KitField.PLACES, "clip"),
                poor,
                good));
    MicPlanner.Result found = ranked(book(0.3), shelf);
    List<MicPlanner.Ranked> dynamics =
        found.ranking().stream().filter(r -> r.chain().microphone().equals("dynamic")).toList();
    assertThat(dynamics)
        .extracting(r -> r.chain().input().orElseThrow())
        .containsExactlyInAnyOrder("good box", "poor box");
    MicPlanner.Ranked weak =
        dynamics.stream()
            .filter(r -> r.chain().input().orElseThrow().equals("poor box"))
            .findFirst()
            .orElseThrow();
    assertThat(weak.chain().checks())
        .anyMatch(c -> c.check().equals("gain") && !c.ok() && c.advice().contains("booster"));
    assertThat(entry(found, "clip").chain().checks())
        .anyMatch(c -> c.check().equals("connector") && !c.ok() && c.advice().contains("dapter"))
        .anyMatch(c -> c.check().equals("power") && !c.ok());
    MicPlanner.Result boosted = ranked(book(0.3), shelf.plus(lift));
    MicPlanner.Ranked lifted =
        boosted.ranking().stream()
            .filter(r -> r.chain().input().filter("poor box"::equals).isPresent())
            .filter(r -> r.chain().microphone().equals("dynamic"))
            .findFirst()
            .orElseThrow();
    assertThat(lifted.shortDb()).isLessThanOrEqualTo(weak.shortDb());
    if (lifted.chain().booster().isPresent()) {
      assertThat(lifted.chain().price()).isEqualTo(90);
    }
  }

  @Test
  @DisplayName(
      "distances: 6 dB of direct sound a halving, so Clear falls all the way out; a second pickup differs")
  void distances() {
    RoomBook book = book(0.1);
    MicPlanner.Result found = ranked(book, Shelf.EMPTY);
    List<MicPlanner.AtDistance> all =
        MicPlanner.distances(book, entry(found, "Small condenser, omni"));
    assertThat(all).hasSizeGreaterThan(10);
    for (int k = 1; k < all.size(); k++) {
      assertThat(all.get(k).margins().clearDb()).isLessThan(all.get(k - 1).margins().clearDb());
    }
    MicPlanner.Backup backup = MicPlanner.backup(found.ranking()).orElseThrow();
    assertThat(backup.ranked().mount()).isNotEqualTo(found.ranking().getFirst().mount());
    assertThat(backup.failsDifferently()).hasSize(2);
  }

  @Test
  @DisplayName(
      "the map: what is framed, in the breath or out of reach is blocked, the rest has figures")
  void map() {
    RoomBook book = book(0.1);
    MicPlanner.Ranked omni = entry(ranked(book, Shelf.EMPTY), "Small condenser, omni");
    MicMap map = MicMap.of(book, Shelf.EMPTY, omni);
    assertThat(map.shortDb()).hasDimensions(40, 60);
    assertThat(map.blocks()).hasDimensions(40, 60);
    Point lips = book.room().requireTalker().at();
    Camera camera = book.room().camera().orElseThrow();
    for (int j = 0; j < 40; j += 3) {
      for (int i = 0; i < 60; i += 3) {
        Point at = new Point(lips.x() + map.alongMetres()[i], lips.y(), map.acrossMetres()[j]);
        boolean picture = map.blocks()[j][i] == MicMap.Block.PICTURE;
        assertThat(picture).isEqualTo(book.room().holds(at) && camera.frames(at));
      }
    }
  }

  @Test
  @DisplayName("what finds no place is said, with the limit to give up")
  void nowhere() {
    Shelf shelf =
        Shelf.EMPTY
            .with(List.of(microphone("sdc_hyper", "pencil", KitField.PLACES, "boom")))
            .withReach(0, 1);
    MicPlanner.Result found = ranked(book(0.1), shelf);
    assertThat(found.ranking()).isEmpty();
    assertThat(found.warnings())
        .singleElement()
        .asString()
        .contains("A boom of 0.5 m would bring it to");
  }
}
