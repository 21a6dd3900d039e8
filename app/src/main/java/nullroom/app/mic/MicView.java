package nullroom.app.mic;

import javafx.scene.Node;
import javafx.scene.layout.HBox;
import nullroom.app.shell.PageParts;
import nullroom.app.shell.Pages;
import nullroom.app.shell.Station;
import nullroom.app.shell.StationContext;
import nullroom.app.shell.StationFrame;

/** The microphone station's nodes. */
public final class MicView {
  private final Node node;

  /** A view of a model. */
  public MicView(MicModel model, StationContext context) {
    Pages<MicPage> pages =
        new Pages<>(MicPage.class, model.pageProperty(), page -> parts(page, model, context));
    node = StationFrame.of(Station.MIC, model.say(), pages.picture(), pages.controls(), context);
  }

  private static PageParts parts(MicPage page, MicModel model, StationContext context) {
    return switch (page) {
      case HERE -> new PageParts(new HerePage(model, context).node(), new HBox());
      case SHELF -> {
        ShelfPage shelf = new ShelfPage(model.shelf(), context);
        yield new PageParts(shelf.node(), shelf.files());
      }
    };
  }

  /** The nodes. */
  public Node node() {
    return node;
  }
}
