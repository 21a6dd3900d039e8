package nullroom.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.Stream;
import nullroom.core.ReferenceTable;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class BandFilterTest {
  private static final List<CSVRecord> MASK = ReferenceTable.rows("band_filter_class1_mask.csv");

  @Test
  @DisplayName("exact frequencies and edges of IEC 61260-1:2014")
  void frequencies() {
    Band octave = Band.OCTAVES.get(5);
    assertThat(octave.nominalHz()).isEqualTo(1000);
    assertThat(octave.lowHz()).isCloseTo(707.95, within(0.01));
    assertThat(octave.highHz()).isCloseTo(1412.54, within(0.01));
    Band third = Band.THIRDS.stream().filter(b -> b.nominalHz() == 3150).findFirst().orElseThrow();
    assertThat(third.centreHz()).isCloseTo(3162.3, within(0.1));
    assertThat(third.lowHz()).isCloseTo(2818.4, within(0.1));
  }

  static Stream<Arguments> filters() {
    return Stream.of(44_100.0, 48_000.0, 88_200.0, 96_000.0, 192_000.0)
        .flatMap(rate -> Stream.of(4, 6).map(order -> Arguments.of(rate, order)));
  }

  @ParameterizedTest(name = "{0} Hz, order {1}")
  @DisplayName("octaves and thirds keep the class 1 mask of IEC 61260-1:2014, Table 1")
  @MethodSource("filters")
  void mask(double rate, int order) {
    for (Band band : Band.within(Band.OCTAVES, rate)) {
      keepsMask(band, rate, order, "octave");
    }
    for (Band band : Band.within(Band.THIRDS, rate)) {
      keepsMask(band, rate, order, "third_octave");
    }
  }

  private static void keepsMask(Band band, double rate, int order, String kind) {
    Biquads filter = Butterworth.bandPass(band, rate, order);
    for (CSVRecord row : MASK) {
      String point = row.get("exponent_of_G");
      double low = Double.parseDouble(row.get("class1_min_attenuation_db"));
      String high = row.get("class1_max_attenuation_db");
      for (String side : List.of("_ratio_high", "_ratio_low")) {
        double hz = band.centreHz() * Double.parseDouble(row.get(kind + side));
        if (hz < rate / 2 * 0.999) {
          double attenuation = -20 * Math.log10(filter.magnitude(hz, rate));
          // ratios are printed to five digits, and the edge is where limits jump
          assertThat(attenuation).as("%s at %s", band.nominalHz(), point).isGreaterThan(low - 0.01);
          if (!high.equals("inf")) {
            assertThat(attenuation)
                .as("%s at %s", band.nominalHz(), point)
                .isLessThan(Double.parseDouble(high));
          }
        }
      }
    }
  }
}
