package nullroom.core.measure.noise;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nullroom.core.TestRooms;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Octave;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Who makes the noise, how loud it is in the air, and where it is quietest. */
class CulpritsTest {
  private static final Bands FLOOR = Bands.of(30, 28, 25, 22, 20, 18, 15, 12);
  private static final Bands FRIDGE = Bands.of(45, 40, 30, 22, 15, 10, 5, 0);
  private static final Bands LAMP = Bands.of(5, 8, 14, 24, 26, 24, 20, 15);

  @ParameterizedTest(name = "{0} dB with, {1} dB without: {2} dB")
  @DisplayName("energy subtraction by hand: 10 lg(10^(L1/10) - 10^(L2/10))")
  @CsvSource({"60,50,59.54", "60,57,56.98", "60,55,58.35", "40,30,39.54"})
  void subtraction(double with, double without, double expected) {
    EnergySubtraction own = EnergySubtraction.of(Bands.all(with), Bands.all(without));
    assertThat(own.levelDb().get(3)).isCloseTo(expected, within(0.01));
    assertThat(own.bound().get(3)).isEqualTo(with - without < 3);
    assertThat(own.takenFrom(Bands.all(with)).get(3)).isCloseTo(without, within(0.01));
  }

  @Test
  void aDifferenceUnderThreeDecibelsIsABoundAndNoneIsNothing() {
    EnergySubtraction little = EnergySubtraction.of(Bands.all(60), Bands.all(58));
    assertThat(little.bound()).containsOnly(true);
    EnergySubtraction none = EnergySubtraction.of(Bands.all(60), Bands.all(61));
    assertThat(none.levelDbA()).isEqualTo(Double.NEGATIVE_INFINITY);
    assertThat(none.takenFrom(Bands.all(60))).isEqualTo(Bands.all(60));
  }

  @Test
  @DisplayName("two sources over a floor: each comes out as it went in, and the floor is left")
  void board() {
    Bands all = FLOOR.energySum(FRIDGE).energySum(LAMP);
    Culprits board =
        Culprits.of(
            List.of(
                new Culprits.Suspect("fridge", all, FLOOR.energySum(LAMP)),
                new Culprits.Suspect("lamp", all, FLOOR.energySum(FRIDGE))));
    assertThat(board.order()).extracting(Culprits.Culprit::name).containsExactly("lamp", "fridge");
    double before = Octave.aWeightedSum(all);
    Culprits.Culprit lamp = board.order().getFirst();
    assertThat(lamp.own().levelDbA()).isCloseTo(Octave.aWeightedSum(LAMP), within(0.01));
    assertThat(lamp.aloneDb())
        .isCloseTo(before - Octave.aWeightedSum(FLOOR.energySum(FRIDGE)), within(0.01));
    assertThat(lamp.togetherDb()).isEqualTo(lamp.aloneDb());
    Culprits.Culprit fridge = board.order().getLast();
    assertThat(fridge.togetherDb()).isCloseTo(before - Octave.aWeightedSum(FLOOR), within(0.05));
    assertThat(fridge.own().levelDb().get(0)).isCloseTo(45, within(0.01));
    assertThatThrownBy(() -> Culprits.of(List.of())).isInstanceOf(IllegalArgumentException.class);
  }

  private static Optional<MainsHum> hum(double level) {
    return Optional.of(new MainsHum(50, List.of(50.0, 100.0), level, 10));
  }

  @ParameterizedTest
  @DisplayName("a hum that stays is in the wires, one that goes is in the air (common practice)")
  @CsvSource({"-60,-61,ELECTRICAL", "-60,-58,ELECTRICAL", "-60,-68,BOTH", "-60,-80,ACOUSTIC"})
  void path(double open, double closed, HumPath expected) {
    assertThat(HumPath.of(hum(open), hum(closed))).isEqualTo(expected);
    assertThat(HumPath.of(hum(open), Optional.empty())).isEqualTo(HumPath.ACOUSTIC);
    assertThat(HumPath.of(Optional.empty(), hum(closed))).isEqualTo(HumPath.NONE);
  }

  private static NoiseReport report(double laeq, double loudestOctave, double all, long clipped) {
    return new NoiseReport(
        10,
        48_000,
        OptionalDouble.of(laeq),
        OptionalDouble.of(laeq + 12),
        OptionalDouble.of(all),
        OptionalDouble.of(laeq + 1),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        List.of(
            new NoiseReport.BandLevel(
                1000, OptionalDouble.of(loudestOctave), OptionalDouble.empty()),
            new NoiseReport.BandLevel(2000, OptionalDouble.of(-90), OptionalDouble.empty())),
        List.of(),
        0,
        clipped,
        List.of(),
        List.of());
  }

  private static final Capture CHAIN = TestRooms.OMNI_CHAIN;

  @Test
  @DisplayName(
      "a tone of 94 dB SPL at -30 dBFS: full scale is 124 dB SPL, at any gain from then on")
  void tone() {
    Calibration found = Calibration.ofTone(94, report(-30, -30, -29.99, 0), CHAIN);
    assertThat(found.scale(CHAIN).orElseThrow().fullScaleDbSpl()).isCloseTo(124, within(1e-9));
    assertThat(found.scale(CHAIN).orElseThrow().uncertaintyDb()).isEqualTo(1);
    assertThat(found.scale(CHAIN.withGainDb(CHAIN.gainDb() + 10)).orElseThrow().fullScaleDbSpl())
        .isCloseTo(114, within(1e-9));
    assertThatThrownBy(() -> Calibration.ofTone(94, report(-30, -30, -25, 0), CHAIN))
        .isInstanceOf(Trouble.BadSound.class)
        .hasMessageContaining("15 dB");
    assertThatThrownBy(() -> Calibration.ofTone(94, report(-30, -30, -29.99, 9), CHAIN))
        .hasMessageContaining("clips");
  }

  @Test
  void aMeterAddsItsOwnErrorAndAnotherMicrophoneEndsTheScale() {
    Calibration found = Calibration.ofMeter(35, 2, report(-80, -85, -70, 0), CHAIN);
    assertThat(found.scale(CHAIN).orElseThrow().fullScaleDbSpl()).isCloseTo(115, within(1e-9));
    assertThat(found.uncertaintyDb()).isCloseTo(Math.sqrt(5), within(1e-9));
    Capture other =
        new Capture(CHAIN.pattern(), 16, 130, -50, -125, CHAIN.gainDb(), CHAIN.fullScaleDbu(), 24);
    Scale fallen = found.scale(other).orElseThrow();
    assertThat(fallen.fullScaleDbSpl()).isEqualTo(other.fullScaleDbSpl());
    assertThat(fallen.uncertaintyDb()).isEqualTo(Calibration.DATA_UNCERTAINTY_DB);
  }

  @Test
  void dataKnownAndUnknownScales() {
    assertThat(Calibration.BY_DATA.scale(CHAIN).orElseThrow().fullScaleDbSpl())
        .isEqualTo(CHAIN.fullScaleDbSpl());
    assertThat(Calibration.UNKNOWN.scale(CHAIN)).isEmpty();
    assertThat(Calibration.ofFullScale(120, 0.5, CHAIN).scale(CHAIN))
        .hasValueSatisfying(s -> assertThat(s.fullScaleDbSpl()).isCloseTo(120, within(1e-9)));
  }

  @ParameterizedTest
  @ValueSource(doubles = {-5, 900, Double.NaN})
  void aScaleThatCannotBeIsRefused(double fullScale) {
    assertThatThrownBy(() -> Calibration.ofFullScale(fullScale, 1, CHAIN))
        .isInstanceOf(Trouble.BadField.class);
  }

  @Test
  void spotsAreRankedByLevelAndThenByWhatStandsOut() {
    NoiseReport clean = report(-80, -85, -70, 0);
    NoiseReport humming =
        new NoiseReport(
            10,
            48_000,
            clean.laeqDbfs(),
            OptionalDouble.of(-55),
            clean.lzeqDbfs(),
            clean.laMaxFastDbfs(),
            clean.la10Dbfs(),
            clean.la50Dbfs(),
            clean.la90Dbfs(),
            clean.octaves(),
            clean.thirds(),
            0,
            0,
            List.of(new Tone(50, -70, 9, Tone.Kind.MAINS)),
            List.of(new Intrusion(3, 1, -40, 12)));
    List<Spots.Ranked> ranked =
        Spots.rank(
            List.of(
                new Spots.Candidate("loud", -70, clean),
                new Spots.Candidate("humming", -80.2, humming),
                new Spots.Candidate("clean", -80, clean)));
    assertThat(ranked)
        .extracting(r -> r.candidate().name())
        .containsExactly("clean", "humming", "loud");
    assertThat(ranked.get(1).reason()).contains("hums at 50 Hz", "one sound broke in", "rumbles");
    assertThat(ranked.get(2).reason()).contains("10 dB louder");
  }
}
