package nullroom.core.measure.altered;

import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import java.util.function.DoublePredicate;
import nullroom.core.Figures;

/**
 * Weighs together the traces that a reduction leaves, where none of them shows it alone. Each tree
 * of the table asks up to four traces one after the other and adds to the logarithm of the odds;
 * the trees were fitted by gradient boosting (J. H. Friedman, Ann. Statist. 29 (2001) 1189-1232) on
 * made sounds, untouched and altered, so that each trace may only speak the way in which a
 * reduction moves it. What they were fitted on, and how they did on other sounds, stands in
 * docs/altered.md.
 */
final class ReductionOdds {
  /** Of 7293 untouched sounds, each by trees not fitted on it, twenty reached more. */
  private static final double SURE = 1;

  /**
   * Where something else leaves such traces, too: of 518 untouched songs, each by trees not fitted
   * on it, none reached more than 2.3.
   */
  private static final double SURE_IN_DOUBT = 3;

  /** Under it lies one of 212 reductions that something else shows. */
  private static final double AGAINST = 0;

  /** Before anything is asked. */
  private static final double MEAN = -1.48713;

  private static final BoostedTrees TREES =
      new BoostedTrees(ReductionOdds.class, "reduction_odds.csv");

  private ReductionOdds() {}

  /** Traces of one kind, the one that is named where it speaks itself, and what is said of it. */
  private enum Group {
    ENDS(
        EnumSet.range(Trace.ENDS_MIDDLE, Trace.ENDS_QUICK_BANDS),
        Trace.ENDS_MIDDLE,
        times -> times < 1.1,
        "%d traces of a reduction, weighed together, speak for it, most of all the ends of sounds: near the noise they take %.1f times as long as falls over it"),
    LINES(
        EnumSet.range(Trace.DYING_SCATTER, Trace.FAR_BESIDE),
        Trace.NEAR_SCATTER,
        Double::isFinite,
        "%d traces of a reduction, weighed together, speak for it, most of all the lines of the spectrum, which scatter by %.1f dB near the noise, and how they stand beside one another"),
    BEGINNINGS(
        EnumSet.range(Trace.BEFORE_RISE, Trace.LONG_BEFORE_RISEN),
        Trace.LONG_BEFORE_RISE,
        rise -> rise > 1,
        "%d traces of a reduction, weighed together, speak for it, most of all the beginnings of sounds: shortly before them the noise rises by %.1f dB"),
    LEVELS(
        EnumSet.range(Trace.LEVELS_TAKEN, Trace.LEVELS_EMPTIEST),
        Trace.LEVELS_EMPTIEST,
        odds -> odds < -3,
        "%d traces of a reduction, weighed together, speak for it, most of all the levels between noise and sound, which are hardly taken: for each moment over them %.2f in the emptiest 6 dB"),
    ENERGIES(
        EnumSet.range(Trace.ENERGY_SQUARES, Trace.ENERGY_HIGH_OVER),
        Trace.ENERGY_SQUARES,
        squares -> squares > 1.95,
        "%d traces of a reduction, weighed together, speak for it, most of all the quietest moments: the squared energies of single lines are %.2f on average, in plain noise 1.90");

    private final Set<Trace> traces;
    private final Trace named;
    private final DoublePredicate speaks;
    private final String evidence;

    Group(Set<Trace> traces, Trace named, DoublePredicate speaks, String evidence) {
      this.traces = traces;
      this.named = named;
      this.speaks = speaks;
      this.evidence = evidence;
    }

    private boolean speaks(double[] all) {
      return speaks.test(all[named.ordinal()]); // nothing that is not a number does
    }

    /** What is said; of levels the share, not its logarithm. */
    private String said(double[] all) {
      double figure = all[named.ordinal()];
      return Figures.say(evidence, seen(all), this == LEVELS ? Math.exp(figure) : figure);
    }

    /** The same traces with nothing of these. */
    private double[] without(double[] all) {
      double[] others = all.clone();
      traces.forEach(t -> others[t.ordinal()] = Double.NaN);
      return others;
    }
  }

  /** Logarithm of the odds of a reduction, up to a constant. */
  static double of(double[] traces) {
    return MEAN + TREES.of(traces);
  }

  /** Whether they speak against one, so that what else speaks for it is there by chance. */
  static boolean speakAgainst(double[] traces) {
    return of(traces) < AGAINST;
  }

  /** Whether they show a reduction where something else leaves such traces, too. */
  static boolean areBeyondDoubt(double[] traces) {
    return of(traces) >= SURE_IN_DOUBT;
  }

  /**
   * What speaks for a reduction.
   *
   * @param doubt whether something else leaves such traces, too: long tones, a gain, a coder
   */
  static Optional<String> told(double[] traces, boolean doubt) {
    if (doubt ? !areBeyondDoubt(traces) : of(traces) < SURE) {
      return Optional.empty();
    }
    return Optional.of(
        Arrays.stream(Group.values())
            .filter(g -> g.speaks(traces))
            .min(Comparator.comparingDouble(g -> of(g.without(traces))))
            .map(g -> g.said(traces))
            .orElseGet(() ->
                Figures.say(
                    "%d traces of a reduction, weighed together, speak for it, though none does by itself",
                    seen(traces))));
  }

  private static int seen(double[] traces) {
    return (int) Arrays.stream(traces).filter(Double::isFinite).count();
  }
}
