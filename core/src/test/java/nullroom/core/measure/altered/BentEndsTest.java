package nullroom.core.measure.altered;

import static nullroom.core.measure.altered.AlteredSounds.RATE;
import static nullroom.core.measure.altered.AlteredSounds.gated;
import static nullroom.core.measure.altered.AlteredSounds.kinds;
import static nullroom.core.measure.altered.AlteredSounds.talk;
import static nullroom.core.measure.altered.AlteredSounds.written;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nullroom.core.measure.altered.Alteration.Kind;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Sounds that die away, and then faster. */
class BentEndsTest {
  private static final Pattern RATES =
      Pattern.compile("die away at (\\d+) dB a second .* at (\\d+) in all bands");

  private static Optional<Alteration> ends(double[] x) {
    FineBands fine = new FineBands(RATE);
    fine.add(x, x.length);
    return BentEnds.of(fine);
  }

  @ParameterizedTest(name = "{0} dB over {1} s, room of {2} s")
  @DisplayName(
      "a gate that shuts while the room rings is known by the rate of the room, and its own")
  @CsvSource({"40, 0.05, 0.5, 0", "50, 0.10, 0.6, 24", "25, 0.02, 0.7, 16", "36, 0.05, 0.8, 16"})
  void shuts(double rangeDb, double seconds, double ring, int bits) {
    double[] x = gated(talk(40, ring, 81), rangeDb, seconds, 0.006);
    double[] heard = bits == 0 ? x : written(x, bits, true);
    assertThat(ends(heard))
        .hasValueSatisfying(a -> {
          assertThat(a.kind()).isEqualTo(Kind.GATE);
          assertThat(a.toSeconds()).isBetween(a.fromSeconds() + 3, 18.0);
          Matcher rates = RATES.matcher(a.evidence());
          assertThat(rates.find()).isTrue();
          double room = 60 / ring;
          assertThat(Double.parseDouble(rates.group(1)))
              .isCloseTo(room, Percentage.withPercentage(40));
          assertThat(Double.parseDouble(rates.group(2))).isGreaterThan(1.8 * room);
        });
    assertThat(kinds(heard)).contains(Kind.GATE);
  }

  @Test
  @DisplayName(
      "a gate that shuts when the noise of the room is reached is known by noise that goes")
  void stands() {
    assertThat(ends(gated(talk(30, 0.3, 81), 30, 0.06, 0.012)))
        .hasValueSatisfying(a -> assertThat(a.evidence()).contains("what is left stands"));
  }

  @ParameterizedTest(name = "{0} s")
  @DisplayName("a room lets nothing die away faster at last")
  @CsvSource({"0.1", "0.15", "0.25", "0.4", "0.8", "1.4"})
  void byItself(double ring) {
    for (double snrDb : new double[] {35, 70}) {
      assertThat(ends(talk(snrDb, ring, 82))).isEmpty();
      assertThat(ends(written(talk(snrDb, ring, 83), 16, true))).isEmpty();
    }
  }

  @ParameterizedTest(name = "room of {0} s")
  @DisplayName(
      "syllables that end ever faster, and lines that stop in the middle of one, are a voice's")
  @CsvSource({"0.10", "0.13", "0.17", "0.22"})
  void voices(double ring) {
    for (long seed = 90; seed < 94; seed++) {
      assertThat(ends(talk(46, ring, seed))).isEmpty();
    }
  }
}
