package nullroom.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import nullroom.core.Decibels;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.Bands;
import nullroom.core.book.Goal;
import nullroom.core.book.Hearing;
import nullroom.core.predict.Basis;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Room;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class VerdictsTest {
  private static final Margins TARGETS = new Margins(38, 10, 12);
  private final Room room = TestRooms.box(0.3);

  @ParameterizedTest(name = "{0} dB over the target, give or take {1}: {2}")
  @CsvSource({
    "0.1, 3, CANNOT_TELL", // a yes that is smaller than its own uncertainty is none
    "3, 3, MET",
    "5, 3, MET",
    "0, 0, MET",
    "-1, 0.5, CLOSE",
    "-3, 0.5, CLOSE",
    "-3.1, 0.5, SHORT",
    "-1, 2, CANNOT_TELL",
    "-2, 2, CLOSE",
    "-20, 5, SHORT",
    "-4, 6, CANNOT_TELL"
  })
  void words(double over, double uncertainty, Verdict verdict) {
    assertThat(Verdict.of(over, uncertainty)).isEqualTo(verdict);
  }

  @ParameterizedTest(name = "{0} s, give or take {1}, for 0.2 to 0.4 s: {2}")
  @CsvSource({
    "0.3, 0.03, SUITS",
    "0.39, 0.03, CANNOT_TELL",
    "0.41, 0.03, CANNOT_TELL",
    "0.45, 0.03, LONGER",
    "0.21, 0.03, CANNOT_TELL",
    "0.1, 0.03, SHORTER",
    "0.9, 0.6, CANNOT_TELL"
  })
  void times(double seconds, double uncertainty, TimeVerdict.Word word) {
    assertThat(TimeVerdict.of(Goal.SPOKEN_ON_CAMERA, seconds, uncertainty).word()).isEqualTo(word);
  }

  @Test
  @DisplayName("the uncertainty of a margin is what it moves by when its terms are off by theirs")
  void uncertaintyByTrying() {
    Heard heard = Hearing.quick(room).heard();
    Basis basis = heard.basis();
    Bands longer = heard.decaySeconds().with(basis.decayShare(), (t, share) -> t * (1 + share));
    double moved = heard.margins().clearDb() - Hearing.acted(room, longer).margins().clearDb();
    double byDecay = doubt(Verdicts.of(heard, TARGETS).clear(), "the reverberation time");
    assertThat(byDecay).isCloseTo(moved, within(0.25 * moved));
  }

  private static double doubt(Margin margin, String term) {
    return margin.doubts().stream()
        .filter(d -> d.term().equals(term))
        .mapToDouble(Margin.Doubt::db)
        .sum();
  }

  @Test
  @DisplayName("noise that is drowned by hiss is no reason to doubt Quiet; hiss is")
  void sharesOfNoise() {
    PlacedMicrophone m = room.requireMicrophone();
    Room hissing = room.withMicrophone(m.with(m.capture().withPreampEinDbu(-70)));
    Margin quiet = Verdicts.of(Hearing.quick(hissing).heard(), TARGETS).quiet();
    assertThat(doubt(quiet, "the room’s noise")).isLessThan(0.1);
    assertThat(doubt(quiet, "the chain’s own noise")).isCloseTo(Basis.OWN_NOISE_DB, within(0.1));
    Margin still = Verdicts.of(Hearing.quick(room).heard(), TARGETS).quiet();
    assertThat(doubt(still, "the room’s noise")).isGreaterThan(1);
  }

  @Test
  @DisplayName("a room that sends nothing back is met without a doubt")
  void dead() {
    Heard dead = Hearing.acted(room, Bands.all(0.02));
    Margin clear = Verdicts.of(dead, TARGETS).clear();
    assertThat(dead.hasLate()).isFalse();
    assertThat(clear.verdict()).isEqualTo(Verdict.MET);
    assertThat(clear.uncertaintyDb()).isZero();
    assertThat(Ladder.of(dead, TARGETS).rungs()).noneMatch(r -> r.label().equals("late room"));
  }

  @Test
  @DisplayName("what would tell is the largest doubt's remedy")
  void remedy() {
    Random random = new Random(5);
    for (int i = 0; i < 20; i++) {
      Margin margin =
          new Margin(
              Margins.Kind.QUIET,
              10,
              10,
              List.of(
                  new Margin.Doubt("one", random.nextDouble(), "do one"),
                  new Margin.Doubt("other", random.nextDouble(), "do other")));
      double one = margin.doubts().get(0).db();
      double other = margin.doubts().get(1).db();
      assertThat(margin.uncertaintyDb()).isBetween(Math.max(one, other), one + other);
      assertThat(margin.sentence()).endsWith(one > other ? "(do one)" : "(do other)");
    }
  }

  @Test
  @DisplayName(
      "brackets stand between the rungs that they are named for, and every figure has its why")
  void ladder() {
    Heard heard = Hearing.quick(room).heard();
    Ladder ladder = Ladder.of(heard, TARGETS);
    for (Ladder.Bracket b : ladder.brackets()) {
      assertThat(b.fromDbfs() - b.toDbfs()).isCloseTo(b.margin().db(), within(1e-9));
    }
    double noise =
        Decibels.sum(
            ladder.rungs().stream()
                .filter(r -> r.group() == Ladder.Group.NOISE)
                .mapToDouble(Ladder.Rung::dbfs)
                .toArray());
    assertThat(noise)
        .as("the noise rungs add up to what Quiet is held against")
        .isCloseTo(ladder.brackets().getFirst().toDbfs(), within(0.01));
    for (Why why : ladder.whys()) {
      assertThat(why.lines()).hasSizeGreaterThanOrEqualTo(4).allMatch(l -> l.length() > 5);
      assertThat(why.inputs()).isNotEmpty();
      assertThat(why.source()).isNotBlank();
    }
    assertThat(ladder.whyOf("Clear").lines().toString())
        .contains("C50", "ISO 3382-1", "give or take", "reverberation", "least sure");
  }
}
