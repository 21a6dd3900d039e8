package nullroom.core.measure.altered;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import nullroom.core.Figures;
import nullroom.core.Quantile;
import nullroom.core.measure.Frames;

/**
 * Levels that drop at once, faster than any room lets sound die away, and each time by as much; or
 * digital silence between sounds. A beep ends so, too, but the noise beside it goes on; and in the
 * open air anything ends so, but falls onto the noise at once, by as much as it was loud. Cannot
 * see a gate that closes over more than a tenth of a second.
 */
final class Gate {
  /** Within 10 ms. In a dead room a clap falls by 27 dB. */
  private static final double DROP_DB = 32;

  private static final int WITHIN_FRAMES = 2;
  private static final int FEWEST_DROPS = 4;

  /** A gate takes about as much each time. */
  private static final double APART_DB = 18;

  /** What a gate lets fall goes on under it for a while. */
  private static final double OVER_FLOOR_DB = 7;

  private static final double FLOOR_SHARE = 0.05;

  /** A gate shuts when it is so far under the loudest, for a moment already. */
  private static final double UNDER_LOUDEST_DB = 20;

  private static final int MOMENT_ROWS = 12;
  private static final int FEWEST_SILENCES = 3;
  private static final double DIGITAL_SILENCE_DB = -170;
  private static final double SILENCE_SECONDS = 0.02;

  /** What is between two silences is a sound, and not some steps of the file. */
  private static final double SOUND_DB = 30;

  /** Noise that a gate shut off; what dies away ends among the steps of the file. */
  private static final double SHUT_DB = 18;

  /** While some bands fall: a gate takes from every band what it takes from all. */
  private static final double GOES_ON_DB = 6;

  /** Bands softer than this hold no noise of a room. */
  private static final double NOISE_DB = -130;

  private static final double BESIDE_SECONDS = 0.02;

  private final double[] level;
  private final double seconds;
  private final FineBands fine;

  private Gate(double[] level, double seconds, FineBands fine) {
    this.level = level;
    this.seconds = seconds;
    this.fine = fine;
  }

  /**
   * What speaks for a gate.
   *
   * @param levels row by row, the first column in decibels
   * @param seconds of a row
   * @param fine levels of bands, in which noise is seen to go on
   */
  static Optional<Alteration> of(Frames levels, double seconds, FineBands fine) {
    Gate gate = new Gate(levels.column(0), seconds, fine);
    return gate.silent().or(gate::drops);
  }

  private Optional<Alteration> silent() {
    List<Stretch> silences = silences();
    return silences.size() < FEWEST_SILENCES
        ? Optional.empty()
        : told(silences, Figures.say("digital silence between sounds, %d times", silences.size()));
  }

  private Optional<Alteration> drops() {
    List<Stretch> drops = falls();
    double[] by = drops.stream().mapToDouble(this::dropDb).sorted().toArray();
    if (by.length < FEWEST_DROPS || by[by.length - 1] - by[0] > APART_DB) {
      return Optional.empty();
    }
    double left = Quantile.median(drops.stream().mapToDouble(d -> level[d.to()]).toArray());
    double before = Quantile.median(drops.stream().mapToDouble(this::beforeDb).toArray());
    return left < Quantile.of(level, FLOOR_SHARE) + OVER_FLOOR_DB
            || before > Quantile.of(level, 1) - UNDER_LOUDEST_DB
        ? Optional.empty()
        : told(
            drops,
            Figures.say(
                "the level drops by up to %.0f dB within 10 ms, %d times: no room dies away so fast",
                by[by.length - 1], by.length));
  }

  private double dropDb(Stretch drop) {
    return level[drop.from()] - level[drop.to()];
  }

  /** The loudest of the moment before. */
  private double beforeDb(Stretch drop) {
    return IntStream.rangeClosed(Math.max(0, drop.to() - MOMENT_ROWS), drop.from())
        .mapToDouble(k -> level[k])
        .max()
        .orElseThrow();
  }

  private boolean isSilent(int row) {
    return level[row] < DIGITAL_SILENCE_DB;
  }

  /** From the rows before they drop to those after it. */
  private List<Stretch> falls() {
    List<Stretch> all = new ArrayList<>();
    for (int k = WITHIN_FRAMES; k < level.length; k++) {
      Stretch drop = new Stretch(k - WITHIN_FRAMES, k);
      if (dropDb(drop) > DROP_DB && !isSilent(k) && !goesOn(k * seconds)) {
        all.add(drop);
        k += WITHIN_FRAMES;
      }
    }
    return all;
  }

  /** Those between sounds, that were noise before. */
  private List<Stretch> silences() {
    List<Stretch> all = new ArrayList<>();
    boolean heard = false;
    double shutDb = 0;
    int silent = 0;
    for (int k = WITHIN_FRAMES; k < level.length; k++) {
      if (isSilent(k)) {
        if (silent++ == 0) {
          shutDb = Math.max(level[k - 1], level[k - 2]);
        }
      } else {
        if (heard && silent * seconds >= SILENCE_SECONDS && shutDb > fine.stepsDb() + SHUT_DB) {
          all.add(new Stretch(k - silent, k));
          heard = false;
        }
        silent = 0;
        heard |= level[k] > fine.stepsDb() + SOUND_DB;
      }
    }
    return all;
  }

  private Optional<Alteration> told(List<Stretch> rows, String evidence) {
    return Optional.of(
        new Alteration(
            Alteration.Kind.GATE,
            evidence,
            rows.getFirst().from() * seconds,
            (rows.getLast().to() + 1) * seconds));
  }

  /** Whether a band is still as loud after a drop, that lasts, as shortly before. */
  private boolean goesOn(double at) {
    Frames bands = fine.levels();
    int beside = (int) Math.ceil(BESIDE_SECONDS / fine.seconds());
    int row = (int) (at / fine.seconds());
    int before = row - 2 * beside;
    int after = row + beside;
    if (before < 0 || after + beside > bands.count()) {
      return false;
    }
    int still = 0;
    int fallen = 0;
    for (int b = 0; b < fine.bands(); b++) {
      int band = b;
      double left = Rows.mean(bands, b, after, beside);
      double most =
          IntStream.range(before, row).mapToDouble(k -> bands.get(k, band)).max().orElse(left);
      boolean noise = left > NOISE_DB && !fine.onSteps(b, left);
      still += noise && Rows.mean(bands, b, before, beside) < left + GOES_ON_DB ? 1 : 0;
      fallen += most > left + DROP_DB / 2 ? 1 : 0;
    }
    return still > 0 && fallen > 0;
  }
}
