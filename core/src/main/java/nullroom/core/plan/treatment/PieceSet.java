package nullroom.core.plan.treatment;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.List;
import nullroom.core.predict.TreatedReply;

/** A set of placements under way, with what it comes to. */
final class PieceSet {
  private final Problem problem;
  private final List<Integer> chosen = new ArrayList<>();
  private final int[] used;
  private final BitSet barred;
  private TreatedReply.State state;
  private double price;
  private double minutes;

  PieceSet(Problem problem) {
    this.problem = problem;
    used = new int[problem.kinds()];
    barred = new BitSet(problem.places().size());
    state = problem.reply().state();
  }

  /** One of such places, as far as they go together. */
  static PieceSet of(Problem problem, List<Integer> indices) {
    PieceSet set = new PieceSet(problem);
    for (int i : indices) {
      if (set.takes(i)) {
        set.add(i);
      }
    }
    return set;
  }

  /** The places in it, in the order in which they came. */
  List<Integer> chosen() {
    return Collections.unmodifiableList(chosen);
  }

  int size() {
    return chosen.size();
  }

  /** How many of a kind are in it. */
  int used(int kind) {
    return used[kind];
  }

  TreatedReply.State state() {
    return state;
  }

  /** Whether a place can be added within all limits. */
  boolean takes(int i) {
    Placement p = problem.place(i);
    return chosen.size() < problem.most()
        && !barred.get(i)
        && used[p.kind()] < problem.count(p.kind())
        && price + p.price() <= problem.budget() + 1e-9
        && minutes + p.minutes() <= problem.minutes() + 1e-9;
  }

  void add(int i) {
    Placement p = problem.place(i);
    chosen.add(i);
    used[p.kind()]++;
    price += p.price();
    minutes += p.minutes();
    state.add(p.change());
    barred.set(i);
    barred.or(problem.barredBy(i));
  }

  /** Takes out the one that came as such a one. */
  void remove(int at) {
    int i = chosen.remove(at);
    Placement p = problem.place(i);
    used[p.kind()]--;
    price -= p.price();
    minutes -= p.minutes();
    barred.clear();
    chosen.forEach(j -> {
      barred.set(j);
      barred.or(problem.barredBy(j));
    });
    state = problem.reply().state(); // anew, so that sums do not creep
    chosen.forEach(j -> state.add(problem.place(j).change()));
  }

  Standing standing() {
    return new Standing(problem.offDb(state), price, minutes, chosen.size());
  }

  /** What it would come to with one more. */
  Standing with(int i) {
    Placement p = problem.place(i);
    state.add(p.change());
    price += p.price();
    minutes += p.minutes();
    Standing then = standing();
    state.remove(p.change());
    price -= p.price();
    minutes -= p.minutes();
    return new Standing(then.offDb(), then.price(), then.minutes(), chosen.size() + 1);
  }

  Search.Chosen frozen() {
    return new Search.Chosen(List.copyOf(chosen), standing());
  }
}
