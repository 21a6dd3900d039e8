package nullroom.app.room;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nullroom.app.control.FigureTable;
import nullroom.app.control.NumberField;
import nullroom.app.control.Row;
import nullroom.app.control.SameFocus;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.plan.Compared;
import nullroom.core.plan.Margin;
import nullroom.core.predict.Margins;

/** All places of the book and their spots by the three margins, and how another one begins. */
final class PlacesPage {
  private static final double LONGEST = 30;
  private static final double HIGHEST = 10;
  private static final double NAME_WIDTH = 180;

  private final PlacesModel model;
  private final StationContext context;
  private final FigureTable table;
  private final TextField name = new TextField();
  private final List<NumberField> sizes = new ArrayList<>();
  private final double[] size = {4, 3, 2.4};
  private final Label tracing = new Wrapped("", "soft");
  private final VBox node;

  PlacesPage(PlacesModel model, StationContext context) {
    this.model = model;
    this.context = context;
    table = new FigureTable("places", context.asked()::set);
    name.setId("place-name");
    name.setPromptText("name of a place");
    name.setAccessibleText("name of a place");
    name.setPrefWidth(NAME_WIDTH);
    Row begin = new Row(name);
    String[] names = {"Length", "Width", "Height"};
    for (int i = 0; i < names.length; i++) {
      int axis = i;
      NumberField field =
          new NumberField(
              names[i], "m", 0.5, axis == 2 ? HIGHEST : LONGEST, metres -> size[axis] = metres);
      field.show(size[i]);
      sizes.add(field);
      begin.getChildren().add(field);
    }
    begin.getStyleClass().add("fields");
    Button same = button("place-begin", "Same kit, new room", this::begin);
    same.getStyleClass().add("action");
    begin.getChildren().add(same);
    Row here =
        new Row(
            button(
                "place-copy",
                "Copy this place to that name",
                () -> named(() -> model.copy(name.getText()))),
            button(
                "place-rename",
                "Call this place that",
                () -> named(() -> model.rename(name.getText()))),
            button("place-remove", "Take this place out", () -> said(model::remove)));
    Label how =
        new Wrapped(
            "Each place has its room, its spots and all that was measured in it. A new one begins with the kit of this one and three"
                + " lengths; listen there for half a minute and clap, and the verdict is worth something. The best stands first; press a name to go there.",
            "soft");
    ScrollPane rows = new ScrollPane(table);
    rows.setFitToWidth(true);
    VBox.setVgrow(rows, Priority.ALWAYS);
    node = new VBox(12, how, rows, tracing, begin, here);
    tracing.managedProperty().bind(tracing.textProperty().isNotEmpty());
    node.getStyleClass().add("pictures");
    WhileShown.follow(
        node,
        this::refresh,
        context.session().revisionProperty(),
        context.units(),
        model.foundProperty());
    refresh();
  }

  VBox node() {
    return node;
  }

  private static Button button(String id, String words, Runnable action) {
    Button button = new Button(words);
    button.setId(id);
    button.setOnAction(e -> action.run());
    return button;
  }

  private void begin() {
    if (sizes.stream().allMatch(NumberField::isGood)) {
      named(() -> model.begin(name.getText(), size[0], size[1], size[2]));
    }
  }

  /** Does something with the name typed, which is used up by that. */
  private void named(Runnable edit) {
    said(() -> {
      edit.run();
      name.clear();
    });
  }

  private void said(Runnable edit) {
    context.work().say("");
    context.work().attempt(edit, () -> {});
  }

  private void refresh() {
    sizes.forEach(f -> f.setEntry(context.units().get().field()));
    List<List<?>> rows = new ArrayList<>();
    List<Compared> all = model.all();
    all.forEach(c -> rows.add(row(c)));
    SameFocus.through(
        table,
        () ->
            table.show(
                List.of("place", "spot", "Quiet", "Clear", "Safe", "noise", "decay", "", ""),
                rows));
    tracing.setText(
        model.names().stream().anyMatch(model::quick)
            ? "The other places by the quick answer; they are being traced."
            : "");
    model.trace();
  }

  private List<Object> row(Compared row) {
    boolean here = row.here() && row.place().equals(context.session().book().here().name());
    List<Object> cells =
        new ArrayList<>(
            List.of(
                here ? new FigureTable.Words(row.place(), "heading") : go(row),
                row.spot().isEmpty() ? "as it stands" : row.spot()));
    for (Margins.Kind kind : Margins.Kind.values()) {
      String words =
          row.ladder().map(l -> l.verdicts().get(kind)).map(PlacesPage::words).orElse("no room");
      String look =
          row.ladder().map(l -> "margin-" + l.verdicts().get(kind).verdict().id()).orElse("cell");
      cells.add(new FigureTable.Figure(words, () -> model.why(row, kind), "cell", look));
    }
    List<String> known = row.origins().stream().map(o -> o.kind().label()).toList();
    cells.addAll(known.isEmpty() ? List.of("", "") : known);
    return cells;
  }

  private Button go(Compared row) {
    Button go = new Button(row.place());
    go.getStyleClass().add("plain");
    go.setAccessibleText("go to " + row.place() + " " + row.spot());
    go.setDisable(row.ladder().isEmpty());
    go.setOnAction(e -> said(() -> model.go(row.place(), row.spot())));
    return go;
  }

  private static String words(Margin margin) {
    return Figures.say("%.0f dB %s", margin.db(), margin.verdict().sign());
  }
}
