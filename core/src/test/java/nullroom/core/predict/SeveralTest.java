package nullroom.core.predict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Directivity;
import nullroom.core.acoustics.Octave;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.room.Aim;
import nullroom.core.room.Member;
import nullroom.core.room.PlacedLoudspeaker;
import nullroom.core.room.Point;
import nullroom.core.room.Ride;
import nullroom.core.room.Room;
import nullroom.core.room.SetUp;
import nullroom.core.room.Talker;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class SeveralTest {
  private static final Room ROOM = TestRooms.box(0.9);

  private static Room backing(double azimuth, Directivity directivity) {
    Point ears = ROOM.requireMicrophone().at();
    PlacedLoudspeaker l =
        new PlacedLoudspeaker(
            ears.plus(new Point(2, 0, 0), 1), new Aim(azimuth, 0), Bands.all(70), directivity);
    return ROOM.with(ROOM.setUp().withLoudspeakers(List.of(new Member<>("backing", l))));
  }

  @Test
  @DisplayName("a backing is noise: 6 dB under its level at 1 m in 2 m, and what the room adds")
  void backing() {
    Heard heard = Heard.of(backing(180, Directivity.OMNI));
    assertThat(heard.sources()).hasSize(1);
    assertThat(heard.sources().getFirst().name()).isEqualTo("backing");
    double level = heard.sources().getFirst().levelDbSpl().get(4);
    double room = ReflectedSound.diffuseGainDb(ROOM, heard.decaySeconds().get(4)) + 70;
    double by = 10 * Math.log10(Math.pow(10, (70 - 6.02) / 10) + Math.pow(10, room / 10));
    assertThat(level).isCloseTo(by, within(0.01));
    assertThat(Heard.of(ROOM).margins().quietDb()).isGreaterThan(heard.margins().quietDb() + 10);
  }

  @Test
  @DisplayName("turned away it is softer by its directivity")
  void turnedAway() {
    double to = Heard.of(backing(180, Directivity.VOICE)).sources().getFirst().levelDbSpl().get(6);
    double away = Heard.of(backing(0, Directivity.VOICE)).sources().getFirst().levelDbSpl().get(6);
    assertThat(to - away).isGreaterThan(3);
  }

  @Test
  @DisplayName("a clip hears the body: more about 700 Hz, less at the top (from memory)")
  void clip() {
    Talker talker =
        new Talker(ROOM.requireTalker().at(), new Aim(0, 0), VocalEffort.NORMAL, Directivity.VOICE);
    Ride chest = new Ride(SetUp.TALKER, Ride.Part.CHEST);
    Ride.Seat seat = chest.seat(talker);
    Room free = ROOM.with(SetUp.of(talker, ROOM.requireMicrophone().placed(seat.at(), seat.aim())));
    Room clipped =
        free.with(
            free.setUp()
                .withMicrophones(
                    List.of(free.setUp().microphones().getFirst().riding(Optional.of(chest)))));
    assertThat(seat.at().distanceTo(talker.at())).isBetween(0.15, 0.35);
    Bands on = Heard.of(clipped).directDbSpl();
    Bands levels = VocalEffort.NORMAL.levelsDbSpl();
    double by = 20 * Math.log10(seat.at().distanceTo(talker.at()));
    double pattern = on.get(0) - levels.get(0) + by;
    assertThat(on.get(3) - levels.get(3) + by - pattern).isBetween(4.0, 8.0);
    assertThat(on.get(7) - levels.get(7) + by - pattern).isLessThan(-5);
    assertThat(Refinement.alike(free, clipped)).isTrue();
  }

  @Test
  @DisplayName(
      "under a shirt it loses what a limp sheet of 0.15 kg/m2 and 200 Pa s/m takes, by hand")
  void underCloth() {
    Room worn = onBreast(Ride.Part.CHEST);
    Room hidden = onBreast(Ride.Part.UNDER_CLOTH);
    Bands open = Heard.of(worn).directDbSpl();
    Bands under = Heard.of(hidden).directDbSpl();
    double airImpedance = 1.204 * 343.2;
    for (int b = 0; b < 8; b++) {
      double reactance = 2 * Math.PI * Octave.exactHz(b) * 0.15;
      double resistance = 200;
      double square = resistance * resistance + reactance * reactance;
      double real = resistance * reactance * reactance / square / airImpedance;
      double imaginary = resistance * resistance * reactance / square / airImpedance;
      double through = 1 / (Math.pow(1 + real / 2, 2) + Math.pow(imaginary / 2, 2));
      assertThat(under.get(b) - open.get(b)).isCloseTo(10 * Math.log10(through), within(1e-6));
    }
    assertThat(under.get(7)).isLessThan(open.get(7) - 1);
  }

  private static Room onBreast(Ride.Part part) {
    Ride ride = new Ride(SetUp.TALKER, part);
    Ride.Seat seat = ride.seat(ROOM.requireTalker());
    SetUp free =
        ROOM.withMicrophone(ROOM.requireMicrophone().placed(seat.at(), seat.aim())).setUp();
    return ROOM.with(
        free.withMicrophones(List.of(free.microphones().getFirst().riding(Optional.of(ride)))));
  }
}
