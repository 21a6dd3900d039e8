package nullroom.app.listen;

import javafx.scene.Node;
import nullroom.app.shell.PageParts;
import nullroom.app.shell.Pages;
import nullroom.app.shell.Station;
import nullroom.app.shell.StationContext;
import nullroom.app.shell.StationFrame;

/** The noise station's nodes. */
public final class ListenView {
  private final Node node;

  /** A view of a model. */
  public ListenView(ListenModel model, StationContext context) {
    Pages<Page> pages =
        new Pages<>(Page.class, model.pageProperty(), page -> make(page, model, context));
    node = StationFrame.of(Station.LISTEN, model.say(), pages.picture(), pages.controls(), context);
  }

  private static PageParts make(Page page, ListenModel model, StationContext context) {
    return switch (page) {
      case LIVE -> new LiveView(model, context).parts();
      case CLIP -> new ClipPage(model.clip(), context).parts();
      case REPORT -> new ReportView(model, context).parts();
      case CULPRITS -> new CulpritView(model.culprits(), context).parts();
      case NIGHT -> new NightView(model.night(), context).parts();
      case SPOTS -> new SpotView(model.spots(), model, context).parts();
      case CALIBRATION -> new CalibrationView(model.calibration(), context).parts();
    };
  }

  /** The nodes. */
  public Node node() {
    return node;
  }
}
