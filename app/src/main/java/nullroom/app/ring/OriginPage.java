package nullroom.app.ring;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nullroom.app.control.FoldOut;
import nullroom.app.control.RoomPlot;
import nullroom.app.control.WhileShown;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.predict.ArrivalLocus;
import nullroom.core.predict.FirstArrivals;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;

/** From where an arrival can have come: a line over the surfaces, and a list to choose from. */
final class OriginPage {
  private static final double LIST_WIDTH = 272;
  private static final double PLAN_HEIGHT = 190;
  private static final double LEAST_LIST = 120;

  private final RingModel model;
  private final StationContext context;
  private final FoldOut foldOut = new FoldOut();
  private final RoomPlot plan = new RoomPlot();
  private final VBox list = new VBox(2);
  private final HBox node;

  OriginPage(RingModel model, StationContext context) {
    this.model = model;
    this.context = context;
    plan.setPrefHeight(PLAN_HEIGHT);
    plan.setMinHeight(PLAN_HEIGHT);
    ScrollPane arrivals = new ScrollPane(list);
    arrivals.setFitToWidth(true);
    arrivals.setMinHeight(LEAST_LIST);
    arrivals.setPrefHeight(LEAST_LIST);
    arrivals.setMinWidth(LIST_WIDTH);
    VBox.setVgrow(arrivals, Priority.ALWAYS);
    VBox right = new VBox(8, arrivals, plan);
    right.setMinWidth(LIST_WIDTH);
    right.setMaxWidth(LIST_WIDTH);
    node = new HBox(14, foldOut, right);
    HBox.setHgrow(foldOut, Priority.ALWAYS);
    WhileShown.follow(
        node,
        this::refresh,
        context.session().bookProperty(),
        context.units(),
        model.chosenProperty());
    refresh();
  }

  HBox node() {
    return node;
  }

  private void refresh() {
    List<RingModel.Arrival> arrivals = model.arrivals();
    Optional<RingModel.Arrival> shown =
        model.chosenProperty().get().or(() -> arrivals.stream().findFirst());
    Room room = model.measuredRoom();
    foldOut.show(room);
    Map<Surface, List<ArrivalLocus.Piece>> lines = new LinkedHashMap<>();
    List<ArrivalLocus.Piece> section = new ArrayList<>();
    shown.ifPresent(a -> {
      room.surfaces().forEach(s -> lines.put(s, ArrivalLocus.on(room, s, a.extraMetres())));
      room.talker()
          .ifPresent(t -> section.addAll(ArrivalLocus.at(room, t.at().z(), a.extraMetres())));
    });
    Optional<FirstArrivals.Arrival> path = shown.flatMap(a -> a.paths().stream().findFirst());
    foldOut.trace(lines, path.map(p -> mark(room, p)).stream().toList());
    plan.show(room, section, path.map(FirstArrivals.Arrival::at));
    list(arrivals, shown);
  }

  /** Where a path meets a surface, in its own axes; furniture is marked on the floor under it. */
  private static FoldOut.Pin mark(Room room, FirstArrivals.Arrival path) {
    Surface surface = path.surface().orElse(Surface.FLOOR);
    return new FoldOut.Pin("", surface, room.enclosure().local(surface, path.at()));
  }

  private void list(List<RingModel.Arrival> arrivals, Optional<RingModel.Arrival> shown) {
    list.getChildren().clear();
    Label head = new Label(arrivals.isEmpty() ? "No single arrival stands out." : "Arrivals");
    head.getStyleClass().add("table-head");
    list.getChildren().add(head);
    for (RingModel.Arrival a : arrivals) {
      Button one = new Button(words(a));
      one.setId("arrival-" + list.getChildren().size());
      one.getStyleClass().addAll("plain", shown.filter(a::equals).isPresent() ? "chosen" : "soft");
      one.setMaxWidth(Double.MAX_VALUE);
      one.setAlignment(Pos.CENTER_LEFT);
      one.setWrapText(true);
      one.setMinHeight(Region.USE_PREF_SIZE);
      one.setOnAction(e -> model.chosenProperty().set(Optional.of(a)));
      list.getChildren().add(one);
    }
    String key =
        "The line: every point from which the chosen arrival can have come by one bounce. The star: where a surface of the description sends one within "
            + length(Arrivals.SAME_PATH_METRES)
            + ".";
    List<String> notes = new ArrayList<>(model.echoes());
    notes.add(key);
    for (String note : notes) {
      Label label = new Label(note);
      label.setWrapText(true);
      label.setMinHeight(Region.USE_PREF_SIZE);
      label.getStyleClass().add(note.equals(key) ? "soft" : "note");
      list.getChildren().add(label);
    }
  }

  private String length(double metres) {
    return context.units().get().length(metres);
  }

  private String words(RingModel.Arrival a) {
    String from =
        a.paths().isEmpty()
            ? a.further().isEmpty() ? "nothing in the description fits" : a.further()
            : a.fullName(model.measuredRoom())
                + " ("
                + length(a.paths().getFirst().extraMetres())
                + ")";
    return Figures.say(
        "%.1f ms, %s longer, %.0f dB: %s",
        a.milliseconds(), length(a.extraMetres()), a.levelDb(), from);
  }
}
