package nullroom.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import nullroom.core.Keyed;
import nullroom.core.ReferenceTable;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Pattern;
import nullroom.core.acoustics.Stage;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.book.Brief;
import nullroom.core.book.School;
import nullroom.core.book.Staging;
import nullroom.core.plan.Restarts.Recorder;
import nullroom.core.plan.Restarts.Restart;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Room;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class GainPlanTest {
  private static final Margins TARGETS = new Margins(30, 10, 12);
  private static final double SHOUT_DB = Staging.USUAL.allowanceDb();

  private static Heard heard(VocalEffort effort, Capture chain) {
    Room room = TestRooms.box(0.3);
    PlacedMicrophone microphone = room.requireMicrophone();
    return Heard.of(
        room.withTalker(room.requireTalker().with(effort)).withMicrophone(microphone.with(chain)));
  }

  private static Capture chain(double sensitivity, double ein) {
    return new Capture(Pattern.OMNI, 16, 130, sensitivity, ein, 40, 20, 24);
  }

  private static GainPlan plan(VocalEffort effort, Capture chain, School school) {
    return GainPlan.of(
        heard(effort, chain), TARGETS, Staging.USUAL.by(school).withHighestGainDb(60));
  }

  @ParameterizedTest
  @EnumSource(VocalEffort.class)
  @DisplayName("common practice: the loudest peak comes to -12 dBFS, to the whole decibel under it")
  void peaks(VocalEffort effort) {
    GainPlan plan = plan(effort, chain(-38, -125), School.PEAKS);
    if (plan.gainDb() > 0 && plan.gainDb() < 60) {
      assertThat(plan.peakDbfs()).isBetween(-13.0, -12.0 + 1e-9);
    }
    assertThat(plan.shoutDbfs()).isCloseTo(plan.peakDbfs() + SHOUT_DB, within(1e-9));
    // peak over active level: the effort's crest, less 3.01 dB as AES17 counts a sine's RMS
    assertThat(plan.peakDbfs() - plan.activeDbfs())
        .isCloseTo(effort.crestDb() - 3.01, within(0.01));
  }

  @Test
  @DisplayName("the schools: average at -18, and float so low that a shout stays under -12")
  void schools() {
    GainPlan average = plan(VocalEffort.NORMAL, chain(-38, -125), School.AVERAGE);
    assertThat(average.activeDbfs()).isBetween(-19.0, -18.0 + 1e-9);
    GainPlan low = plan(VocalEffort.NORMAL, chain(-38, -125), School.FLOAT);
    assertThat(low.shoutDbfs()).isLessThanOrEqualTo(-12 + 1e-9);
    assertThat(low.gainDb()).isLessThan(average.gainDb());
    assertThat(Keyed.find(School.class, "float")).contains(School.FLOAT);
  }

  /** Sound level to file by hand: dBFS = S + (SPL - 94) + gain - full scale, in dBu. */
  @Test
  @DisplayName("the gain by hand")
  void byHand() {
    Heard heard = heard(VocalEffort.NORMAL, chain(-38, -125));
    GainPlan plan =
        GainPlan.of(heard, TARGETS, Staging.USUAL.by(School.AVERAGE).withHighestGainDb(60));
    double sensitivityDbu = -38 + 20 * Math.log10(1000 / 774.597);
    double gain = -18 + 20 - sensitivityDbu - (heard.activeSpeechDbSpl() - 94);
    assertThat(plan.gainDb()).isEqualTo(Math.floor(gain));
    assertThat(plan.changeDb()).isEqualTo(plan.gainDb() - 40);
  }

  @Test
  @DisplayName("what the chain cannot do is said: gain, hiss, the capsule")
  void advice() {
    GainPlan dynamic = plan(VocalEffort.RELAXED, chain(-57, -110), School.PEAKS);
    assertThat(dynamic.gainDb()).isEqualTo(60);
    assertThat(dynamic.advice()).anyMatch(a -> a.contains("inline booster"));
    assertThat(dynamic.advice()).anyMatch(a -> a.contains("hiss adds"));
    Capture weak = new Capture(Pattern.OMNI, 16, 100, -38, -125, 40, 20, 24);
    assertThat(plan(VocalEffort.BELTED, weak, School.PEAKS).advice().getFirst())
        .contains("overload the microphone");
    assertThat(plan(VocalEffort.NORMAL, chain(-38, -125), School.PEAKS).limiter()).isFalse();
    GainPlan hot = plan(VocalEffort.NORMAL, chain(-38, -125), School.AVERAGE);
    assertThat(hot.limiter()).isTrue();
    assertThat(hot.safetyTrackDb()).isPositive();
    assertThat(hot.shoutDbfs() - hot.safetyTrackDb()).isLessThanOrEqualTo(-6);
  }

  @Test
  @DisplayName("stages: gain before the preamp is gain it need not have; what overloads is named")
  void stages() {
    Capture bare = chain(-40, -125);
    GainPlan plan = plan(VocalEffort.NORMAL, bare, School.AVERAGE);
    Stage booster = new Stage("booster", 20, -128, -10, false);
    GainPlan boosted = plan(VocalEffort.NORMAL, bare.withStages(List.of(booster)), School.AVERAGE);
    assertThat(boosted.gainDb()).isLessThan(60);
    assertThat(boosted.gainDb() - plan.gainDb()).isEqualTo(-20);
    Stage weak = new Stage("transmitter", 0, -120, -60, false);
    assertThat(
            plan(VocalEffort.LOUD, chain(-38, -125).withStages(List.of(weak)), School.PEAKS)
                .advice()
                .getFirst())
        .contains("overload “transmitter” by");
  }

  @Test
  @DisplayName("a gain that sets itself cannot be planned, and what depends on it cannot be told")
  void automatic() {
    Stage automatic =
        new Stage("camera", 0, Stage.NO_NOISE_DBU, Stage.NO_LIMIT_DBU, false).automatic(true);
    Capture chain = chain(-38, -125).withStages(List.of(automatic));
    assertThat(plan(VocalEffort.NORMAL, chain, School.PEAKS).advice().getFirst())
        .contains("“camera” sets its own gain");
    Margin before = Verdicts.of(heard(VocalEffort.NORMAL, chain(-38, -125)), TARGETS).safe();
    Margin safe = Verdicts.of(heard(VocalEffort.NORMAL, chain), TARGETS).safe();
    assertThat(safe.db()).isEqualTo(before.db());
    assertThat(safe.uncertaintyDb()).isGreaterThan(9);
    assertThat(safe.largestDoubt().remedy()).contains("switch off the automatic gain of “camera”");
  }

  @Test
  @DisplayName("dithered words of 16 bits cost noise in a quiet room, those of 24 do not")
  void words() {
    for (CSVRecord row : ReferenceTable.rows("quantisation_noise.csv")) {
      int bits = Integer.parseInt(row.get("bits"));
      assertThat(Capture.roundingDbfsA(bits))
          .as("%d bits, triangular dither, A-weighted", bits)
          .isCloseTo(Double.parseDouble(row.get("tpdf_a_weighted_48khz_dbfs")), within(0.15));
    }
    GainPlan plan = plan(VocalEffort.NORMAL, chain(-38, -125), School.FLOAT);
    assertThat(plan.words()).extracting(GainPlan.Word::bits).containsExactly(16, 24, 32);
    assertThat(plan.words().get(0).costDb()).isGreaterThan(plan.words().get(1).costDb());
    assertThat(plan.words().get(1).costDb()).isLessThan(0.1);
  }

  @Test
  @DisplayName("4 GiB by the table, and 13 to 16 minutes at 44 to 36 Mbit/s")
  void files() {
    int rows = 0;
    for (CSVRecord row : ReferenceTable.rows("wav_4gib_limit.csv")) {
      FileRoom file =
          new FileRoom(
              Double.parseDouble(row.get("sample_rate_hz")),
              Integer.parseInt(row.get("bits")),
              Integer.parseInt(row.get("channels")));
      assertThat(file.minutes(FileRoom.FOUR_GIB))
          .isCloseTo(Double.parseDouble(row.get("minutes_to_4_gib")), within(0.05));
      rows++;
    }
    assertThat(rows).isGreaterThan(60);
    assertThat(FileRoom.cameraMinutes(44)).isCloseTo(13, within(0.05));
    assertThat(FileRoom.cameraMinutes(36)).isCloseTo(16, within(0.1));
    assertThatThrownBy(() -> new FileRoom(0, 24, 1)).hasMessageContaining("rate");
  }

  @Test
  @DisplayName("no recorder reaches its limit, and no two are restarted within a minute")
  void restarts() {
    List<Recorder> recorders =
        List.of(new Recorder("left", 15), new Recorder("right", 15), new Recorder("phone", 30));
    List<Restart> plan = Restarts.plan(recorders, 120);
    for (Recorder r : recorders) {
      double before = 0;
      for (Restart restart : plan) {
        if (restart.recorder().equals(r.name())) {
          assertThat(restart.minutes() - before).isLessThan(r.limitMinutes());
          before = restart.minutes();
        }
      }
      assertThat(120 - before).as(r.name()).isLessThanOrEqualTo(r.limitMinutes());
    }
    for (int k = 1; k < plan.size(); k++) {
      assertThat(plan.get(k).minutes() - plan.get(k - 1).minutes())
          .isGreaterThanOrEqualTo(1 - 1e-9);
    }
    assertThat(Restarts.plan(List.of(), 60)).isEmpty();
    assertThat(Restarts.plan(recorders, 10)).isEmpty();
    assertThatThrownBy(() -> new Recorder("x", 0.5)).hasMessageContaining("longer than");
  }

  @Test
  @DisplayName("briefs name their source; one of one's own is checked")
  void briefs() {
    assertThat(Brief.all()).allMatch(b -> !b.source().isBlank());
    assertThat(Brief.find("broadcast-23").orElseThrow().integratedLufs()).hasValue(-23);
    assertThat(Brief.find("audiobook").orElseThrow().floorDbfs()).hasValue(-60);
    assertThat(Brief.find("nothing")).isEmpty();
  }
}
