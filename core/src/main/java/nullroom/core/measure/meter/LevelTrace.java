package nullroom.core.measure.meter;

/**
 * The levels of the last minute, twenty a second, in a ring that one thread writes and any reads
 * without waiting: what is read may miss the newest level, and nothing worse.
 */
public final class LevelTrace {
  /** Length. */
  public static final double SECONDS = 60;

  /** Levels a second. */
  public static final int RATE_HZ = 20;

  private static final int SIZE = (int) (SECONDS * RATE_HZ);

  private final float[] ring = new float[SIZE];
  private volatile long written;

  LevelTrace() {}

  /** Writes a level for every step up to a time. */
  void until(double seconds, double levelDbfs) {
    long due = (long) (seconds * RATE_HZ);
    while (written < due) {
      ring[(int) (written % SIZE)] = (float) levelDbfs;
      written++; // only this thread writes
    }
  }

  /** How many levels were written since the start. */
  public long written() {
    return written;
  }

  /**
   * The levels, oldest first.
   *
   * @param into overwritten from 0 on; as long as a minute has steps
   * @return how many there are
   */
  public int copy(float[] into) {
    long end = written;
    int count = (int) Math.min(end, SIZE);
    for (int i = 0; i < count; i++) {
      into[i] = ring[(int) ((end - count + i) % SIZE)];
    }
    return count;
  }
}
