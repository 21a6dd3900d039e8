package nullroom.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** When to restart which of several recorders, so that never all of them stop at once. */
public final class Restarts {
  /** So long before it would stop a recorder is restarted. */
  private static final double MARGIN_MINUTES = 1;

  /** Restarts of two recorders lie at least this far apart. */
  private static final double APART_MINUTES = 1;

  private static final int MOST = 200;

  private Restarts() {}

  /**
   * A recorder.
   *
   * @param name for people
   * @param limitMinutes it stops by itself after so long
   */
  public record Recorder(String name, double limitMinutes) {
    public Recorder {
      if (!(limitMinutes > MARGIN_MINUTES)) {
        throw new IllegalArgumentException(
            "'" + name + "' must run longer than " + MARGIN_MINUTES + " minute");
      }
    }
  }

  /**
   * A restart.
   *
   * @param minutes after the common start
   * @param recorder to be restarted
   */
  public record Restart(double minutes, String recorder) {}

  /** The restarts of a session, in order. */
  public static List<Restart> plan(List<Recorder> recorders, double sessionMinutes) {
    List<Restart> all = new ArrayList<>();
    double[] started = new double[recorders.size()];
    while (all.size() < MOST) {
      int next = 0;
      for (int k = 1; k < started.length; k++) {
        next =
            due(recorders.get(k), started[k]) < due(recorders.get(next), started[next]) ? k : next;
      }
      if (recorders.isEmpty() || due(recorders.get(next), started[next]) >= sessionMinutes) {
        break;
      }
      double at = due(recorders.get(next), started[next]);
      boolean close = true;
      while (close) { // earlier, where another has just been restarted
        double now = at;
        close = all.stream().anyMatch(r -> Math.abs(r.minutes() - now) < APART_MINUTES - 1e-9);
        at = close ? at - APART_MINUTES : at;
      }
      at = Math.max(at, started[next] + MARGIN_MINUTES / 2);
      all.add(new Restart(at, recorders.get(next).name()));
      started[next] = at;
    }
    all.sort(Comparator.comparingDouble(Restart::minutes));
    return all;
  }

  private static double due(Recorder recorder, double started) {
    return started + recorder.limitMinutes() - MARGIN_MINUTES;
  }
}
