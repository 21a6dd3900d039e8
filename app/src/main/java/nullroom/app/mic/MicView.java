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
      case ZONE -> {
        ZonePage zone = new ZonePage(model, context);
        yield new PageParts(zone.node(), zone.controls());
      }
      case BEST -> {
        BestPage best = new BestPage(model.rank(), context);
        yield new PageParts(best.node(), best.controls());
      }
      case DISTANCE -> {
        DistancePage distance = new DistancePage(model.rank(), context);
        yield new PageParts(distance.node(), distance.controls());
      }
      case FRAME -> {
        FramePage frame = new FramePage(model.frame(), context);
        yield new PageParts(frame.node(), frame.controls());
      }
      case CHAIN -> {
        ChainPage chain = new ChainPage(model.rank(), context);
        yield new PageParts(chain.node(), chain.controls());
      }
      case VOICES ->
          new PageParts(new VoicesPage(model.voices(), model.rank(), context).node(), new HBox());
      case MONEY -> {
        MoneyPage money = new MoneyPage(context);
        yield new PageParts(money.node(), money.controls());
      }
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
