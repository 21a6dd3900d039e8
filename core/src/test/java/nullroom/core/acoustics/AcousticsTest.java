package nullroom.core.acoustics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import nullroom.core.Decibels;
import nullroom.core.Keyed;
import nullroom.core.ReferenceTable;
import nullroom.core.Table;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class AcousticsTest {
  /** A quiet bedroom, 63 Hz to 8 kHz; invented for the worked example. */
  private static final Bands BEDROOM = Bands.of(48, 41, 34, 28, 23, 18, 15, 14);

  @Test
  @DisplayName("air attenuation of ISO 9613-1:1993 in six climates, within 1 %")
  void air() {
    for (var row : ReferenceTable.rows("air_absorption.csv")) {
      Air air =
          new Air(number(row.get("temperature_c")), number(row.get("relative_humidity_percent")));
      double expected = number(row.get("attenuation_db_per_km_formula"));
      assertThat(1000 * air.attenuationDbPerMetre(number(row.get("exact_hz"))))
          .as("%s at %s Hz", air, row.get("nominal_hz"))
          .isCloseTo(expected, within(0.01 * expected));
    }
    assertThat(new Air(30, 50).speedOfSound()).isCloseTo(349.0, within(0.1));
  }

  @Test
  @DisplayName(
      "worked spectrum: 31.62 dBA (IEC 61672-1), NC-22 at 500 Hz (ANSI S12.2), NR-24 at 500 Hz (ISO/R 1996)")
  void ratings() {
    assertThat(Octave.aWeightedSum(BEDROOM)).isCloseTo(31.62, within(0.05));
    NoiseRating nc = NoiseRating.nc(BEDROOM);
    assertThat(nc.exact()).isCloseTo(22.0, within(0.05));
    assertThat(nc.rating()).isEqualTo(22);
    assertThat(nc.decidingBandHz()).isEqualTo(500);
    NoiseRating nr = NoiseRating.nr(Map.of(500.0, 28.0, 125.0, 41.0, 1000.0, 23.0));
    assertThat(nr.exact()).isCloseTo(23.82, within(0.02));
    assertThat(nr.rating()).isEqualTo(24);
  }

  @Test
  @DisplayName("first-order patterns: efficiency and levels of the handbooks (Olson)")
  void patterns() {
    assertThat(Pattern.CARDIOID.randomEnergyEfficiency()).isCloseTo(0.3333, within(0.0001));
    assertThat(Pattern.HYPERCARDIOID.gainDb(90)).isCloseTo(-12.0, within(0.05));
    assertThat(Pattern.SUPERCARDIOID.gainDb(180)).isCloseTo(-11.4, within(0.05));
    assertThat(Pattern.CARDIOID.nearGainDb(0, 100, 0.1, 343.2)).isCloseTo(9.27, within(0.02));
    assertThat(Pattern.FIGURE_EIGHT.nearGainDb(0, 125, 0.2, 343.2)).isCloseTo(7.61, within(0.02));
  }

  @Test
  @DisplayName(
      "a 12 mV/Pa, 16 dBA microphone into EIN -125 dBu: preamp 5.20 dB, together 16.35 dBA")
  void chainNoise() {
    Capture capture =
        new Capture(Pattern.CARDIOID, 16, 130, 20 * Math.log10(0.012), -125, 60.2, 16, 24);
    assertThat(capture.preampNoiseDbA()).isCloseTo(5.20, within(0.05));
    assertThat(Decibels.sum(16, capture.preampNoiseDbA())).isCloseTo(16.35, within(0.05));
    assertThat(68 - capture.fullScaleDbSpl()).isCloseTo(-18, within(0.05));
  }

  @Test
  @DisplayName("ISO 9921: normal speech is 60 dBA at 1 m, each step 6 dB")
  void voices() {
    for (VocalEffort effort : VocalEffort.values()) {
      assertThat(Octave.aWeightedSum(effort.levelsDbSpl()))
          .isCloseTo(effort.levelDbA(), within(1e-9));
    }
    assertThat(Decibels.sum(60, 60)).isCloseTo(63.01, within(0.01));
  }

  @Test
  @DisplayName(
      "directivity index: 0 dB all around for an omni, and for a voice it rises with frequency to 6 to 8 dB")
  void directivities() {
    assertThat(Directivity.OMNI.indexDb().energySum())
        .isCloseTo(9.03, within(0.01)); // eight noughts
    Bands voice = Directivity.VOICE.indexDb();
    for (int i = 1; i < Octave.COUNT; i++) {
      assertThat(voice.get(i)).isGreaterThanOrEqualTo(voice.get(i - 1) - 0.5);
      assertThat(Directivity.OMNI.gainDb(i, 180)).isEqualTo(0);
      assertThat(Directivity.VOICE.gainDb(i, 0)).isCloseTo(0, within(1e-9));
    }
    assertThat(Directivity.VOICE.gainDb(Octave.HZ_1000, 180)).isLessThan(-2);
    var rows = Table.rows(Directivity.class, "talker_directivity_sphere_model.csv");
    for (int i = 1; i < Octave.COUNT; i++) { // the table starts at 125 Hz and states the index
      assertThat(voice.get(i))
          .isCloseTo(Table.number(rows.get(i - 1), "directivity_index_db"), within(0.15));
    }
  }

  @Test
  void keysFindTheirThings() {
    for (Pattern pattern : Pattern.values()) {
      assertThat(Keyed.find(Pattern.class, pattern.id())).contains(pattern);
      assertThat(pattern.gainDb(0)).isCloseTo(0, within(1e-9));
    }
    for (VocalEffort effort : VocalEffort.values()) {
      assertThat(Keyed.find(VocalEffort.class, effort.id())).contains(effort);
    }
    for (Material material : Materials.all()) {
      assertThat(Materials.get(material.id())).isEqualTo(material);
      assertThat(material.source()).isNotBlank();
    }
    assertThat(Materials.find("unobtainium")).isEmpty();
    assertThat(Keyed.find(Pattern.class, "")).isEmpty();
    for (MicrophoneType type : MicrophoneType.ALL) {
      Capture any = new Capture(Pattern.OMNI, 0, 100, -30, -120, 30, 20, 24);
      assertThat(type.isIn(any)).isFalse();
      assertThat(type.isIn(type.on(any))).isTrue();
      boolean digital = type.dbfsAt94DbSpl().isPresent();
      assertThat(type.on(any).gainDb()).isEqualTo(digital ? 0 : 30);
    }
  }

  private static double number(String text) {
    return Double.parseDouble(text);
  }
}
