package nullroom.core.measure.altered;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.DoubleSummaryStatistics;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import nullroom.core.Figures;

/**
 * Noise that stands still for a moment behind something louder, each time at the same level and in
 * the same colour, and then goes, far under that level: a gate that shuts over whatever time, onto
 * whatever floor. The noise of a room stays. Tones that somebody holds stand, too, and then end;
 * but they stand stiller than noise can. Breath that goes with a note stands, too; but in the other
 * notes there is less of it, and while a gate is open no band is softer than the noise it lets
 * through. Cannot see a gate that shuts while the room still rings.
 */
final class NoiseStops {
  private static final int FEWEST_BANDS = 4;

  /** So long it stands, and then is gone within this time. */
  private static final double STANDS_SECONDS = 0.13;

  private static final double GONE_WITHIN_SECONDS = 1.3;
  private static final double GONE_DB = 12;
  private static final double STAYS_GONE_SECONDS = 0.1;

  /** Times what plain noise scatters. */
  private static final double STILL = 1.6;

  private static final double STILL_DB = 0.3;
  private static final double STILLER = 0.45;
  private static final double DRIFT_DB = 1.2;
  private static final double COMES_UP_DB = 1.5;

  /** Bands that stand so far over the steps of the file count. */
  private static final double STEPS_DB = 12;

  /** Of the time in which it falls it stood so much, by so little. */
  private static final double STOOD = 0.35;

  private static final double FALLS_DB = 0.6;
  private static final double LOUDER_SECONDS = 1.5;
  private static final double LOUDER_DB = 10;

  /** Mean of the bands, that differ from one moment to another. */
  private static final double SAME_DB = 1.7;

  private static final int FEWEST = 3;

  /** Of three alone; notes may end so by chance. */
  private static final double APART_DB = 0.8;

  /** Something sounds: so far over that noise. */
  private static final double SOUNDS_DB = 3;

  /** Softer than it by so much, and as many times what plain noise scatters. */
  private static final double SOFTER = 3;

  /** Of 50 gates the share of such moments of one was more than 0.006. */
  private static final double MOST_SOFTER = 0.02;

  private final FineBands fine;
  private final double[][] rows;
  private final double[] mean;
  private final double[] sigma;
  private final int stands;
  private final int within;
  private final int stays;

  private NoiseStops(FineBands fine) {
    this.fine = fine;
    rows = fine.rows();
    mean = Arrays.stream(rows).mapToDouble(r -> Rows.mean(r, 0, r.length)).toArray();
    sigma = fine.scatterDb();
    stands = (int) Math.round(STANDS_SECONDS / fine.seconds());
    within = (int) Math.round(GONE_WITHIN_SECONDS / fine.seconds());
    stays = (int) Math.round(STAYS_GONE_SECONDS / fine.seconds());
  }

  /**
   * A moment in which noise stands, and then goes.
   *
   * @param from its first row
   * @param to the row behind its last
   * @param gone the row from which on it is gone
   * @param noise level of each band
   * @param byDb how far it falls at least
   */
  private record Stop(int from, int to, int gone, double[] noise, double byDb) {
    /** Whether it stood before it fell: what dies away slowly falls before as it does then. */
    private boolean isSudden(double[] mean) {
      int half = (int) Math.max(to - from, STOOD * (gone - to)) / 2;
      return to >= 2 * half
          && Rows.mean(mean, to - 2 * half, half) - Rows.mean(mean, to - half, half) < FALLS_DB;
    }

    private boolean like(Stop other) {
      return IntStream.range(0, noise.length)
              .mapToDouble(b -> Math.abs(noise[b] - other.noise[b]))
              .average()
              .orElseThrow()
          < SAME_DB;
    }
  }

  /** What speaks for a gate. */
  static Optional<Alteration> of(FineBands fine) {
    if (fine.noiseBands() < FEWEST_BANDS) {
      return Optional.empty();
    }
    NoiseStops stops = new NoiseStops(fine);
    List<Stop> all = stops.all();
    List<Stop> same = List.of();
    for (Stop stop : all) {
      List<Stop> like = all.stream().filter(stop::like).toList();
      same = like.size() > same.size() ? like : same;
    }
    return same.size() < FEWEST
            || same.size() == FEWEST && rangeDb(same) > APART_DB
            || stops.softerShare(same) > MOST_SOFTER
        ? Optional.empty()
        : Optional.of(
            new Alteration(
                Alteration.Kind.GATE,
                Figures.say(
                    "behind %d sounds noise stands at one level for a moment, and then falls by up to %.0f dB: the noise of a room stays",
                    same.size(), same.stream().mapToDouble(Stop::byDb).max().orElseThrow()),
                same.getFirst().from() * fine.seconds(),
                same.getLast().gone() * fine.seconds()));
  }

  private static double rangeDb(List<Stop> stops) {
    DoubleSummaryStatistics levels =
        stops.stream()
            .mapToDouble(s -> Rows.mean(s.noise(), 0, s.noise().length))
            .summaryStatistics();
    return levels.getMax() - levels.getMin();
  }

  /** Of the moments in which something sounds, those in which a band is softer than the noise. */
  private double softerShare(List<Stop> same) {
    double[] noise =
        IntStream.range(0, sigma.length)
            .mapToDouble(b -> same.stream().mapToDouble(s -> s.noise()[b]).average().orElseThrow())
            .toArray();
    double sounds = Rows.mean(noise, 0, noise.length) + SOUNDS_DB;
    return IntStream.range(0, rows.length)
        .filter(k -> mean[k] > sounds)
        .mapToDouble(k -> isSofter(rows[k], noise) ? 1 : 0)
        .average()
        .orElse(0);
  }

  private boolean isSofter(double[] row, double[] noise) {
    return IntStream.range(0, row.length)
        .anyMatch(b ->
            fine.overStepsDb(b, noise[b]) > STEPS_DB
                && row[b] < noise[b] - SOFTER * (1 + sigma[b]));
  }

  private List<Stop> all() {
    List<Stop> all = new ArrayList<>();
    for (int k = stands; k + stays < rows.length; k++) {
      Optional<Stop> stop = before(k).filter(s -> s.isSudden(mean));
      if (stop.isPresent()) {
        all.add(stop.get());
        k = stop.get().gone() + stays;
      }
    }
    return all;
  }

  /** What stands up to a row. */
  private Optional<Stop> before(int row) {
    int from = row - stands;
    double level = Rows.mean(mean, from, stands);
    int gone = gone(row, level);
    if (gone < 0 || !isBehindLouder(from, level)) {
      return Optional.empty();
    }
    double[] noise = new double[sigma.length];
    int plain = 0;
    int heard = 0;
    for (int b = 0; b < noise.length; b++) {
      double[] band = new double[stands];
      for (int k = 0; k < stands; k++) {
        band[k] = rows[from + k][b];
      }
      noise[b] = Rows.mean(band, 0, stands);
      if (!Rows.still(band, 0, stands, STILL * sigma[b] + STILL_DB, DRIFT_DB + sigma[b])) {
        return Optional.empty();
      }
      boolean over = fine.overStepsDb(b, noise[b]) > STEPS_DB;
      heard += over ? 1 : 0;
      plain += over && Scatter.of(band) > STILLER * sigma[b] ? 1 : 0;
    }
    return heard < FEWEST_BANDS || plain < FEWEST_BANDS
        ? Optional.empty()
        : Optional.of(new Stop(from, row, gone, noise, level - Rows.mean(mean, gone, stays)));
  }

  /** The row from which on all is gone; under 0 where it stays or comes up. */
  private int gone(int row, double level) {
    int last = Math.min(row + within, rows.length - stays);
    for (int k = row; k < last && mean[k] < level + COMES_UP_DB; k++) {
      if (mean[k] < level - GONE_DB && Rows.most(mean, k, k + stays) < level - GONE_DB) {
        return k;
      }
    }
    return -1;
  }

  private boolean isBehindLouder(int row, double level) {
    int from = Math.max(0, row - (int) Math.round(LOUDER_SECONDS / fine.seconds()));
    return from < row && Rows.most(mean, from, row) > level + LOUDER_DB;
  }
}
