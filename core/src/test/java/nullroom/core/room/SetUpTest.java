package nullroom.core.room;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import nullroom.core.TestRooms;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Directivity;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.room.Ride.Part;
import org.assertj.core.api.ThrowableAssert.ThrowingCallable;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class SetUpTest {
  private static final Room ROOM = TestRooms.box(0.2);

  private static Member<Talker> talker(String name, double x, double y) {
    return new Member<>(
        name,
        new Talker(new Point(x, y, 1.2), new Aim(0, 0), VocalEffort.NORMAL, Directivity.VOICE));
  }

  private static Member<PlacedMicrophone> microphone(String name, Point at, String on, Part part) {
    return new Member<>(
        name,
        new PlacedMicrophone(at, new Aim(180, 0), TestRooms.OMNI_CHAIN),
        Optional.of(new Ride(on, part)));
  }

  private static Member<Camera> camera(String name, Point at) {
    return new Member<>(name, new Camera(at, new Aim(180, 0), 35, Camera.WIDE));
  }

  /** Two talkers, a clip on the first, a microphone on a camera, and one on a table. */
  private static SetUp two() {
    return new SetUp(
        List.of(talker("host", 1, 1), talker("guest", 3, 2)),
        List.of(
            microphone("clip", new Point(1.05, 1, 0.98), "host", Part.CHEST),
            microphone("shotgun", new Point(2, 3, 1.58), "film", Part.TOP),
            new Member<>(
                "table",
                new PlacedMicrophone(new Point(2, 1.5, 0.8), new Aim(0, 0), TestRooms.OMNI_CHAIN))),
        List.of(camera("film", new Point(2, 3, 1.5))),
        List.of(),
        SetUp.Judged.FIRST);
  }

  private static void near(Point is, double x, double y, double z) {
    assertThat(is.distanceTo(new Point(x, y, z))).as(is.toString()).isLessThan(1e-9);
  }

  @Test
  @DisplayName("what rides on a talker goes and turns with them; the others stay")
  void followsTheTalker() {
    Room room = RoomItem.TALKER.moved(ROOM.with(two()), new Point(2, 1, 1.2));
    near(room.setUp().microphones().get(0).it().at(), 2.05, 1, 0.98);
    near(room.setUp().microphones().get(2).it().at(), 2, 1.5, 0.8);
    Room turned = RoomItem.TALKER.turned(room, 90);
    near(turned.setUp().microphones().get(0).it().at(), 2, 1.05, 0.98);
    assertThat(turned.setUp().microphones().get(0).it().aim().azimuthDegrees())
        .isCloseTo(-90, within(1e-9));
  }

  @Test
  @DisplayName("what rides on what rides follows, too")
  void followsOnAndOn() {
    SetUp s = two();
    List<Member<PlacedMicrophone>> more = new ArrayList<>(s.microphones());
    more.add(microphone("spare", new Point(2, 3, 1.7), "shotgun", Part.TOP));
    Room room = ROOM.with(s.withMicrophones(more));
    Room moved = room.with(room.setUp().withCamera(0, camera("", new Point(3, 3, 1.5)).it()));
    near(moved.setUp().microphones().get(1).it().at(), 3, 3, 1.58);
    near(moved.setUp().microphones().get(3).it().at(), 3, 3, 1.7);
  }

  @Test
  @DisplayName("dragged off it is put down and stays; dragged a little it rides on")
  void putDown() {
    RoomItem clip = new RoomItem(RoomItem.Kind.MICROPHONE, 0);
    Room nearby = clip.moved(ROOM.with(two()), new Point(1.1, 1, 1.0));
    assertThat(nearby.setUp().microphones().getFirst().ride()).isPresent();
    SetUp wide =
        two().withMicrophones(List.of(microphone("m", new Point(2, 3, 2.2), "film", Part.TOP)));
    PlacedMicrophone louder = wide.microphone().orElseThrow();
    louder = louder.with(louder.capture().withGainDb(50));
    assertThat(wide.with(louder).microphones().getFirst().ride())
        .as("turning the gain of what sits far from its carrier takes nothing off")
        .isPresent();
    Room off = clip.moved(nearby, new Point(2.5, 2.5, 1.0));
    assertThat(off.setUp().microphones().getFirst().ride()).isEmpty();
    Room away = RoomItem.TALKER.moved(off, new Point(1.5, 1, 1.2));
    near(away.setUp().microphones().getFirst().it().at(), 2.5, 2.5, 1.0);
  }

  @Test
  @DisplayName("the voice and the microphone judged are those named; who goes takes nobody's place")
  void judged() {
    SetUp s = two().judging(Optional.of("guest"), Optional.of("table"));
    assertThat(s.talker()).contains(s.talkers().get(1).it());
    assertThat(s.microphone()).contains(s.microphones().get(2).it());
    Room fewer = new RoomItem(RoomItem.Kind.MICROPHONE, 0).without(ROOM.with(s));
    assertThat(fewer.setUp().listener().orElseThrow().name()).isEqualTo("table");
    Room filmless = RoomItem.CAMERA.without(fewer);
    assertThat(filmless.setUp().microphones().getFirst().ride())
        .as("its carrier is gone")
        .isEmpty();
    assertThatThrownBy(() -> s.judging(Optional.of("nobody"), Optional.empty()))
        .isInstanceOf(Trouble.BadField.class)
        .hasMessageContaining("[host, guest]");
  }

  @Test
  @DisplayName("leaning takes the clip along, turning the head does not; what is worn does both")
  void moving() {
    SetUp s = two();
    SetUp leant = s.at(new Movement.Moment(0.2, 0, 90));
    near(leant.microphones().getFirst().it().at(), 1.25, 1, 0.98);
    near(leant.talker().orElseThrow().at(), 1.2, 1, 1.2);
    assertThat(leant.talker().orElseThrow().aim().azimuthDegrees()).isEqualTo(90);
    SetUp worn =
        s.withMicrophones(List.of(microphone("boom", new Point(1.05, 1, 1.2), "host", Part.HEAD)))
            .at(new Movement.Moment(0, 0.1, 90));
    near(worn.microphones().getFirst().it().at(), 1, 1.15, 1.2);
    assertThat(new Movement(0.2, 30).ends()).hasSize(14);
    assertThat(Movement.NONE.ends()).isEmpty();
  }

  private static void refused(SetUp setUp, String place, String words) {
    ThrowingCallable build = () -> ROOM.with(setUp);
    assertThatThrownBy(build)
        .isInstanceOfSatisfying(Trouble.BadField.class, e -> assertThat(e.place()).isEqualTo(place))
        .hasMessageContaining(words);
  }

  private static SetUp with(Member<PlacedMicrophone> one) {
    return two().withMicrophones(List.of(one));
  }

  @Test
  @DisplayName("nothing rides on itself, in a circle, on nothing, or on the wrong part")
  void ridesThatCannotBe() {
    Point p = new Point(2, 2, 1);
    refused(
        new SetUp(
            two().talkers(),
            List.of(microphone("a", p, "a", Part.TOP), two().microphones().get(2)),
            List.of(),
            List.of(),
            SetUp.Judged.FIRST),
        "microphones[0].ridesOn.what",
        "itself");
    refused(
        new SetUp(
            two().talkers(),
            List.of(
                microphone("a", p, "b", Part.TOP),
                microphone("b", new Point(2, 2, 1.5), "a", Part.TOP)),
            List.of(),
            List.of(),
            SetUp.Judged.FIRST),
        "microphones[0].ridesOn.what",
        "circle");
    refused(
        new SetUp(
            two().talkers(),
            List.of(microphone("a", p, "nothing", Part.TOP)),
            List.of(),
            List.of(),
            SetUp.Judged.FIRST),
        "microphones[0].ridesOn.what",
        "'nothing'");
    refused(with(microphone("a", p, "host", Part.TOP)), "microphones[0].ridesOn.part", "chest");
    refused(with(microphone("a", p, "film", Part.CHEST)), "microphones[0].ridesOn.part", "top");
  }

  @Test
  @DisplayName("an eighth rider finds no place, seven do; two things are not in one place")
  void crowds() {
    List<Member<PlacedMicrophone>> seven =
        IntStream.range(0, 7)
            .mapToObj(i -> microphone("m" + i, new Point(2, 3, 1.6 + i / 50.0), "film", Part.TOP))
            .toList();
    assertThat(ROOM.with(two().withMicrophones(seven)).setUp().microphones()).hasSize(7);
    List<Member<PlacedMicrophone>> eight = new ArrayList<>(seven);
    eight.add(microphone("m7", new Point(2, 3, 2), "film", Part.TOP));
    refused(two().withMicrophones(eight), "microphones[7].ridesOn.what", "carries 7");
    refused(
        two()
            .withMicrophones(
                List.of(
                    microphone("m", new Point(2, 2, 1), "film", Part.TOP),
                    microphone("n", new Point(2, 2, 1), "film", Part.TOP))),
        "microphones[1].at",
        "'n' is where 'm' is");
    refused(
        two()
            .withMicrophones(
                List.of(
                    microphone("m", new Point(2, 2, 1), "film", Part.TOP),
                    microphone("m", new Point(2, 2, 2), "film", Part.TOP))),
        "microphones[1].name",
        "already");
    Room wardrobe =
        ROOM.withFurniture(
            List.of(
                new Furniture(
                    "wardrobe",
                    new Point(2.9, 2.6, 0),
                    1.2,
                    0.6,
                    2,
                    0,
                    new Finish.Stated(Bands.all(0.1), Bands.all(0.1)),
                    Optional.empty())));
    assertThatThrownBy(
            () -> wardrobe.with(with(microphone("m", new Point(3, 3, 1), "film", Part.TOP))))
        .isInstanceOf(Trouble.BadField.class)
        .hasMessageContaining("the m is inside 'wardrobe'");
  }

  @Test
  @DisplayName("a smaller room keeps all of them, inside, and what rides still rides")
  void reshaped() {
    Room small = ROOM.with(two()).reshaped(Outline.box(2, 2), new Ceiling.Flat(2.3));
    assertThat(small.setUp().all()).hasSize(6);
    assertThat(small.setUp().all().map(m -> m.it().at())).allMatch(small::holds);
    assertThat(small.setUp().microphones().get(1).ride()).isPresent();
  }
}
