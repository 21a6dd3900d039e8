package nullroom.app.level;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.DoubleConsumer;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nullroom.app.control.FigureTable;
import nullroom.app.control.NameField;
import nullroom.app.control.NumberField;
import nullroom.app.control.Row;
import nullroom.app.control.SameFocus;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.acoustics.Stage;
import nullroom.core.plan.ChainLink;
import nullroom.core.plan.Quantity;

/** Microphone, what lies behind it, and the input, in a row: what each adds and what it takes. */
final class StagesPage {
  private static final double NAME_WIDTH = 130;
  private static final double LEAST_PLOT_HEIGHT = 150;

  private final StagesModel model;
  private final StationContext context;
  private final FigureTable table;
  private final StagesPlot plot;
  private final VBox rows = new VBox(6);
  private final Label none =
      new Wrapped(
          "Nothing lies between the microphone and its input: a plain cable changes no level that"
              + " matters. Put in what does, in the order that the sound runs through it.",
          "soft");
  private final VBox node;
  private List<Stage> shown = List.of();

  StagesPage(StagesModel model, StationContext context) {
    this.model = model;
    this.context = context;
    table = new FigureTable("stages", context.asked()::set);
    plot = new StagesPlot(model);
    plot.setMinHeight(LEAST_PLOT_HEIGHT);
    Row add = new Row(new Label("Put in:"));
    for (Stage usual : Stage.USUAL) {
      Button button = new Button(usual.name());
      button.setId("stage-" + usual.name().replace(' ', '-'));
      button.setOnAction(e -> context.work().attempt(() -> model.add(usual), () -> {}));
      add.getChildren().add(button);
    }
    Label key =
        new Wrapped(
            "What is put in has usual figures (common practice) until you write those of its data sheet."
                + " Each bar runs from hiss to overload as sound at the microphone: the loudest hiss and the"
                + " lowest limit decide.",
            "soft");
    VBox.setVgrow(plot, Priority.ALWAYS);
    node = new VBox(12, table, add, none, rows, key, plot);
    node.getStyleClass().add("pictures");
    WhileShown.follow(node, this::refresh, context.session().revisionProperty());
    refresh();
  }

  private void refresh() {
    List<List<?>> lines = new ArrayList<>();
    List<ChainLink> links = model.links();
    for (int i = 0; i < links.size(); i++) {
      lines.add(line(links.get(i), i));
    }
    table.show(List.of("in a row", "adds, dB", "hiss, dBA", "limit, dB SPL", "left, dB"), lines);
    plot.redraw();
    if (!shown.equals(model.stages())) {
      shown = model.stages();
      SameFocus.through(
          rows,
          () ->
              rows.getChildren()
                  .setAll(
                      IntStream.range(0, shown.size())
                          .mapToObj(i -> row(shown.get(i), i))
                          .toList()));
    }
    none.setVisible(shown.isEmpty());
    none.setManaged(shown.isEmpty());
  }

  private List<Object> line(ChainLink link, int index) {
    boolean limited = link.limitDbSpl() < Double.POSITIVE_INFINITY;
    return List.of(
        link.automatic() ? link.name() + ", sets its own" : link.name(),
        link.kind() == ChainLink.Kind.MICROPHONE ? "" : Figures.say("%+.0f", link.gainDb()),
        figure(index, Quantity.LINK_HISS, link.hissDbSplA()),
        limited ? figure(index, Quantity.LINK_LIMIT, link.limitDbSpl()) : "nothing known",
        limited ? figure(index, Quantity.LINK_LEFT, link.leftDb(model.heard())) : "");
  }

  private FigureTable.Figure figure(int index, Quantity quantity, double db) {
    return new FigureTable.Figure(Figures.say("%.1f", db), () -> model.why(index, quantity));
  }

  private Row row(Stage stage, int index) {
    NameField name =
        new NameField(
            "stage-name-" + (index + 1),
            "stage " + (index + 1),
            stage.name(),
            NAME_WIDTH,
            typed -> rename(index, typed));
    CheckBox automatic = new CheckBox("sets its own gain");
    automatic.setSelected(stage.automatic());
    automatic.setOnAction(e -> change(index, s -> s.automatic(automatic.isSelected())));
    Button out = new Button("Take out");
    out.getStyleClass().add("plain");
    out.setAccessibleText("take out " + stage.name());
    out.setOnAction(e -> model.remove(index));
    Row row =
        new Row(
            name,
            number(
                "adds", "dB", -80, 80, stage.gainDb(), db -> change(index, s -> s.withGainDb(db))),
            noise(stage, index),
            limit(stage, index),
            automatic,
            out);
    row.getStyleClass().add("tight");
    return row;
  }

  private NumberField noise(Stage stage, int index) {
    NumberField field =
        number(
            "hisses at",
            "dBu A",
            Stage.NO_NOISE_DBU,
            0,
            stage.einDbu(),
            dbu -> change(index, s -> s.withEinDbu(dbu)));
    field.setOnNothing(() -> change(index, s -> s.withEinDbu(Stage.NO_NOISE_DBU)));
    if (stage.einDbu() <= Stage.NO_NOISE_DBU) {
      field.show(OptionalDouble.empty());
    }
    return field;
  }

  private NumberField limit(Stage stage, int index) {
    NumberField field =
        number(
            "takes up to",
            "dBu",
            -80,
            Stage.NO_LIMIT_DBU,
            stage.limitDbu(),
            dbu -> change(index, s -> s.withLimitDbu(dbu)));
    field.setOnNothing(() -> change(index, s -> s.withLimitDbu(Stage.NO_LIMIT_DBU)));
    if (stage.limitDbu() >= Stage.NO_LIMIT_DBU) {
      field.show(OptionalDouble.empty());
    }
    return field;
  }

  private static NumberField number(
      String name, String unit, double low, double high, double shown, DoubleConsumer write) {
    NumberField field = new NumberField(name, unit, low, high, write);
    field.show(shown);
    return field;
  }

  private void change(int index, UnaryOperator<Stage> change) {
    model.change(index, change);
  }

  private void rename(int index, String typed) {
    if (index < model.stages().size()) {
      context.work().attempt(() -> change(index, s -> s.named(typed)), () -> {});
    }
  }

  VBox node() {
    return node;
  }
}
