package nullroom.core.plan;

/**
 * What one check of a take came to.
 *
 * @param check its key
 * @param mark how it went
 * @param measured figure
 * @param limit it is held against
 * @param advice one sentence
 */
public record TakeCheck(String check, Mark mark, double measured, double limit, String advice) {
  /** How a check went. */
  public enum Mark {
    PASS,
    CLOSE,
    FAIL
  }

  /** Whether the take can go. */
  public boolean pass() {
    return mark != Mark.FAIL;
  }
}
