package nullroom.core.acoustics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import nullroom.core.ReferenceTable;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class PorousLayerTest {
  private static double number(CSVRecord row, String column) {
    return Double.parseDouble(row.get(column));
  }

  @Test
  @DisplayName(
      "Miki 1990: straight on and diffuse (0 to 90 degrees) at the table's exact frequencies")
  void table() {
    for (CSVRecord row : ReferenceTable.rows("porous_model_check_values.csv")) {
      PorousLayer layer =
          new PorousLayer(
              number(row, "flow_resistivity_pa_s_per_m2"),
              number(row, "thickness_mm") / 1000,
              number(row, "air_gap_mm") / 1000);
      double hz = number(row, "frequency_hz");
      assertThat(layer.normal(hz))
          .as("%s straight on", row)
          .isCloseTo(number(row, "miki_normal_incidence"), within(0.002));
      assertThat(layer.diffuse(hz))
          .as("%s diffuse", row)
          .isCloseTo(number(row, "miki_diffuse_0_90"), within(0.005));
    }
  }

  @Test
  @DisplayName(
      "hung free: energy is neither made nor lost; a heavy blanket takes more of the treble, thick more of the bass")
  void hungFree() {
    Bands blanket = new PorousLayer(40_000, 0.008, 0).absorptionHungFree();
    Bands quilt = new PorousLayer(40_000, 0.04, 0).absorptionHungFree();
    for (int b = 0; b < Octave.COUNT; b++) {
      assertThat(blanket.get(b)).isBetween(0.0, 0.9);
    }
    assertThat(quilt.get(1)).isGreaterThan(blanket.get(1));
    // a thin resistive sheet takes at most half, straight on, at a resistance of 2 rho c
    assertThat(new PorousLayer(826.4 / 0.001, 0.001, 0).absorptionHungFree().get(2))
        .isBetween(0.4, 0.5);
  }

  @Test
  void whatIsNoLayerIsRefused() {
    assertThatThrownBy(() -> new PorousLayer(-5, 0.05, 0)).hasMessageContaining("flow resistivity");
    assertThatThrownBy(() -> new PorousLayer(1e4, 0, 0)).hasMessageContaining("thickness");
    assertThatThrownBy(() -> new PorousLayer(1e4, 0.05, -1)).hasMessageContaining("gap");
  }
}
