package nullroom.app.control;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Bounds;
import javafx.scene.text.Text;
import javafx.scene.text.TextAlignment;
import nullroom.app.words.Language;
import nullroom.core.room.Outline;
import nullroom.core.room.Point;

/** Words of a picture, each placed where it lies over no other; the less needed give way. */
final class Captions {
  private static final double HANDLE_REACH = 8;

  /** What is named last goes without words where there is no room. */
  private enum Need {
    HANDLE,
    SURFACE,
    PIECE
  }

  /**
   * What is to be named.
   *
   * @param shorter said where there is no room for all words
   * @param area corners of what the words stay in; empty for any place
   */
  private record Caption(
      Need need,
      String words,
      String shorter,
      double x,
      double y,
      double reach,
      List<Point> area,
      String style) {}

  private final PlotPane pane;
  private final LabelPlacer placer;
  private final List<Caption> all = new ArrayList<>();

  /** Of a picture of a size. */
  Captions(PlotPane pane, double width, double height) {
    this.pane = pane;
    placer = new LabelPlacer(width, height);
  }

  /** Names something that is drawn as a small shape, which stays free of other words. */
  void handle(String words, double x, double y, String style) {
    placer.keep(
        new LabelPlacer.Box(
            x - HANDLE_REACH, y - HANDLE_REACH, 2 * HANDLE_REACH, 2 * HANDLE_REACH));
    all.add(new Caption(Need.HANDLE, words, "", x, y, HANDLE_REACH, List.of(), style));
  }

  /** Keeps words that are drawn already free of others. */
  void keep(Text words) {
    Bounds at = words.getBoundsInParent();
    placer.keep(new LabelPlacer.Box(at.getMinX(), at.getMinY(), at.getWidth(), at.getHeight()));
  }

  /**
   * Names a surface of the room, within it.
   *
   * @param shorter said where there is no room for all words
   * @param corners of it, x0, y0, x1, y1, ...
   */
  void surface(String words, String shorter, double x, double y, double[] corners) {
    List<Point> area = new ArrayList<>();
    for (int i = 0; i < corners.length; i += 2) {
      area.add(new Point(corners[i], corners[i + 1], 0));
    }
    all.add(new Caption(Need.SURFACE, words, shorter, x, y, 0, area, "surface-label"));
  }

  /** Names a thing at its middle. */
  void piece(String words, double x, double y) {
    all.add(new Caption(Need.PIECE, words, "", x, y, 0, List.of(), "piece-label"));
  }

  /** Draws them all, once all else is drawn. */
  void draw() {
    all.sort(Comparator.comparing(Caption::need));
    for (Caption c : all) {
      Text text = pane.text(c.words(), 0, 0, TextAlignment.LEFT, c.style());
      text.setMouseTransparent(true);
      Optional<LabelPlacer.Box> place = place(c, text);
      if (place.isEmpty()) {
        text.setText(Language.say(c.shorter()));
        place = c.shorter().isEmpty() ? place : place(c, text);
      }
      if (place.isEmpty()) {
        text.setText("");
      }
      place.ifPresent(box -> {
        text.setX(box.x());
        text.setY(box.y() + box.height() / 2);
      });
    }
  }

  private Optional<LabelPlacer.Box> place(Caption c, Text text) {
    double width = text.getLayoutBounds().getWidth();
    double height = text.getLayoutBounds().getHeight();
    if (!c.area().isEmpty()) {
      double[] xs = c.area().stream().mapToDouble(Point::x).sorted().toArray();
      double[] ys = c.area().stream().mapToDouble(Point::y).sorted().toArray();
      LabelPlacer.Box around =
          new LabelPlacer.Box(xs[0], ys[0], xs[xs.length - 1] - xs[0], ys[ys.length - 1] - ys[0]);
      return placer.within(
          (x, y) -> Outline.within(c.area(), new Point(x, y, 0)),
          around,
          c.x(),
          c.y(),
          width,
          height);
    }
    return c.reach() > 0
        ? placer.beside(c.x(), c.y(), c.reach(), width, height, true)
        : placer.over(c.x(), c.y(), width, height);
  }
}
