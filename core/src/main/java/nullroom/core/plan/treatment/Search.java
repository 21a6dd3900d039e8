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
  private static final int SHAKES = 200;

  /** So much worse a set may be that the next shaking starts from. */
  private static final double DETOUR_DB = 0.5;

  /** Shaking ends after so many sets. */
  private static final long MOST_AT_SHAKES = 250_000;

  private static final int MOST_AT_PROOF = 250_000;

  /** Where nothing helps, the answer is wanted at once, and its bound is near anyway. */
  private static final int MOST_FOR_NOTHING = 2_000;

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
    long enough = evaluations + MOST_AT_SHAKES;
    Chosen from = best;
    for (int shake = 0;
        shake < SHAKES && evaluations < enough && !best.indices().isEmpty();
        shake++) {
      progress.step(shake, SHAKES);
      Chosen next = climbed(shaken(from, open, shake, random), open);
      best = better(best, next);
      boolean near = next.standing().offDb() < best.standing().offDb() + DETOUR_DB;
      from = near && !next.indices().isEmpty() ? next : best;
    }
    return best;
  }

  /** A set with up to three taken out, with one forced in, or with one slid over its surface. */
  private Set shaken(Chosen from, BitSet open, int shake, SplittableRandom random) {
    Set set = set(from.indices());
    int in = open.nextSetBit(random.nextInt(Math.max(1, places.size())));
    switch (shake % 3) {
      case 0 -> {
        int out = 1 + random.nextInt(Math.min(3, set.chosen.size()));
        for (int k = 0; k < out; k++) {
          set.remove(random.nextInt(set.chosen.size()));
        }
      }
      case 1 -> {
        if (in >= 0) {
          makeWay(set, in);
        }
      }
      default -> {
        int at = random.nextInt(set.chosen.size());
        Placement is = places.get(set.chosen.get(at));
        set.remove(at);
        in = slid(set, open, is, random);
      }
    }
    if (in >= 0 && set.takes(in)) {
      set.add(in);
    }
    return set;
  }

  /** Another place for a piece on its surface, drawn from those that are free; -1 for none. */
  private int slid(Set set, BitSet open, Placement is, SplittableRandom random) {
    int found = -1;
    int seen = 0;
    for (int i = open.nextSetBit(0); i >= 0; i = open.nextSetBit(i + 1)) {
      Placement other = places.get(i);
      if (other != is && other.kind() == is.kind() && other.beside(is) && set.takes(i)) {
        seen++;
        found = random.nextInt(seen) == 0 ? i : found;
      }
    }
    return found;
  }

  /** Takes out what lies where another is to lie, and one of its kind where all are used. */
  private void makeWay(Set set, int in) {
    for (int at = set.chosen.size() - 1; at >= 0; at--) {
      int is = set.chosen.get(at);
      boolean spent =
          places.get(is).kind() == places.get(in).kind()
              && set.used[places.get(in).kind()] == counts[places.get(in).kind()];
      if (is == in || against[in].get(is) || spent) {
        set.remove(at);
      }
    }
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

  /** A set with each piece where it returns most, of the places that change the same. */
  Chosen settled(Chosen chosen, Predicate<Placement> may) {
    List<Integer> all = new ArrayList<>(chosen.indices());
    for (int at = 0; at < all.size(); at++) {
      Placement is = places.get(all.get(at));
      for (int i = 0; i < places.size(); i++) {
        Placement other = places.get(i);
        if (other.kind() == is.kind()
            && other.returns() > places.get(all.get(at)).returns()
            && other.change().equals(is.change())
            && may.test(other)
            && isFree(i, all, at)) {
          all.set(at, i);
        }
      }
    }
    return new Chosen(List.copyOf(all), chosen.standing());
  }

  private boolean isFree(int place, List<Integer> all, int except) {
    for (int k = 0; k < all.size(); k++) {
      if (k != except && (all.get(k) == place || against[place].get(all.get(k)))) {
        return false;
      }
    }
    return true;
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

    /** From each place on: the most that one of a kind can take away, by kind and octave. */
    private final double[][][] fallsFrom =
        new double[places.size() + 1][counts.length][Octave.COUNT];

    private final double loosest;
    private final int patience;
    private Chosen best;
    private double reached;
    private long worked;
    private boolean given;

    Proof(Chosen best) {
      this.best = best;
      reached = best.standing().offDb();
      patience = best.indices().isEmpty() ? MOST_FOR_NOTHING : MOST_AT_PROOF;
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
          fallsFrom[i][k] = fallsFrom[i + 1][k].clone();
        }
        for (int b = 0; b < Octave.COUNT; b++) {
          double area = p.change().area().get(b);
          mostFrom[i][p.kind()][b] = Math.max(mostFrom[i][p.kind()][b], area);
          fallsFrom[i][p.kind()][b] = Math.max(fallsFrom[i][p.kind()][b], -area);
        }
      }
      loosest = optimistic(new Set(), 0);
    }

    void from(Set set, int first) {
      for (int i = first; i < places.size() && !given; i++) {
        if (!set.takes(i)) {
          continue;
        }
        if (++worked > patience) {
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
     * most for what is too long, what they take away of it for what is too short, nothing off the
     * first reflections.
     */
    private double optimistic(Set set, int first) {
      double[][] up = mostFrom[first];
      double[][] falls = fallsFrom[first];
      double[] taken = new double[Octave.COUNT];
      TreatedReply.State full = set.state.copy();
      for (int k = 0; k < counts.length; k++) {
        int kind = k;
        int left = Math.min(counts[k] - set.used[k], most - set.chosen.size());
        full.add(new TreatedReply.Change(0, Bands.from(b -> left * up[kind][b]), Bands.all(0)));
        for (int b = 0; b < Octave.COUNT; b++) {
          taken[b] += left * falls[k][b];
        }
      }
      double[] least = new double[Octave.COUNT];
      double[] longest = new double[Octave.COUNT];
      reply.leastSeconds(full, least);
      reply.mostSeconds(set.state, taken, longest);
      return Standing.offDb(goal, reply.clearDb(uncovered, least), least, longest);
    }
  }
}
