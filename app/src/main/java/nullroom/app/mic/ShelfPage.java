package nullroom.app.mic;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nullroom.app.control.Choice;
import nullroom.app.control.FigureTable;
import nullroom.app.control.FileButton;
import nullroom.app.control.NumberField;
import nullroom.app.control.Row;
import nullroom.app.control.RowChoice;
import nullroom.app.control.SameFocus;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.book.Kit;
import nullroom.core.book.KitField;
import nullroom.core.book.Shelf;

/** What there is to record with: a list, and all that can be said of the thing looked at. */
final class ShelfPage {
  private static final double LONGEST = 10;
  private static final double LEAST_LIST_HEIGHT = 110;

  private final ShelfModel model;
  private final StationContext context;
  private final FigureTable table = new FigureTable("shelf");
  private final VBox form = new VBox(8);
  private final Label money = new Wrapped("", "soft");
  private final NumberField boom;
  private final NumberField stand;
  private final VBox node;
  private Optional<Kit> shown = Optional.empty();

  ShelfPage(ShelfModel model, StationContext context) {
    this.model = model;
    this.context = context;
    boom =
        new NumberField(
            "Boom reaches", "m", 0, LONGEST, m -> model.setReach(m, model.shelf().standMetres()));
    stand =
        new NumberField(
            "Stand goes up to",
            "m",
            0,
            LONGEST,
            m -> model.setReach(model.shelf().boomMetres(), m));
    ScrollPane list = new ScrollPane(table);
    list.setFitToWidth(true);
    list.setMinHeight(LEAST_LIST_HEIGHT);
    VBox.setVgrow(list, Priority.ALWAYS);
    Row reach = new Row(boom, stand);
    reach.getStyleClass().add("fields");
    form.getStyleClass().add("shelf-form");
    node = new VBox(10, add(), money, list, form, reach);
    WhileShown.follow(
        node,
        this::refresh,
        context.session().revisionProperty(),
        context.units(),
        model.chosenProperty());
    refresh();
  }

  private Row add() {
    Choice<MicrophoneType> microphone =
        new Choice<>(
            "shelf-add-microphone",
            "put a microphone of this class on the shelf",
            MicrophoneType.ALL,
            MicrophoneType::label,
            type -> {});
    microphone.show(MicrophoneType.ALL.getFirst());
    Button put = new Button("Put it there");
    put.setId("shelf-add");
    put.setOnAction(e -> attempt(() -> model.add(microphone.getValue())));
    Row row = new Row(microphone, put, new Label("or a:"));
    for (Kit.Kind kind : Kit.Kind.values()) {
      if (kind != Kit.Kind.MICROPHONE) {
        Button button = new Button(kind.word());
        button.setId("shelf-add-" + kind.word());
        button.setOnAction(e -> attempt(() -> model.add(kind)));
        row.getChildren().add(button);
      }
    }
    return row;
  }

  private void attempt(Runnable edit) {
    context.work().attempt(edit, this::refresh);
  }

  private void refresh() {
    Shelf shelf = model.shelf();
    List<List<?>> rows = new ArrayList<>();
    shelf.kit().forEach(kit -> rows.add(row(kit)));
    SameFocus.through(
        table,
        () ->
            table.show(
                rows.isEmpty() ? List.of() : List.of("thing", "what it is", "price", "", "", ""),
                rows));
    if (!shown.equals(model.chosen())) {
      shown = model.chosen();
      SameFocus.through(
          form,
          () ->
              form.getChildren()
                  .setAll(
                      shown
                          .<List<Node>>map(k -> new KitForm(k, model, context).nodes())
                          .orElse(List.of())));
    }
    boom.setEntry(context.units().get().field());
    stand.setEntry(context.units().get().field());
    boom.show(shelf.boomMetres());
    stand.show(shelf.standMetres());
    money.setText(
        shelf.kit().isEmpty()
            ? "Nothing stands here yet, so that the generic classes are compared. Put there what you have or think of; what you do"
                + " not know of a thing stays at what is usual for such a one (common practice)."
            : Figures.say(
                "What you do not state is usual for such a thing (common practice). What is thought of would cost %s.",
                Figures.money(shelf.stillToBuy())));
  }

  private List<Object> row(Kit kit) {
    RowChoice name =
        new RowChoice(
            kit.name(),
            kit.name().equals(model.chosenProperty().get()),
            () -> model.chosenProperty().set(kit.name()));
    Button use = new Button(model.inUse(kit) ? "in use" : "Use it");
    use.getStyleClass().add("plain");
    use.setAccessibleText("use " + kit.name());
    use.setVisible(model.canUse(kit));
    use.setDisable(model.inUse(kit));
    use.setOnAction(e -> attempt(() -> model.use(kit)));
    Button off = new Button("Take off");
    off.getStyleClass().add("plain");
    off.setAccessibleText("take " + kit.name() + " off the shelf");
    off.setOnAction(e -> attempt(() -> model.remove(kit)));
    String what =
        kit.kind() == Kit.Kind.MICROPHONE
            ? KitForm.words(KitField.CLASS, kit.stated().getOrDefault(KitField.CLASS, ""))
            : kit.kind().word();
    String price = kit.text(KitField.PRICE).isEmpty() ? "" : price(kit);
    return List.of(name, what, price, kit.is(KitField.OWNED) ? "owned" : "thought of", use, off);
  }

  private static String price(Kit kit) {
    double price = kit.number(KitField.PRICE);
    boolean sure = kit.stated().containsKey(KitField.PRICE) || price == 0;
    return (sure ? "" : "about ") + Figures.money(price);
  }

  Node node() {
    return node;
  }

  Row files() {
    return new Row(
        FileButton.read(
            "Read a shelf…", "Shelf", f -> attempt(() -> model.read(f)), "*.json", "*.csv"),
        FileButton.write(
            "Write the shelf…",
            "shelf.json",
            "Shelf",
            f -> attempt(() -> model.write(f)),
            "*.json",
            "*.csv"));
  }
}
