package nullroom.core.measure.altered;

import java.util.Arrays;
import java.util.Comparator;
import java.util.Optional;
import nullroom.core.Decibels;
import nullroom.core.measure.Frames;
import nullroom.core.measure.Softest;
import nullroom.core.signal.Fft;
import nullroom.core.signal.HannSpectrum;

/**
 * What the spectra of a sound tell: their mean, levels of octaves over time, holes among the highs,
 * and the quietest of them.
 */
final class SpectraSeen {
  /** Octaves from 250 Hz on that automatic gain moves alike. */
  static final int OCTAVES = 6;

  /** Bands beside the voice: under its pitch, and over its hisses. */
  static final int ASIDE = 4;

  private static final double[] ASIDE_FROM_HZ = {24, 8000, 10_500, 13_000};
  private static final double[] ASIDE_TO_HZ = {68, 10_500, 13_000, 15_500};
  private static final double MOST_OF_RATE = 0.48;

  private static final double FIRST_OCTAVE_HZ = 250;
  private static final double BLOCK_SECONDS = 0.043;
  private static final int GROUP = 16;
  private static final double HOLES_FROM_HZ = 4000;
  private static final double HOLES_TO_HZ = 16_000;

  /** A group this far under both its neighbours is a hole. */
  private static final double HOLE_DB = 18;

  /** Empty in more of the spectra than this, a place is no hole but a gap between steady lines. */
  private static final double STEADY_SHARE = 0.8;

  /**
   * Between the lines of a sung tone there are gaps, too; its lines stand still, a coder's do not.
   */
  private static final double TONES = 0.4;

  /** Neighbours must themselves be heard. */
  private static final double HEARD_DB = -120;

  private static final int QUIETEST = 60;

  /** Of a short sound only so small a part is quiet. */
  private static final int QUIET_PART = 4;

  private static final int FEWEST_QUIET = 15;
  private static final double QUIET_FROM_HZ = 200;
  private static final double QUIET_TO_HZ = 8000;
  private static final double LEAST = 1e-20;

  private final double rate;
  private final HannSpectrum spectrum;
  private final double[] ring;
  private int filled;
  private final double[] mean;
  private final Frames octaves = new Frames(OCTAVES);
  private final Frames aside = new Frames(ASIDE);
  private final TailTexture tails;
  private final Softest<QuietTexture.Spectrum> quietest = new Softest<>(QUIETEST);
  private long[] holesAt = new long[0];
  private long spectraWithHoles;
  private long groups;
  private int blocks;
  private double loudest = Double.NEGATIVE_INFINITY;

  SpectraSeen(double rate) {
    this.rate = rate;
    spectrum =
        new HannSpectrum(Fft.sizeFor(Math.max(64, Math.round(BLOCK_SECONDS * rate * 0.75))), rate);
    ring = new double[spectrum.size()];
    tails = new TailTexture(spectrum, rate);
    mean = new double[ring.length / 2 + 1];
  }

  private int bin(double hz) {
    return spectrum.bin(hz);
  }

  void add(double[] samples, int length) {
    int taken = 0;
    while (taken < length) {
      int n = Math.min(length - taken, ring.length - filled);
      System.arraycopy(samples, taken, ring, filled, n);
      taken += n;
      filled += n;
      if (filled == ring.length) {
        block();
        filled = 0;
      }
    }
  }

  private void block() {
    double[] power = spectrum.of(ring, 0);
    double sum = 0;
    for (int k = 0; k < power.length; k++) {
      power[k] *= 2; // a full sine is 0 dB
      mean[k] += power[k];
      sum += power[k];
    }
    blocks++;
    octaves.add(octaves(power));
    aside.add(aside(power));
    tails.add(power);
    if (sum > 1e-15) {
      holes(power);
      loudest = Math.max(loudest, Decibels.ofEnergy(sum));
      quiet(power, Decibels.ofEnergy(sum));
    }
  }

  private double[] octaves(double[] power) {
    double[] all = new double[OCTAVES];
    for (int o = 0; o < OCTAVES; o++) {
      double centre = FIRST_OCTAVE_HZ * Math.pow(2, o);
      all[o] = band(power, centre / Math.sqrt(2), centre * Math.sqrt(2));
    }
    return all;
  }

  private double[] aside(double[] power) {
    double[] all = new double[ASIDE];
    for (int b = 0; b < ASIDE; b++) {
      all[b] =
          ASIDE_TO_HZ[b] < MOST_OF_RATE * rate
              ? band(power, ASIDE_FROM_HZ[b], ASIDE_TO_HZ[b] + binHz())
              : Double.NaN;
    }
    return all;
  }

  private double band(double[] power, double fromHz, double toHz) {
    return Decibels.ofEnergy(spectrum.between(power, fromHz, toHz) + LEAST);
  }

  private void holes(double[] power) {
    int first = bin(HOLES_FROM_HZ) / GROUP;
    int last = Math.min(bin(HOLES_TO_HZ), power.length - 1) / GROUP;
    double[] db = new double[Math.max(0, last - first)];
    for (int g = 0; g < db.length; g++) {
      double sum = LEAST;
      for (int k = (first + g) * GROUP; k < (first + g + 1) * GROUP; k++) {
        sum += power[k];
      }
      db[g] = Decibels.ofEnergy(sum);
    }
    if (holesAt.length != db.length) {
      holesAt = new long[db.length];
    }
    groups += Math.max(0, db.length - 4);
    for (int g = 2; g + 2 < db.length && tails.lastFollowing() < TONES; g++) {
      double beside = Math.min(db[g - 2], db[g + 2]);
      holesAt[g] += beside > HEARD_DB && beside - db[g] > HOLE_DB ? 1 : 0;
    }
    spectraWithHoles++;
  }

  private void quiet(double[] power, double level) {
    if (!quietest.wants(level)) {
      return;
    }
    int first = bin(QUIET_FROM_HZ);
    int last = Math.min(power.length - 1, bin(QUIET_TO_HZ));
    float[] db = new float[Math.max(0, last - first)];
    for (int k = 0; k < db.length; k++) {
      db[k] = (float) Decibels.ofEnergy(power[first + k] + LEAST);
    }
    quietest.add(level, new QuietTexture.Spectrum(blocks, db));
  }

  /** Level of the quietest spectrum. */
  double quietestDb() {
    return quietest.least();
  }

  /** From the loudest spectrum down to the quietest. */
  double rangeDb() {
    return loudest - Math.min(loudest, quietest.least());
  }

  int blocks() {
    return blocks;
  }

  double secondsPerBlock() {
    return ring.length / rate;
  }

  /** Levels of octaves, a row for each block. */
  Frames octaveLevels() {
    return octaves;
  }

  /** Levels of bands together, row by row. */
  static double[] totals(Frames bands) {
    return totals(bands, bands.width());
  }

  /** Levels of the first bands together, row by row. */
  static double[] totals(Frames bands, int first) {
    double[] total = new double[bands.count()];
    for (int k = 0; k < total.length; k++) {
      double sum = 0;
      for (int o = 0; o < first; o++) {
        sum += Decibels.toEnergy(bands.get(k, o));
      }
      total[k] = Decibels.ofEnergy(sum);
    }
    return total;
  }

  /** Levels of all octaves together, row by row. */
  double[] totals() {
    return totals(octaves);
  }

  /** Levels of the bands beside the voice, a row for each block. */
  Frames asideLevels() {
    return aside;
  }

  /**
   * Share of the groups of bins that are holes. What is empty nearly all the time is no coder's
   * hole, which comes and goes with the sound, but the gap between the lines of a steady tone.
   */
  double holeShare() {
    long comeAndGo =
        Arrays.stream(holesAt).filter(hits -> hits < STEADY_SHARE * spectraWithHoles).sum();
    return groups == 0 ? 0 : (double) comeAndGo / groups;
  }

  /** Mean level of a bin. */
  private double meanDb(int k) {
    return Decibels.ofEnergy(mean[k] / Math.max(1, blocks) + LEAST);
  }

  /** Mean levels of the bins. */
  double[] meanDb() {
    double[] all = new double[mean.length];
    for (int k = 0; k < all.length; k++) {
      all[k] = meanDb(k);
    }
    return all;
  }

  TailTexture tails() {
    return tails;
  }

  double binHz() {
    return spectrum.binHz();
  }

  /** How the bins of the quietest spectra lie; empty where there are too few. */
  Optional<QuietTexture> quiet() {
    int most = Math.min(quietest.count(), blocks / QUIET_PART);
    return most < FEWEST_QUIET
        ? Optional.empty()
        : QuietTexture.of(
            quietest.first(most).stream()
                .sorted(Comparator.comparingInt(QuietTexture.Spectrum::block))
                .toList(),
            quietest.level(most - 1) - quietest.level(most / 10));
  }
}
