package nullroom.app.dress;

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
import nullroom.app.control.Row;
import nullroom.app.control.RowChoice;
import nullroom.app.control.SameFocus;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.book.AtHand;
import nullroom.core.book.TreatmentPiece;
import nullroom.core.room.Patch;

/** What is at hand: a list, all that can be said of the piece looked at, and what is kept clear. */
final class HandPage {
  private static final double LEAST_LIST_HEIGHT = 130;

  private final HandModel model;
  private final StationContext context;
  private final FigureTable table = new FigureTable("at-hand");
  private final FigureTable clear = new FigureTable("keep-clear");
  private final VBox form = new VBox(8);
  private final Label words = new Wrapped("", "soft");
  private final VBox node;
  private final Node controls;
  private Optional<TreatmentPiece> shown = Optional.empty();

  HandPage(HandModel model, StationContext context) {
    this.model = model;
    this.context = context;
    VBox lists = new VBox(14, table, clear);
    ScrollPane list = new ScrollPane(lists);
    list.setFitToWidth(true);
    list.setMinHeight(LEAST_LIST_HEIGHT);
    VBox.setVgrow(list, Priority.ALWAYS);
    form.getStyleClass().add("shelf-form");
    node = new VBox(10, add(), words, list, form);
    controls = new VBox(6, new KeepClearForm(model, context).node(), files());
    WhileShown.follow(
        node,
        this::refresh,
        context.session().revisionProperty(),
        context.units(),
        model.chosenProperty());
    refresh();
  }

  private Row add() {
    Choice<TreatmentPiece> piece =
        new Choice<>(
            "hand-add-piece",
            "a piece to put into the list",
            AtHand.THINKABLE,
            p -> p.name() + (p.owned() ? "" : " (to buy or build)"),
            p -> {});
    piece.show(AtHand.THINKABLE.getFirst());
    Button put = new Button("Add it to the list");
    put.setId("hand-add");
    put.setOnAction(e -> attempt(() -> model.add(piece.getValue())));
    Button usual = new Button("Begin with a usual household's");
    usual.setId("hand-usual");
    usual.setOnAction(e ->
        attempt(() ->
            model.edit(
                "A usual household's things", hand -> hand.withPieces(AtHand.USUAL.pieces()))));
    return new Row(piece, put, usual);
  }

  private void attempt(Runnable edit) {
    context.work().attempt(edit, this::refresh);
  }

  private void refresh() {
    AtHand hand = model.hand();
    List<List<?>> rows = new ArrayList<>();
    hand.pieces().forEach(p -> rows.add(row(p)));
    SameFocus.through(
        table,
        () ->
            table.show(
                rows.isEmpty()
                    ? List.of()
                    : List.of("at hand", "size", "held by", "to pay", "min", "", ""),
                rows));
    List<List<?>> zones = new ArrayList<>();
    hand.keepClear().forEach(k -> zones.add(row(k)));
    SameFocus.through(
        clear,
        () ->
            clear.show(
                zones.isEmpty() ? List.of() : List.of("kept clear", "where", "size", ""), zones));
    if (!shown.equals(model.chosen())) {
      shown = model.chosen();
      SameFocus.through(
          form,
          () ->
              form.getChildren()
                  .setAll(
                      shown.map(p -> new PieceForm(p, model, context).nodes()).orElse(List.of())));
    }
    words.setText(
        context.session().book().atHand().isEmpty()
            ? "What a usual household has (common practice). Change it to what you own, could borrow, buy or build."
            : "All that is to be bought of it would cost "
                + Figures.money(hand.stillToBuy())
                + ".");
  }

  private String size(double width, double height) {
    return context.units().get().near(width) + " × " + context.units().get().near(height);
  }

  private List<Object> row(TreatmentPiece piece) {
    RowChoice name =
        new RowChoice(
            (piece.count() == 1 ? "" : piece.count() + " × ") + piece.name(),
            piece.name().equals(model.chosenProperty().get()),
            () -> model.chosenProperty().set(piece.name()));
    return List.of(
        name,
        size(piece.widthMetres(), piece.heightMetres()),
        new FigureTable.Words(piece.hold().label()),
        piece.owned() ? "owned" : Figures.money(piece.price()) + " each",
        Figures.say("%.0f", piece.minutes()),
        new FigureTable.Words(piece.trace()),
        plain("Take out", "take " + piece.name() + " out of the list", () -> model.remove(piece)));
  }

  private List<Object> row(AtHand.KeepClear zone) {
    Patch p = zone.patch();
    return List.of(
        new FigureTable.Words(p.name()),
        new FigureTable.Words(p.surface().spoken()),
        size(p.width(), p.height()),
        plain("Use again", "let " + p.name() + " be used again", () -> model.free(zone)));
  }

  private Button plain(String text, String spoken, Runnable action) {
    Button button = new Button(text);
    button.getStyleClass().add("plain");
    button.setAccessibleText(spoken);
    button.setOnAction(e -> attempt(action));
    return button;
  }

  Node node() {
    return node;
  }

  Node controls() {
    return controls;
  }

  private Row files() {
    return new Row(
        FileButton.read("Read a list…", "Pieces", f -> attempt(() -> model.read(f)), "*.json"),
        FileButton.write(
            "Write the list…",
            "pieces.json",
            "Pieces",
            f -> attempt(() -> model.write(f)),
            "*.json"));
  }
}
