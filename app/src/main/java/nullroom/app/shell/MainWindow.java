package nullroom.app.shell;

import java.nio.file.Path;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.BiConsumer;
import javafx.animation.Animation;
import javafx.animation.AnimationTimer;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.beans.binding.Bindings;
import javafx.beans.property.ObjectProperty;
import javafx.beans.value.ObservableValue;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import nullroom.app.control.Choice;
import nullroom.app.control.LadderView;
import nullroom.app.control.Wrapped;
import nullroom.core.Figures;
import nullroom.core.plan.Ladder;
import nullroom.core.predict.Margins;

/** The window's content: rail, the station of now, ladder and next move, status line. */
public final class MainWindow {
  private final BorderPane root = new BorderPane();
  private final Rail rail;

  /**
   * Builds the window's content.
   *
   * @param context the open book and its tools
   * @param stations in the order of work
   * @param onSpace what the space bar starts
   * @param onDrop receives a dropped file and the station shown
   * @param executor for what must not hold up the window
   */
  public MainWindow(
      StationContext context,
      List<OpenStation> stations,
      Runnable onSpace,
      BiConsumer<Station, Path> onDrop,
      Executor executor) {
    rail = new Rail(context, stations);
    root.getStyleClass().addAll("root-pane", "paper");
    root.setLeft(rail.node());
    root.setRight(right(context, executor));
    root.setBottom(status(context));
    follow(context);
    Map<Station, Node> made = new EnumMap<>(Station.class);
    rail.stationProperty()
        .subscribe(
            station -> root.setCenter(made.computeIfAbsent(station, s -> view(stations, s))));
    keys(context, onSpace);
    drops(onDrop);
  }

  private static Node view(List<OpenStation> stations, Station station) {
    return stations.stream()
        .filter(s -> s.station() == station)
        .findFirst()
        .orElseThrow()
        .view()
        .get();
  }

  /** The nodes. */
  public BorderPane root() {
    return root;
  }

  /** The station shown. */
  public ObjectProperty<Station> stationProperty() {
    return rail.stationProperty();
  }

  /** Dark ("lamp off") or light ("paper"). */
  public void setLampOff(boolean off) {
    root.getStyleClass().removeAll("paper", "lamp-off");
    root.getStyleClass().add(off ? "lamp-off" : "paper");
  }

  private Node right(StationContext context, Executor executor) {
    LadderView ladder = new LadderView();
    Node next = new NextMove(context.session(), new Newest(executor, context.work()::warn)).node();
    WhyCard card = new WhyCard(next);
    ladder.setOnWhy(why -> ask(context, why.of()));
    context.asked().subscribe(card::ask);
    Runnable refresh =
        () -> {
          Ladder now = context.session().ladder();
          Margins targets = context.session().book().goal().targets();
          ladder.show(now, Ladder.of(context.session().beforeProperty().get(), targets));
          card.refresh();
        };
    context.session().revisionProperty().subscribe(refresh);
    context
        .live()
        .levelProperty()
        .subscribe(now ->
            ladder.showLevel(
                now.map(Live.Level::fastDbfs).orElse(Double.NEGATIVE_INFINITY),
                now.map(Live.Level::heldDbfs).orElse(Double.NEGATIVE_INFINITY)));
    refresh.run();
    Label title = new Label("The ladder");
    title.getStyleClass().add("heading");
    Label key = new Wrapped("— measured  –· simulated  ╌ predicted  ┈ assumed  ▬ now");
    key.getStyleClass().addAll("soft", "key");
    Label refined = new Wrapped("");
    refined.setId("refined");
    refined.textProperty().bind(context.session().refinedProperty());
    refined.getStyleClass().addAll("soft", "key");
    PairChoice pair = new PairChoice(context.session(), new Newest(executor, context.work()::warn));
    VBox box = new VBox(title, pair.node(), ladder, key, refined, pair.below(), next, card.node());
    VBox.setVgrow(ladder, Priority.ALWAYS);
    box.getStyleClass().add("right");
    return box;
  }

  private Node status(StationContext context) {
    Label records = new Label("Input");
    Label keys = new Label("space: listen or stop   ?: why");
    records.getStyleClass().add("soft");
    keys.getStyleClass().add("soft");
    Inputs inputs = context.inputs();
    Choice<Inputs.Input> input =
        new Choice<>(
            "input",
            "input that records",
            inputs.all(),
            Inputs.Input::name,
            inputs.chosenProperty()::set);
    inputs.all().subscribe(() -> input.getItems().setAll(inputs.all()));
    inputs.chosenProperty().subscribe(chosen -> input.show(chosen));
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    BookSession session = context.session();
    Button undo = step("Undo", session.undoNameProperty(), () -> step(context, context::undo));
    Button redo = step("Redo", session.redoNameProperty(), () -> step(context, context::redo));
    Button lamp = new Button("Lamp off");
    lamp.getStyleClass().add("plain");
    lamp.setOnAction(e -> {
      boolean off = lamp.getText().equals("Lamp off");
      setLampOff(off);
      lamp.setText(off ? "Lamp on" : "Lamp off");
    });
    Button units = new Button();
    units.setId("units");
    units.getStyleClass().add("plain");
    units.textProperty().bind(context.units().map(u -> "In " + u.other().label()));
    units.setOnAction(e -> context.units().set(context.units().get().other()));
    HBox box = new HBox(records, input, level(context), keys, gap, undo, redo, units, lamp);
    box.getStyleClass().add("status");
    return box;
  }

  private static void step(StationContext context, Runnable back) {
    context.work().attempt(back, () -> {});
  }

  /** What the input hears now goes onto the ladder, frame by frame. */
  private static void follow(StationContext context) {
    AnimationTimer frames =
        new AnimationTimer() {
          @Override
          public void handle(long nanos) {
            context.live().reading().ifPresent(context.live()::tell);
          }
        };
    context
        .live()
        .runningProperty()
        .subscribe((was, on) -> {
          if (on) {
            frames.start();
          } else {
            frames.stop();
            context.live().levelProperty().set(Optional.empty());
          }
        });
  }

  /** What the input hears now, where it is heard: twice a second, to be read. */
  private static Label level(StationContext context) {
    Label level = new Label("not heard now");
    level.setId("live-level");
    level.getStyleClass().add("soft");
    Timeline clock =
        new Timeline(
            new KeyFrame(
                Duration.millis(500),
                e ->
                    level.setText(
                        context
                            .live()
                            .reading()
                            .flatMap(r ->
                                r.silent()
                                    ? Optional.of("silent: muted?")
                                    : r.aDbfs().isPresent()
                                        ? Optional.of(
                                            Figures.say("%.0f dBFS A", r.aDbfs().getAsDouble()))
                                        : Optional.<String>empty())
                            .orElse("…"))));
    clock.setCycleCount(Animation.INDEFINITE);
    context
        .live()
        .runningProperty()
        .subscribe(on -> {
          if (on) {
            clock.play();
          } else {
            clock.stop();
            level.setText("not heard now");
          }
        });
    return level;
  }

  private static Button step(String verb, ObservableValue<String> name, Runnable action) {
    Button button = new Button();
    button.setId(verb.toLowerCase(Locale.ROOT));
    button.getStyleClass().add("plain");
    button.textProperty().bind(name.map(n -> n.isEmpty() ? verb : verb + ": " + n));
    button
        .disableProperty()
        .bind(Bindings.createBooleanBinding(() -> name.getValue().isEmpty(), name));
    button.setOnAction(e -> action.run());
    return button;
  }

  private static void ask(StationContext context, String name) {
    context.asked().set(() -> context.session().ladder().findWhy(name));
  }

  private void keys(StationContext context, Runnable onSpace) {
    root.addEventHandler(
        KeyEvent.KEY_TYPED,
        e -> {
          if (e.getCharacter().equals("?")) {
            String weakest = context.session().verdicts().weakest().name();
            ask(context, weakest);
            e.consume();
          }
        });
    root.addEventHandler(
        KeyEvent.KEY_PRESSED,
        e -> {
          if (e.getCode() == KeyCode.SPACE) {
            e.consume();
            if (context.work().runningProperty().get()) {
              context.work().cancel();
            } else {
              onSpace.run();
            }
          } else if (e.isShortcutDown() && e.getCode() == KeyCode.Z) {
            e.consume();
            if (e.isShiftDown()) {
              step(context, context::redo);
            } else {
              step(context, context::undo);
            }
          } else if (e.isShortcutDown() && e.getCode().isDigitKey()) {
            int number = e.getCode().getCode() - KeyCode.DIGIT1.getCode();
            if (number >= 0 && number < Station.values().length) {
              e.consume();
              rail.stationProperty().set(Station.values()[number]);
            }
          }
        });
  }

  private void drops(BiConsumer<Station, Path> onDrop) {
    root.setOnDragOver(e -> {
      if (e.getDragboard().hasFiles()) {
        e.acceptTransferModes(TransferMode.COPY);
      }
      e.consume();
    });
    root.setOnDragDropped(e -> {
      boolean files = e.getDragboard().hasFiles() && !e.getDragboard().getFiles().isEmpty();
      if (files) {
        onDrop.accept(
            rail.stationProperty().get(), e.getDragboard().getFiles().getFirst().toPath());
      }
      e.setDropCompleted(files);
      e.consume();
    });
  }
}
