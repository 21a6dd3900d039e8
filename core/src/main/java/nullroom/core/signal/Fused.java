package nullroom.core.signal;

/**
 * Multiply and add in one step, where the processor has it; that halves the time of recursive
 * filters. Where it has not, {@link Math#fma} would be computed exactly in software, thousands of
 * times slower: then the two steps are done one after the other. The results differ in the last
 * digit of a double only.
 */
final class Fused {
  /** Calls that a processor with the step does in a few microseconds, even while interpreted. */
  private static final int CALLS = 64;

  private static final long LONGEST_NANOS = 15_000;
  private static final int TRIES = 8;

  /** Whether the processor has it; a constant for the compiler. */
  private static final boolean HARDWARE = measure();

  private Fused() {}

  /** The quickest of several tries, so that a pause of the machine cannot hide it. */
  private static boolean measure() {
    long quickest = Long.MAX_VALUE;
    double sum = 1;
    for (int t = 0; t < TRIES; t++) {
      long begun = System.nanoTime();
      for (int i = 0; i < CALLS; i++) {
        sum = Math.fma(sum, 0.999, 0.001);
      }
      quickest = Math.min(quickest, System.nanoTime() - begun);
    }
    return quickest < LONGEST_NANOS && sum > 0;
  }

  /** a b + c. */
  static double madd(double a, double b, double c) {
    return HARDWARE ? Math.fma(a, b, c) : a * b + c;
  }
}
