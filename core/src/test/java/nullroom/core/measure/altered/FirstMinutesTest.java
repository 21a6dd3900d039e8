package nullroom.core.measure.altered;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class FirstMinutesTest {
  private static final double RATE = 10;

  @Test
  @DisplayName("in whatever pieces it comes, ten minutes are handed on in order, and no more")
  void tenMinutes() {
    List<Double> heard = new ArrayList<>();
    FirstMinutes first =
        new FirstMinutes(
            RATE,
            (block, length) -> {
              for (int k = 0; k < length; k++) {
                heard.add(block[k]);
              }
            });
    double[] block = new double[700];
    double next = 0;
    for (int length = 1; next < 7000; length = (length + 37) % block.length + 1) {
      for (int k = 0; k < length; k++) {
        block[k] = next++;
      }
      first.add(block, length);
    }
    assertThat(heard).hasSize((int) (600 * RATE)).isSorted().startsWith(0.0).endsWith(5999.0);
  }

  @Test
  @DisplayName(
      "of a sound of more than ten minutes, octaves go on and what is looked at closely ends")
  void octavesGoOn() {
    SpectraSeen spectra = new SpectraSeen(4000);
    double[] second = new double[4000];
    second[7] = 0.1;
    for (int k = 0; k < 630; k++) {
      spectra.add(second, second.length);
    }
    double rows = 630 / spectra.secondsPerBlock();
    assertThat(spectra.octaveLevels().count()).isBetween((int) rows - 1, (int) rows);
    assertThat(spectra.blocks() * spectra.secondsPerBlock()).isBetween(600.0, 600.2);
  }
}
