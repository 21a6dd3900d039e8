package nullroom.core.measure.decay;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nullroom.core.Decibels;
import nullroom.core.Quantile;
import nullroom.core.Regression;
import nullroom.core.acoustics.Octave;
import nullroom.core.signal.Band;
import nullroom.core.signal.Samples;
import nullroom.core.signal.Sums;

/**
 * A guess at the reverberation time from an ordinary take: where a word ends suddenly, the room
 * alone is heard until the next one. Words that die away slowly read too long, so the estimate lies
 * in the lower part of all that is found (the idea of order statistics is that of R. Ratnam et al.,
 * J. Acoust. Soc. Am. 114 (2003) 2877). It is no measurement: rooms under 0.15 s read too long.
 *
 * <p>In rooms over 0.8 s ordinary pauses show too little of a decay. There the steepest falls of
 * all speech tell, for no level falls faster than the room lets it: the 99th percentile of falls
 * over 0.3 s, by a curve found with made voices in exponential decays of 0.3 to 2.5 s.
 *
 * @param bands octaves with enough free decays, ascending; never empty
 */
public record BlindDecay(List<Estimate> bands) {
  private static final double STEP_SECONDS = 0.005;
  private static final int WINDOW_STEPS = 4;

  /** A decay starts this far over the noise, and not much weaker than the loudest. */
  private static final double START_OVER_NOISE_DB = 25;

  private static final double START_UNDER_LOUDEST_DB = 20;

  /** It is followed until this close to the noise. */
  private static final double END_OVER_NOISE_DB = 6;

  /** A rise of more than this over the lowest so far ends it. */
  private static final double RISE_DB = 1.5;

  private static final double FROM_DB = -5;
  private static final double TO_DB = -30;

  /** Shorter falls tell more of the voice than of the room. */
  private static final double LEAST_FALL_DB = 20;

  private static final int FEWEST_POINTS = 5;

  /** A fall that strays further from a straight line is that of a voice. */
  private static final double MOST_STRAY_DB = 2;

  private static final int FEWEST_DECAYS = 6;

  /** Longer takes tell no more. */
  private static final double LONGEST_SECONDS = 300;

  /** Three synthetic voices in rooms of 0.25 to 0.9 s were missed by up to 11 %. */
  private static final double LEAST_SPREAD = 0.12;

  /** Where the steepest falls tell more than free decays. */
  private static final double LONG_SECONDS = 0.8;

  private static final double FALL_SECONDS = 0.3;
  private static final double STEEPEST = 0.99;
  private static final int FEWEST_FALLS = 200;
  private static final double STEEPEST_SPREAD = 0.25;
  private static final double[] FALLING = {0.42, 0.46, 0.66, 0.86, 1.07, 1.27, 1.52};
  private static final double[] ROOM = {0.3, 0.4, 0.7, 1.0, 1.4, 1.8, 2.5};

  private static final double LOWEST_HZ = 250;
  private static final double HIGHEST_HZ = 4000;

  /**
   * One octave.
   *
   * @param centreHz nominal
   * @param seconds the lower third point of all decays found
   * @param spreadSeconds half the range between the quarter points
   * @param decays how many were found
   */
  public record Estimate(double centreHz, double seconds, double spreadSeconds, int decays) {}

  public BlindDecay {
    bands = List.copyOf(bands);
  }

  /** Estimates; empty where no octave has enough free decays. */
  public static Optional<BlindDecay> of(Samples take) {
    double rate = take.sampleRateHz();
    double[] all = take.toArray();
    double[] x = Arrays.copyOf(all, (int) Math.min(all.length, LONGEST_SECONDS * rate));
    boolean talk = Talk.likely(x, rate);
    List<Estimate> bands =
        Band.within(Octave.ALL, rate).parallelStream()
            .filter(band -> band.nominalHz() >= LOWEST_HZ && band.nominalHz() <= HIGHEST_HZ)
            .flatMap(band -> estimate(band.nominalHz(), levels(x, band, rate), talk).stream())
            .toList();
    return bands.isEmpty() ? Optional.empty() : Optional.of(new BlindDecay(bands));
  }

  private static Optional<Estimate> estimate(double hz, double[] level, boolean talk) {
    Optional<Estimate> free = free(hz, freeDecays(level));
    Optional<Estimate> steep = talk ? steepest(hz, level) : Optional.empty();
    return steep
        .filter(s ->
            s.seconds() > LONG_SECONDS && (free.isEmpty() || free.get().seconds() < s.seconds()))
        .or(() -> free);
  }

  private static Optional<Estimate> free(double hz, double[] times) {
    return times.length < FEWEST_DECAYS
        ? Optional.empty()
        : Optional.of(
            new Estimate(
                hz,
                Quantile.of(times, 1 / 3.0),
                (Quantile.of(times, 0.75) - Quantile.of(times, 0.25)) / 2,
                times.length));
  }

  private static Optional<Estimate> steepest(double hz, double[] level) {
    int width = (int) (FALL_SECONDS / STEP_SECONDS);
    if (level.length < 2 * width) {
      return Optional.empty();
    }
    double noise = Quantile.of(level, 0.05) + END_OVER_NOISE_DB;
    double loud = Quantile.of(level, 0.95) - START_UNDER_LOUDEST_DB;
    double[] falls = new double[level.length - width];
    int n = 0;
    for (int k = 0; k + width < level.length; k++) {
      if (level[k] > loud && level[k + width] > noise) {
        falls[n++] = level[k] - level[k + width];
      }
    }
    double fall = n < FEWEST_FALLS ? 0 : Quantile.of(falls, 0, n, STEEPEST);
    if (fall <= 0) {
      return Optional.empty();
    }
    double seconds = curve(60 * FALL_SECONDS / fall);
    return Optional.of(
        new Estimate(hz, seconds, STEEPEST_SPREAD * seconds, (int) (n * (1 - STEEPEST))));
  }

  /**
   * The time of a room whose steepest falls are those of an exponential decay of so many seconds.
   */
  private static double curve(double falling) {
    int k = 1;
    while (k + 1 < FALLING.length && falling > FALLING[k]) {
      k++;
    }
    double share = (falling - FALLING[k - 1]) / (FALLING[k] - FALLING[k - 1]);
    return ROOM[k - 1] + Math.clamp(share, 0, 1) * (ROOM[k] - ROOM[k - 1]);
  }

  /** Mean of 500 Hz, 1 and 2 kHz, as far as they are there; else of what is there. */
  public double midSeconds() {
    return mid(Estimate::seconds).orElseGet(() -> bands.getFirst().seconds());
  }

  /** Give or take, of {@link #midSeconds}. */
  public double midSpreadSeconds() {
    double spread = mid(Estimate::spreadSeconds).orElseGet(() -> bands.getFirst().spreadSeconds());
    return Math.max(spread, LEAST_SPREAD * midSeconds());
  }

  private OptionalDouble mid(java.util.function.ToDoubleFunction<Estimate> figure) {
    return bands.stream()
        .filter(b -> b.centreHz() >= 500 && b.centreHz() <= 2000)
        .mapToDouble(figure)
        .average();
  }

  /** Free decays over all octaves. */
  public int decays() {
    return bands.stream().mapToInt(Estimate::decays).sum();
  }

  private static double[] levels(double[] x, Band band, double rate) {
    int step = (int) (STEP_SECONDS * rate);
    double[] energies = BandEvaluation.backwardEnergies(x, band, rate, step);
    double[] level = new double[Math.max(0, energies.length - WINDOW_STEPS)];
    for (int k = 0; k < level.length; k++) {
      level[k] =
          Decibels.ofEnergy(Sums.of(energies, k, WINDOW_STEPS) / (WINDOW_STEPS * step) + 1e-15);
    }
    return level;
  }

  /** Reverberation times of all free decays. */
  private static double[] freeDecays(double[] level) {
    if (level.length == 0) {
      return level;
    }
    double noise = Quantile.of(level, 0.05);
    double least =
        Math.max(noise + START_OVER_NOISE_DB, Quantile.of(level, 0.95) - START_UNDER_LOUDEST_DB);
    List<Double> times = new ArrayList<>();
    int at = 0;
    while (at + 1 < level.length) {
      if (level[at] <= least || level[at] < level[at + 1]) {
        at++;
        continue;
      }
      int end = at;
      double lowest = level[at];
      while (end + 1 < level.length
          && level[end + 1] < lowest + RISE_DB
          && level[end + 1] > noise + END_OVER_NOISE_DB) {
        end++;
        lowest = Math.min(lowest, level[end]);
      }
      if (lowest <= level[at] - LEAST_FALL_DB) {
        time(level, at, end).ifPresent(times::add);
      }
      at = end + 1;
    }
    return times.stream().mapToDouble(Double::doubleValue).toArray();
  }

  private static OptionalDouble time(double[] level, int from, int to) {
    Regression line = new Regression();
    double spread = 0;
    for (int round = 0; round < 2; round++) { // the line first, then what strays from it
      for (int k = from; k <= to; k++) {
        double fall = level[k] - level[from];
        if (fall <= FROM_DB && fall >= TO_DB) {
          if (round == 0) {
            line.add(k, fall);
          } else {
            spread += Math.pow(fall - line.intercept() - line.slope() * k, 2) / line.count();
          }
        }
      }
    }
    return line.count() >= FEWEST_POINTS && line.slope() < 0 && Math.sqrt(spread) < MOST_STRAY_DB
        ? OptionalDouble.of(-60 / line.slope() * STEP_SECONDS)
        : OptionalDouble.empty();
  }
}
