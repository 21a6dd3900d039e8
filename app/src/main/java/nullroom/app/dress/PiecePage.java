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
import nullroom.app.control.FoldOut;
import nullroom.app.control.Row;
import nullroom.app.control.TimeBars;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.core.plan.Hanging;
import nullroom.core.predict.Origin;

/** One piece on one surface: before and after. */
final class PiecePage {
  private final Node node;
  private final Node controls;
  private final DressModel model;
  private final StationContext context;
  private final FoldOut foldOut = new FoldOut();
  private final TimeBars times = new TimeBars();

  PiecePage(DressModel model, StationContext context) {
    this.model = model;
    this.context = context;
    times.plot().setAsks(context.asked()::set);
    foldOut.setAssumed(context.session().assumedProperty());
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
    node = pictures;
    controls = form(context);
  }

  private Node form(StationContext context) {
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
    Origin.Kind kind = context.session().book().here().byDescription();
    List<BandPlot.Series> series = new ArrayList<>();
    series.add(new BandPlot.Series("now", kind, model.secondsNow(), "before-bar", model::whyNow));
    model
        .secondsThen()
        .ifPresent(then ->
            series.add(new BandPlot.Series("with it", kind, then, "now-bar", model::whyThen)));
    times.show(series, model.goal());
  }

  Node node() {
    return node;
  }

  Node controls() {
    return controls;
  }
}
