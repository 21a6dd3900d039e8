package nullroom.core.plan.treatment;

import java.util.List;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.predict.TreatedReply;

/** Looks at all sets that cannot be ruled out, up to a number of them. */
final class Proof {
  private static final int MOST_AT_PROOF = 80_000;

  /** Where nothing helps, the answer is wanted at once, and its bound is near anyway. */
  private static final int MOST_FOR_NOTHING = 2_000;

  private final Problem problem;
  private final TreatedReply.State uncovered;

  /** From each place on: the most that one of a kind can add, by kind and octave. */
  private final double[][][] mostFrom;

  /** From each place on: the most that one of a kind can take away, by kind and octave. */
  private final double[][][] fallsFrom;

  private final double loosest;
  private final int patience;
  private Search.Chosen best;
  private double reached;
  private long worked;
  private boolean given;

  Proof(Problem problem, Search.Chosen best) {
    this.problem = problem;
    this.best = best;
    List<Placement> places = problem.places();
    uncovered = problem.reply().state();
    mostFrom = new double[places.size() + 1][problem.kinds()][Octave.COUNT];
    fallsFrom = new double[places.size() + 1][problem.kinds()][Octave.COUNT];
    reached = best.standing().offDb();
    patience = best.indices().isEmpty() ? MOST_FOR_NOTHING : MOST_AT_PROOF;
    double[][] early = new double[problem.kinds()][Octave.COUNT];
    for (Placement p : places) {
      for (int b = 0; b < Octave.COUNT; b++) {
        early[p.kind()][b] = Math.max(early[p.kind()][b], p.change().early().get(b));
      }
    }
    for (int k = 0; k < problem.kinds(); k++) {
      int kind = k;
      uncovered.add(
          new TreatedReply.Change(
              0, Bands.all(0), Bands.from(b -> problem.count(kind) * early[kind][b])));
    }
    for (int i = places.size() - 1; i >= 0; i--) {
      Placement p = places.get(i);
      for (int k = 0; k < problem.kinds(); k++) {
        mostFrom[i][k] = mostFrom[i + 1][k].clone();
        fallsFrom[i][k] = fallsFrom[i + 1][k].clone();
      }
      for (int b = 0; b < Octave.COUNT; b++) {
        double area = p.change().area().get(b);
        mostFrom[i][p.kind()][b] = Math.max(mostFrom[i][p.kind()][b], area);
        fallsFrom[i][p.kind()][b] = Math.max(fallsFrom[i][p.kind()][b], -area);
      }
    }
    loosest = optimistic(new PieceSet(problem), 0);
  }

  /** Looks. */
  Search.Bound bound() {
    from(new PieceSet(problem), 0);
    return new Search.Bound(given ? Math.min(loosest, reached) : reached, !given, best);
  }

  private void from(PieceSet set, int first) {
    for (int i = first; i < problem.places().size() && !given; i++) {
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
        best = new Search.Chosen(List.copyOf(set.chosen()), now);
      }
      if (optimistic(set, i + 1) < reached - 1e-9) {
        from(set, i + 1);
      }
      set.remove(set.size() - 1);
    }
  }

  /**
   * What a set could come to at best with all that may still be added: their absorption at its most
   * for what is too long, what they take away of it for what is too short, nothing off the first
   * reflections.
   */
  private double optimistic(PieceSet set, int first) {
    double[][] up = mostFrom[first];
    double[][] falls = fallsFrom[first];
    double[] taken = new double[Octave.COUNT];
    TreatedReply.State full = set.state().copy();
    for (int k = 0; k < problem.kinds(); k++) {
      int kind = k;
      int left = Math.min(problem.count(k) - set.used(k), problem.most() - set.size());
      full.add(new TreatedReply.Change(0, Bands.from(b -> left * up[kind][b]), Bands.all(0)));
      for (int b = 0; b < Octave.COUNT; b++) {
        taken[b] += left * falls[k][b];
      }
    }
    double[] least = new double[Octave.COUNT];
    double[] longest = new double[Octave.COUNT];
    problem.reply().leastSeconds(full, least);
    problem.reply().mostSeconds(set.state(), taken, longest);
    return Standing.offDb(
        problem.goal(), problem.reply().clearDb(uncovered, least), least, longest);
  }
}
