package nullroom.core.plan.treatment;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalInt;
import nullroom.core.Figures;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.DecayMeasurement;
import nullroom.core.book.Decays;
import nullroom.core.measure.decay.DecayChange;

/**
 * What a change of the room was said to do, and what it did: from one state that was measured to
 * the next. What was there all along and was described later counts as no change.
 *
 * @param since when the state before was measured, local date and time, ISO 8601
 * @param taken when the state after was measured
 * @param came what is there since then
 * @param went what is there no more
 * @param octaves of those that both times were found in
 * @param simulated whether an acted room was heard, before or after
 */
public record Achieved(
    String since,
    String taken,
    List<String> came,
    List<String> went,
    List<InOctave> octaves,
    boolean simulated) {
  private static final String NOTHING = "nothing";

  /** What can be said of one octave. */
  public enum Outcome {
    /** The times differ by no more than chance, and so does the prediction from both. */
    CANNOT_TELL("cannot tell"),
    AS_PREDICTED("as predicted"),
    MORE("more than predicted"),
    LESS("less than predicted"),
    NOTHING("nothing, where more was predicted");

    private final String label;

    Outcome(String label) {
      this.label = label;
    }

    /** For people. */
    public String label() {
      return label;
    }
  }

  /**
   * One octave.
   *
   * @param change what was measured before and after
   * @param predictedSeconds the time measured before, changed as the description changed
   */
  public record InOctave(DecayChange change, double predictedSeconds) {
    /** Whether the change is real, and as it was said to be. */
    public Outcome outcome() {
      double said = predictedSeconds - change.beforeSeconds();
      boolean near =
          Math.abs(change.afterSeconds() - predictedSeconds) <= change.uncertaintySeconds();
      boolean expected = Math.abs(said) > change.uncertaintySeconds();
      if (!change.real()) {
        return expected && !near ? Outcome.NOTHING : Outcome.CANNOT_TELL;
      }
      if (near) {
        return Outcome.AS_PREDICTED;
      }
      boolean shorter = change.afterSeconds() < predictedSeconds;
      return shorter == said < 0 ? Outcome.MORE : Outcome.LESS;
    }
  }

  public Achieved {
    came = List.copyOf(came);
    went = List.copyOf(went);
    octaves = List.copyOf(octaves);
  }

  /**
   * From each measured state to the next, the newest first; then, of several, from first to last.
   */
  public static List<Achieved> of(Decays decays) {
    List<List<DecayMeasurement>> states = decays.states();
    List<Achieved> all = new ArrayList<>();
    for (int k = 0; k + 1 < states.size(); k++) {
      all.add(between(states.get(k + 1), states.get(k)));
    }
    return all;
  }

  /** From the first measured state to the newest. */
  public static Achieved inAll(Decays decays) {
    List<List<DecayMeasurement>> states = decays.states();
    return between(states.getLast(), states.getFirst());
  }

  private static Achieved between(List<DecayMeasurement> before, List<DecayMeasurement> after) {
    DecayMeasurement old = before.getFirst();
    DecayMeasurement now = after.getFirst();
    List<InOctave> octaves = new ArrayList<>();
    for (DecayChange change : Decays.changes(before, after)) {
      octave(change)
          .ifPresent(b -> {
            double factor = now.predictedSeconds().get(b) / old.predictedSeconds().get(b);
            octaves.add(new InOctave(change, change.beforeSeconds() * factor));
          });
    }
    return new Achieved(
        old.taken(),
        now.taken(),
        more(now.at().present(), old.at().present()),
        more(old.at().present(), now.at().present()),
        octaves,
        old.simulated() || now.simulated());
  }

  private static OptionalInt octave(DecayChange change) {
    for (int b = 0; b < Octave.COUNT; b++) {
      if (Octave.nominalHz(b) == change.centreHz()) {
        return OptionalInt.of(b);
      }
    }
    return OptionalInt.empty();
  }

  /** What one list names and another does not, each as often as it is more. */
  private static List<String> more(String list, String than) {
    List<String> all = new ArrayList<>(Arrays.asList(list.split(", ")));
    for (String name : than.split(", ")) {
      all.remove(name);
    }
    all.remove(NOTHING);
    return all;
  }

  /** What was done, in words. */
  public String done() {
    List<String> parts = new ArrayList<>();
    if (!came.isEmpty()) {
      parts.add(String.join(", ", came) + " came");
    }
    if (!went.isEmpty()) {
      parts.add(String.join(", ", went) + " went");
    }
    return parts.isEmpty() ? "things were moved" : Figures.capital(String.join("; ", parts));
  }
}
