package nullroom.core;

/** How a long calculation talks to whoever started it; called from the calculating thread. */
@FunctionalInterface
public interface Progress {
  /** Neither reports nor stops. */
  Progress NONE = (done, total) -> {};

  /** Throws {@link java.util.concurrent.CancellationException} to stop the work. */
  void step(long done, long total);
}
