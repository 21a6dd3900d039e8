package nullroom.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Directivity;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.book.Hearing;
import nullroom.core.room.Aim;
import nullroom.core.room.Member;
import nullroom.core.room.Movement;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Ride;
import nullroom.core.room.Room;
import nullroom.core.room.SetUp;
import nullroom.core.room.Talker;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** What leaning back from 8 to 20 cm and turning by 30 degrees costs. */
class SwayTest {
  private static final int ONE_KILOHERTZ = 4;
  private static final Movement BACK = new Movement(0.12, 30);

  private static Room room(Movement movement, String type, Optional<Ride.Part> part) {
    Point lips = new Point(2, 1.7, 1.2);
    Talker talker =
        new Talker(lips, new Aim(0, 0), VocalEffort.NORMAL, Directivity.VOICE).with(movement);
    Capture capture = MicrophoneType.find(type).orElseThrow().on(TestRooms.OMNI_CHAIN);
    Optional<Ride> ride = part.map(p -> new Ride(SetUp.TALKER, p));
    Point before = lips.plus(new Point(0.08, 0, 0), 1);
    PlacedMicrophone microphone =
        ride.map(r -> r.seat(talker))
            .map(s -> new PlacedMicrophone(s.at(), s.aim(), capture))
            .orElseGet(() -> new PlacedMicrophone(before, Aim.along(lips.minus(before)), capture));
    Room dead = TestRooms.box(0.9);
    return dead.with(
        SetUp.of(talker, microphone)
            .withMicrophones(List.of(new Member<>(SetUp.MICROPHONE, microphone).riding(ride))));
  }

  private static Sway of(Room room) {
    return Sway.of(Hearing.quick(room)::heard, room);
  }

  @Test
  @DisplayName(
      "a dynamic at 8 cm loses what 20 lg(20/8) and the mouth's turning say, about 8 dB; a clip-on less than 1")
  void leaning() {
    Room near = room(BACK, "dynamic_broadcast", Optional.empty());
    Room back = near.with(near.setUp().at(new Movement.Moment(-0.12, 0, 30)));
    double straight =
        Hearing.quick(near).heard().directDbSpl().get(ONE_KILOHERTZ)
            - Hearing.quick(back).heard().directDbSpl().get(ONE_KILOHERTZ);
    assertThat(straight).isCloseTo(20 * Math.log10(20.0 / 8), within(1.0));
    Sway close = of(near);
    assertThat(close.voiceDb()).as("of all ends, those to the side too").isBetween(straight, 12.0);
    assertThat(close.stated()).isTrue();
    Sway clip = of(room(BACK, "lav_omni_wired", Optional.of(Ride.Part.CHEST)));
    assertThat(clip.voiceDb()).isBetween(0.0, 1.0);
  }

  @Test
  @DisplayName("where nobody said how far they move, the usual is taken and said to be so")
  void assumed() {
    Sway sway = of(room(Movement.NONE, "dynamic_broadcast", Optional.empty()));
    assertThat(sway.stated()).isFalse();
    assertThat(sway.movement()).isEqualTo(Sway.USUAL);
    assertThat(sway.worst().quietDb())
        .isLessThan(
            Hearing.quick(room(Movement.NONE, "dynamic_broadcast", Optional.empty()))
                .heard()
                .margins()
                .quietDb());
  }
}
