package nullroom.app.control;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import javafx.scene.text.Text;
import javafx.scene.text.TextAlignment;

/** Words of a picture, each placed where it lies over no other; the less needed give way. */
final class Captions {
  private static final double HANDLE_REACH = 8;

  /** What is named last goes without words where there is no room. */
  private enum Need {
    HANDLE,
    SURFACE,
    PIECE
  }

  private record Caption(Need need, String words, double x, double y, double reach, String style) {}

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
    all.add(new Caption(Need.HANDLE, words, x, y, HANDLE_REACH, style));
  }

  /** Names a surface of the room, at a place on it. */
  void surface(String words, double x, double y) {
    all.add(new Caption(Need.SURFACE, words, x, y, 0, "surface-label"));
  }

  /** Names a thing at its middle. */
  void piece(String words, double x, double y) {
    all.add(new Caption(Need.PIECE, words, x, y, 0, "piece-label"));
  }

  /** Draws them all, once all else is drawn. */
  void draw() {
    all.sort(Comparator.comparing(Caption::need));
    for (Caption c : all) {
      Text text = pane.text(c.words(), 0, 0, TextAlignment.LEFT, c.style());
      text.setMouseTransparent(true);
      double width = text.getLayoutBounds().getWidth();
      double height = text.getLayoutBounds().getHeight();
      Optional<LabelPlacer.Box> place =
          c.reach() > 0
              ? placer.beside(c.x(), c.y(), c.reach(), width, height, true)
              : placer.over(c.x(), c.y(), width, height);
      if (place.isEmpty()) {
        text.setText("");
      }
      place.ifPresent(box -> {
        text.setX(box.x());
        text.setY(box.y() + height / 2);
      });
    }
  }
}
