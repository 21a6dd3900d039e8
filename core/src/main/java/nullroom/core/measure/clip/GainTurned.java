package nullroom.core.measure.clip;

import java.util.Arrays;
import java.util.Optional;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.Quantile;
import nullroom.core.acoustics.Octave;
import nullroom.core.signal.Band;
import nullroom.core.signal.HannSpectrum;
import nullroom.core.signal.Samples;

/**
 * Whether somebody turned the gain half-way: from a moment on the floor stands higher or lower than
 * before it, by as much in all octaves from 250 Hz to 8 kHz. A noise that starts or stops changes
 * its spectrum with it.
 */
final class GainTurned {
  private static final int SIZE = 4096;
  private static final int OCTAVES = Octave.COUNT - Octave.FIRST_VOICE;
  private static final double STEP_SECONDS = 1;
  private static final double LEAST_SECONDS = 4;
  private static final double LOOKED_AT_SECONDS = 15;

  /** The floor is what so small a share of the time lies under. */
  private static final double FLOOR = 0.08;

  private static final double TURNED_DB = 6;
  private static final double HELD_DB = 3;
  private static final double HELD_SECONDS = 1.5;
  private static final double ALIKE_DB = 1.5;

  private final double[][] octaves;
  private final double[] mean;
  private final double perSecond;

  private GainTurned(Samples sound) {
    double rate = sound.sampleRateHz();
    perSecond = rate / SIZE;
    octaves = new double[sound.count() / SIZE][OCTAVES];
    mean = new double[octaves.length];
    HannSpectrum spectrum = new HannSpectrum(SIZE, rate);
    double[] x = sound.toArray();
    for (int k = 0; k < octaves.length; k++) {
      double[] power = spectrum.of(x, k * SIZE);
      for (int o = 0; o < OCTAVES; o++) {
        Band band = Octave.ALL.get(Octave.FIRST_VOICE + o);
        octaves[k][o] =
            Decibels.ofEnergy(spectrum.between(power, band.lowHz(), band.highHz()) + 1e-20);
        mean[k] += octaves[k][o] / OCTAVES;
      }
    }
  }

  /** A sentence where it was. */
  static Optional<String> of(Samples sound) {
    return new GainTurned(sound).sentence();
  }

  private Optional<String> sentence() {
    double most = 0;
    double at = 0;
    int span = (int) (LOOKED_AT_SECONDS * perSecond);
    int least = (int) (LEAST_SECONDS * perSecond);
    for (int k = least;
        k + least <= mean.length;
        k += Math.max(1, (int) (STEP_SECONDS * perSecond))) {
      double[] before = floor(Math.max(0, k - span), k);
      double[] after = floor(k, Math.min(mean.length, k + span));
      double moved = Arrays.stream(after).sum() / OCTAVES - Arrays.stream(before).sum() / OCTAVES;
      double apart = 0;
      for (int o = 0; o < OCTAVES; o++) {
        apart = Math.max(apart, Math.abs(after[o] - before[o] - moved));
      }
      if (Math.abs(moved) > Math.max(TURNED_DB, Math.abs(most))
          && apart < ALIKE_DB
          && isStill(Math.max(0, k - span), k)
          && isStill(k, Math.min(mean.length, k + span))) {
        most = moved;
        at = k / perSecond;
      }
    }
    return most == 0
        ? Optional.empty()
        : Optional.of(
            Figures.say(
                "At about %.0f s the floor %s by %.0f dB, as much in all octaves: the gain seems to have been changed there, and what lies before and after does not compare. Record it again at one gain.",
                at, most > 0 ? "rises" : "falls", Math.abs(most)));
  }

  /** Whether the floor is held for long enough to be one. */
  private boolean isStill(int from, int to) {
    double floor = Quantile.of(mean, from, to, FLOOR / 2);
    double held = Arrays.stream(mean, from, to).filter(m -> m < floor + HELD_DB).count();
    return held > HELD_SECONDS * perSecond;
  }

  /** Mean octaves of the stillest moments. */
  private double[] floor(int from, int to) {
    double limit = Quantile.of(mean, from, to, FLOOR);
    double[] sum = new double[OCTAVES];
    int count = 0;
    for (int k = from; k < to; k++) {
      if (mean[k] <= limit) {
        count++;
        for (int o = 0; o < OCTAVES; o++) {
          sum[o] += octaves[k][o];
        }
      }
    }
    for (int o = 0; o < OCTAVES; o++) {
      sum[o] /= Math.max(1, count);
    }
    return sum;
  }
}
