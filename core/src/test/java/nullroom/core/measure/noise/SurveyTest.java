package nullroom.core.measure.noise;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class SurveyTest {
  private static final double NONE = SecondLevels.NOTHING_DBFS;

  private static Survey.Row row(double start, double mean, double most) {
    return new Survey.Row(
        start, new SecondLevels(mean, most, mean + 10, mean + 11, most + 12, 0, List.of()));
  }

  /** Quiet seconds at -80 with what is put over them. */
  private static List<Survey.Row> quiet(int seconds) {
    List<Survey.Row> rows = new ArrayList<>();
    Random random = new Random(2);
    for (int s = 0; s < seconds; s++) {
      double level = -80 + 0.4 * random.nextGaussian();
      rows.add(row(s, level, level + 1));
    }
    return rows;
  }

  @Test
  @DisplayName("sixty bursts in an hour, 10 dB for one second: all found, nothing else")
  void recallAndPrecision() {
    List<Survey.Row> rows = quiet(3600);
    for (int b = 0; b < 60; b++) {
      rows.set(60 * b + 17, row(60 * b + 17, -75, -69));
    }
    List<Intrusion> found = Survey.of(rows).intrusions();
    assertThat(found).hasSize(60);
    for (int b = 0; b < 60; b++) {
      assertThat(found.get(b).startSeconds()).isEqualTo(60 * b + 17);
      assertThat(found.get(b).durationSeconds()).isEqualTo(1);
      assertThat(found.get(b).riseDb()).isCloseTo(11, within(1.0));
    }
  }

  @Test
  void whatComesAndStaysBecomesBackground() {
    List<Survey.Row> rows = quiet(600);
    for (int s = 300; s < 600; s++) {
      rows.set(s, row(s, -62, -61));
    }
    assertThat(Survey.of(rows).intrusions()).hasSizeLessThanOrEqualTo(1);
    rows.set(590, row(590, -52, -51));
    assertThat(Survey.of(rows).intrusions().getLast().riseDb())
        .as("over the new background, not the old one")
        .isCloseTo(11, within(0.1));
  }

  @Test
  void onlyWhatGoesOverTheLimitSpoils() {
    List<Survey.Row> rows = quiet(300);
    rows.set(100, row(100, -70, -65));
    rows.set(200, row(200, -60, -50));
    Survey survey = Survey.of(rows);
    assertThat(survey.intrusions()).hasSize(2);
    assertThat(survey.spoilers(-60))
        .singleElement()
        .satisfies(i -> {
          assertThat(i.startSeconds()).isEqualTo(200);
          assertThat(survey.loudestDbfs(i)).isEqualTo(-50);
        });
    assertThat(survey.spoilers(NONE)).hasSize(2);
  }

  @Test
  void hoursCountCleanTakesByHand() {
    List<Survey.Row> rows = quiet(7200);
    rows.set(3600 + 600, row(3600 + 600, -60, -50));
    List<Survey.Hour> hours = Survey.of(rows).hours(3600, -60, 300);
    assertThat(hours).hasSize(2);
    assertThat(hours.get(0).cleanShare()).isEqualTo(1);
    assertThat(hours.get(0).intrusions()).isZero();
    // a take of 300 s holds the loud second where it begins at most 299 s before it
    assertThat(hours.get(1).cleanShare()).isCloseTo(1 - 300.0 / 3600, within(1e-9));
    assertThat(hours.get(1).spoilers()).isEqualTo(1);
    assertThat(hours.get(0).laeqDbfs()).isCloseTo(-80, within(0.1));
    assertThat(hours.get(0).la90Dbfs()).isCloseTo(-80.5, within(0.2));
  }

  @Test
  void aSteadyNoiseOverTheLimitLeavesNoCleanTake() {
    List<Survey.Row> rows = quiet(3600);
    assertThat(Survey.of(rows).hours(3600, -85, 300).getFirst().cleanShare()).isZero();
    assertThat(Survey.of(rows).hours(3600, NONE, 300).getFirst().cleanShare()).isEqualTo(1);
  }

  @Test
  void aGapSplitsAnIntrusionAndIsNotHeard() {
    List<Survey.Row> rows = new ArrayList<>(quiet(100));
    rows.set(99, row(99, -60, -50));
    rows.add(row(5000, -60, -50));
    for (int s = 1; s < 100; s++) {
      rows.add(row(5000 + s, -80, -79));
    }
    Survey survey = Survey.of(rows);
    assertThat(survey.intrusions()).hasSize(2);
    assertThat(survey.seconds()).isEqualTo(5100);
    assertThat(survey.hours(3600, NONE, 60))
        .extracting(Survey.Hour::heardSeconds)
        .containsExactly(100, 100);
  }

  @Test
  void nothingHeardIsNoTrouble() {
    Survey survey = Survey.of(List.of());
    assertThat(survey.intrusions()).isEmpty();
    assertThat(survey.hours(3600, -60, 300)).isEmpty();
    assertThat(survey.seconds()).isZero();
  }
}
