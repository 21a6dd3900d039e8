package nullroom.core.plan;

import java.util.Optional;
import java.util.stream.Stream;

/** Where practitioners set their level; they disagree. */
public enum School {
  /** The loudest expected peak at the goal's target, -12 dBFS. */
  PEAKS("peaks", "peaks at −12 dBFS"),
  /** Active speech at -18 dBFS. */
  AVERAGE("average", "average at −18 dBFS"),
  /** Floating point, so low that nothing can clip; raised afterwards. */
  FLOAT("float", "low, in 32-bit float");

  private final String id;
  private final String label;

  School(String id, String label) {
    this.id = id;
    this.label = label;
  }

  /** Key on the command line. */
  public String id() {
    return id;
  }

  /** For people. */
  public String label() {
    return label;
  }

  /** The one of that key. */
  public static Optional<School> find(String id) {
    return Stream.of(values()).filter(s -> s.id.equals(id)).findFirst();
  }
}
