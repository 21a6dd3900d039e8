package nullroom.core.plan.treatment;

import java.util.BitSet;
import java.util.SplittableRandom;

/** Sets changed at random, so that climbing begins elsewhere. */
final class Shaking {
  private static final long SEED = 20_261_127;

  private final Problem problem;
  private final SplittableRandom random = new SplittableRandom(SEED);

  Shaking(Problem problem) {
    this.problem = problem;
  }

  /** A set with up to three taken out, with one forced in, or with one slid over its surface. */
  PieceSet shaken(Search.Chosen from, BitSet open, int shake) {
    PieceSet set = PieceSet.of(problem, from.indices());
    int in = open.nextSetBit(random.nextInt(Math.max(1, problem.places().size())));
    switch (shake % 3) {
      case 0 -> {
        int out = 1 + random.nextInt(Math.min(3, set.size()));
        for (int k = 0; k < out; k++) {
          set.remove(random.nextInt(set.size()));
        }
      }
      case 1 -> {
        if (in >= 0) {
          makeWay(set, in);
        }
      }
      default -> {
        int at = random.nextInt(set.size());
        Placement is = problem.place(set.chosen().get(at));
        set.remove(at);
        in = slid(set, open, is);
      }
    }
    if (in >= 0 && set.takes(in)) {
      set.add(in);
    }
    return set;
  }

  /** Another place for a piece on its surface, drawn from those that are free; -1 for none. */
  private int slid(PieceSet set, BitSet open, Placement is) {
    int found = -1;
    int seen = 0;
    for (int i = open.nextSetBit(0); i >= 0; i = open.nextSetBit(i + 1)) {
      Placement other = problem.place(i);
      if (other != is && other.kind() == is.kind() && other.beside(is) && set.takes(i)) {
        seen++;
        found = random.nextInt(seen) == 0 ? i : found;
      }
    }
    return found;
  }

  /** Takes out what lies where another is to lie, and one of its kind where all are used. */
  private void makeWay(PieceSet set, int in) {
    int kind = problem.place(in).kind();
    for (int at = set.size() - 1; at >= 0; at--) {
      int is = set.chosen().get(at);
      boolean spent = problem.place(is).kind() == kind && set.used(kind) == problem.count(kind);
      if (is == in || problem.bars(in, is) || spent) {
        set.remove(at);
      }
    }
  }
}
