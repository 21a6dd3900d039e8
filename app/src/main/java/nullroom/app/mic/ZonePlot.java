package nullroom.app.mic;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.beans.value.ObservableValue;
import javafx.geometry.Point2D;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.TextAlignment;
import nullroom.app.control.PlotPane;
import nullroom.app.shell.Units;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.acoustics.Pattern;
import nullroom.core.plan.mic.MicMap;
import org.jspecify.annotations.Nullable;

/**
 * The clean zone around the talker: lines of equal margin over its target, areas that are not to be
 * had hatched by their cause, and the microphone to be dragged and turned.
 */
final class ZonePlot extends PlotPane {
  /** With less, the key has no room under the map. */
  private static final double LEAST_WIDTH = 440;

  private static final double LEAST_HEIGHT = 300;

  /** Nearer together, two names of lines cannot be read. */
  private static final double LABEL_APART = 30;

  private static final double TICK_APART = 44;

  private static final double BEHIND_METRES = 0.6;
  private static final double AHEAD_METRES = 1.8;
  private static final double METRES = BEHIND_METRES + AHEAD_METRES;
  private static final double ASIDE_METRES = 1.2;
  private static final double SIDE_PIXELS = 8;
  private static final double TOP_PIXELS = 8;
  private static final double LEGEND_PIXELS = 24;
  private static final double AXIS_PIXELS = 20;
  private static final double NARROW_PIXELS = 590;
  private static final double STEP_METRES = 0.05;
  private static final double FINE_METRES = 0.01;
  private static final double TURN_DEGREES = 15;
  private static final double AIM_PIXELS = 34;
  private static final double LEAST_BOOM_METRES = 0.03;

  /** Lines of so many decibels over the target. */
  private static final double[] LEVELS = {6, 3, 0, -3, -6, -12};

  private final ZoneModel model;
  private final ObservableValue<Units> units;
  private final List<double[]> labelled = new ArrayList<>();
  private double scale = 1;
  private double left;
  private double bottom;

  ZonePlot(ZoneModel model, ObservableValue<Units> units) {
    super("zone");
    setMinSize(LEAST_WIDTH, LEAST_HEIGHT);
    this.model = model;
    this.units = units;
    setId("zone-plot");
    setAccessibleText(
        "the clean zone around the talker; the microphone in it is moved with the arrow keys");
  }

  private double x(double along) {
    return left + (along + BEHIND_METRES) * scale;
  }

  private double y(double across) {
    return bottom - (across - low()) * scale;
  }

  private boolean side() {
    return model.planeProperty().get() == MicMap.Plane.SIDE;
  }

  private double low() {
    return side() ? 0 : -ASIDE_METRES;
  }

  private double high() {
    return side() ? model.topMetres() : ASIDE_METRES;
  }

  /** The place under the mouse. */
  ZoneModel.Spot spot(double x, double y) {
    return new ZoneModel.Spot((x - left) / scale - BEHIND_METRES, (bottom - y) / scale + low());
  }

  @Override
  protected void draw(double width, double height) {
    double tall =
        height - TOP_PIXELS - AXIS_PIXELS - (width < NARROW_PIXELS ? 2 : 1) * LEGEND_PIXELS;
    scale = Math.min((width - 2 * SIDE_PIXELS) / METRES, tall / (high() - low()));
    left = Math.max(SIDE_PIXELS, (width - scale * METRES) / 2);
    bottom = TOP_PIXELS + scale * (high() - low());
    Optional<MicMap> map =
        model.map().valueProperty().get().filter(m -> m.plane() == model.planeProperty().get());
    labelled.clear();
    map.ifPresent(this::zones);
    rectangle(x(-BEHIND_METRES), y(high()), scale * METRES, bottom - y(high()), "zone-frame");
    map.ifPresent(this::contours);
    boom();
    head();
    axis();
    legend(width);
    microphone();
  }

  private void zones(MicMap map) {
    double[][] over = ZoneModel.over(map, model.shownProperty().get());
    areas(cells(map, (i, j) -> over[j][i] >= 0), "zone-clean");
    areas(cells(map, (i, j) -> over[j][i] < -6 && over[j][i] >= -12), "tint", "tint-1");
    areas(cells(map, (i, j) -> over[j][i] < -12), "tint", "tint-2");
    areas(cells(map, (i, j) -> map.blocks()[j][i] == MicMap.Block.ROOM), "furniture");
    Map<MicMap.Block, List<double[]>> hatches = new EnumMap<>(MicMap.Block.class);
    for (int j = 0; j < map.acrossMetres().length; j++) {
      for (int i = 0; i < map.alongMetres().length; i++) {
        hatch(
            hatches,
            map.blocks()[j][i],
            x(map.alongMetres()[i]),
            y(map.acrossMetres()[j]),
            half(map.alongMetres()),
            half(map.acrossMetres()));
      }
    }
    hatches.forEach((block, pieces) -> segments(pieces, "hatch", "hatch-" + Figures.word(block)));
  }

  private double half(double[] metres) {
    return scale * (metres[1] - metres[0]) / 2;
  }

  /** One cell's share of a hatch: each cause has strokes of its own direction. */
  private static void hatch(
      Map<MicMap.Block, List<double[]>> hatches,
      MicMap.Block block,
      double x,
      double y,
      double w,
      double h) {
    List<double[]> pieces = hatches.computeIfAbsent(block, b -> new ArrayList<>());
    switch (block) {
      case PICTURE -> pieces.add(new double[] {x - w, y + h, x + w, y - h});
      case REACH -> pieces.add(new double[] {x - w, y - h, x + w, y + h});
      case BREATH -> {
        pieces.add(new double[] {x - w / 2, y, x + w / 2, y});
        pieces.add(new double[] {x, y - h / 2, x, y + h / 2});
      }
      case NONE, ROOM -> {
        // not hatched
      }
    }
  }

  private interface Cell {
    boolean is(int i, int j);
  }

  /** Runs of cells in rows, as rectangles. */
  private List<double[]> cells(MicMap map, Cell cell) {
    List<double[]> all = new ArrayList<>();
    double w = half(map.alongMetres());
    double h = half(map.acrossMetres());
    int columns = map.alongMetres().length;
    for (int j = 0; j < map.acrossMetres().length; j++) {
      for (int i = 0; i < columns; i++) {
        int from = i;
        while (i < columns && cell.is(i, j)) {
          i++;
        }
        if (i > from) {
          double x1 = Math.max(x(-BEHIND_METRES), x(map.alongMetres()[from]) - w);
          double x2 = Math.min(x(AHEAD_METRES), x(map.alongMetres()[i - 1]) + w);
          double y1 = Math.max(y(high()), y(map.acrossMetres()[j]) - h);
          double y2 = Math.min(bottom, y(map.acrossMetres()[j]) + h);
          all.add(new double[] {x1, y1, x2, y1, x2, y2, x1, y2});
        }
      }
    }
    return all;
  }

  private void contours(MicMap map) {
    double[][] over = ZoneModel.over(map, model.shownProperty().get());
    double[] along = Arrays.stream(map.alongMetres()).map(this::x).toArray();
    double[] across = Arrays.stream(map.acrossMetres()).map(this::y).toArray();
    for (double level : LEVELS) {
      List<double[]> pieces = Contour.of(along, across, over, level);
      if (!pieces.isEmpty()) {
        segments(pieces, "contour", level > 0 ? "over" : level == 0 ? "target" : "under");
        label(pieces, level);
      }
    }
  }

  /** Where the line comes nearest to a ray that goes up and ahead from the lips. */
  private void label(List<double[]> pieces, double level) {
    double lipsX = x(model.lips().along());
    double lipsY = y(model.lips().across());
    double @Nullable [] best = null;
    double least = Double.POSITIVE_INFINITY;
    for (double[] p : pieces) {
      double angle = Math.atan2(lipsY - p[1], p[0] - lipsX) - Math.PI / 4;
      if (Math.abs(angle) < least) {
        least = Math.abs(angle);
        best = p;
      }
    }
    if (best != null && least < 0.5) {
      String words = level == 0 ? "target" : Figures.say("%+.0f", level);
      double w = widthOf(words, "figure");
      double[] at = best;
      if (labelled.stream().anyMatch(l -> Math.hypot(l[0] - at[0], l[1] - at[1]) < LABEL_APART)) {
        return; // the lines between two that are named are read by counting
      }
      labelled.add(best);
      rectangle(best[0] - w / 2 - 2, best[1] - 7, w + 4, 14, "label-ground");
      text(words, best[0], best[1], TextAlignment.CENTER, "figure");
    }
  }

  private void boom() {
    double metres = model.boomMetres();
    if (metres < LEAST_BOOM_METRES) {
      return;
    }
    double[] ring = new double[96];
    for (int k = 0; k < 48; k++) {
      double t = 2 * Math.PI * k / 48;
      ring[2 * k] = x(model.lips().along() + metres * Math.cos(t));
      ring[2 * k + 1] = y(model.lips().across() + metres * Math.sin(t));
    }
    Polygon shape = polygon(ring, "boom-ring");
    shape.setMouseTransparent(true);
  }

  private void head() {
    double cx = x(model.lips().along() - 0.09);
    double cy = y(model.lips().across() + (side() ? 0.045 : 0));
    double[] points = new double[64];
    for (int k = 0; k < 32; k++) {
      double t = 2 * Math.PI * k / 32;
      points[2 * k] = cx + 0.09 * scale * Math.cos(t);
      points[2 * k + 1] = cy + (side() ? 0.125 : 0.078) * scale * Math.sin(t);
    }
    polygon(points, "head").setMouseTransparent(true);
  }

  private void axis() {
    double step = units.getValue() == Units.FEET ? 0.3048 : 0.5;
    for (double m = -Math.floor(BEHIND_METRES / step) * step; m <= AHEAD_METRES; m += step) {
      line(x(m), bottom, x(m), bottom + 4, "ruler");
      String words =
          Math.abs(m) < step / 2
              ? "lips"
              : units.getValue() == Units.FEET ? foot(m) : Figures.say("%.1f m", m);
      boolean roomy = units.getValue() == Units.METRES && step * scale > TICK_APART;
      if (roomy || Math.abs(m) < step / 2 || Math.round(m / step) % 2 == 0) {
        text(words, x(m), bottom + 12, TextAlignment.CENTER, "axis");
      }
    }
  }

  private static String foot(double metres) {
    return Math.round(metres / 0.3048) + " ft";
  }

  private void legend(double width) {
    double y = bottom + AXIS_PIXELS + LEGEND_PIXELS / 2;
    double x = SIDE_PIXELS;
    for (MicMap.Block block :
        new MicMap.Block[] {MicMap.Block.PICTURE, MicMap.Block.REACH, MicMap.Block.BREATH}) {
      Map<MicMap.Block, List<double[]>> sample = new EnumMap<>(MicMap.Block.class);
      for (int k = 0; k < 3; k++) {
        hatch(sample, block, x + 5 + 9 * k, y, 4.5, 4.5);
      }
      sample.forEach((b, pieces) -> segments(pieces, "hatch", "hatch-" + Figures.word(b), "key"));
      x += 34;
      x += words(ZoneModel.words(block), x, y);
    }
    if (width < NARROW_PIXELS) {
      x = SIDE_PIXELS;
      y += LEGEND_PIXELS - 4;
    }
    rectangle(x, y - 5, 18, 10, "zone-clean", "key");
    x += 24;
    x += words("meets the target", x, y);
    if (model.boomMetres() >= LEAST_BOOM_METRES) {
      polygon(new double[] {x, y - 5, x + 10, y - 5, x + 10, y + 5, x, y + 5}, "boom-ring");
      words("nearer it booms", x + 16, y);
    }
  }

  private double words(String words, double x, double y) {
    return text(words, x, y, TextAlignment.LEFT, "axis").getLayoutBounds().getWidth() + 14;
  }

  private void microphone() {
    ZoneModel.Spot at = model.spot(model.microphone().at());
    double x = x(at.along());
    double y = y(at.across());
    double towards = -Math.toRadians(model.pointsDegrees());
    outline(x, y, towards);
    double ax = x + AIM_PIXELS * Math.cos(towards);
    double ay = y + AIM_PIXELS * Math.sin(towards);
    line(x, y, ax, ay, "aim", "microphone").setMouseTransparent(true);
    Rectangle turn = rectangle(ax - 5, ay - 5, 10, 10, "turn");
    turn.setId("zone-aim");
    turn.setAccessibleText("points the microphone; left and right turn it by 15 degrees");
    turn.setFocusTraversable(true);
    turn.setOnMousePressed(e -> {
      e.consume();
      turn.requestFocus();
      follow(to -> model.aim(place(to)), () -> {});
    });
    turn.setOnKeyPressed(this::turnKey);
    Rectangle body = rectangle(x - 6, y - 6, 12, 12, "handle", "microphone");
    body.setId("zone-microphone");
    body.setAccessibleText(
        "the microphone; arrow keys move it by 5 cm, with shift by 1 cm, L points it at the lips");
    body.setFocusTraversable(true);
    body.setOnMousePressed(e -> {
      e.consume();
      body.requestFocus();
      follow(to -> model.move(place(to)), () -> {});
    });
    body.setOnKeyPressed(this::key);
  }

  private void outline(double x, double y, double towards) {
    Pattern pattern = model.microphone().capture().pattern();
    int n = 48;
    double[] points = new double[2 * n];
    for (int i = 0; i < n; i++) {
      double t = 2 * Math.PI * i / n;
      double r = 0.8 * AIM_PIXELS * Decibels.toAmplitude(pattern.gainDb(Math.toDegrees(t)));
      points[2 * i] = x + r * Math.cos(towards + t);
      points[2 * i + 1] = y + r * Math.sin(towards + t);
    }
    polygon(points, "pattern").setMouseTransparent(true);
  }

  private ZoneModel.Spot place(MouseEvent e) {
    Point2D local = sceneToLocal(e.getSceneX(), e.getSceneY());
    return spot(local.getX(), local.getY());
  }

  private void key(KeyEvent e) {
    ZoneModel.Spot at = model.spot(model.microphone().at());
    double step = e.isShiftDown() ? FINE_METRES : STEP_METRES;
    switch (e.getCode()) {
      case LEFT -> model.move(new ZoneModel.Spot(at.along() - step, at.across()));
      case RIGHT -> model.move(new ZoneModel.Spot(at.along() + step, at.across()));
      case UP -> model.move(new ZoneModel.Spot(at.along(), at.across() + step));
      case DOWN -> model.move(new ZoneModel.Spot(at.along(), at.across() - step));
      case L -> model.aimAtLips();
      default -> {
        return;
      }
    }
    e.consume();
  }

  private void turnKey(KeyEvent e) {
    double turn =
        switch (e.getCode()) {
          case LEFT, UP -> TURN_DEGREES;
          case RIGHT, DOWN -> -TURN_DEGREES;
          default -> 0;
        };
    if (turn != 0) {
      ZoneModel.Spot at = model.spot(model.microphone().at());
      double t = Math.toRadians(model.pointsDegrees() + turn);
      model.aim(new ZoneModel.Spot(at.along() + Math.cos(t), at.across() + Math.sin(t)));
      e.consume();
    }
  }
}
