package nullroom.core.book;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import nullroom.core.Trouble;
import nullroom.core.book.Knob.Marks;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class KnobTest {
  @Test
  @DisplayName("12 dB from 4 to 6: 6 dB a mark; 9 dB less than at 6 is 4.5")
  void numbers() {
    Knob knob = Knob.learnt(Marks.NUMBERS, 4, -40, 6, -28, 50);
    assertThat(knob.dbPerMark()).isCloseTo(6, within(1e-9));
    assertThat(knob.markOf(41)).isCloseTo(4.5, within(1e-9));
    assertThat(knob.turn(38, 50)).isEqualTo("from 4 to 6 on your dial");
    assertThat(knob.turn(50, 50.1)).isEqualTo("leave your dial at 6");
  }

  @ParameterizedTest
  @CsvSource({
    "12, 12 o’clock",
    "13, 1 o’clock",
    "14.5, half past 2",
    "9.3, half past 9",
    "7, 7 o’clock"
  })
  @DisplayName("a dial without numbers is told as on a clock, to the half hour")
  void clock(double at, String words) {
    assertThat(Knob.learnt(Marks.CLOCK, 9, -50, 12, -38, 40).words(at)).isEqualTo(words);
  }

  @Test
  @DisplayName("a menu goes in whole steps; a clock's face ends")
  void stepsAndEnds() {
    Knob menu = Knob.learnt(Marks.STEPS, 3, -50, 9, -38, 40);
    assertThat(menu.turn(40, 45))
        .isEqualTo("from step 9 to step 12 on your dial"); // 2.5 steps: even
    Knob clock = Knob.learnt(Marks.CLOCK, 12, -50, 13, -47, 40);
    assertThat(clock.turn(40, 75)).contains("further than your dial turns");
  }

  @Test
  @DisplayName("what teaches nothing is refused with what to do")
  void refused() {
    assertThatThrownBy(() -> Knob.learnt(Marks.NUMBERS, 4, -40, 4, -28, 50))
        .isInstanceOf(Trouble.BadField.class)
        .hasMessageContaining("another mark");
    assertThatThrownBy(() -> Knob.learnt(Marks.NUMBERS, 4, -40, 6, -39, 50))
        .hasMessageContaining("alike");
    assertThatThrownBy(() -> Knob.learnt(Marks.NUMBERS, 4, -28, 6, -40, 50))
        .hasMessageContaining("softer");
    assertThatThrownBy(() -> Knob.learnt(Marks.CLOCK, 4, -40, 12, -28, 50))
        .hasMessageContaining("5 o'clock");
  }
}
