package nullroom.core.acoustics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ClothTest {
  private static final double Z0 = 1.204 * 343.2;

  @ParameterizedTest
  @DisplayName("without flow through it: the mass law at normal incidence, by hand")
  @CsvSource({"1, 2", "1.5, 3", "3, 4", "8, 6"})
  void massLaw(double mass, int octave) {
    double ratio = 2 * Math.PI * Octave.exactHz(octave) * mass / (2 * Z0);
    double by = 10 * Math.log10(1 + ratio * ratio);
    double tau = new Cloth.Sheet(mass, 1e9).transmission(octave, 1);
    assertThat(-10 * Math.log10(tau)).isCloseTo(by, within(0.05));
  }

  @ParameterizedTest
  @DisplayName("too heavy to move: 20 lg(1 + r/2Z0) goes through, most is lost at r = 2 Z0")
  @CsvSource({"200", "826.4", "4000"})
  void flowResistance(double r) {
    Cloth.Sheet sheet = new Cloth.Sheet(100, r);
    double by = 20 * Math.log10(1 + r / (2 * Z0));
    assertThat(-10 * Math.log10(sheet.transmission(6, 1))).isCloseTo(by, within(0.05));
    // 1 - tau - rho = 4 (r/Z0) / (2 + r/Z0)^2
    double x = r / Z0;
    double rho = Math.pow(x / (x + 2), 2);
    assertThat(1 - sheet.transmission(6, 1) - rho)
        .isCloseTo(4 * x / Math.pow(2 + x, 2), within(0.002));
  }

  @Test
  @DisplayName(
      "of a field from all sides: a limp sheet of r = 2 Z0 loses about half (Paris' integral)")
  void diffuse() {
    // with x = r/Z0 = 2 cos: lost = 4 x c / (2 + x c)^2 summed over 2 c dc, closed form for x = 2:
    // integral of 8 c^2 ... 2 (2 c) 2c/(1 + c)^2 dc = 4 (1.5 - 2 ln 2) ... evaluated numerically
    double lost = 0;
    int n = 20_000;
    for (int k = 0; k < n; k++) {
      double c = (k + 0.5) / n;
      lost += 4 * 2 * c / Math.pow(2 + 2 * c, 2) * 2 * c / n;
    }
    Cloth.Sheet sheet = new Cloth.Sheet(100, 2 * Z0);
    assertThat(sheet.absorption().get(5)).isCloseTo(lost, within(0.002));
    for (int b = 0; b < Octave.COUNT; b++) {
      double sum =
          sheet.absorption().get(b) + sheet.transmission().get(b) + sheet.reflection().get(b);
      assertThat(sum).isCloseTo(1, within(1e-9));
    }
  }

  @Test
  @DisplayName("a duvet is neither transparent nor a board: low sound passes, high sound is kept")
  void duvet() {
    Cloth.Sheet duvet = new Cloth.Sheet(1.5, 800);
    assertThat(duvet.transmission().get(0)).isGreaterThan(0.6);
    assertThat(duvet.transmission().get(6)).isLessThan(0.45);
    assertThat(duvet.absorption().get(5)).isBetween(0.3, 0.5);
  }

  @Test
  void refusesWhatCannotBe() {
    assertThatThrownBy(() -> new Cloth.Sheet(0, 800)).hasMessageContaining("mass");
    assertThatThrownBy(() -> new Cloth.Sheet(1, 0.5)).hasMessageContaining("flow resistance");
    assertThatThrownBy(() -> new Cloth.Stated(Bands.all(0.6), Bands.all(0.6)))
        .hasMessageContaining("together");
    assertThat(new Cloth.Sheet(1, 800))
        .isEqualTo(new Cloth.Sheet(1, 800))
        .hasSameHashCodeAs(new Cloth.Sheet(1, 800))
        .isNotEqualTo(new Cloth.Sheet(1, 801));
  }
}
