package nullroom.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Pattern;
import nullroom.core.acoustics.Stage;
import nullroom.core.book.Goal;
import nullroom.core.predict.Heard;
import nullroom.core.room.Room;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class ChainLinkTest {
  private static final Capture BARE = new Capture(Pattern.OMNI, 24, 120, -42, -118, 10, 6, 24);
  private static final Stage SENDER = new Stage("sender", 12, -120, -30, false);
  private static final Stage RECEIVER = new Stage("receiver", -6, -95, Stage.NO_LIMIT_DBU, false);

  private static Ladder ladder(Capture chain) {
    Room room = TestRooms.box(0.2);
    Room with = room.withMicrophone(room.requireMicrophone().with(chain));
    return Ladder.of(Heard.of(with), Goal.SPOKEN_ON_CAMERA.targets());
  }

  @Test
  @DisplayName(
      "levels from link to link by hand: 94 dB SPL come as -39.8, then with each gain more")
  void row() {
    List<ChainLink> row = ChainLink.row(BARE.withStages(List.of(SENDER, RECEIVER)));
    assertThat(row)
        .extracting(ChainLink::name)
        .containsExactly("microphone", "sender", "receiver", "preamp and converter");
    assertThat(row)
        .extracting(ChainLink::levelDbu)
        .usingComparatorForType((a, b) -> Math.abs(a - b) < 1e-3 ? 0 : 1, Double.class)
        .containsExactly(-39.7815, -39.7815, -27.7815, -33.7815);
    assertThat(row.get(1).limitDbSpl()).isCloseTo(94 - 30 + 39.7815, within(1e-3));
    assertThat(row.get(1).hissDbSplA()).isCloseTo(94 - 120 + 39.7815, within(1e-3));
    assertThat(row.get(2).limitDbSpl()).isEqualTo(Double.POSITIVE_INFINITY);
    assertThat(row.get(3).limitDbSpl()).isCloseTo(94 + 6 - 10 + 33.7815, within(1e-3));
  }

  @Test
  @DisplayName("the links' hisses add up to the hiss of the row")
  void hisses() {
    Capture chain = BARE.withStages(List.of(SENDER, RECEIVER));
    double sum = 0;
    for (ChainLink link : ChainLink.row(chain)) {
      sum += link.kind() == ChainLink.Kind.MICROPHONE ? 0 : Math.pow(10, link.hissDbSplA() / 10);
    }
    assertThat(10 * Math.log10(sum)).isCloseTo(chain.preampNoiseDbA(), within(1e-9));
  }

  @Test
  @DisplayName("the stage that overloads first has its rung, and Safe ends there")
  void onTheLadder() {
    Ladder plain = ladder(BARE);
    assertThat(plain.rungs()).noneMatch(r -> r.label().startsWith("limit of"));
    Ladder tight = ladder(BARE.withStages(List.of(SENDER)));
    Why limit = tight.whyOf("limit of “sender”");
    assertThat(limit.figure()).isEqualTo("103.8 dB SPL");
    assertThat(tight.verdicts().safe().db())
        .isCloseTo(94 - 30 + 39.7815 - tight.heard().peakDbSpl(), within(1e-3));
    assertThat(tight.whyOf("full scale").inputs().toString()).contains("“sender”", "+12 dB");
    assertThat(tight.whyOf("preamp hiss").source()).contains("Friis");
    assertThat(plain.whyOf("preamp hiss").source()).isEqualTo("AES17");
  }

  @Test
  void digitsHaveNoPreampInTheirRow() {
    Capture phone = Capture.digital(Pattern.OMNI, 30, 120, -26, 24);
    List<ChainLink> row = ChainLink.row(phone);
    assertThat(row).hasSize(2);
    assertThat(row.getLast().name()).isEqualTo("its converter");
    assertThat(row.getLast().limitDbSpl()).isCloseTo(120, within(1e-9));
  }
}
