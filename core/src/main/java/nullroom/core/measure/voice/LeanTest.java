package nullroom.core.measure.voice;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nullroom.core.Decibels;
import nullroom.core.Quantile;
import nullroom.core.measure.take.SpeechActivity;
import nullroom.core.signal.Biquads;
import nullroom.core.signal.Butterworth;
import nullroom.core.signal.Samples;
import nullroom.core.signal.Sums;

/** Measures the lean test: five seconds of sitting still, then of moving naturally, speaking on. */
public final class LeanTest {
  /** Sat still for so long. */
  public static final double STILL_SECONDS = 5;

  private static final double WINDOW_SECONDS = 1;
  private static final double HOP_SECONDS = 0.5;

  /** Of a window so much must be speech. */
  private static final double LEAST_ACTIVE = 0.4;

  private static final double MIDDLE_LOW_HZ = 400;
  private static final double MIDDLE_HIGH_HZ = 2000;
  private static final double HIGH_HZ = 3000;
  private static final double WORST_SHARE = 0.05;
  private static final int WORST = 3;
  private static final int FEWEST_STILL = 3;
  private static final int FEWEST_MOVING = 6;

  private LeanTest() {}

  private record Window(double seconds, double levelDb, double toneDb) {}

  /** Empty where too little is spoken in either part. */
  public static Optional<LeanReport> measure(Samples sound) {
    double rate = sound.sampleRateHz();
    double[] x = sound.toArray();
    return SpeechActivity.of(x, rate).flatMap(activity -> report(windows(x, rate, activity)));
  }

  private static Optional<LeanReport> report(List<Window> windows) {
    List<Window> still =
        windows.stream().filter(w -> w.seconds() + WINDOW_SECONDS <= STILL_SECONDS).toList();
    List<Window> moving = windows.stream().filter(w -> w.seconds() >= STILL_SECONDS).toList();
    if (still.size() < FEWEST_STILL || moving.size() < FEWEST_MOVING) {
      return Optional.empty();
    }
    double level = still.stream().mapToDouble(Window::levelDb).average().orElseThrow();
    double tone = still.stream().mapToDouble(Window::toneDb).average().orElseThrow();
    double own = spread(still);
    double spread = spread(moving);
    double low = Quantile.of(moving.stream().mapToDouble(Window::levelDb).toArray(), WORST_SHARE);
    double dull = Quantile.of(moving.stream().mapToDouble(Window::toneDb).toArray(), WORST_SHARE);
    return Optional.of(
        new LeanReport(
            level,
            own,
            spread,
            Math.sqrt(Math.max(0, spread * spread - own * own)),
            Math.max(0, level - low),
            Math.max(0, tone - dull),
            worst(moving, level, tone)));
  }

  private static List<LeanReport.Worst> worst(List<Window> moving, double level, double tone) {
    List<LeanReport.Worst> all = new ArrayList<>();
    moving.stream()
        .sorted(Comparator.comparingDouble(Window::levelDb))
        .forEach(w -> {
          boolean apart =
              all.stream().allMatch(o -> Math.abs(o.seconds() - w.seconds()) >= WINDOW_SECONDS);
          if (all.size() < WORST && apart) {
            all.add(new LeanReport.Worst(w.seconds(), w.levelDb() - level, w.toneDb() - tone));
          }
        });
    return all;
  }

  private static double spread(List<Window> windows) {
    double mean = windows.stream().mapToDouble(Window::levelDb).average().orElseThrow();
    double squares =
        windows.stream().mapToDouble(w -> (w.levelDb() - mean) * (w.levelDb() - mean)).sum();
    return Math.sqrt(squares / Math.max(1, windows.size() - 1));
  }

  private static List<Window> windows(double[] x, double rate, SpeechActivity activity) {
    double[] middle =
        filtered(
            filtered(x, Butterworth.highPass(2, MIDDLE_LOW_HZ, rate)),
            Butterworth.lowPass(2, MIDDLE_HIGH_HZ, rate));
    double[] high = filtered(x, Butterworth.highPass(2, HIGH_HZ, rate));
    int step = activity.stepSamples();
    int width = (int) (WINDOW_SECONDS * rate / step);
    int hop = (int) (HOP_SECONDS * rate / step);
    List<Window> all = new ArrayList<>();
    for (int k = 0; (k + width) * (long) step <= x.length; k += hop) {
      double loud = 0;
      double bright = 0;
      double wide = 0;
      int active = 0;
      for (int i = k; i < k + width; i++) {
        if (activity.active()[i]) {
          active++;
          loud += Sums.ofSquares(middle, i * step, step);
          bright += Sums.ofSquares(high, i * step, step);
          wide += Sums.ofSquares(x, i * step, step);
        }
      }
      if (active > LEAST_ACTIVE * width) {
        all.add(
            new Window(
                k * step / rate,
                Decibels.dbfs(wide / active / step),
                Decibels.ofEnergy(bright / loud)));
      }
    }
    return all;
  }

  private static double[] filtered(double[] x, Biquads filter) {
    double[] y = new double[x.length];
    filter.filter(x, y, x.length);
    return y;
  }
}
