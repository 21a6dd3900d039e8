package nullroom.core.measure.altered;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import nullroom.core.Figures;
import nullroom.core.Quantile;

/**
 * Noise that comes with what sounds and goes with it: wherever a band holds nothing of a voice it
 * stands still, at one level in all sounds, and far over the pauses before and after. In a room the
 * noise is there before a voice and after it. What hisses by itself does not swell and ebb. Cannot
 * see a gate that lets through less noise than the steps of the file make, nor sounds that fill all
 * bands from beginning to end.
 */
final class NoiseWithSound {
  /** From 1.4 kHz on: in narrower bands noise does not stand still. */
  private static final int FIRST_BAND = 3;

  /** What belongs to the next sound or pause. */
  private static final int EDGE_ROWS = 3;

  private static final int SHORTEST_SOUND_ROWS = 8;

  /** Before a sound, where a gate is still shut: what is on ahead of a sound belongs to it. */
  private static final int AHEAD_ROWS = 16;

  private static final double AHEAD_DB = 3;

  /** Into a pause, in which a gate is still open. */
  private static final int OPEN_ROWS = 15;

  private static final int STILL_ROWS = 8;

  /** Times the scatter of plain noise. */
  private static final double STILL = 2;

  /** So many of the moments of a pause are softer than what is taken for its noise. */
  private static final double PAUSE_SHARE = 0.75;

  private static final double OVER_PAUSES_DB = 8;
  private static final double OVER_STEPS_DB = 10;

  /** All that stands at one level. */
  private static final double SAME_DB = 1.6;

  private static final double LESS_DB = 0.5;

  /** Softer than the noise of a room nothing is: each moment that is speaks against as many. */
  private static final double AGAINST = 3;

  private static final double MOST_SOFTER = 0.1;

  /** What sounds meanwhile is louder now and softer then, and mostly louder than the noise. */
  private static final double EBBS_DB = 12;

  private static final double EBBS_SHARE = 0.1;

  private static final double MOSTLY_DB = 4;

  /** Twice it may be a fan that somebody switched on. */
  private static final int FEWEST_SOUNDS = 3;

  /** Three times, too, if it is off again while most of the sounds go on: so far under it. */
  private static final double OFF_DB = 5;

  private static final int OFF_ROWS = 3;
  private static final double OFF_SHARE = 0.5;

  /** In two bands as far over the pauses. */
  private static final int FEWEST = 8;

  private static final double SHARE = 0.7;
  private static final double ALIKE_DB = 2;

  /** In two bands for long, where much else stands still, too. */
  private static final int LONG = 60;

  private static final double LONG_SHARE = 0.3;

  /** In one band alone. */
  private static final int ALONE_FEWEST = 24;

  private static final double ALONE_SHARE = 0.5;

  /** In so many bands, as a gate takes as much from all. */
  private static final int MANY = 3;

  private static final double MANY_SHARE = 0.15;
  private static final double SAME_OVER_DB = 0.8;

  /** In so many no reduction does that. */
  private static final int GATED = 4;

  private final FineBands fine;
  private final double[] total;
  private final Pauses pauses;
  private final double[] quiet;

  private NoiseWithSound(FineBands fine, Pauses pauses) {
    this.fine = fine;
    this.pauses = pauses;
    total = fine.totals();
    quiet = noise(total);
  }

  /**
   * A moment at which a band stands still.
   *
   * @param sound which
   * @param row of its beginning
   * @param level in decibels
   * @param over the pauses before and after
   */
  private record Moment(int sound, int row, double level, double over) {}

  /**
   * One level at which a band stands.
   *
   * @param sounds in how many
   * @param moments how often
   * @param share of all moments at which it stands still
   * @param overDb the pauses
   */
  private record Plateau(long sounds, int moments, double share, double overDb) {
    private boolean is(int fewest, double least) {
      return sounds >= FEWEST_SOUNDS && moments >= fewest && share >= least;
    }

    private boolean isSure(List<Plateau> all) {
      return is(ALONE_FEWEST, ALONE_SHARE)
          || inTwo(all, FEWEST, SHARE)
          || inTwo(all, LONG, LONG_SHARE)
          || is(FEWEST, MANY_SHARE) && like(all) >= MANY;
    }

    /** In how many bands it is as far over the pauses. */
    private long like(List<Plateau> all) {
      return all.stream().filter(p -> p.is(FEWEST, MANY_SHARE) && apart(p) < SAME_OVER_DB).count();
    }

    private boolean inTwo(List<Plateau> all, int fewest, double share) {
      return is(fewest, share)
          && all.stream().anyMatch(p -> p != this && p.is(fewest, share) && apart(p) < ALIKE_DB);
    }

    private double apart(Plateau other) {
      return Math.abs(overDb - other.overDb);
    }
  }

  /** What speaks for a gate, or for a reduction where it is not seen in many bands. */
  static List<Alteration> of(FineBands fine, Pauses pauses) {
    if (pauses.all().isEmpty()) {
      return List.of();
    }
    NoiseWithSound noise = new NoiseWithSound(fine, pauses);
    List<Plateau> all =
        IntStream.range(FIRST_BAND, fine.bands())
            .mapToObj(noise::plateau)
            .flatMap(Optional::stream)
            .toList();
    return all.stream()
        .filter(p -> p.isSure(all))
        .max(Comparator.comparingInt(Plateau::moments))
        .map(p -> noise.told(p, p.like(all) >= GATED))
        .orElse(List.of());
  }

  /** The level at which most moments stand and that hardly one is under. */
  private Optional<Plateau> plateau(int band) {
    List<Moment> all = moments(band);
    double[] within =
        all.stream().filter(this::sounds).mapToDouble(Moment::level).sorted().toArray();
    List<Moment> over =
        all.stream()
            .filter(
                m -> m.over() > OVER_PAUSES_DB && fine.overStepsDb(band, m.level()) > OVER_STEPS_DB)
            .sorted(Comparator.comparingDouble(Moment::level))
            .toList();
    List<Moment> best = List.of();
    double most = 0;
    int to = 0;
    for (int from = 0; from < over.size(); from++) {
      double lowest = over.get(from).level();
      while (to < over.size() && over.get(to).level() < lowest + SAME_DB) {
        to++;
      }
      double sure = to - from - AGAINST * softer(within, lowest);
      if (sure > most) {
        most = sure;
        best = over.subList(from, to);
      }
    }
    if (best.isEmpty() || softer(within, best.getFirst().level()) > MOST_SOFTER * best.size()) {
      return Optional.empty();
    }
    Plateau plateau = plateau(best, all.size());
    return plateau.sounds() > FEWEST_SOUNDS || !goesOff(band, all, best)
        ? Optional.of(plateau)
        : Optional.empty();
  }

  /** Whether in most sounds the band falls far under the level at which it stands. */
  private boolean goesOff(int band, List<Moment> all, List<Moment> same) {
    double[] levels = fine.levels().column(band);
    double under = Quantile.median(same.stream().mapToDouble(Moment::level).toArray()) - OFF_DB;
    long off =
        IntStream.rangeClosed(0, pauses.all().size())
            .mapToObj(this::sound)
            .filter(s ->
                IntStream.rangeClosed(s.from() + EDGE_ROWS, s.to() - EDGE_ROWS - OFF_ROWS)
                    .anyMatch(k -> Rows.mean(levels, k, OFF_ROWS) < under))
            .count();
    return off > OFF_SHARE * all.stream().mapToInt(Moment::sound).distinct().count();
  }

  private boolean sounds(Moment moment) {
    return IntStream.range(moment.row(), moment.row() + STILL_ROWS)
        .allMatch(k -> pauses.loud()[k] > pauses.under());
  }

  private static int softer(double[] sorted, double level) {
    int at = Arrays.binarySearch(sorted, level - LESS_DB);
    return at < 0 ? -at - 1 : at;
  }

  private Plateau plateau(List<Moment> same, int of) {
    double over = Quantile.median(same.stream().mapToDouble(Moment::over).toArray());
    double soft = Quantile.of(same.stream().mapToDouble(m -> total[m.row()]).toArray(), EBBS_SHARE);
    long sounds =
        same.stream().mapToInt(Moment::sound).distinct().filter(s -> ebbs(s, soft, over)).count();
    return new Plateau(sounds, same.size(), (double) same.size() / of, over);
  }

  /** Whether a sound is not the noise itself. */
  private boolean ebbs(int number, double softDb, double overDb) {
    Stretch sound = sound(number);
    double[] all = Arrays.copyOfRange(total, sound.from(), sound.to());
    return Quantile.of(all, 1) > softDb + EBBS_DB
        && Quantile.median(all) > beside(number, quiet) + overDb + MOSTLY_DB;
  }

  /** Of what is known of all pauses, the higher of the one before a sound and the one behind. */
  private static double beside(int sound, double[] noise) {
    return Math.max(noise[Math.max(0, sound - 1)], noise[Math.min(sound, noise.length - 1)]);
  }

  /** What lies before a pause, or behind the last. */
  private Stretch sound(int number) {
    List<Stretch> all = pauses.all();
    return new Stretch(
        number == 0 ? 0 : all.get(number - 1).to(),
        number == all.size() ? total.length : all.get(number).from());
  }

  /** All at which a band stands still while something sounds, and shortly after. */
  private List<Moment> moments(int band) {
    double[] levels = fine.levels().column(band);
    double[] noise = noise(levels);
    double scatter = STILL * fine.scatterDb(band, 1);
    List<Moment> all = new ArrayList<>();
    for (int s = 0; s <= noise.length; s++) {
      Stretch sound = sound(s);
      double beside = beside(s, noise);
      if (sound.rows() > SHORTEST_SOUND_ROWS && !isAhead(levels, sound, beside)) {
        int to = Math.min(sound.to() + OPEN_ROWS, total.length) - STILL_ROWS;
        for (int k = sound.from() + EDGE_ROWS; k < to; k++) {
          if (Scatter.of(Arrays.copyOfRange(levels, k, k + STILL_ROWS)) < scatter) {
            double level = Rows.mean(levels, k, STILL_ROWS);
            all.add(new Moment(s, k, level, level - beside));
            k += STILL_ROWS / 2 - 1;
          }
        }
      }
    }
    return all;
  }

  /** Whether the band is up before something sounds. */
  private static boolean isAhead(double[] levels, Stretch sound, double noise) {
    int from = sound.from() - AHEAD_ROWS;
    return from >= 0 && Rows.mean(levels, from, STILL_ROWS) > noise + AHEAD_DB;
  }

  /** Of each pause. */
  private double[] noise(double[] levels) {
    return pauses.all().stream().mapToDouble(p -> noise(levels, p)).toArray();
  }

  /** Of the second half of a pause. */
  private static double noise(double[] levels, Stretch pause) {
    int last = pause.to() - EDGE_ROWS - STILL_ROWS;
    return Quantile.of(
        IntStream.rangeClosed(Math.min((pause.from() + pause.to()) / 2, last), last)
            .mapToDouble(k -> Rows.mean(levels, k, STILL_ROWS))
            .toArray(),
        PAUSE_SHARE);
  }

  private List<Alteration> told(Plateau plateau, boolean gated) {
    String evidence =
        Figures.say(
            "in %d sounds noise stands at one level beside them, %.0f dB over the pauses before and after: the noise of a room does not come and go with what sounds",
            plateau.sounds(), plateau.overDb());
    double to = total.length * fine.seconds();
    return gated
        ? List.of(new Alteration(Alteration.Kind.GATE, evidence, 0, to))
        : Alteration.either(Alteration.Kind.GATE, Alteration.Kind.NOISE_REDUCTION, evidence, 0, to);
  }
}
