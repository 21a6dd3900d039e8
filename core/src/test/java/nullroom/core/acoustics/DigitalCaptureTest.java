package nullroom.core.acoustics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class DigitalCaptureTest {
  @ParameterizedTest
  @ValueSource(doubles = {-45, -26, -18, 0})
  @DisplayName(
      "digits of -26 dBFS at 94 dB SPL reach full scale at 120, and so on; no hiss, no gain")
  void fullScale(double dbfs) {
    Capture phone = Capture.digital(Pattern.OMNI, 30, 120, dbfs, 16);
    assertThat(phone.fullScaleDbSpl()).isCloseTo(94 - dbfs, within(1e-9));
    assertThat(phone.dbfsAt94DbSpl()).isCloseTo(dbfs, within(1e-9));
    assertThat(phone.preampNoiseDbA()).isLessThan(phone.selfNoiseDbA() - 40);
    assertThat(phone.withGainDb(30)).isEqualTo(phone);
    assertThat(phone.withPreampEinDbu(-100)).isEqualTo(phone);
  }

  @Test
  @DisplayName("a microphone that needs a preamp gets one back after a phone")
  void backAgain() {
    MicrophoneType phone =
        MicrophoneType.ALL.stream()
            .filter(t -> t.label().startsWith("Phone"))
            .findFirst()
            .orElseThrow();
    Capture before = new Capture(Pattern.OMNI, 16, 130, -38, -128, 52, 18, 24);
    Capture digits = phone.on(before);
    assertThat(digits.preamp()).isFalse();
    assertThat(digits.dbfsAt94DbSpl()).isCloseTo(-26, within(1e-9)); // mic classes: about -26 dBFS
    assertThat(phone.isIn(digits)).isTrue();
    Capture after = MicrophoneType.ALL.get(2).on(digits);
    assertThat(after.preamp()).isTrue();
    assertThat(after.gainDb()).isEqualTo(40);
    assertThat(MicrophoneType.in(after, MicrophoneType.ALL)).contains(MicrophoneType.ALL.get(2));
  }

  @Test
  void refusesVolts() {
    assertThatThrownBy(() -> Capture.digital(Pattern.OMNI, 30, 120, 3, 16))
        .hasMessageContaining("dbfsAt94DbSpl 3.0 is outside -45.0 to 0.0");
  }
}
