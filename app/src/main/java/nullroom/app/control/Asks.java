package nullroom.app.control;

import java.util.Optional;
import java.util.function.Supplier;
import nullroom.core.plan.Why;

/** Where a picture or a table brings the question "why?" of one of its figures. */
@FunctionalInterface
public interface Asks {
  /** Nobody answers. */
  Asks NOBODY = answer -> {};

  /**
   * Asks.
   *
   * @param answer for the book as it is whenever it is asked anew; empty once there is none any
   *     more
   */
  void why(Supplier<Optional<Why>> answer);
}
