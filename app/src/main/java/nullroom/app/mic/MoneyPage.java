package nullroom.app.mic;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.VBox;
import nullroom.app.control.FigureTable;
import nullroom.app.control.NumberField;
import nullroom.app.control.Row;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.book.RoomBook;
import nullroom.core.plan.mic.Shopping;

/** What to buy first, by three schools side by side. */
final class MoneyPage {
  private static final double MOST_MONEY = 100_000;
  private static final double USUAL_MONEY = 200;

  /** What was worked out, and of what. */
  private record Worked(List<Object> of, double budget, List<Shopping> schools) {}

  private final StationContext context;
  private final ObjectProperty<Optional<Worked>> worked =
      new SimpleObjectProperty<>(Optional.empty());
  private final VBox words = new VBox(8);
  private final ScrollPane node = new ScrollPane(words);
  private final Row controls;
  private double budget = USUAL_MONEY;

  MoneyPage(StationContext context) {
    this.context = context;
    node.setFitToWidth(true);
    NumberField money = new NumberField("Money", "", 0, MOST_MONEY, typed -> budget = typed);
    money.show(budget);
    Button work = new Button("Work out what to buy");
    work.setId("money-work");
    work.getStyleClass().add("action");
    work.setOnAction(e -> work());
    controls = new Row(money, work);
    controls.getStyleClass().add("fields");
    WhileShown.follow(node, this::refresh, context.session().revisionProperty(), worked);
    refresh();
  }

  private void work() {
    RoomBook book = context.session().book();
    double given = budget;
    context
        .work()
        .start(
            "Trying what money can buy",
            progress -> Shopping.of(book, book.shelf(), given, progress),
            schools -> worked.set(Optional.of(new Worked(MicModel.inputs(book), given, schools))));
  }

  private void refresh() {
    List<Node> all = new ArrayList<>();
    if (worked.get().isEmpty()) {
      all.add(
          new Wrapped(
              "Say how much money there is. What you have comes to its best place first; then each school spends in its order:"
                  + " sound first, light first, or the room first. Prices of what is not on your shelf are usual ones (common"
                  + " practice)."));
    }
    worked
        .get()
        .ifPresent(w -> {
          boolean stale = !w.of().equals(MicModel.inputs(context.session().book()));
          if (stale) {
            all.add(new Wrapped("The book has changed since: work it out again.", "caution"));
          }
          w.schools().forEach(s -> add(all, s));
        });
    words.getChildren().setAll(all);
  }

  private static void add(List<Node> all, Shopping s) {
    all.add(new Wrapped(Figures.capital(s.school().label()), "heading"));
    FigureTable table = new FigureTable("money-" + s.school().id());
    List<List<?>> rows = new ArrayList<>();
    int k = 1;
    for (Shopping.Buy b : s.buys()) {
      rows.add(
          List.of(
              new Wrapped(k++ + "  " + b.what()),
              Figures.money(b.price()),
              Figures.say("%.1f", b.shortDb())));
    }
    if (rows.isEmpty()) {
      rows.add(List.of(new Wrapped("Nothing that helps."), "", ""));
    }
    table.show(List.of("in this order", "money", "still short, dB"), rows);
    all.add(table);
    all.add(
        new Wrapped(
            Figures.say(
                    "Then Quiet %.0f, Clear %.0f, Safe %.0f dB. ",
                    s.margins().quietDb(), s.margins().clearDb(), s.margins().safeDb())
                + s.verdict(),
            "soft"));
  }

  Node node() {
    return node;
  }

  Node controls() {
    return controls;
  }
}
