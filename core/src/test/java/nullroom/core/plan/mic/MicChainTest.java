package nullroom.core.plan.mic;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.acoustics.Mount;
import nullroom.core.book.Goal;
import nullroom.core.book.Hearing;
import nullroom.core.book.Kit;
import nullroom.core.book.KitField;
import nullroom.core.book.RoomBook;
import nullroom.core.book.Shelf;
import nullroom.core.book.Staging;
import nullroom.core.predict.Heard;
import nullroom.core.room.Camera;
import nullroom.core.room.Room;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What fits into what. */
class MicChainTest {
  private static final RoomBook BOOK =
      new RoomBook("test", Goal.SPOKEN_ON_CAMERA, TestRooms.box(0.2));

  private static Kit microphone(String type) {
    return Kit.of(MicrophoneType.find(type).orElseThrow(), type);
  }

  private static Kit input(String connectors, boolean phantom, boolean plugIn) {
    return new Kit(
        Kit.Kind.INPUT,
        "box",
        Map.of(
            KitField.CONNECTORS,
            connectors,
            KitField.PHANTOM,
            String.valueOf(phantom),
            KitField.PLUG_IN,
            String.valueOf(plugIn)));
  }

  private static List<MicPlanner.Check> checks(MicChain chain, Shelf shelf) {
    Room room = BOOK.room();
    Heard heard =
        Hearing.quick(
                BOOK.with(
                    room.withMicrophone(
                        room.requireMicrophone()
                            .with(chain.capture(room.requireMicrophone().capture())))))
            .heard();
    return chain.checks(heard, BOOK.goal().targets(), Staging.USUAL, shelf);
  }

  private static boolean ok(List<MicPlanner.Check> checks, String name) {
    return checks.stream().filter(c -> c.check().equals(name)).findFirst().orElseThrow().ok();
  }

  @ParameterizedTest
  @DisplayName(
      "plugs and power: class, connectors there, phantom, plug-in power, plug fits, power fits")
  @CsvSource({
    "sdc_cardioid, xlr, true, false, true, true",
    "sdc_cardioid, xlr, false, false, true, false",
    "dynamic_handheld, xlr, false, false, true, true",
    "lav_omni_wired, trs35, false, true, true, true",
    "lav_omni_wired, trs35, false, false, true, false",
    "lav_omni_wired, trrs35, false, true, false, true",
    "lav_omni_wired, xlr, true, false, false, false",
    "earbud, trrs35, false, true, true, true",
    "usb_condenser, xlr, true, false, true, true",
    "phone_builtin, xlr, true, false, true, true"
  })
  void fits(
      String type,
      String connectors,
      boolean phantom,
      boolean plugIn,
      boolean plug,
      boolean power) {
    Shelf shelf = Shelf.EMPTY.with(List.of(microphone(type), input(connectors, phantom, plugIn)));
    MicChain chain = MicChain.of(shelf).getFirst();
    List<MicPlanner.Check> checks = checks(chain, shelf);
    assertThat(checks)
        .extracting(MicPlanner.Check::check)
        .containsExactly("connector", "power", "gain", "overload", "cable", "level");
    assertThat(ok(checks, "connector")).as("connector").isEqualTo(plug);
    assertThat(ok(checks, "power")).as("power").isEqualTo(power);
  }

  @Test
  @DisplayName("an adapter of the shelf makes a plug fit, and its price counts")
  void adapter() {
    Kit adapter =
        new Kit(
            Kit.Kind.ADAPTER,
            "pigtail",
            Map.of(
                KitField.FROM,
                "trs35",
                KitField.TO,
                "trrs35",
                KitField.PRICE,
                "12",
                KitField.OWNED,
                "false"));
    Shelf shelf =
        Shelf.EMPTY.with(
            List.of(microphone("lav_omni_wired"), input("trrs35", false, true), adapter));
    MicChain chain = MicChain.of(shelf).getFirst();
    assertThat(chain.adapter()).contains(adapter);
    assertThat(ok(checks(chain, shelf), "connector")).isTrue();
    assertThat(chain.price(Mount.CLIP, shelf, TestRooms.OMNI_CHAIN)).isEqualTo(12);
  }

  @Test
  @DisplayName(
      "a long unbalanced lead is said with its cure; a booster needs phantom power behind it")
  void cableAndBooster() {
    Kit lead =
        new Kit(
            Kit.Kind.CABLE,
            "lead",
            Map.of(KitField.FROM, "trs35", KitField.TO, "trs35", KitField.LENGTH, "6"));
    Shelf wired =
        Shelf.EMPTY.with(List.of(microphone("lav_omni_wired"), input("trs35", false, true), lead));
    assertThat(checks(MicChain.of(wired).getFirst(), wired))
        .anyMatch(c -> c.check().equals("cable") && !c.ok() && c.advice().contains("6 m"));
    Kit lift = new Kit(Kit.Kind.BOOSTER, "lift", Map.of());
    Shelf with =
        Shelf.EMPTY.with(List.of(microphone("dynamic_broadcast"), input("xlr", true, false), lift));
    assertThat(MicChain.of(with)).hasSize(2);
    Shelf without =
        Shelf.EMPTY.with(
            List.of(microphone("dynamic_broadcast"), input("xlr", false, false), lift));
    assertThat(MicChain.of(without)).hasSize(1);
    assertThat(MicChain.of(Shelf.EMPTY)).hasSizeGreaterThanOrEqualTo(MicrophoneType.ALL.size());
  }

  @ParameterizedTest
  @EnumSource(Shelf.Shot.class)
  @DisplayName("a shot is as high at the talker as it is said to be, by hand geometry")
  void shot(Shelf.Shot shot) {
    Room room = TestRooms.box(0.2);
    Camera camera = Shot.camera(room.withCamera(Optional.empty()), shot);
    double metres = camera.at().distanceTo(room.requireTalker().at());
    double high = 2 * metres * Math.tan(Math.toRadians(camera.heightDegrees() / 2));
    double asked =
        switch (shot) {
          case FACE -> 0.35;
          case HEAD_AND_SHOULDERS -> 0.65;
          case WAIST -> 1.0;
          case WHOLE -> 2.1;
        };
    double widest = 36 / 8.0 * metres / Camera.WIDE;
    assertThat(high).isCloseTo(Math.min(asked, widest), within(1e-6));
  }
}
