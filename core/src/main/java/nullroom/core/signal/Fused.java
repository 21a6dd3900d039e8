package nullroom.core.signal;

import com.sun.management.HotSpotDiagnosticMXBean;
import java.lang.management.ManagementFactory;

/**
 * Multiply and add in one step, where the processor has it; that halves the time of recursive
 * filters. Where it has not, {@link Math#fma} would be computed exactly in software, thousands of
 * times slower: then the two steps are done one after the other. The results differ in the last
 * digit of a double only.
 */
final class Fused {
  /**
   * Whether the processor has it, by the virtual machine's own word; a constant for the compiler.
   */
  private static final boolean HARDWARE = asked();

  private Fused() {}

  private static boolean asked() {
    HotSpotDiagnosticMXBean machine =
        ManagementFactory.getPlatformMXBean(HotSpotDiagnosticMXBean.class);
    try {
      return machine != null && Boolean.parseBoolean(machine.getVMOption("UseFMA").getValue());
    } catch (IllegalArgumentException unknown) {
      return false; // another make of machine, of which nothing is known
    }
  }

  /** a b + c. */
  static double madd(double a, double b, double c) {
    return HARDWARE ? Math.fma(a, b, c) : a * b + c;
  }
}
