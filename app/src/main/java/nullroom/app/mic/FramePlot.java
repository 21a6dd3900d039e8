package nullroom.app.mic;

import java.util.List;
import java.util.OptionalDouble;
import javafx.beans.value.ObservableValue;
import javafx.scene.text.TextAlignment;
import nullroom.app.control.PlotPane;
import nullroom.app.shell.Units;
import nullroom.core.plan.mic.FrameReach;
import nullroom.core.room.Point;
import nullroom.core.room.Room;

/**
 * What each camera shows of the talker, to scale in the plane through the lips, how far it is from
 * the lips to where a microphone is no longer seen, and the microphone where it is seen.
 */
final class FramePlot extends PlotPane {
  private static final double MARGIN = 46;
  private static final double HEAD_HALF_WIDTH = 0.078;
  private static final double HEAD_HALF_HEIGHT = 0.125;
  private static final double HEAD_OVER_LIPS = 0.055;
  private static final double SHOULDERS_HALF_WIDTH = 0.23;
  private static final double SHOULDERS_UNDER_LIPS = 0.25;
  private static final double WAIST_UNDER_LIPS = 0.75;

  private final ObservableValue<Units> units;
  private List<FrameReach> frames = List.of();
  private Room room;

  FramePlot(Room room, ObservableValue<Units> units) {
    super("frame-plot");
    this.room = room;
    this.units = units;
    setMinHeight(180);
  }

  void show(Room now, List<FrameReach> all) {
    room = now;
    frames = all.stream().filter(f -> f.metres() > 0).toList();
    redraw();
  }

  @Override
  protected void draw(double width, double height) {
    double slot = width / Math.max(1, frames.size());
    for (int k = 0; k < frames.size(); k++) {
      draw(frames.get(k), k * slot, slot, height);
    }
  }

  private void draw(FrameReach f, double x, double slot, double height) {
    double scale =
        Math.min((slot - 2 * MARGIN) / f.widthMetres(), (height - 1.4 * MARGIN) / f.heightMetres());
    double w = f.widthMetres() * scale;
    double h = f.heightMetres() * scale;
    double left = x + (slot - w) / 2;
    double top = (height - h) / 2;
    rectangle(left, top, w, h, "zone-frame");
    Point lips = f.lens().seen(room.requireTalker().at());
    double lipsX = left + w / 2 + lips.x() * scale;
    double lipsY = top + h / 2 - lips.y() * scale;
    if (!f.lips()) {
      text(
          "the lips are not in this picture",
          left + w / 2,
          top + h / 2,
          TextAlignment.CENTER,
          "figure");
      return;
    }
    person(lipsX, lipsY, scale, left, top, w, h);
    measure(lipsX, lipsY, lipsX, top, f.above(), 0, -10);
    measure(lipsX, lipsY, lipsX, top + h, f.below(), 0, 10);
    // seen from the lens, the talker's left is to the right
    measure(lipsX, lipsY, left + w, lipsY, f.left(), 26, 0);
    measure(lipsX, lipsY, left, lipsY, f.right(), -26, 0);
    text(f.camera(), left + 4, top + 10, TextAlignment.LEFT, "axis");
    microphone(f, scale, left, top, w, h);
  }

  private void person(
      double x, double y, double scale, double left, double top, double w, double h) {
    double bottom = Math.min(top + h, y + WAIST_UNDER_LIPS * scale);
    double shoulder = Math.min(bottom, y + SHOULDERS_UNDER_LIPS * scale);
    double half = SHOULDERS_HALF_WIDTH * scale;
    double from = Math.max(left, x - half);
    double to = Math.min(left + w, x + half);
    polygon(
        new double[] {
          x - half / 4,
          Math.min(bottom, y + 0.1 * scale),
          x + half / 4,
          Math.min(bottom, y + 0.1 * scale),
          to,
          shoulder,
          to,
          bottom,
          from,
          bottom,
          from,
          shoulder
        },
        "body");
    double[] head = new double[64];
    for (int k = 0; k < 32; k++) {
      double t = 2 * Math.PI * k / 32;
      head[2 * k] = x + HEAD_HALF_WIDTH * scale * Math.cos(t);
      head[2 * k + 1] =
          Math.max(top, y - HEAD_OVER_LIPS * scale + HEAD_HALF_HEIGHT * scale * Math.sin(t));
    }
    polygon(head, "head");
  }

  private void measure(
      double x, double y, double toX, double toY, OptionalDouble metres, double dx, double dy) {
    line(x, y, toX, toY, "reach");
    if (metres.isPresent()) {
      text(
          units.getValue().near(metres.getAsDouble()),
          toX + dx,
          toY + dy,
          TextAlignment.CENTER,
          "figure");
    }
  }

  private void microphone(FrameReach f, double scale, double left, double top, double w, double h) {
    Point at = room.requireMicrophone().at();
    if (!f.lens().frames(at)) {
      return;
    }
    Point seen = f.lens().seen(at);
    double x = left + w / 2 + seen.x() / seen.z() * f.metres() * scale;
    double y = top + h / 2 - seen.y() / seen.z() * f.metres() * scale;
    rectangle(x - 5, y - 5, 10, 10, "handle", "microphone").setMouseTransparent(true);
    text("microphone, seen", x + 9, y, TextAlignment.LEFT, "figure");
  }
}
