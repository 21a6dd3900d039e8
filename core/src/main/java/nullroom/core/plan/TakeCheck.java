package nullroom.core.plan;

/**
 * What one check of a take came to.
 *
 * @param check its key
 * @param outcome how it went
 * @param measured figure
 * @param limit it is held against
 * @param advice one sentence
 */
public record TakeCheck(
    String check, Outcome outcome, double measured, double limit, String advice) {
  /** How a check went. */
  public enum Outcome {
    PASS,
    CLOSE,
    FAIL
  }

  /** Whether the take can go. */
  public boolean pass() {
    return outcome != Outcome.FAIL;
  }
}
