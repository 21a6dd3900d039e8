package nullroom.app.shell;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.BiConsumer;
import javafx.beans.property.ObjectProperty;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** The window's content: rail, the station of now, ladder and next move, messages, status line. */
public final class MainWindow {
  /** Opens all commands. */
  static final KeyCodeCombination COMMANDS = Command.shortcut(KeyCode.SPACE);

  private static final PseudoClass LADDER_AWAY = PseudoClass.getPseudoClass("ladder-away");

  private final BorderPane root = new BorderPane();
  private final BorderPane desk = new BorderPane();
  private final Sheets sheets = new Sheets();
  private final Rail rail;
  private final Commands commands;
  private final CommandSheet commandSheet;

  /**
   * Builds the window's content.
   *
   * @param context the open book and its tools
   * @param stations in the order of work
   * @param more commands beyond those of the stations and of the window itself
   * @param onSpace what the space bar starts
   * @param onDrop receives a dropped file and the station shown
   * @param executor for what must not hold up the window
   */
  public MainWindow(
      StationContext context,
      List<OpenStation> stations,
      List<Command> more,
      Runnable onSpace,
      BiConsumer<Station, Path> onDrop,
      Executor executor) {
    rail = new Rail(context, stations, this::showCommands);
    root.getStyleClass().addAll("root-pane", "paper");
    Node ladder = LadderColumn.of(context, executor);
    desk.setLeft(rail.node());
    desk.setRight(ladder);
    List<Command> all = new ArrayList<>(WindowCommands.stations(stations, rail.stationProperty()));
    all.addAll(more);
    all.addAll(WindowCommands.of(context, onSpace, () -> fold(ladder)));
    commands = new Commands(all);
    commandSheet = new CommandSheet(sheets, commands);
    root.setCenter(new StackPane(desk, sheets));
    root.setBottom(
        new VBox(
            new MessagePlace(context.work(), rail.stationProperty()),
            new StatusBar(context, this::showCommands).node()));
    Map<Station, Node> made = new EnumMap<>(Station.class);
    rail.stationProperty()
        .subscribe(
            station -> desk.setCenter(made.computeIfAbsent(station, s -> view(stations, s))));
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

  /** What lies over the stations for a while. */
  public Sheets sheets() {
    return sheets;
  }

  /** All that can be done. */
  public Commands commands() {
    return commands;
  }

  /** Dark ("lamp off") or light ("paper"). */
  public void setLampOff(boolean off) {
    root.getStyleClass().removeAll("paper", "lamp-off");
    root.getStyleClass().add(off ? "lamp-off" : "paper");
  }

  /** Whether it is dark. */
  public boolean isLampOff() {
    return root.getStyleClass().contains("lamp-off");
  }

  /** Says over the stations what is so as long as it is so. */
  public void setBanner(Optional<? extends Node> banner) {
    root.setTop(banner.orElse(null));
  }

  private void showCommands() {
    commandSheet.open();
  }

  private void fold(Node ladder) {
    boolean away = desk.getRight() != null;
    desk.setRight(away ? null : ladder);
    root.pseudoClassStateChanged(LADDER_AWAY, away);
  }

  private void keys(StationContext context, Runnable onSpace) {
    root.addEventHandler(
        KeyEvent.KEY_TYPED,
        e -> {
          if (e.getCharacter().equals("?")) {
            context.askWhy(context.session().verdicts().weakest().name());
            e.consume();
          }
        });
    root.addEventFilter(KeyEvent.KEY_PRESSED, e -> space(context, onSpace, e));
    root.addEventHandler(
        KeyEvent.KEY_PRESSED,
        e -> {
          Optional<Command> found = commands.on(e);
          if (found.isPresent()) {
            e.consume();
            found.get().action().run();
          }
        });
  }

  /** Space starts and stops, unless what has the keyboard takes it; the status line says which. */
  private void space(StationContext context, Runnable onSpace, KeyEvent e) {
    if (e.getCode() != KeyCode.SPACE || sheets.openProperty().get()) {
      return;
    }
    if (COMMANDS.match(e)) {
      e.consume();
      showCommands();
    } else if (!e.isShortcutDown()
        && !e.isAltDown()
        && !StatusBar.isOwnSpace(context, root.getScene().getFocusOwner())) {
      e.consume();
      if (context.work().runningProperty().get()) {
        context.work().cancel();
      } else {
        onSpace.run();
      }
    }
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
