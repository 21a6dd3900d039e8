package nullroom.app.room;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nullroom.app.control.FigureTable;
import nullroom.app.control.FoldOut;
import nullroom.app.control.Row;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.plan.Verdicts;
import nullroom.core.predict.Margins;
import nullroom.core.room.Point;
import nullroom.core.room.Surface;

/** Places to record from, side by side. */
final class SpotsPage {
  private final SpotsModel model;
  private final StationContext context;
  private final FoldOut foldOut = new FoldOut();
  private final FigureTable table;
  private final Label heard = new Wrapped("");
  private Optional<FoldOut.Pin> probe = Optional.empty();
  private final VBox node;

  SpotsPage(RoomModel room, StationContext context) {
    model = room.spots();
    this.context = context;
    table = new FigureTable("spots", context.asked()::set);
    foldOut.setAssumed(context.session().assumedProperty());
    foldOut.setItemHandler(room.itemHandler());
    foldOut.setOnFloor(this::hear);
    TextField name = new TextField();
    name.setId("room-spot-name");
    name.setPromptText("name of this spot");
    name.setAccessibleText("name of this spot");
    Button keep = new Button("Keep this spot");
    keep.setId("keep-spot");
    keep.getStyleClass().add("action");
    keep.setOnAction(e ->
        said(() -> {
          model.keep(name.getText());
          name.clear();
        }));
    Row row = new Row(name, keep);
    Label how =
        new Label(
            "Drag talker and microphone to where you could record; the ladder moves with them. Keep spots and compare: the best stands first. Click anywhere on the floor to hear what the microphone would get there, at its height.");
    how.setWrapText(true);
    how.setMinHeight(Region.USE_PREF_SIZE);
    how.getStyleClass().add("soft");
    ScrollPane rows = new ScrollPane(table);
    rows.setFitToWidth(true);
    heard.setId("heard-there");
    heard.getStyleClass().add("note");
    heard.managedProperty().bind(heard.textProperty().isNotEmpty());
    node = new VBox(8, how, foldOut, heard, row, rows);
    VBox.setVgrow(foldOut, Priority.ALWAYS);
    WhileShown.follow(node, this::refresh, context.session().revisionProperty());
    refresh();
  }

  VBox node() {
    return node;
  }

  private void hear(Point floor) {
    double height = context.session().book().room().requireMicrophone().at().z();
    said(() -> {
      Point there = new Point(floor.x(), floor.y(), height);
      Verdicts then = model.at(there);
      probe = Optional.of(new FoldOut.Pin("heard here", Surface.FLOOR, floor));
      marks();
      String words =
          then.all().stream()
              .map(m ->
                  Figures.say(
                      "%s %.0f dB (%+.0f)",
                      m.name(), m.db(), m.db() - context.session().verdicts().get(m.kind()).db()))
              .collect(Collectors.joining(", "));
      heard.setText("There the microphone would get " + words + ".");
    });
  }

  /** The kept spots, and the place listened to last. */
  private void marks() {
    List<FoldOut.Pin> marks = new ArrayList<>();
    model
        .all()
        .forEach(j ->
            marks.add(new FoldOut.Pin(j.spot().name(), Surface.FLOOR, j.spot().microphoneAt())));
    probe.ifPresent(marks::add);
    foldOut.trace(Map.of(), marks);
  }

  private void said(Runnable edit) {
    context.work().say("");
    context.work().attempt(edit, () -> {});
  }

  private void refresh() {
    foldOut.show(context.session().book().room());
    probe = Optional.empty();
    heard.setText("");
    marks();
    List<SpotsModel.Judged> all = model.all();
    List<List<?>> rows = new ArrayList<>();
    for (SpotsModel.Judged spot : all) {
      List<Object> cells = new ArrayList<>(List.of(spot.spot().name()));
      for (Margins.Kind kind : Margins.Kind.values()) {
        String words =
            spot.verdicts()
                .map(v -> v.get(kind))
                .map(m -> Figures.say("%.0f dB %s", m.db(), m.verdict().label()))
                .orElse("no room");
        cells.add(new FigureTable.Figure(words, () -> model.why(spot.spot(), kind)));
      }
      cells.add(spot.here() ? "here" : "");
      cells.add(button("Go there", () -> model.go(spot.spot())));
      cells.add(button("Forget", () -> model.remove(spot.spot())));
      rows.add(cells);
    }
    table.show(
        all.isEmpty() ? List.of() : List.of("spot", "Quiet", "Clear", "Safe", "", "", ""), rows);
  }

  private Button button(String words, Runnable action) {
    Button button = new Button(words);
    button.getStyleClass().add("plain");
    button.setOnAction(e -> said(action));
    return button;
  }
}
