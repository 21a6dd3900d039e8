package nullroom.app.control;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import nullroom.core.Figures;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.Goal;

/** Reverberation times as bars over the octaves, against the band of times that suits a goal. */
public final class TimeBars {
  /** Taller rooms than this in seconds are cut: they are far from any goal. */
  private static final double LONGEST_SHOWN = 4;

  private final BandPlot plot =
      new BandPlot("reverberation time T20, s", t -> Figures.say("%.2f", t));

  /** The picture. */
  public BandPlot plot() {
    return plot;
  }

  /** What is shown. */
  public void show(List<BandPlot.Series> series, Goal goal) {
    double longest =
        series.stream()
            .flatMapToDouble(s -> Arrays.stream(s.figures()))
            .filter(Double::isFinite)
            .max()
            .orElse(1);
    double top = Math.max(0.6, Math.ceil(Math.min(longest, LONGEST_SHOWN) * 5) / 5);
    plot.setAxis(0, top, top > 1.5 ? 0.5 : 0.2);
    double[] low = new double[Octave.COUNT];
    double[] high = new double[Octave.COUNT];
    Arrays.fill(low, goal.shortestSeconds());
    Arrays.fill(high, goal.longestSeconds());
    plot.show(
        series, Optional.of(new BandPlot.Reference("suits the goal", high, Optional.of(low))));
  }
}
