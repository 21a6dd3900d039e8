package nullroom.app.mic;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nullroom.app.control.Choice;
import nullroom.app.control.FigureTable;
import nullroom.app.control.Row;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.app.shell.Units;
import nullroom.core.Figures;
import nullroom.core.book.Shelf;
import nullroom.core.plan.mic.FrameReach;

/** Place, tripod, frame and light before the microphone, and what another picture would buy. */
final class FramePage {
  private final FrameModel model;
  private final StationContext context;
  private final VBox steps = new VBox(6);
  private final FigureTable reach = new FigureTable("frame-reach");
  private final FigureTable buys = new FigureTable("frame-buys");
  private final FramePlot plot;
  private final Label show = new Label("Show");
  private final Choice<Shelf.Shot> shot;
  private final List<Node> filmed = new ArrayList<>();
  private final Button unfilmed = new Button("Put a camera up");
  private final Row controls;
  private final ScrollPane node;

  FramePage(FrameModel model, StationContext context) {
    this.model = model;
    this.context = context;
    plot = new FramePlot(model.room(), context.units());
    VBox.setVgrow(plot, Priority.ALWAYS);
    VBox all =
        new VBox(
            10, steps, plot, reach, new Wrapped("What another picture would buy", "heading"), buys);
    node = new ScrollPane(all);
    node.setFitToWidth(true);
    node.setFitToHeight(true);
    shot =
        new Choice<>(
            "frame-shot",
            "what the chosen camera shows",
            List.of(Shelf.Shot.values()),
            FrameReach::words,
            model::show);
    controls = form();
    WhileShown.follow(
        node,
        this::refresh,
        context.session().revisionProperty(),
        context.units(),
        model.framesProperty());
    refresh();
  }

  private void refresh() {
    model.refresh();
    List<FrameReach> frames = model.framesProperty().get().orElse(List.of());
    Units units = context.units().get();
    steps
        .getChildren()
        .setAll(
            FrameWords.steps(model.room(), frames, units).stream().map(FramePage::step).toList());
    boolean camera = model.shot().isPresent();
    filmed.forEach(n -> shown(n, camera));
    shown(unfilmed, !camera);
    model.shot().ifPresent(shot::show);
    plot.show(model.room(), frames);
    reach.show(
        List.of("nearest unseen, straight", "above", "below", "left", "right", "by a boom"),
        frames.stream().map(f -> reach(f, units)).toList());
    List<List<?>> rows = new ArrayList<>();
    for (FrameReach f : frames) {
      f.buys().forEach(b -> rows.add(buy(f, b, units)));
    }
    buys.show(
        rows.isEmpty() ? List.of() : List.of("change", "camera", "boom comes to", "voice, dB"),
        rows.isEmpty()
            ? List.of(List.of("Nothing that was tried lets a boom come nearer."))
            : rows);
  }

  private static void shown(Node node, boolean there) {
    node.setVisible(there);
    node.setManaged(there);
  }

  private static Node step(FrameWords.Step step) {
    Wrapped name = new Wrapped((step.settled() ? "● " : "? ") + step.name(), "chosen-step");
    name.setMinWidth(120);
    name.setAccessibleText(step.name() + (step.settled() ? ", settled" : ", open"));
    HBox row = new HBox(10, name, new Wrapped(step.told()));
    row.getChildren().forEach(n -> HBox.setHgrow(n, Priority.SOMETIMES));
    return row;
  }

  private static List<Object> reach(FrameReach f, Units units) {
    List<Object> cells = new ArrayList<>(List.of(f.camera()));
    for (OptionalDouble metres : List.of(f.above(), f.below(), f.left(), f.right(), f.nearest())) {
      cells.add(said(metres, units));
    }
    return cells;
  }

  private static String said(OptionalDouble metres, Units units) {
    return metres.isPresent() ? units.near(metres.getAsDouble()) : "none";
  }

  private static List<Object> buy(FrameReach f, FrameReach.Buy b, Units units) {
    return List.of(
        Figures.capital(b.what()),
        f.camera(),
        said(OptionalDouble.of(b.nearest()), units),
        Figures.say("%+.1f", b.gainDb()));
  }

  Node node() {
    return node;
  }

  /** What the chosen camera shows, and how. */
  Node controls() {
    return controls;
  }

  private Row form() {
    unfilmed.setId("frame-camera");
    unfilmed.setOnAction(e -> model.setUp());
    Button turn = new Button("Turn it upright or across");
    turn.setId("frame-turn");
    turn.setOnAction(e -> model.turn());
    Button lower = new Button("Less headroom");
    lower.setId("frame-lower");
    lower.setOnAction(e -> model.lower());
    filmed.addAll(List.of(show, shot, turn, lower));
    return new Row(unfilmed, show, shot, turn, lower);
  }
}
