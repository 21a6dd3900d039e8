package nullroom.core.plan.treatment;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.function.Predicate;
import nullroom.core.Progress;

/**
 * Finds the set of placements that brings a room nearest to a goal: the best step at a time, then
 * exchanges, then anew from shaken sets; and, where there are few, all sets within a bound. Seeded:
 * the same gives the same.
 */
final class Search {
  private static final int SHAKES = 200;

  /** So much worse a set may be that the next shaking starts from. */
  private static final double DETOUR_DB = 0.5;

  /** Shaking ends after so many sets. */
  static final long MOST_AT_SHAKES = 150_000;

  /** The same where only a price is asked. */
  static final long FEW_AT_SHAKES = 25_000;

  private final Problem problem;
  private final Progress progress;

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

  Search(Problem problem, Progress progress) {
    this.problem = problem;
    this.progress = progress;
  }

  /**
   * The best set found.
   *
   * @param may which placements may be used
   * @param starts sets to begin with as well
   */
  Chosen best(Predicate<Placement> may, List<Chosen> starts) {
    return best(may, starts, MOST_AT_SHAKES);
  }

  /** The same, shaken less or more. */
  Chosen best(Predicate<Placement> may, List<Chosen> starts, long mostAtShakes) {
    BitSet open = problem.open(may);
    Chosen best = climbed(new PieceSet(problem), open);
    for (Chosen start : starts) {
      best = better(best, climbed(PieceSet.of(problem, start.indices()), open));
    }
    Shaking shaking = new Shaking(problem);
    long enough = problem.evaluations() + mostAtShakes;
    Chosen from = best;
    for (int shake = 0;
        shake < SHAKES && problem.evaluations() < enough && !best.indices().isEmpty();
        shake++) {
      progress.step(shake, SHAKES);
      Chosen next = climbed(shaking.shaken(from, open, shake), open);
      best = better(best, next);
      boolean near = next.standing().offDb() < best.standing().offDb() + DETOUR_DB;
      from = near && !next.indices().isEmpty() ? next : best;
    }
    return best;
  }

  /** A set of another problem, as far as its pieces have the same places here. */
  Chosen alike(List<Placement> others) {
    List<Integer> indices = new ArrayList<>();
    for (Placement other : others) {
      for (int i = 0; i < problem.places().size(); i++) {
        if (problem.place(i).isAs(other)) {
          indices.add(i);
        }
      }
    }
    return PieceSet.of(problem, indices).frozen();
  }

  /** A set with more added to it as long as that helps, nothing taken out. */
  Chosen grown(Chosen from, Predicate<Placement> may) {
    PieceSet set = PieceSet.of(problem, from.indices());
    grow(set, problem.open(may));
    return set.frozen();
  }

  /** A set with the one added that helps most; the same where none does. */
  Chosen plusOne(Chosen from, Predicate<Placement> may) {
    PieceSet set = PieceSet.of(problem, from.indices());
    int next = next(set, problem.open(may), set.standing());
    if (next >= 0) {
      set.add(next);
    }
    return set.frozen();
  }

  /**
   * A set with each piece where it returns most, of the places that change the same.
   *
   * @param stays whether each keeps to its surface
   */
  Chosen settled(Chosen chosen, Predicate<Placement> may, boolean stays) {
    List<Integer> all = new ArrayList<>(chosen.indices());
    for (int at = 0; at < all.size(); at++) {
      Placement is = problem.place(all.get(at));
      for (int i = 0; i < problem.places().size(); i++) {
        Placement other = problem.place(i);
        if (other.kind() == is.kind()
            && other.returns() > problem.place(all.get(at)).returns()
            && other.change().equals(is.change())
            && may.test(other)
            && (!stays || other.beside(is))
            && isFree(i, all, at)) {
          all.set(at, i);
        }
      }
    }
    return new Chosen(List.copyOf(all), chosen.standing());
  }

  private boolean isFree(int place, List<Integer> all, int except) {
    for (int k = 0; k < all.size(); k++) {
      if (k != except && (all.get(k) == place || problem.bars(place, all.get(k)))) {
        return false;
      }
    }
    return true;
  }

  /** A set in the order in which each next helps most. */
  List<Integer> inOrder(Chosen chosen) {
    BitSet left = new BitSet(problem.places().size());
    chosen.indices().forEach(left::set);
    PieceSet set = new PieceSet(problem);
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
    return List.copyOf(set.chosen());
  }

  private static Chosen better(Chosen a, Chosen b) {
    return b.standing().compareTo(a.standing()) < 0 ? b : a;
  }

  /** Adds, exchanges and takes out as long as anything of that helps. */
  private Chosen climbed(PieceSet set, BitSet open) {
    grow(set, open);
    boolean helped = true;
    while (helped) {
      helped = exchange(set, open);
      grow(set, open);
    }
    return set.frozen();
  }

  private void grow(PieceSet set, BitSet open) {
    for (int next = next(set, open, set.standing());
        next >= 0;
        next = next(set, open, set.standing())) {
      set.add(next);
    }
  }

  /** The one whose adding helps most; -1 where none does. */
  private int next(PieceSet set, BitSet open, Standing now) {
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
  private boolean exchange(PieceSet set, BitSet open) {
    Standing now = set.standing();
    List<Integer> before = List.copyOf(set.chosen());
    Standing least = now;
    List<Integer> best = before;
    for (int at = 0; at < before.size(); at++) {
      List<Integer> rest = new ArrayList<>(before);
      rest.remove(at);
      PieceSet fewer = PieceSet.of(problem, rest);
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
    while (set.size() > 0) {
      set.remove(set.size() - 1);
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
    return new Proof(problem, best).bound();
  }
}
