package nullroom.core;

/**
 * How a long calculation talks to whoever started it; called from one of the calculating threads at
 * a time.
 */
@FunctionalInterface
public interface Progress {
  /** Neither reports nor stops. */
  Progress NONE = (done, total) -> {};

  /** Throws {@link java.util.concurrent.CancellationException} to stop the work. */
  void step(long done, long total);
}
