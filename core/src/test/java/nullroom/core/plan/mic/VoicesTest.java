package nullroom.core.plan.mic;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nullroom.core.Progress;
import nullroom.core.TestRooms;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Directivity;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.acoustics.Octave;
import nullroom.core.acoustics.Pattern;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.book.Goal;
import nullroom.core.book.Hearing;
import nullroom.core.book.Kit;
import nullroom.core.book.KitField;
import nullroom.core.book.RoomBook;
import nullroom.core.book.Shelf;
import nullroom.core.predict.Heard;
import nullroom.core.room.Aim;
import nullroom.core.room.Member;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.SetUp;
import nullroom.core.room.Talker;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** Several voices, and a voice beside a loudspeaker, against the distance law by hand. */
class VoicesTest {
  private static final double OWN = 0.08;
  private static final double OTHER = 0.85;

  /** Talkers in a row, all facing along x, each with a microphone 8 cm before the lips. */
  private static RoomBook row(int count, Pattern pattern, Directivity voice) {
    Capture chain = TestRooms.OMNI_CHAIN.withPattern(pattern);
    double apart = Math.sqrt(OTHER * OTHER - OWN * OWN); // so that the next mouth is 85 cm away
    List<Member<Talker>> talkers = new ArrayList<>();
    List<Member<PlacedMicrophone>> microphones = new ArrayList<>();
    for (int k = 0; k < count; k++) {
      Point lips = new Point(1.5, 0.4 + k * apart, 1.2);
      Point at = lips.plus(new Point(OWN, 0, 0), 1);
      talkers.add(
          new Member<>("voice " + k, new Talker(lips, new Aim(0, 0), VocalEffort.NORMAL, voice)));
      microphones.add(
          new Member<>("mic " + k, new PlacedMicrophone(at, Aim.along(lips.minus(at)), chain)));
    }
    Room room =
        TestRooms.box(0.9)
            .with(new SetUp(talkers, microphones, List.of(), List.of(), SetUp.Judged.FIRST));
    return new RoomBook("row", Goal.SPOKEN_CLOSE, room);
  }

  @Test
  @DisplayName("own mouth 8 cm, the next 85 cm: bleed -20.5 dB, and what the patterns take besides")
  void bleed() {
    double byHand = 20 * Math.log10(OWN / OTHER);
    assertThat(byHand).isCloseTo(-20.5, within(0.05));
    Voices plain = Voices.of(row(4, Pattern.OMNI, Directivity.OMNI)).orElseThrow();
    assertThat(plain.own()).containsExactly(0, 1, 2, 3);
    assertThat(plain.eachItsOwn()).isTrue();
    assertThat(plain.bleedByDistanceDb(1, 0)).isCloseTo(byHand, within(0.01));
    assertThat(plain.bleedDb(1, 0, false)).isCloseTo(byHand, within(0.05));
    assertThat(plain.bleedDb(1, 0, true)).isGreaterThan(byHand);
    assertThat(plain.timesAsFar(2, 1)).isCloseTo(OTHER / OWN, within(1e-6));
    Voices cardioid = Voices.of(row(4, Pattern.CARDIOID, Directivity.OMNI)).orElseThrow();
    assertThat(cardioid.bleedDb(1, 0, false))
        .as("a neighbour is nearly at the side, 6 dB down, and the own voice has its nearness")
        .isBetween(byHand - 9, byHand - 4);
    assertThat(plain.openNoiseDb()).as("four open: 10 lg 4").isCloseTo(6.02, within(0.01));
    assertThat(plain.lowerByDb(1, 0))
        .isCloseTo(Math.max(0, plain.bleedDb(1, 0, true) + 20), within(1e-9));
  }

  @Test
  @DisplayName("less than three times as far is told, by name; so is a microphone that is shared")
  void apart() {
    RoomBook book = row(2, Pattern.OMNI, Directivity.OMNI);
    SetUp s = book.room().setUp();
    Point far = s.talkers().getFirst().it().at().plus(new Point(0.5, 0, 0), 1);
    Room room = book.room();
    RoomBook loose =
        book.with(
            room.with(
                s.withMicrophone(0, s.microphones().getFirst().it().placed(far, new Aim(180, 0)))));
    Voices voices = Voices.of(loose).orElseThrow();
    assertThat(voices.advice()).anyMatch(a -> a.contains("three times keeps them apart"));
    RoomBook one = book.with(room.with(s.withMicrophones(List.of(s.microphones().getFirst()))));
    assertThat(Voices.of(one).orElseThrow().advice().getFirst()).contains("share a microphone");
    assertThat(Voices.of(new RoomBook("x", Goal.SPOKEN_CLOSE, TestRooms.box(0.2)))).isEmpty();
  }

  @Test
  @DisplayName("between two who face each other a figure of eight or an omni hears both alike")
  void shared() {
    Room box = TestRooms.box(0.3);
    Talker left =
        new Talker(new Point(1.4, 1.7, 1.2), new Aim(0, 0), VocalEffort.NORMAL, Directivity.VOICE);
    Talker right =
        new Talker(
            new Point(2.6, 1.7, 1.2), new Aim(180, 0), VocalEffort.NORMAL, Directivity.VOICE);
    Room room =
        box.with(
            new SetUp(
                List.of(new Member<>("a", left), new Member<>("b", right)),
                box.setUp().microphones(),
                List.of(),
                List.of(),
                SetUp.Judged.FIRST));
    List<SharedMicrophone> all = SharedMicrophone.of(new RoomBook("two", Goal.SPOKEN_CLOSE, room));
    assertThat(all).hasSize(Pattern.values().length);
    assertThat(all.getFirst().pattern()).isEqualTo(Pattern.FIGURE_EIGHT);
    assertThat(all.getFirst().spreadDb()).isLessThan(0.1);
    assertThat(all.getFirst().room().setUp().microphones()).hasSize(1);
  }

  @Test
  @DisplayName("a microphone for each of four: boosters, cables and stands of all are in the price")
  void price() {
    Kit dynamic =
        Kit.of(MicrophoneType.find("dynamic_broadcast").orElseThrow(), "dynamic")
            .with(KitField.OWNED, Optional.of("false"))
            .with(KitField.PLACES, Optional.of("boom"));
    Kit input = new Kit(Kit.Kind.INPUT, "box", Map.of(KitField.HIGHEST_GAIN, "30"));
    Shelf shelf = Shelf.EMPTY.with(List.of(dynamic, input));
    MicPlanner.Ranked ranked =
        MicPlanner.rank(row(1, Pattern.OMNI, Directivity.VOICE), shelf, Progress.NONE)
            .ranking()
            .getFirst();
    assertThat(ranked.chain().checks()).anyMatch(c -> c.check().equals("gain") && !c.ok());
    List<Need> four = Need.forEach(ranked, 4);
    assertThat(four).extracting(Need::what).anyMatch("4 times inline booster"::equals);
    assertThat(four).extracting(Need::what).anyMatch("4 times XLR cable"::equals);
    assertThat(four).extracting(Need::what).anyMatch("4 times boom stand with a sandbag"::equals);
    double one = ranked.chain().price();
    assertThat(four.stream().mapToDouble(Need::price).sum())
        .as("four of all and four boosters of 70; the input is there")
        .isCloseTo(4 * (one + 70), within(1e-9));
  }

  @Test
  @DisplayName(
      "a backing at 1.5 m lies 6 dB under the voice; in a dead room its level is that of the distance law")
  void backing() {
    Room dead = TestRooms.box(0.99);
    Talker singer = dead.requireTalker().with(VocalEffort.LOUD);
    RoomBook book = new RoomBook("sung", Goal.SUNG_DRY, dead.withTalker(singer));
    Backing backing = Backing.triangle(book, 1.5, 6);
    SetUp s = backing.room().setUp();
    Point lips = singer.at();
    Point ears = s.microphone().orElseThrow().at();
    Point speaker = s.loudspeakers().getFirst().it().at();
    assertThat(lips.distanceTo(ears)).isCloseTo(1.5, within(1e-9));
    assertThat(lips.distanceTo(speaker)).isCloseTo(1.5, within(1e-9));
    assertThat(ears.distanceTo(speaker)).isCloseTo(1.5, within(1e-9));
    Heard heard = Hearing.quick(book.with(backing.room())).heard();
    assertThat(heard.voiceDbSplA() - Backing.levelDbA(heard, backing.loudspeaker()))
        .isCloseTo(6, within(0.05));
    var loudspeaker = s.loudspeakers().getFirst().it();
    double off = loudspeaker.aim().angleTo(ears.minus(speaker));
    double onAxis =
        Octave.aWeightedSum(
            Bands.from(
                b -> loudspeaker.dbSplAtMetre().get(b) + loudspeaker.directivity().gainDb(b, off)));
    assertThat(onAxis - 20 * Math.log10(1.5))
        .as("straight, at 1.5 m, a little under the whole")
        .isCloseTo(Backing.levelDbA(heard, backing.loudspeaker()), within(1.0));
    assertThat(backing.advice()).anyMatch(a -> a.contains("headphones"));
    assertThatThrownBy(() -> Backing.triangle(book, 9, 6)).isInstanceOf(Trouble.BadField.class);
    assertThatThrownBy(() -> Backing.triangle(book, -1, 6)).isInstanceOf(Trouble.BadField.class);
  }
}
