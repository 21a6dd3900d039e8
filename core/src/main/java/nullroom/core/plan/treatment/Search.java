package nullroom.core.plan.treatment;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.Predicate;
import nullroom.core.Progress;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.AtHand;
import nullroom.core.book.Goal;
import nullroom.core.predict.TreatedReply;

/**
 * Finds the set of placements that brings a room nearest to a goal: the best step at a time, then
 * exchanges, then anew from shaken sets; and, where there are few, all sets within a bound. Seeded:
 * the same gives the same.
 */
final class Search {
  private static final long SEED = 20_261_127;
  private static final int SHAKES = 12;
  private static final int MOST_AT_PROOF = 250_000;

  private final TreatedReply reply;
  private final Goal goal;
  private final AtHand hand;
  private final List<Placement> places;
  private final int[] counts;
  private final BitSet[] against;
  private final int most;
  private final double[] seconds = new double[Octave.COUNT];
  private final Progress progress;
  private long evaluations;

  /** A set of placements with what it comes to. */
  record Chosen(List<Integer> indices, Standing standing) {}

  /**
   * A bound under which no set can come.
   *
   * @param offDb it
   * @param complete whether all sets were looked at or ruled out
   * @param best the best set, maybe found on the way
   */
  record Bound(double offDb, boolean complete, Chosen best) {}

  Search(
      TreatedReply reply,
      Goal goal,
      AtHand hand,
      List<Placement> places,
      int most,
      Progress progress) {
    this.reply = reply;
    this.goal = goal;
    this.hand = hand;
    this.places = places;
    this.most = most;
    this.progress = progress;
    int kinds = places.stream().mapToInt(Placement::kind).max().orElse(-1) + 1;
    counts = new int[Math.max(kinds, hand.pieces().size())];
    for (int k = 0; k < counts.length; k++) {
      counts[k] = k < hand.pieces().size() ? hand.pieces().get(k).count() : 1;
    }
    against = new BitSet[places.size()];
    for (int i = 0; i < places.size(); i++) {
      against[i] = new BitSet(places.size());
      for (int j = 0; j < i; j++) {
        if (places.get(i).against(places.get(j))) {
          against[i].set(j);
          against[j].set(i);
        }
      }
    }
  }

  long evaluations() {
    return evaluations;
  }

  /** A set under way. */
  private final class Set {
    private final List<Integer> chosen = new ArrayList<>();
    private final int[] used = new int[counts.length];
    private final BitSet barred = new BitSet(places.size());
    private TreatedReply.State state = reply.state();
    private double price;
    private double minutes;

    boolean takes(int i) {
      Placement p = places.get(i);
      return chosen.size() < most
          && !barred.get(i)
          && used[p.kind()] < counts[p.kind()]
          && price + p.price() <= hand.budget().orElse(Double.POSITIVE_INFINITY) + 1e-9
          && minutes + p.minutes() <= hand.minutes().orElse(Double.POSITIVE_INFINITY) + 1e-9;
    }

    void add(int i) {
      Placement p = places.get(i);
      chosen.add(i);
      used[p.kind()]++;
      price += p.price();
      minutes += p.minutes();
      state.add(p.change());
      barred.set(i);
      barred.or(against[i]);
    }

    void remove(int at) {
      int i = chosen.remove(at);
      Placement p = places.get(i);
      used[p.kind()]--;
      price -= p.price();
      minutes -= p.minutes();
      barred.clear();
      chosen.forEach(j -> {
        barred.set(j);
        barred.or(against[j]);
      });
      state = reply.state(); // anew, so that sums do not creep
      chosen.forEach(j -> state.add(places.get(j).change()));
    }

    Standing standing() {
      evaluations++;
      reply.seconds(state, seconds);
      double off = Standing.offDb(goal, reply.clearDb(state, seconds), seconds);
      return new Standing(off, price, minutes, chosen.size());
    }

    Standing with(int i) {
      Placement p = places.get(i);
      state.add(p.change());
      price += p.price();
      minutes += p.minutes();
      Standing then = standing();
      state.remove(p.change());
      price -= p.price();
      minutes -= p.minutes();
      return new Standing(then.offDb(), then.price(), then.minutes(), chosen.size() + 1);
    }

    Chosen frozen() {
      return new Chosen(List.copyOf(chosen), standing());
    }
  }

  private Set set(List<Integer> indices) {
    Set set = new Set();
    for (int i : indices) {
      if (set.takes(i)) {
        set.add(i);
      }
    }
    return set;
  }

  /**
   * The best set found.
   *
   * @param may which placements may be used
   * @param starts sets to begin with as well
   */
  Chosen best(Predicate<Placement> may, List<Chosen> starts) {
    BitSet open = open(may);
    Chosen best = climbed(new Set(), open);
    for (Chosen start : starts) {
      best = better(best, climbed(set(start.indices()), open));
    }
    SplittableRandom random = new SplittableRandom(SEED);
    for (int shake = 0; shake < SHAKES && !best.indices().isEmpty(); shake++) {
      progress.step(shake, SHAKES);
      Set shaken = set(best.indices());
      int out = 1 + random.nextInt(Math.min(3, shaken.chosen.size()));
      for (int k = 0; k < out; k++) {
        shaken.remove(random.nextInt(shaken.chosen.size()));
      }
      int in = open.nextSetBit(random.nextInt(Math.max(1, places.size())));
      if (in >= 0 && shaken.takes(in)) {
        shaken.add(in);
      }
      best = better(best, climbed(shaken, open));
    }
    return best;
  }

  /** A set with more added to it as long as that helps, nothing taken out. */
  Chosen grown(Chosen from, Predicate<Placement> may) {
    Set set = set(from.indices());
    grow(set, open(may));
    return set.frozen();
  }

  /** A set with the one added that helps most; the same where none does. */
  Chosen plusOne(Chosen from, Predicate<Placement> may) {
    Set set = set(from.indices());
    int next = next(set, open(may), set.standing());
    if (next >= 0) {
      set.add(next);
    }
    return set.frozen();
  }

  /** A set in the order in which each next helps most. */
  List<Integer> inOrder(Chosen chosen) {
    BitSet left = new BitSet(places.size());
    chosen.indices().forEach(left::set);
    Set set = new Set();
    while (!left.isEmpty()) {
      int first = left.nextSetBit(0);
      int best = first;
      Standing least = set.with(first);
      for (int i = left.nextSetBit(first + 1); i >= 0; i = left.nextSetBit(i + 1)) {
        Standing then = set.with(i);
        if (then.compareTo(least) < 0) {
          least = then;
          best = i;
        }
      }
      set.add(best);
      left.clear(best);
    }
    return List.copyOf(set.chosen);
  }

  private BitSet open(Predicate<Placement> may) {
    BitSet open = new BitSet(places.size());
    for (int i = 0; i < places.size(); i++) {
      open.set(i, may.test(places.get(i)));
    }
    return open;
  }

  private static Chosen better(Chosen a, Chosen b) {
    return b.standing().compareTo(a.standing()) < 0 ? b : a;
  }

  /** Adds, exchanges and takes out as long as anything of that helps. */
  private Chosen climbed(Set set, BitSet open) {
    grow(set, open);
    boolean helped = true;
    while (helped) {
      helped = exchange(set, open);
      grow(set, open);
    }
    return set.frozen();
  }

  private void grow(Set set, BitSet open) {
    for (int next = next(set, open, set.standing());
        next >= 0;
        next = next(set, open, set.standing())) {
      set.add(next);
    }
  }

  /** The one whose adding helps most; -1 where none does. */
  private int next(Set set, BitSet open, Standing now) {
    int next = -1;
    Standing least = now;
    for (int i = open.nextSetBit(0); i >= 0; i = open.nextSetBit(i + 1)) {
      if (set.takes(i)) {
        Standing then = set.with(i);
        if (then.compareTo(least) < 0) {
          least = then;
          next = i;
        }
      }
    }
    return next;
  }

  /** The best single exchange or taking out, if there is any that helps. */
  private boolean exchange(Set set, BitSet open) {
    Standing now = set.standing();
    List<Integer> before = List.copyOf(set.chosen);
    Standing least = now;
    List<Integer> best = before;
    for (int at = 0; at < before.size(); at++) {
      List<Integer> rest = new ArrayList<>(before);
      rest.remove(at);
      Set fewer = set(rest);
      Standing without = fewer.standing();
      if (without.compareTo(least) < 0) {
        least = without;
        best = rest;
      }
      for (int i = open.nextSetBit(0); i >= 0; i = open.nextSetBit(i + 1)) {
        if (fewer.takes(i)) {
          Standing then = fewer.with(i);
          if (then.compareTo(least) < 0) {
            least = then;
            best = new ArrayList<>(rest);
            best.add(i);
          }
        }
      }
    }
    if (best == before) {
      return false;
    }
    while (!set.chosen.isEmpty()) {
      set.remove(set.chosen.size() - 1);
    }
    best.forEach(set::add);
    return true;
  }

  /**
   * A bound for all sets, and a better one where looking at them finds it.
   *
   * @param best found so far
   */
  Bound bound(Chosen best) {
    Proof proof = new Proof(best);
    proof.from(new Set(), 0);
    double least = proof.reached;
    return new Bound(
        proof.given ? Math.min(proof.loosest, least) : least, !proof.given, proof.best);
  }

  /** Looks at all sets that cannot be ruled out, up to a number of them. */
  private final class Proof {
    private final TreatedReply.State uncovered = reply.state();

    /** From each place on: the most that one of a kind can add, by kind and octave. */
    private final double[][][] mostFrom =
        new double[places.size() + 1][counts.length][Octave.COUNT];

    /** From each place on: whether any takes absorption away, by octave. */
    private final boolean[][] fallsFrom = new boolean[places.size() + 1][Octave.COUNT];

    private final double loosest;
    private Chosen best;
    private double reached;
    private long worked;
    private boolean given;

    Proof(Chosen best) {
      this.best = best;
      reached = best.standing().offDb();
      double[][] early = new double[counts.length][Octave.COUNT];
      for (Placement p : places) {
        for (int b = 0; b < Octave.COUNT; b++) {
          early[p.kind()][b] = Math.max(early[p.kind()][b], p.change().early().get(b));
        }
      }
      for (int k = 0; k < counts.length; k++) {
        int kind = k;
        uncovered.add(
            new TreatedReply.Change(
                0, Bands.all(0), Bands.from(b -> counts[kind] * early[kind][b])));
      }
      for (int i = places.size() - 1; i >= 0; i--) {
        Placement p = places.get(i);
        for (int k = 0; k < counts.length; k++) {
          mostFrom[i][k] = mostFrom[i + 1][k].clone();
        }
        fallsFrom[i] = fallsFrom[i + 1].clone();
        for (int b = 0; b < Octave.COUNT; b++) {
          double area = p.change().area().get(b);
          mostFrom[i][p.kind()][b] = Math.max(mostFrom[i][p.kind()][b], area);
          fallsFrom[i][b] |= area < 0;
        }
      }
      loosest = optimistic(new Set(), 0);
    }

    void from(Set set, int first) {
      for (int i = first; i < places.size() && !given; i++) {
        if (!set.takes(i)) {
          continue;
        }
        if (++worked > MOST_AT_PROOF) {
          given = true;
          return;
        }
        set.add(i);
        Standing now = set.standing();
        reached = Math.min(reached, now.offDb());
        if (now.compareTo(best.standing()) < 0) {
          best = new Chosen(List.copyOf(set.chosen), now);
        }
        if (optimistic(set, i + 1) < reached - 1e-9) {
          from(set, i + 1);
        }
        set.remove(set.chosen.size() - 1);
      }
    }

    /**
     * What a set could come to at best with all that may still be added: their absorption at its
     * most for what is too long, none of it for what is too short, nothing off the first
     * reflections.
     */
    private double optimistic(Set set, int first) {
      double[][] up = mostFrom[first];
      boolean[] falls = fallsFrom[first];
      TreatedReply.State full = set.state.copy();
      for (int k = 0; k < counts.length; k++) {
        int kind = k;
        int left = Math.min(counts[k] - set.used[k], most - set.chosen.size());
        full.add(new TreatedReply.Change(0, Bands.from(b -> left * up[kind][b]), Bands.all(0)));
      }
      double[] least = new double[Octave.COUNT];
      double[] longest = new double[Octave.COUNT];
      reply.leastSeconds(full, least);
      reply.seconds(set.state, longest);
      for (int b = 0; b < Octave.COUNT; b++) {
        longest[b] = falls[b] ? Double.MAX_VALUE : longest[b];
      }
      return Standing.offDb(goal, reply.clearDb(uncovered, least), least, longest);
    }
  }
}
