package nullroom.core.plan.mic;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.Stage;
import nullroom.core.book.Hearing;
import nullroom.core.predict.Heard;
import nullroom.core.room.Room;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class ChainLevelTest {
  private static final Stage BOOSTER = new Stage("booster", 25, -128, -15, false);

  private static Heard heard() {
    Room room = TestRooms.box(0.3);
    var m = room.requireMicrophone();
    return Hearing.quick(room.withMicrophone(m.with(m.capture().withStages(List.of(BOOSTER)))))
        .heard();
  }

  @Test
  @DisplayName(
      "from lips to file, levels by hand: -38 dBV at a pascal, 25 dB more, then full scale")
  void levels() {
    Heard heard = heard();
    List<ChainLevel> all = ChainLevel.of(heard, 60);
    assertThat(all)
        .extracting(ChainLevel::name)
        .containsExactly("lips, at 1 m", "room", "microphone", "booster", "file");
    double voice = heard.voiceDbSplA();
    double dbu = -38 + 20 * Math.log10(1 / Math.sqrt(0.6)); // 0 dBu is 0.7746 V
    assertThat(all.get(3).voice()).isCloseTo(voice - 94 + dbu + 25, within(0.01));
    assertThat(all.get(3).limit()).as("-15 dBu at its input, 25 dB on").isCloseTo(10, within(0.01));
    assertThat(all.get(4).voice()).isCloseTo(heard.dbfs(voice), within(1e-9));
    assertThat(all.get(4).noise()).isCloseTo(heard.dbfs(heard.noiseDbSplA()), within(1e-9));
    assertThat(all.get(4).limit()).isCloseTo(0, within(1e-9));
  }

  @Test
  @DisplayName("noise never falls on its way, at the microphone's scale (Friis)")
  void friis() {
    double before = 0;
    for (ChainLevel level : ChainLevel.of(heard(), 60).subList(1, 5)) {
      double here = level.noise() - level.atMicrophoneDbSpl();
      assertThat(here).as(level.name()).isGreaterThanOrEqualTo(before - 0.05);
      before = here;
    }
  }
}
