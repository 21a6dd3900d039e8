package nullroom.core.plan.mic;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Directivity;
import nullroom.core.acoustics.Octave;
import nullroom.core.acoustics.Pattern;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.book.Hearing;
import nullroom.core.predict.Heard;
import nullroom.core.room.Aim;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Talker;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/**
 * What patterns do to a voice in one room, against formulas: polar D = A + B cos t, random energy
 * efficiency A² + B²/3 and its distance factor, proximity 10 lg of |A + B (1 + 1/jkr)|² (H. F.
 * Olson, Elements of Acoustical Engineering), 1/r, and sums of noise as energies.
 */
class PatternOrderTest {
  /** Omni part A of a pattern. */
  private static double omniPart(Pattern pattern) {
    return switch (pattern) {
      case OMNI -> 1;
      case SUBCARDIOID -> 0.7;
      case CARDIOID -> 0.5;
      case SUPERCARDIOID -> 0.366;
      case HYPERCARDIOID -> 0.25;
      case FIGURE_EIGHT -> 0;
    };
  }

  /** Distance factor as handbooks give it. */
  private static double distanceFactor(Pattern pattern) {
    return switch (pattern) {
      case OMNI -> 1;
      case CARDIOID, FIGURE_EIGHT -> 1.73;
      case SUPERCARDIOID -> 1.93;
      case HYPERCARDIOID -> 2;
      case SUBCARDIOID -> 1 / Math.sqrt(0.7 * 0.7 + 0.3 * 0.3 / 3);
    };
  }

  private static Heard at(double metres, double offDegrees, Pattern pattern, Directivity voice) {
    Room box = TestRooms.box(0.15);
    Room room =
        box.withTalker(
            new Talker(new Point(1.2, 1.5, 1.2), new Aim(0, 0), VocalEffort.NORMAL, voice));
    Point lips = room.requireTalker().at();
    Point at = lips.plus(new Point(metres, 0, 0), 1);
    Aim aim = new Aim(180 + offDegrees, 0);
    return Hearing.quick(
            room.withMicrophone(
                new PlacedMicrophone(at, aim, TestRooms.OMNI_CHAIN.withPattern(pattern))))
        .heard();
  }

  @ParameterizedTest
  @DisplayName("the distance factor is that of the handbook, and the diffuse noise falls by it")
  @EnumSource(Pattern.class)
  void diffuse(Pattern pattern) {
    double factor = distanceFactor(pattern);
    assertThat(1 / Math.sqrt(pattern.randomEnergyEfficiency())).isCloseTo(factor, within(0.01));
    double omni = Octave.aWeightedSum(at(1, 0, Pattern.OMNI, Directivity.OMNI).roomNoiseDbSpl());
    double here = Octave.aWeightedSum(at(1, 0, pattern, Directivity.OMNI).roomNoiseDbSpl());
    assertThat(omni - here).isCloseTo(20 * Math.log10(factor), within(0.05));
  }

  @ParameterizedTest
  @DisplayName("the direct level is 1/r, pattern and nearness by formula within 0.1 dB")
  @EnumSource(Pattern.class)
  void direct(Pattern pattern) {
    double a = omniPart(pattern);
    Bands voice = VocalEffort.NORMAL.levelsDbSpl();
    for (double metres : new double[] {0.08, 0.2, 0.5, 1.5}) {
      for (double off : new double[] {0, 30, 60}) {
        Bands direct = at(metres, off, pattern, Directivity.OMNI).directDbSpl();
        double b = (1 - a) * Math.cos(Math.toRadians(off));
        for (int octave = 2; octave < Octave.COUNT; octave++) {
          double k = 2 * Math.PI * Octave.exactHz(octave) / 343.2;
          double power = Math.pow(a + b, 2) + Math.pow(b / (k * metres), 2);
          double byHand = voice.get(octave) - 20 * Math.log10(metres) + 10 * Math.log10(power);
          assertThat(direct.get(octave))
              .as(pattern + " at " + metres + " m, " + off + " degrees, octave " + octave)
              .isCloseTo(byHand, within(0.1));
        }
      }
    }
  }

  @Test
  @DisplayName(
      "in one room at one place: the narrower the pattern, the more Clear; halving is 6 dB")
  void order() {
    List<Double> clear = new ArrayList<>();
    for (Pattern pattern :
        List.of(
            Pattern.OMNI,
            Pattern.SUBCARDIOID,
            Pattern.CARDIOID,
            Pattern.SUPERCARDIOID,
            Pattern.HYPERCARDIOID)) {
      clear.add(at(0.8, 0, pattern, Directivity.VOICE).margins().clearDb());
    }
    assertThat(clear).isSorted();
    double far = Octave.aWeightedSum(at(1, 0, Pattern.OMNI, Directivity.OMNI).directDbSpl());
    double near = Octave.aWeightedSum(at(0.5, 0, Pattern.OMNI, Directivity.OMNI).directDbSpl());
    assertThat(near - far).isCloseTo(6.02, within(0.01));
  }

  @Test
  @DisplayName("all noise is the energy sum of its parts")
  void noise() {
    Heard heard = at(0.5, 0, Pattern.CARDIOID, Directivity.VOICE);
    double sum = 0;
    for (Bands part :
        List.of(
            heard.roomNoiseDbSpl(),
            heard.selfNoiseDbSpl(),
            heard.preampNoiseDbSpl(),
            heard.converterNoiseDbSpl())) {
      sum += Math.pow(10, Octave.aWeightedSum(part) / 10);
    }
    assertThat(heard.noiseDbSplA()).isCloseTo(10 * Math.log10(sum), within(0.05));
  }
}
