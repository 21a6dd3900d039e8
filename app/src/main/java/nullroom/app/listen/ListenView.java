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
  public ListenView(ListenModel model, StationContext desk) {
    Pages<Page> pages =
        new Pages<>(Page.class, model.pageProperty(), page -> make(page, model, desk));
    node = StationFrame.of(Station.LISTEN, model.say(), pages.picture(), pages.controls(), desk);
  }

  private static PageParts make(Page page, ListenModel model, StationContext desk) {
    return switch (page) {
      case LIVE -> new LiveView(model, desk).parts();
      case REPORT -> new ReportView(model, desk).parts();
      case CULPRITS -> new CulpritView(model.culprits(), desk).parts();
      case NIGHT -> new NightView(model.night(), desk).parts();
      case SPOTS -> new SpotView(model.spots(), model, desk).parts();
      case CALIBRATION -> new CalibrationView(model.calibration(), desk).parts();
    };
  }

  /** The nodes. */
  public Node node() {
    return node;
  }
}
