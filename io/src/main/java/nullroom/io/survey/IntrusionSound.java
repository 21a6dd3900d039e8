package nullroom.io.survey;

import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Consumer;
import nullroom.core.measure.noise.Intrusion;
import nullroom.core.measure.noise.SecondLevels;
import nullroom.core.signal.Samples;

/**
 * Keeps the sound around what rises over the background while a survey runs: from two seconds
 * before to two seconds after. The background is the 20 % percentile of the seconds before, since
 * nothing later is known yet.
 */
public final class IntrusionSound {
  private static final int LEAST_KNOWN_SECONDS = 5;
  private static final int AROUND_SECONDS = 2;

  /** What goes on longer is background by then. */
  private static final int LONGEST_SECONDS = 30;

  /**
   * A stretch to keep.
   *
   * @param number of it in this run, from 1
   * @param sound the samples
   */
  public record Clip(int number, Samples sound) {}

  private final double sampleRateHz;
  private final double largestAmplitude;
  private final Consumer<Clip> keep;
  private final int second;
  private final Deque<double[]> past = new ArrayDeque<>();
  private final Deque<Double> levels = new ArrayDeque<>();
  private final ExecutorService writer =
      Executors.newSingleThreadExecutor(Thread.ofPlatform().name("intrusion").daemon().factory());
  private double[] now;
  private int filled;
  private Deque<double[]> clip = new ArrayDeque<>();
  private int quiet;
  private int number;

  IntrusionSound(double sampleRateHz, double largestAmplitude, Consumer<Clip> keep) {
    this.sampleRateHz = sampleRateHz;
    this.largestAmplitude = largestAmplitude;
    this.keep = keep;
    second = (int) Math.round(sampleRateHz);
    now = new double[second];
  }

  /** Takes the samples of the second under way, before its levels are told. */
  void add(double[] block, int count) {
    for (int i = 0; i < count; i++) {
      if (filled == second) {
        turn();
      }
      now[filled++] = block[i];
    }
  }

  private void turn() {
    past.addLast(now);
    if (past.size() > AROUND_SECONDS + 1) {
      past.removeFirst();
    }
    now = new double[second];
    filled = 0;
  }

  /** Judges the second that ended; a note where a stretch begins. */
  String second(SecondLevels heard) {
    if (filled == second) {
      turn();
    }
    boolean rises =
        levels.size() >= LEAST_KNOWN_SECONDS
            && heard.lafMaxDbfs() > background() + Intrusion.LEAST_RISE_DB;
    levels.addLast(heard.laeqDbfs());
    if (levels.size() > Intrusion.BACKGROUND_SECONDS) {
      levels.removeFirst();
    }
    if (clip.isEmpty()) {
      if (!rises) {
        return "";
      }
      clip.addAll(past);
      quiet = 0;
      number++;
      return "sound " + number;
    }
    clip.addLast(past.getLast());
    quiet = rises ? 0 : quiet + 1;
    if (quiet >= AROUND_SECONDS || clip.size() >= LONGEST_SECONDS) {
      hand();
    }
    return "";
  }

  private double background() {
    return Intrusion.background(levels.stream().mapToDouble(Double::doubleValue).toArray());
  }

  private void hand() {
    Deque<double[]> whole = clip;
    int which = number;
    clip = new ArrayDeque<>();
    writer.execute(() -> {
      double[] all = new double[whole.size() * second];
      int at = 0;
      for (double[] part : whole) {
        System.arraycopy(part, 0, all, at, second);
        at += second;
      }
      keep.accept(
          new Clip(which, new Samples(Arrays.copyOf(all, at), sampleRateHz, largestAmplitude)));
    });
  }

  /** Hands over what is begun. */
  void finish() {
    if (!clip.isEmpty()) {
      hand();
    }
    writer.shutdown();
  }
}
