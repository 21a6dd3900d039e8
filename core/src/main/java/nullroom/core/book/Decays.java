package nullroom.core.book;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nullroom.core.acoustics.Bands;
import nullroom.core.measure.decay.DecayChange;
import nullroom.core.measure.decay.PositionAverage;
import nullroom.core.predict.Statistics;
import nullroom.core.room.Room;

/**
 * All that is known about the room's decay.
 *
 * @param measured the newest first
 * @param estimate from an ordinary take, for as long as nothing else is there
 */
public record Decays(List<DecayMeasurement> measured, Optional<DecayEstimate> estimate) {
  /** Nothing heard yet. */
  public static final Decays NOTHING = new Decays(List.of(), Optional.empty());

  /** Two rounds of the precision method. Older ones are let go; their recordings stay. */
  private static final int MOST = 25;

  public Decays {
    measured = List.copyOf(measured);
  }

  /** Those that count: a simulated one never stands in the way of a real one. */
  private List<DecayMeasurement> counting() {
    List<DecayMeasurement> real = measured.stream().filter(d -> !d.simulated()).toList();
    return real.isEmpty() ? measured : real;
  }

  /** The one measured last, a real one where there is any. */
  public Optional<DecayMeasurement> last() {
    return counting().stream().findFirst();
  }

  /** After the room's description was changed to what had been there all along. */
  Decays describedAnew(Room before, Room now) {
    if (measured.isEmpty()) {
      return this;
    }
    Bands change =
        Statistics.of(now).seconds().with(Statistics.of(before).seconds(), (n, b) -> n / b);
    return new Decays(
        measured.stream()
            .map(d -> d.describedAnew(change, d.at().describedAnew(before, now)))
            .toList(),
        estimate);
  }

  /** With a new one. */
  public Decays with(DecayMeasurement one) {
    return new Decays(
        Stream.concat(Stream.of(one), measured.stream()).limit(MOST).toList(), estimate);
  }

  /** Without one. */
  public Decays without(DecayMeasurement one) {
    return new Decays(measured.stream().filter(d -> !d.equals(one)).toList(), estimate);
  }

  /** With another estimate. */
  public Decays with(DecayEstimate other) {
    return new Decays(measured, Optional.of(other));
  }

  /** Those of the room as it is now: from the newest on, each pair of places once. */
  public List<DecayMeasurement> now() {
    return sameState(counting());
  }

  /** Those of the state before, or older ones of the same places. */
  public List<DecayMeasurement> before() {
    List<DecayMeasurement> older = new ArrayList<>(counting());
    older.removeAll(now());
    return sameState(older);
  }

  /** From the newest on while the room's contents stay the same; the newest of each pair. */
  private static List<DecayMeasurement> sameState(List<DecayMeasurement> all) {
    List<DecayMeasurement> same = new ArrayList<>();
    for (DecayMeasurement one : all) {
      if (!one.at().present().equals(all.getFirst().at().present())) {
        break;
      }
      if (same.stream().noneMatch(s -> s.at().pair().equals(one.at().pair()))) {
        same.add(one);
      }
    }
    return same;
  }

  /** Mean over the places of now; empty where nothing was measured. */
  public Optional<PositionAverage> average() {
    return average(now());
  }

  private static Optional<PositionAverage> average(List<DecayMeasurement> some) {
    return some.isEmpty()
        ? Optional.empty()
        : Optional.of(
            PositionAverage.of(
                some.stream()
                    .map(d ->
                        new PositionAverage.At(d.at().source(), d.at().microphone(), d.report()))
                    .toList()));
  }

  /** All states of the room that were measured, the newest first, each pair of places once. */
  public List<List<DecayMeasurement>> states() {
    List<List<DecayMeasurement>> states = new ArrayList<>();
    List<DecayMeasurement> left = new ArrayList<>(counting());
    while (!left.isEmpty()) {
      String present = left.getFirst().at().present();
      states.add(sameState(left));
      while (!left.isEmpty() && left.getFirst().at().present().equals(present)) {
        left.removeFirst();
      }
    }
    return states;
  }

  /**
   * What has changed since the state before, per band: at the places measured both times where
   * there are any, else from average to average. Empty without a state before.
   */
  public List<DecayChange> changes() {
    List<DecayMeasurement> before = before();
    return before.isEmpty() ? List.of() : changes(before, now());
  }

  /** The same from any state to any other. */
  public static List<DecayChange> changes(
      List<DecayMeasurement> before, List<DecayMeasurement> now) {
    List<DecayMeasurement> then = at(before, pairs(now));
    return then.isEmpty()
        ? DecayChange.of(average(before).orElseThrow(), average(now).orElseThrow())
        : DecayChange.of(
            average(then).orElseThrow(), average(at(now, pairs(before))).orElseThrow());
  }

  private static Set<String> pairs(List<DecayMeasurement> some) {
    return some.stream().map(d -> d.at().pair()).collect(Collectors.toSet());
  }

  private static List<DecayMeasurement> at(List<DecayMeasurement> some, Set<String> pairs) {
    return some.stream().filter(d -> pairs.contains(d.at().pair())).toList();
  }
}
