package nullroom.app.listen;

import java.util.EnumMap;
import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import nullroom.app.shell.Desk;
import nullroom.app.shell.Station;
import nullroom.app.shell.StationFrame;

/** The noise station's nodes: its pages, each made when it is first shown. */
public final class ListenView {
  private final Map<Page, PageParts> made = new EnumMap<>(Page.class);
  private final Node node;

  /** A view of a model. */
  public ListenView(ListenModel model, Desk desk) {
    HBox tabs = new HBox();
    tabs.getStyleClass().add("tabs");
    for (Page page : Page.values()) {
      tabs.getChildren().add(tab(model, page));
    }
    StackPane picture = new StackPane();
    StackPane controls = new StackPane();
    picture.setAlignment(Pos.TOP_LEFT);
    controls.setAlignment(Pos.CENTER_LEFT);
    VBox.setVgrow(picture, Priority.ALWAYS);
    model
        .pageProperty()
        .subscribe(page -> {
          PageParts parts = made.computeIfAbsent(page, p -> make(p, model, desk));
          picture.getChildren().setAll(parts.picture());
          controls.getChildren().setAll(parts.controls());
        });
    VBox pictures = new VBox(8, tabs, picture);
    node = StationFrame.of(Station.LISTEN, model.say(), pictures, controls, desk.work());
  }

  private static PageParts make(Page page, ListenModel model, Desk desk) {
    return switch (page) {
      case LIVE -> new LiveView(model, desk).parts();
      case REPORT -> new ReportView(model, desk).parts();
      case CULPRITS -> new CulpritView(model.culprits(), desk).parts();
      case NIGHT -> new NightView(model.night(), desk).parts();
      case SPOTS -> new SpotView(model.spots(), model, desk).parts();
      case CALIBRATION -> new CalibrationView(model.calibration(), desk).parts();
    };
  }

  private static ToggleButton tab(ListenModel model, Page page) {
    ToggleButton tab = new ToggleButton(page.label());
    tab.setId("page-" + page.name().toLowerCase(java.util.Locale.ROOT));
    tab.setTooltip(new Tooltip(page.hint()));
    tab.setAccessibleText(page.label() + ": " + page.hint());
    tab.getStyleClass().add("tab");
    model.pageProperty().subscribe(now -> tab.setSelected(now == page));
    tab.setOnAction(e -> {
      model.pageProperty().set(page);
      tab.setSelected(true);
    });
    return tab;
  }

  /** The nodes. */
  public Node node() {
    return node;
  }
}
