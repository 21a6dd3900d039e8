package nullroom.core.measure.altered;

import java.util.Optional;
import nullroom.core.Figures;
import nullroom.core.Quantile;

/** Nothing over an edge far under half the sampling rate, as no untouched sound ends. */
final class BandLimit {
  /**
   * How a spectrum may end.
   *
   * @param gap from the last bin under the edge to the first over it, a ratio
   * @param leastDb that it falls; untouched sound falls by no more than 25 over a quarter
   * @param highestHz over it any good microphone or converter ends so, or it concerns no voice
   */
  private record Edge(double gap, double leastDb, double highestHz) {}

  /** Steep as a coder's, or a quarter wide, as of a converter of few taps. */
  private static final Edge STEEP = new Edge(1.04, 28, 18_500);

  private static final Edge WIDE = new Edge(1.25, 30, 12_000);
  private static final double LOWEST_HZ = 2000;

  /** An edge over this share of half the rate is any converter's own. */
  private static final double HIGHEST_SHARE = 0.78;

  private static final double THIRD = Math.pow(2, 1 / 3.0);

  /** The softest of the bins under an edge are compared to the loudest over it. */
  private static final double SOFTEST = 0.2;

  private static final double HALF = 0.5;
  private static final double LOUDEST = 0.95;

  /** The edge is named where so much is gone. */
  private static final double FALLEN_DB = 6;

  private static final int AROUND_BINS = 5;

  /** Noise that is over the edge what it is under it: then only the sound itself ends there. */
  private static final double GOES_ON_DB = 12;

  private static final double OVER_STEPS_DB = 10;

  /** Of a bin; softer is what a coder left, or nothing. */
  private static final double NOISE_DB = -150;

  private final double[] db;
  private final double[] pausesDb;
  private final double leastDb;
  private final double rate;
  private final double binHz;

  /**
   * Of spectra.
   *
   * @param db mean levels of the bins, from 0 Hz to half the rate
   * @param pausesDb the same of the quietest moments
   * @param stepsDb what the steps in which it was written make in each
   * @param rate of the sound in hertz
   */
  BandLimit(double[] db, double[] pausesDb, double stepsDb, double rate) {
    this.db = db;
    this.pausesDb = pausesDb;
    leastDb = Math.max(NOISE_DB, stepsDb + OVER_STEPS_DB);
    this.rate = rate;
    binHz = rate / 2 / (db.length - 1);
  }

  /**
   * What speaks for it.
   *
   * @param seconds of the sound
   */
  Optional<Alteration> told(double seconds) {
    return ends(WIDE)
        .or(() -> ends(STEEP))
        .map(end ->
            new Alteration(
                Alteration.Kind.BAND_LIMIT,
                Figures.say(
                    "nothing above %.0f Hz: the spectrum falls by %.0f dB within a third of an octave, at a sampling rate of %.0f Hz",
                    end.hz(), end.fallDb(), rate),
                0,
                seconds));
  }

  private record End(double hz, double fallDb) {}

  private Optional<End> ends(Edge edge) {
    double most = 0;
    int at = 0;
    double highest =
        Math.min(HIGHEST_SHARE * db.length * STEEP.gap / edge.gap, edge.highestHz / binHz);
    for (int k = (int) (LOWEST_HZ / binHz); k < (int) highest; k++) {
      double over = loudest((int) (k * edge.gap) + 1, (int) (k * edge.gap * THIRD / STEEP.gap));
      double fall = under(k) - over;
      if (fall > most) {
        most = fall;
        at = k;
      }
    }
    if (most <= edge.leastDb) {
      return Optional.empty();
    }
    double beyond = loudest((int) (at * edge.gap * THIRD / STEEP.gap), db.length);
    return beyond < under(at) - edge.leastDb && !goesOn(at, (int) (at * edge.gap) + 1)
        ? Optional.of(new End(binHz * falls(at, under(at) - FALLEN_DB), most))
        : Optional.empty();
  }

  private boolean goesOn(int at, int beyond) {
    double under = Quantile.of(pausesDb, (int) (at / THIRD), at, SOFTEST);
    int to = Math.clamp((int) (beyond * THIRD), beyond + 1, db.length);
    double over = Quantile.of(pausesDb, beyond, to, HALF);
    return over > Math.max(leastDb, under - GOES_ON_DB);
  }

  /** Of a third of an octave under a bin. */
  private double under(int k) {
    return Quantile.of(db, (int) (k / THIRD), k, SOFTEST);
  }

  private double loudest(int from, int to) {
    return Quantile.of(db, from, Math.clamp(to, from + 1, db.length), LOUDEST);
  }

  /** Where the spectrum falls under a level for good. */
  private int falls(int from, double level) {
    int k = from;
    while (k + AROUND_BINS < db.length && Rows.mean(db, k, AROUND_BINS) > level) {
      k++;
    }
    return k + AROUND_BINS / 2;
  }
}
