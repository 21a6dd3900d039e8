package nullroom.core.predict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import nullroom.core.Decibels;
import nullroom.core.Keyed;
import nullroom.core.TestRooms;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.acoustics.Pattern;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.book.Goal;
import nullroom.core.room.NoiseSource;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.SetUp;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class HeardTest {
  private final Room room = TestRooms.box(0.2);

  @Test
  @DisplayName(
      "direct to reverberant by hand: 10 lg(1/(4 pi r^2)) - 10 lg(4/A), less the decay on the way (Kuttruff; Barron and Lee)")
  void directToReverberant() {
    Heard heard = Heard.of(room, Bands.all(0.4), ReflectedSound.diffuse(room, Bands.all(0.4)));
    double c = room.air().speedOfSound();
    double absorption = 24 * Math.log(10) / c * room.volume() / 0.4;
    double r = 0.3;
    double byHand =
        10 * Math.log10(absorption / (16 * Math.PI * r * r))
            + 10 * Math.log10(Math.exp(6 * Math.log(10) * r / c / 0.4));
    for (int i = 0; i < Octave.COUNT; i++) {
      assertThat(heard.directToReverberantDb().get(i)).isCloseTo(byHand, within(0.01));
    }
  }

  @Test
  @DisplayName(
      "40 m3, 0.4 s, Q 1, 0.3 m: a cardioid takes in 4.77 dB less of the room than an omni (efficiency 1/3)")
  void aCardioidHearsLessRoom() {
    Heard omni = Heard.of(room);
    Heard cardioid = Heard.of(TestRooms.with(room, Pattern.CARDIOID));
    for (int i = 0; i < Octave.COUNT; i++) {
      assertThat(omni.lateDbSpl().get(i) - cardioid.lateDbSpl().get(i))
          .isCloseTo(4.77, within(0.01));
      assertThat(omni.roomNoiseDbSpl().get(i) - cardioid.roomNoiseDbSpl().get(i))
          .isCloseTo(4.77, within(0.01));
      assertThat(omni.selfNoiseDbSpl().get(i)).isEqualTo(cardioid.selfNoiseDbSpl().get(i));
    }
    assertThat(cardioid.margins().clearDb() - omni.margins().clearDb()).isBetween(3.5, 5.5);
  }

  @Test
  @DisplayName(
      "a field that decays exponentially parts at 50 ms as 1 - e^(-0.691/T) (ISO 3382-1, C50 without direct sound)")
  void earlyAndLateShare() {
    Heard heard = Heard.of(room, Bands.all(0.5), ReflectedSound.diffuse(room, Bands.all(0.5)));
    double early = Math.pow(10, heard.earlyDbSpl().get(4) / 10);
    double late = Math.pow(10, heard.lateDbSpl().get(4) / 10);
    assertThat(10 * Math.log10(early / late)).isCloseTo(4.74, within(0.01));
  }

  @Test
  void quietIsSpeechOverAllNoise() {
    Heard heard = Heard.of(room);
    double speech = Octave.aWeightedSum(heard.directDbSpl().energySum(heard.earlyDbSpl()));
    double noise =
        Octave.aWeightedSum(
            heard
                .roomNoiseDbSpl()
                .energySum(heard.selfNoiseDbSpl())
                .energySum(heard.preampNoiseDbSpl())
                .energySum(heard.converterNoiseDbSpl()));
    assertThat(heard.margins().quietDb()).isCloseTo(speech - noise, within(1e-9));
    assertThat(Heard.of(room.withNoise(Bands.all(-40))).margins().quietDb())
        .isGreaterThan(heard.margins().quietDb());
  }

  @ParameterizedTest
  @EnumSource(VocalEffort.class)
  void aLouderVoiceIsQuieterButLessSafeAndAsClear(VocalEffort effort) {
    Room louder = room.withTalker(room.requireTalker().with(effort));
    Margins normal = Heard.of(room).margins();
    Margins other = Heard.of(louder).margins();
    double change = effort.levelDbA() - VocalEffort.NORMAL.levelDbA();
    assertThat(other.quietDb() - normal.quietDb()).isCloseTo(change, within(0.6));
    assertThat(other.clearDb() - normal.clearDb()).isCloseTo(0, within(1.1));
    double peaks = change + effort.crestDb() - VocalEffort.NORMAL.crestDb();
    assertThat(normal.safeDb() - other.safeDb())
        .isCloseTo(peaks, within(3.5)); // less bass in a raised voice
  }

  @Test
  void nearerIsClearerAndQuieter() {
    Room near =
        room.withMicrophone(
            room.requireMicrophone().movedTo(new Point(1.35, 1.5, 1.2), room.requireTalker().at()));
    Margins now = Heard.of(room).margins();
    Margins then = Heard.of(near).margins();
    assertThat(then.quietDb()).isGreaterThan(now.quietDb() + 5);
    assertThat(then.clearDb()).isGreaterThan(now.clearDb() + 4);
    assertThat(then.safeDb()).isLessThan(now.safeDb() - 5);
  }

  @Test
  void theQuietLineIsWhereTheTargetIsJustMet() {
    Heard heard = Heard.of(room);
    Bands noise = Bands.of(40, 34, 28, 23, 19, 15, 12, 10);
    Bands line = heard.quietLine(noise, 30).orElseThrow();
    assertThat(Heard.of(room.withNoise(line)).margins().quietDb()).isCloseTo(30, within(1e-6));
    assertThat(line.get(0) - noise.get(0)).isCloseTo(line.get(7) - noise.get(7), within(1e-9));
    assertThat(heard.quietLine(noise, 90)).isEmpty();
  }

  @Test
  void roomNoiseBehindAMeasurementIsWhatMadeIt() {
    Heard heard = Heard.of(TestRooms.with(room, Pattern.CARDIOID));
    Bands room63 = Bands.of(45, 40, 36, 32, 30, 28, 26, 25);
    Bands atCapsule =
        Heard.of(TestRooms.with(room.withNoise(room63), Pattern.CARDIOID)).noiseDbSpl();
    Bands back = heard.capture().roomNoiseBehind(atCapsule);
    for (int i = 0; i < Octave.COUNT; i++) {
      assertThat(back.get(i)).isCloseTo(room63.get(i), within(0.01));
    }
    // own noise alone: only a bound is left, 3 dB under what was read
    Bands own = heard.selfNoiseDbSpl().energySum(heard.preampNoiseDbSpl());
    assertThat(heard.capture().roomNoiseBehind(own).get(4))
        .isCloseTo(own.get(4) - 3 + 4.77, within(0.01));
  }

  @Test
  void withoutTalkerOrMicrophoneNothingIsHeard() {
    Room bare = room.with(SetUp.NONE);
    assertThatThrownBy(() -> Heard.of(bare))
        .isInstanceOf(Trouble.BadField.class)
        .hasMessageContaining("no talker");
    assertThatThrownBy(() -> Heard.of(bare.withTalker(room.requireTalker())))
        .hasMessageContaining("no microphone");
  }

  @Test
  void theWeakestMargin() {
    Margins targets = new Margins(38, 10, 12);
    Margins margins = new Margins(40, 8, 3);
    assertThat(margins.weakest(targets)).isEqualTo(Margins.Kind.SAFE);
    assertThat(margins.over(targets, Margins.Kind.QUIET)).isCloseTo(2, within(1e-9));
    for (Goal goal : Goal.values()) {
      assertThat(Keyed.find(Goal.class, goal.id())).contains(goal);
      assertThat(goal.shortestSeconds()).isLessThan(goal.longestSeconds());
    }
    assertThat(Keyed.find(Goal.class, "opera")).isEmpty();
  }

  @Test
  @DisplayName(
      "full-scale sine at 109.78 dB SPL: 94 - (-38 + 2.22) - 40 + 20; levels at the capsule become dBFS by it")
  void dbfs() {
    Heard heard = Heard.of(room);
    assertThat(heard.dbfs(109.7815)).isCloseTo(0, within(0.001));
    assertThat(heard.margins().safeDb()).isCloseTo(109.7815 - heard.peakDbSpl(), within(0.001));
  }

  @Test
  @DisplayName(
      "a lamp 1.2 m from an omni microphone in a dead room falls by 20 lg 1.2; a cardioid's back takes 30 dB off")
  void aSourceInItsPlace() {
    Room dead = TestRooms.box(0.99);
    Point capsule = dead.requireMicrophone().at();
    NoiseSource lamp =
        new NoiseSource("lamp", capsule.plus(new Point(1.2, 0, 0), 1), Bands.all(30));
    Room lit = dead.withNoise(Bands.all(-40), List.of(lamp));
    Heard heard = Heard.of(lit);
    double straight = 30 - 20 * Math.log10(1.2);
    double level = heard.sources().getFirst().levelDbSpl().get(4);
    // the diffuse part, 4/A against 1/(4 pi r^2), adds under 1 dB here
    assertThat(level).isBetween(straight, straight + 1.2);
    assertThat(heard.noiseDbSpl().get(4))
        .isCloseTo(
            Decibels.sum(
                level,
                heard.roomNoiseDbSpl().get(4),
                heard.selfNoiseDbSpl().get(4),
                heard.preampNoiseDbSpl().get(4),
                heard.converterNoiseDbSpl().get(4)),
            within(1e-9));
    // the talker is on the other side, so the lamp is behind the capsule
    Heard cardioid = Heard.of(TestRooms.with(lit, Pattern.CARDIOID));
    assertThat(cardioid.sources().getFirst().levelDbSpl().get(4)).isLessThan(level - 10);
    assertThat(heard.margins().quietDb())
        .isLessThan(Heard.of(dead.withNoise(Bands.all(-40))).margins().quietDb());
  }

  @Test
  void theAllowedNoiseIsWhereQuietJustHolds() {
    Room room = TestRooms.box(0.3);
    double target = Heard.of(room).margins().quietDb() - 4;
    double allowed = Heard.of(room).allowedRoomNoiseDbA(target).orElseThrow();
    double lift = allowed - Octave.aWeightedSum(Heard.of(room).roomNoiseDbSpl());
    Room louder = room.withNoise(room.noiseDbSpl().orElseThrow().map(level -> level + lift));
    assertThat(Heard.of(louder).margins().quietDb()).isCloseTo(target, within(1e-6));
    assertThat(Heard.of(room).allowedRoomNoiseDbA(200)).isEmpty();
  }
}
