package nullroom.app.mic;

import javafx.beans.value.ObservableValue;
import javafx.scene.text.TextAlignment;
import nullroom.app.control.PlotPane;
import nullroom.app.shell.Units;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.acoustics.Pattern;

/** Talker and microphone from the side, to scale, with the pattern's outline around the capsule. */
final class MicSide extends PlotPane {
  private static final double FOOT_METRES = 0.3048;
  private static final double LEAST_SPAN_METRES = 0.5;

  private final MicModel model;
  private final ObservableValue<Units> units;

  MicSide(MicModel model, ObservableValue<Units> units) {
    super("mic-side");
    this.units = units;
    this.model = model;
  }

  @Override
  protected void draw(double width, double height) {
    double distance = model.distanceMetres();
    double rise = model.riseMetres();
    double angle = model.angleDegrees();
    double run = Math.sqrt(Math.max(0, distance * distance - rise * rise)) * (angle > 90 ? -1 : 1);
    double scale =
        Math.min(width * 0.62, height * 0.8) / Math.max(LEAST_SPAN_METRES, distance * 1.15);
    double lipsX = angle > 90 ? width * 0.72 : width * 0.24;
    double lipsY = height * 0.55;
    double micX = lipsX + run * scale;
    double micY = lipsY - rise * scale;
    head(lipsX, lipsY, scale);
    line(lipsX, lipsY, micX, micY, "reach");
    pattern(micX, micY, Math.atan2(lipsY - micY, lipsX - micX), Math.min(80, height * 0.2));
    rectangle(micX - 4, micY - 4, 8, 8, "handle", "microphone");
    text(
        units.getValue().near(distance) + Figures.say(", %.0f° off axis", angle),
        width / 2,
        10,
        TextAlignment.CENTER,
        "figure");
    ruler(scale, width, height);
  }

  /** Head in profile as one closed line; the lips are at the point given. */
  private void head(double x, double y, double scale) {
    double r = 0.095 * scale;
    double[] points = new double[48];
    for (int i = 0; i < 24; i++) {
      double t = 2 * Math.PI * i / 24;
      points[2 * i] = x - r * 0.95 + r * Math.cos(t);
      points[2 * i + 1] = y - r * 0.45 + 1.3 * r * Math.sin(t);
    }
    polygon(points, "head");
    text("lips", x - r, y + 1.3 * r + 8, TextAlignment.CENTER, "handle-label");
  }

  private void pattern(double x, double y, double towards, double radius) {
    Pattern pattern = model.heard().capture().pattern();
    int n = 72;
    double[] points = new double[2 * n];
    for (int i = 0; i < n; i++) {
      double t = 2 * Math.PI * i / n;
      double r = radius * Decibels.toAmplitude(pattern.gainDb(Math.toDegrees(t)));
      points[2 * i] = x + r * Math.cos(towards + t);
      points[2 * i + 1] = y + r * Math.sin(towards + t);
    }
    polygon(points, "pattern");
    text(pattern.label(), x, y + radius + 10, TextAlignment.CENTER, "handle-label");
  }

  private void ruler(double scale, double width, double height) {
    double metre = units.getValue() == Units.FEET ? FOOT_METRES : scale >= 300 ? 0.1 : 0.5;
    double x = width - 20 - metre * scale;
    line(x, height - 10, x + metre * scale, height - 10, "ruler");
    text(units.getValue().near(metre), x - 6, height - 10, TextAlignment.RIGHT, "axis");
  }
}
