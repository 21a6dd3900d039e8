package nullroom.app.dress;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nullroom.app.control.BandPlot;
import nullroom.app.control.Choice;
import nullroom.app.control.Fitted;
import nullroom.app.control.FoldOut;
import nullroom.app.control.Row;
import nullroom.app.control.TimeBars;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.Station;
import nullroom.app.shell.StationContext;
import nullroom.app.shell.StationFrame;
import nullroom.core.plan.Hanging;
import nullroom.core.predict.Origin;

/** The treatment station's nodes. */
public final class DressView {
  private final Node node;
  private final DressModel model;
  private final FoldOut foldOut = new FoldOut();
  private final TimeBars times = new TimeBars();

  /** A view of a model. */
  public DressView(DressModel model, StationContext context) {
    this.model = model;
    times.plot().setAsks(context.asked()::set);
    foldOut.setOnSelect(model.surfaceProperty()::set);
    VBox pictures = new VBox(foldOut, times.plot());
    pictures.getStyleClass().add("pictures");
    VBox.setVgrow(foldOut, Priority.ALWAYS);
    foldOut.setPrefHeight(280);
    times.plot().setPrefHeight(170);
    WhileShown.follow(
        pictures,
        this::refresh,
        context.session().revisionProperty(),
        model.surfaceProperty(),
        model.hangingProperty());
    refresh();
    node =
        StationFrame.of(
            Station.DRESS, model.say(), new Fitted(pictures), controls(context), context);
  }

  private Node controls(StationContext context) {
    Choice<Hanging> what =
        new Choice<>(
            "hanging",
            "what to hang",
            List.of(Hanging.values()),
            Hanging::label,
            model.hangingProperty()::set);
    model.hangingProperty().subscribe(hanging -> what.show(hanging));
    Button hang = new Button("Hang it there");
    hang.setId("hang");
    hang.getStyleClass().add("action");
    hang.setOnAction(e -> model.hang());
    hang.disableProperty()
        .bind(
            javafx.beans.binding.Bindings.createBooleanBinding(
                () -> model.proposal().isEmpty(),
                context.session().bookProperty(),
                model.surfaceProperty(),
                model.hangingProperty()));
    Button down = new Button("Take the last one down");
    down.setOnAction(e -> model.takeDown());
    Label caution =
        new Wrapped(
            "Weigh stands down, keep cloth off lamps and heaters and exits free; ask before drilling.",
            "caution");
    Row row = new Row(what, hang, down);
    return new VBox(6, row, caution);
  }

  private void refresh() {
    foldOut.show(model.room(), model.proposal());
    foldOut.select(model.surfaceProperty().get());
    List<BandPlot.Series> series = new ArrayList<>();
    series.add(
        new BandPlot.Series(
            "now", Origin.Kind.PREDICTED, model.secondsNow(), "before-bar", model::whyNow));
    model
        .secondsThen()
        .ifPresent(then ->
            series.add(
                new BandPlot.Series(
                    "with it", Origin.Kind.PREDICTED, then, "now-bar", model::whyThen)));
    times.show(series, model.goal());
  }

  /** The nodes. */
  public Node node() {
    return node;
  }
}
