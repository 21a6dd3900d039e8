package nullroom.app.shell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Locale;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

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

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '~',
      value = {
        "METRES | 1.25 | 1.25",
        "METRES | 1,25 m | 1.25",
        "METRES | 125 cm | 1.25",
        "METRES | 4 ft 1 in | 1.2446",
        "FEET | 4' 1\" | 1.2446",
        "FEET | 4 | 1.2192",
        "FEET | 4,5 | 1.3716",
        "FEET | 6in | 0.1524",
        "FEET | 10 feet | 3.048",
        "FEET | 1.25 m | 1.25"
      })
  @DisplayName("lengths are read as people type them")
  void typed(Units units, String typed, double metres) {
    assertThat(units.parse(typed)).isCloseTo(metres, within(1e-9));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          Duvet 1.35 × 2.0 m, 10 cm off the wall | Duvet 4 ft 5 in × 6 ft 7 in, 4 in off the wall
          30.5 m³ that would ring | 1077 ft³ that would ring
          2,5 m² of absorption are missing | 27 ft² of absorption are missing
          1.2 to 1.8 m are usual | 3 ft 11 in to 5 ft 11 in are usual
          60 dBA at 1 m ± 3.5; the microphone at 57 cm | 60 dBA at 1 m ± 3.5; the microphone at 1 ft 10 in
          1.4 kg/m² and 20 Pa s/m, 35 mm, 5 min | 1.4 kg/m² and 20 Pa s/m, 35 mm, 5 min
          """)
  @DisplayName(
      "lengths, areas and volumes of a sentence are said in feet, levels at 1 m as they are")
  void prose(String metric, String feet) {
    assertThat(Units.FEET.inProse(metric)).isEqualTo(feet);
    assertThat(Units.METRES.inProse(metric)).isEqualTo(metric);
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "tall", "4 ft 1 yard", "'", "1.2.3", "m"})
  void nonsenseIsNoLength(String typed) {
    assertThatThrownBy(() -> Units.FEET.parse(typed)).isInstanceOf(NumberFormatException.class);
  }

  @ParameterizedTest
  @CsvSource({"0.3, 0' 11.8\"", "3.1, 10' 2\"", "3.657, 12' 0\""})
  @DisplayName("what stands in a field can be read again to a tenth of an inch")
  void fields(double metres, String entry) {
    assertThat(Units.FEET.entry(metres)).isEqualTo(entry);
    assertThat(Units.FEET.parse(entry)).isCloseTo(metres, within(0.00128));
    assertThat(Units.METRES.entry(metres)).isEqualTo(String.format(Locale.ROOT, "%.2f", metres));
  }
}
