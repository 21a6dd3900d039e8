package nullroom.app.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Locale;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class UnitsTest {
  @ParameterizedTest
  @CsvSource({
    "0.0254, 1 in",
    "0.3048, 1 ft 0 in",
    "1.25, 4 ft 1 in",
    "3.63, 11 ft 11 in",
    "3.65, 12 ft 0 in",
    "0, 0 in"
  })
  @DisplayName("an inch is 25.4 mm (international yard, 1959); twelve make a foot")
  void feet(double metres, String said) {
    assertThat(Units.FEET.length(metres)).isEqualTo(said);
  }

  @Test
  void metresAndCountries() {
    assertThat(Units.METRES.length(1.254)).isEqualTo("1.25 m");
    assertThat(Units.of(Locale.US)).isEqualTo(Units.FEET);
    assertThat(Units.of(Locale.GERMANY)).isEqualTo(Units.METRES);
    assertThat(Units.find("feet")).contains(Units.FEET);
    assertThat(Units.find("ells")).isEmpty();
    assertThat(Units.FEET.other()).isEqualTo(Units.METRES);
  }
}
