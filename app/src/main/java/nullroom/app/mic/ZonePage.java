package nullroom.app.mic;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nullroom.app.control.Choice;
import nullroom.app.control.NumberField;
import nullroom.app.control.Row;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.plan.mic.MicMap;
import nullroom.core.plan.mic.MicPlanner;

/** The clean zone as the station's picture. */
final class ZonePage {
  private static final double SIDE_WIDTH = 190;

  private final MicModel mic;
  private final ZoneModel model;
  private final ZonePlot plot;
  private final Label told = new Wrapped("", "soft");
  private final Label best = new Wrapped("");
  private final Button put = new Button("Put it there");
  private final RankModel rank;
  private final StationContext context;
  private final HBox node;
  private final NumberField distance;
  private final Row controls;

  ZonePage(MicModel mic, StationContext context) {
    this.mic = mic;
    this.model = mic.zone();
    this.rank = mic.rank();
    this.context = context;
    plot = new ZonePlot(model, context.units());
    told.setId("zone-told");
    VBox side = new VBox(8, told, best, put);
    side.setMinWidth(SIDE_WIDTH);
    side.setMaxWidth(SIDE_WIDTH);
    HBox.setHgrow(plot, Priority.ALWAYS);
    node = new HBox(10, plot, side);
    put.setId("zone-put");
    put.setOnAction(e -> rank.inUse().ifPresent(rank::put));
    plot.setOnMouseMoved(e -> tell(model.told(plot.spot(e.getX(), e.getY()))));
    plot.setOnMouseExited(e -> tell(""));
    distance = new NumberField("Distance", "m", 0.03, 2.5, mic::setDistance);
    context.units().subscribe(units -> distance.setEntry(units.nearField()));
    controls = row();
    WhileShown.follow(
        node,
        this::refresh,
        context.session().revisionProperty(),
        context.units(),
        model.planeProperty(),
        model.shownProperty(),
        model.map().valueProperty(),
        rank.rankingProperty(),
        model.map().troubleProperty());
    refresh();
  }

  private Row row() {
    Choice<MicMap.Plane> plane =
        new Choice<>(
            "zone-plane",
            "where the zone is looked at from",
            List.of(MicMap.Plane.values()),
            p -> p == MicMap.Plane.SIDE ? "from the side" : "from above",
            model.planeProperty()::set);
    plane.show(model.planeProperty().get());
    Choice<ZoneModel.Shown> shown =
        new Choice<>(
            "zone-margin",
            "which margin is shown",
            List.of(ZoneModel.Shown.values()),
            ZoneModel.Shown::label,
            model.shownProperty()::set);
    shown.show(model.shownProperty().get());
    Button lips = new Button("Point it at the lips");
    lips.setId("zone-lips");
    lips.setOnAction(e -> model.aimAtLips());
    return new Row(
        new Label("Seen"),
        plane,
        new Label("Lines of"),
        shown,
        new Label("over its target"),
        distance,
        lips);
  }

  private void tell(String words) {
    String here = model.map().troubleProperty().get();
    told.setText(!words.isEmpty() ? words : here.isEmpty() ? model.here() : here);
  }

  private void refresh() {
    model.refresh();
    rank.refresh();
    plot.redraw();
    distance.show(mic.distanceMetres());
    tell("");
    best.setText(rank.inUse().map(this::best).orElse(""));
    put.setVisible(rank.inUse().isPresent());
    put.setManaged(put.isVisible());
  }

  private String best(MicPlanner.Ranked r) {
    return "Its best place of all that can be had: "
        + r.mount().held()
        + ", "
        + context.units().get().near(r.metres())
        + Figures.say(
            ". There Quiet %.0f, Clear %.0f, Safe %.0f dB by the quick answer",
            r.heard().margins().quietDb(),
            r.heard().margins().clearDb(),
            r.heard().margins().safeDb())
        + (r.shortDb() < 0.05
            ? ": it meets all three."
            : Figures.say(": %.1f dB short.", r.shortDb()));
  }

  Node node() {
    return node;
  }

  Node controls() {
    return controls;
  }
}
