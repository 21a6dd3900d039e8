package nullroom.app.dress;

import javafx.scene.Node;
import nullroom.app.shell.PageParts;
import nullroom.app.shell.Pages;
import nullroom.app.shell.Station;
import nullroom.app.shell.StationContext;
import nullroom.app.shell.StationFrame;

/** The treatment station's nodes. */
public final class DressView {
  private final Node node;

  /** A view of a model. */
  public DressView(DressModel model, StationContext context) {
    Pages<DressPage> pages =
        new Pages<>(DressPage.class, model.pageProperty(), page -> parts(page, model, context));
    node = StationFrame.of(Station.DRESS, model.say(), pages.picture(), pages.controls(), context);
  }

  private static PageParts parts(DressPage page, DressModel model, StationContext context) {
    return switch (page) {
      case PIECE -> {
        PiecePage piece = new PiecePage(model, context);
        yield new PageParts(piece.node(), piece.controls());
      }
      case HAND -> {
        HandPage hand = new HandPage(model.hand(), context);
        yield new PageParts(hand.node(), hand.controls());
      }
      case PLAN -> {
        PlanPage plan = new PlanPage(model.plan(), context);
        yield new PageParts(plan.node(), plan.controls());
      }
      case ROOM -> {
        PlanPicture picture = new PlanPicture(model.plan(), context);
        yield new PageParts(picture.node(), picture.controls());
      }
      case AFTER -> {
        AfterPage after = new AfterPage(context);
        yield new PageParts(after.node(), after.controls());
      }
    };
  }

  /** The nodes. */
  public Node node() {
    return node;
  }
}
