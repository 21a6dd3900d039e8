package nullroom.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import nullroom.core.measure.decay.BlindDecay;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WholeTakeChecksTest {
  @ParameterizedTest
  @CsvSource({
    "0.30, 0.40, PASS, short enough",
    "0.43, 0.40, CLOSE, up to 0.40 s suits",
    "0.60, 0.40, FAIL, dress the room"
  })
  @DisplayName("a guessed reverberation is held against the goal, its uncertainty in mind")
  void reverberation(double seconds, double longest, TakeCheck.Outcome outcome, String advice) {
    BlindDecay guess =
        new BlindDecay(
            List.of(
                new BlindDecay.Estimate(500, seconds + 0.02, 0.05, 12),
                new BlindDecay.Estimate(1000, seconds - 0.02, 0.05, 12)));
    TakeCheck verdict = WholeTakeChecks.reverberation(guess, longest);
    assertThat(verdict.outcome()).isEqualTo(outcome);
    assertThat(verdict.measured()).isEqualTo(guess.midSeconds());
    assertThat(verdict.limit()).isEqualTo(longest);
    assertThat(verdict.advice()).contains("By the ends of words").contains(advice);
  }
}
