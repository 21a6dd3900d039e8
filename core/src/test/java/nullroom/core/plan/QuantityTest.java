package nullroom.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.OptionalDouble;
import nullroom.core.plan.Why.Input;
import nullroom.core.predict.Origin;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class QuantityTest {
  @ParameterizedTest
  @EnumSource(Quantity.class)
  @DisplayName("says what it is in a sentence, by whom, and what would change it most")
  void words(Quantity quantity) {
    Why why =
        quantity.why(
            "", "1 dB", new Input("recording", "of 10 s", Origin.heard(false, "2026-01-02")));
    assertThat(why.formula()).endsWith(".").hasSizeGreaterThan(25);
    assertThat(why.source()).isNotBlank();
    assertThat(why.mostly()).isNotBlank();
    assertThat(why.lines())
        .contains("from recording of 10 s, measured on 2026-01-02", why.of() + ": 1 dB");
  }

  @Test
  @DisplayName("names where, and how far a level may be off")
  void whereAndDoubt() {
    Why why =
        Quantity.BAND_NOISE.why(", 500 Hz", "12.0 dB SPL", List.of(), OptionalDouble.of(2.04));
    assertThat(why.of()).isEqualTo("room noise in an octave, 500 Hz");
    assertThat(why.lines()).contains("give or take 2.0 dB");
  }
}
