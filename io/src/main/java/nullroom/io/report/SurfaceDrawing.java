package nullroom.io.report;

import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleFunction;
import nullroom.core.Figures;
import nullroom.core.plan.treatment.TreatmentPlan;
import nullroom.core.room.Outline;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;

/**
 * A surface with what is on it and what goes there, to scale, seen from inside the room; dimensions
 * from its corner.
 *
 * @param room before
 * @param surface that is drawn
 * @param added pieces that go there, with their numbers in the order of work
 * @param lengths how lengths are said
 */
record SurfaceDrawing(
    Room room, Surface surface, List<Numbered> added, DoubleFunction<String> lengths) {
  private static final double MOST_HEIGHT = 250;
  private static final double ROOM_FOR_WORDS = 34;
  private static final double HEADING = 12;
  private static final double SMALL = 8;
  private static final double THIN = 0.6;
  private static final double THICK = 1.6;

  /** A piece with its number. */
  record Numbered(int number, Patch patch) {}

  static SurfaceDrawing of(
      Room room, TreatmentPlan plan, Surface surface, DoubleFunction<String> lengths) {
    List<Numbered> added = new ArrayList<>();
    for (int k = 0; k < plan.steps().size(); k++) {
      int number = k + 1;
      plan.steps()
          .get(k)
          .patch()
          .filter(p -> p.surface().equals(surface))
          .ifPresent(p -> added.add(new Numbered(number, p)));
    }
    return new SurfaceDrawing(room, surface, List.copyOf(added), lengths);
  }

  void onto(PdfSheet sheet) {
    double[] us = room.enclosure().span(surface, 0);
    double[] vs = room.enclosure().span(surface, 1);
    double scale = Math.min(PdfSheet.WIDTH / (us[1] - us[0]), MOST_HEIGHT / (vs[1] - vs[0]));
    double height = scale * (vs[1] - vs[0]);
    sheet.need(height + ROOM_FOR_WORDS + 4 * HEADING);
    sheet.heading(
        Figures.capital(surface.spoken())
            + seen()
            + ", "
            + lengths.apply(us[1] - us[0])
            + " × "
            + lengths.apply(vs[1] - vs[0]),
        HEADING);
    PdfSheet.Drawing out = sheet.drawing(height + ROOM_FOR_WORDS);
    Placing at =
        p ->
            new double[] {
              scale * (surface.isWall() ? us[1] - p.x() : p.x() - us[0]),
              ROOM_FOR_WORDS / 2 + scale * (p.y() - vs[0])
            };
    out.outline(room.enclosure().polygon(surface).stream().map(at::of).toList(), THICK, false);
    for (Patch patch : room.patches()) {
      if (patch.surface().equals(surface)) {
        out.outline(patch.corners().stream().map(at::of).toList(), THIN, false);
        double[] middle = at.of(Outline.centre(patch.corners()));
        out.words(patch.name(), SMALL, middle[0], middle[1]);
      }
    }
    added.forEach(n -> piece(out, at, n));
  }

  /** A wall runs from right to left as one faces it; the rest is drawn as the plan is. */
  private String seen() {
    return surface.isWall()
        ? " as you face it, lengths from its right corner"
        : ", from above, walls 1 and 2 below and right";
  }

  private interface Placing {
    double[] of(Point p);
  }

  private void piece(PdfSheet.Drawing out, Placing at, Numbered n) {
    Patch p = n.patch();
    out.outline(p.corners().stream().map(at::of).toList(), THIN, true);
    double left = p.lowest().x();
    double low = p.lowest().y();
    double[] corner = at.of(new Point(left, low, 0));
    double[] middle = at.of(Outline.centre(p.corners()));
    out.words(n.number() + "  " + p.name(), SMALL, middle[0], middle[1] + SMALL);
    out.words(
        lengths.apply(p.width()) + " × " + lengths.apply(p.height()),
        SMALL,
        middle[0],
        middle[1] - SMALL / 2);
    out.words(
        lengths.apply(left) + " along, " + lengths.apply(low) + " up",
        SMALL,
        middle[0],
        middle[1] - 2 * SMALL);
    double edge = at.of(new Point(0, low, 0))[0];
    double under = Math.max(SMALL, corner[1] - 4);
    out.line(edge, under, corner[0], under);
    out.line(corner[0], under - 3, corner[0], under + 3);
  }
}
