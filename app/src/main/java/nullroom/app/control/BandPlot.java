package nullroom.app.control;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleFunction;
import java.util.function.IntFunction;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import javafx.scene.text.TextAlignment;
import nullroom.core.Figures;
import nullroom.core.acoustics.Octave;
import nullroom.core.plan.Why;
import nullroom.core.predict.Origin;
import nullroom.core.signal.Band;

/**
 * Bars over bands, the eight octaves unless others are given, side by side for several series, with
 * a stepped line or a band to hold them against.
 */
public final class BandPlot extends PlotPane implements CopyMenu.Tabled {
  /**
   * One series of bars.
   *
   * @param label in the legend
   * @param origin decides the pattern
   * @param figures one per band; NaN leaves the place empty
   * @param emphasis style of the bars: now, before or noise
   * @param why where the figure of a band comes from, by its index
   */
  public record Series(
      String label,
      Origin.Kind origin,
      double[] figures,
      String emphasis,
      IntFunction<Optional<Why>> why) {
    /** Bars that answer nothing. */
    public Series(String label, Origin.Kind origin, double[] figures, String emphasis) {
      this(label, origin, figures, emphasis, band -> Optional.empty());
    }
  }

  /** A line across the bands, or with {@code low} a band between two. */
  public record Reference(String label, double[] high, Optional<double[]> low) {}

  /** In slots narrower than this only every third name fits. */
  private static final double LEAST_LABEL = 34;

  private static final double LEFT = 44;
  private static final double BOTTOM = 26;
  private static final double TOP = 24;
  private static final double LINE = 17;
  private static final double APART = 12;
  private static final double HEAD = 9;
  private static final double MARK = 18;
  private static final double RIGHT = 8;

  private final List<Band> bands;
  private final String axisLabel;
  private final DoubleFunction<String> format;
  private List<Series> series = List.of();
  private Optional<Reference> reference = Optional.empty();
  private double from;
  private double to;
  private double step;
  private double top = TOP;
  private Asks asks = Asks.NOBODY;
  private Optional<KeyCursor> cursor = Optional.empty();

  /** An empty plot of octaves with an axis. */
  public BandPlot(String axisLabel, DoubleFunction<String> format) {
    this(axisLabel, format, Octave.ALL);
  }

  /** An empty plot of any bands with an axis. */
  public BandPlot(String axisLabel, DoubleFunction<String> format, List<Band> bands) {
    super("band-plot");
    this.bands = List.copyOf(bands);
    this.axisLabel = axisLabel;
    this.format = format;
    setAxis(0, 60, 10);
  }

  /** Range and tick distance of the vertical axis. */
  public void setAxis(double lowest, double highest, double tick) {
    from = lowest;
    to = highest;
    step = tick;
    redraw();
  }

  /** What is shown. */
  public void show(List<Series> bars, Optional<Reference> line) {
    series = List.copyOf(bars);
    reference = line;
    redraw();
  }

  /**
   * Lets every bar answer "why?": where it is clicked, and with the keyboard, arrows going from bar
   * to bar and enter asking.
   */
  public void setAsks(Asks now) {
    asks = now;
    cursor =
        Optional.of(
            new KeyCursor(
                this,
                () -> series.size(),
                bands::size,
                this::moved,
                () -> cursor.ifPresent(c -> ask(c.row(), c.column()))));
  }

  @Override
  public List<List<String>> figures() {
    if (series.isEmpty()) {
      return List.of();
    }
    List<List<String>> rows = new ArrayList<>();
    List<String> head = new ArrayList<>(List.of("Hz"));
    series.forEach(s -> head.add(axisLabel + ", " + s.label() + ", " + s.origin().label()));
    rows.add(head);
    for (int b = 0; b < bands.size(); b++) {
      List<String> row = new ArrayList<>(List.of(Figures.say("%.0f", bands.get(b).nominalHz())));
      for (Series s : series) {
        double figure = s.figures()[b];
        row.add(Double.isFinite(figure) ? format.apply(figure) : "");
      }
      rows.add(row);
    }
    return rows;
  }

  private void moved() {
    if (!series.isEmpty()) {
      cursor.ifPresent(c -> c.say(axisLabel + ", " + said(series.get(c.row()), c.column())));
    }
    redraw();
  }

  private void ask(int s, int band) {
    if (s < series.size()) {
      String label = series.get(s).label();
      asks.why(() ->
          series.stream()
              .filter(one -> one.label().equals(label))
              .findFirst()
              .flatMap(one -> one.why().apply(band)));
    }
  }

  private String said(Series one, int band) {
    String figure = Double.isFinite(one.figures()[band]) ? format.apply(one.figures()[band]) : "–";
    return one.label() + ", " + bandName(band) + " Hz: " + figure;
  }

  private double y(double figure, double height) {
    double share = (Math.clamp(figure, from, to) - from) / (to - from);
    return height - BOTTOM - share * (height - BOTTOM - top);
  }

  @Override
  protected void draw(double width, double height) {
    double slot = (width - LEFT - RIGHT) / bands.size();
    drawHead(width);
    for (double tick = from; tick <= to + 1e-9; tick += step) {
      line(LEFT, y(tick, height), width - RIGHT, y(tick, height), "grid");
      text(format.apply(tick), LEFT - 6, y(tick, height), TextAlignment.RIGHT, "axis");
    }
    reference.ifPresent(r -> drawBandBehind(r, slot, height));
    for (int i = 0; i < bands.size(); i++) {
      double x = LEFT + i * slot;
      if (slot > LEAST_LABEL || i % 3 == 1) {
        text(bandName(i), x + slot / 2, height - BOTTOM + 13, TextAlignment.CENTER, "axis");
      }
      drawBars(i, x, slot, height);
    }
    reference.ifPresent(r -> drawLine(r, slot, height));
  }

  /** The axis, and what is drawn: beside it at the right, or below it where that is too wide. */
  private void drawHead(double width) {
    double name = wide(text(axisLabel, LEFT, HEAD, TextAlignment.LEFT, "axis-label"));
    List<Series> named =
        series.stream()
            .filter(s -> !s.label().isEmpty())
            .filter(s -> Arrays.stream(s.figures()).anyMatch(Double::isFinite))
            .toList();
    List<Text> words = new ArrayList<>();
    named.forEach(s -> words.add(text(s.label(), 0, HEAD, TextAlignment.LEFT, "axis")));
    reference.ifPresent(r -> words.add(text(r.label(), 0, HEAD, TextAlignment.LEFT, "axis")));
    double all = words.stream().mapToDouble(w -> MARK + wide(w) + APART).sum() - APART;
    boolean beside = LEFT + name + APART + all <= width - RIGHT;
    double x = beside ? width - RIGHT - all : LEFT;
    double y = beside ? HEAD : HEAD + LINE;
    for (int i = 0; i < words.size(); i++) {
      double wide = MARK + wide(words.get(i));
      if (x > LEFT && x + wide > width) {
        x = LEFT;
        y += LINE;
      }
      words.get(i).setX(x + MARK);
      words.get(i).setY(y);
      if (i < named.size()) {
        rectangle(x, y - 5, 12, 10, "bar", named.get(i).emphasis(), named.get(i).origin().label());
      } else if (reference.orElseThrow().low().isPresent()) {
        rectangle(x, y - 5, 14, 10, "goal-band");
      } else {
        line(x, y, x + 14, y, "reference-line");
      }
      x += wide + APART;
    }
    top = TOP + y - HEAD;
  }

  private static double wide(Text text) {
    return text.getLayoutBounds().getWidth();
  }

  private void drawBars(int band, double x, double slot, double height) {
    double bar = slot * 0.72 / Math.max(1, series.size());
    for (int s = 0; s < series.size(); s++) {
      Series one = series.get(s);
      double figure = one.figures()[band];
      int row = s;
      if (cursor.filter(c -> c.shows(row, band)).isPresent()) {
        rectangle(x + slot * 0.14 + s * bar - 3, top, bar + 4, height - BOTTOM - top, "cursor");
      }
      if (Double.isFinite(figure)) {
        double end = y(figure, height);
        Rectangle r =
            rectangle(
                x + slot * 0.14 + s * bar,
                end,
                bar - 2,
                height - BOTTOM - end,
                "bar",
                one.emphasis(),
                one.origin().label());
        hint(r, said(one, band));
        r.setOnMouseClicked(e -> ask(row, band));
        if (bar > 24) {
          text(
              format.apply(figure),
              x + slot * 0.14 + s * bar + bar / 2 - 1,
              end - 8,
              TextAlignment.CENTER,
              "figure");
        }
      } else if (s == series.size() - 1) {
        text(
            "–",
            x + slot * 0.14 + s * bar + bar / 2,
            height - BOTTOM - 8,
            TextAlignment.CENTER,
            "axis");
      }
    }
  }

  private void drawBandBehind(Reference r, double slot, double height) {
    r.low()
        .ifPresent(low -> {
          for (int i = 0; i < bands.size(); i++) {
            double top = y(r.high()[i], height);
            rectangle(LEFT + i * slot, top, slot, y(low[i], height) - top, "goal-band");
          }
        });
  }

  private void drawLine(Reference r, double slot, double height) {
    if (r.low().isEmpty()) {
      double[] points = new double[4 * bands.size()];
      for (int i = 0; i < bands.size(); i++) {
        points[4 * i] = LEFT + i * slot;
        points[4 * i + 1] = y(r.high()[i], height);
        points[4 * i + 2] = LEFT + (i + 1) * slot;
        points[4 * i + 3] = points[4 * i + 1];
      }
      polyline(points, "reference-line");
    }
  }

  private String bandName(int band) {
    return name(bands.get(band).nominalHz());
  }

  /** "63", "1k", "1.25k". */
  static String name(double hz) {
    double shown = hz >= 1000 ? hz / 1000 : hz;
    String digits =
        shown == Math.rint(shown) ? String.valueOf(Math.round(shown)) : String.valueOf(shown);
    return hz >= 1000 ? digits + "k" : digits;
  }
}
