package nullroom.core.plan.treatment;

import java.util.BitSet;
import java.util.List;
import java.util.function.Predicate;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.AtHand;
import nullroom.core.book.Goal;
import nullroom.core.predict.TreatedReply;

/** What is to be put where: places, how many there are of each kind, and what bars what. */
final class Problem {
  private final TreatedReply reply;
  private final Goal goal;
  private final AtHand hand;
  private final List<Placement> places;
  private final int[] counts;
  private final BitSet[] against;
  private final int most;
  private final double[] seconds = new double[Octave.COUNT];
  private long evaluations;

  Problem(TreatedReply reply, Goal goal, AtHand hand, List<Placement> places, int most) {
    this.reply = reply;
    this.goal = goal;
    this.hand = hand;
    this.places = places;
    this.most = most;
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

  Goal goal() {
    return goal;
  }

  List<Placement> places() {
    return places;
  }

  Placement place(int index) {
    return places.get(index);
  }

  /** Kinds of pieces and of things to turn. */
  int kinds() {
    return counts.length;
  }

  /** How many there are of a kind. */
  int count(int kind) {
    return counts[kind];
  }

  /** Pieces in a plan at most. */
  int most() {
    return most;
  }

  /** Whether two cannot both be. */
  boolean bars(int one, int other) {
    return against[one].get(other);
  }

  /** All that cannot be beside one. */
  BitSet barredBy(int one) {
    return against[one];
  }

  double budget() {
    return hand.budget().orElse(Double.POSITIVE_INFINITY);
  }

  double minutes() {
    return hand.minutes().orElse(Double.POSITIVE_INFINITY);
  }

  TreatedReply reply() {
    return reply;
  }

  /** Sets that were worked out. */
  long evaluations() {
    return evaluations;
  }

  /** How far a state is from the goal. */
  double offDb(TreatedReply.State state) {
    evaluations++;
    reply.seconds(state, seconds);
    return Standing.offDb(goal, reply.clearDb(state, seconds), seconds);
  }

  /** The places that may be used. */
  BitSet open(Predicate<Placement> may) {
    BitSet open = new BitSet(places.size());
    for (int i = 0; i < places.size(); i++) {
      open.set(i, may.test(places.get(i)));
    }
    return open;
  }
}
