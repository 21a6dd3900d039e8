package nullroom.core.plan;

import java.util.List;
import java.util.OptionalDouble;
import nullroom.core.plan.Why.Input;

/** A kind of figure, in the words that answer "why?". */
public interface Explained {
  /**
   * What all figures of a kind have in common.
   *
   * @param label name for people
   * @param formula how it follows from its inputs
   * @param source published, or "common practice"
   * @param mostly what would change it most
   */
  record Kind(String label, String formula, String source, String mostly) {}

  /** Its words. */
  Kind kind();

  /**
   * The answer for one figure of this kind.
   *
   * @param where after its name: " at 500 Hz"; may be empty
   * @param figure with its unit
   * @param uncertaintyDb of a level; empty otherwise
   */
  default Why why(String where, String figure, List<Input> inputs, OptionalDouble uncertaintyDb) {
    Kind k = kind();
    return new Why(
        k.label() + where, figure, k.formula(), k.source(), inputs, uncertaintyDb, k.mostly());
  }

  /** As {@link #why(String, String, List, OptionalDouble)}, of one input and no level. */
  default Why why(String where, String figure, Input input) {
    return why(where, figure, List.of(input), OptionalDouble.empty());
  }
}
