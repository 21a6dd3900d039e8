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
import javafx.scene.Node;
import javafx.scene.control.ButtonBase;
import javafx.scene.input.ContextMenuEvent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import nullroom.app.control.CopyMenu;
import nullroom.app.words.Language;
import nullroom.app.words.SpokenScene;
import org.jspecify.annotations.Nullable;

/** The window's content: rail, the station of now, ladder and next move, messages, status line. */
public final class MainWindow {
  /** Opens all commands. */
  static final KeyCodeCombination COMMANDS = Command.shortcut(KeyCode.SPACE);

  /** Narrower than this, the ladder stands beside the station only when it is asked for. */
  private static final double LADDER_FROM = 940;

  /** Narrower than this, the rail shows glyphs only. */
  private static final double RAIL_FROM = 760;

  private final BorderPane root = new BorderPane();
  private final BorderPane desk = new BorderPane();
  private final Sheets sheets = new Sheets();
  private final Rail rail;
  private final Commands commands;
  private final CommandSheet commandSheet;
  private final List<OpenStation> stations;
  private final Map<Station, Node> made = new EnumMap<>(Station.class);
  private final Node ladder;

  /** Whether the ladder is to be seen; null for as the width has it. */
  private @Nullable Boolean ladderAsked;

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
    context
        .units()
        .subscribe(units -> {
          Language.measure(units::inProse);
          SpokenScene.again();
        });
    this.stations = stations;
    ladder = LadderColumn.of(context, rail.stationProperty()::set, executor);
    desk.setLeft(rail.node());
    List<Command> all = new ArrayList<>(WindowCommands.stations(stations, rail.stationProperty()));
    all.addAll(more);
    all.addAll(WindowCommands.of(context, onSpace, this::fold));
    commands = new Commands(all);
    commandSheet = new CommandSheet(sheets, commands);
    root.setCenter(new StackPane(desk, sheets));
    MessagePlace messages = new MessagePlace(context.work(), rail.stationProperty());
    root.setBottom(new VBox(messages, new StatusBar(context, this::showCommands).node()));
    new Meanings(root, messages::explain).follow();
    HelpSheet help = new HelpSheet(sheets, commands);
    context
        .help()
        .subscribe((before, page) -> {
          if (page.equals("words")) {
            help.openWords("");
          } else if (!page.isEmpty()) {
            help.open(page);
          }
        });
    context
        .asked()
        .subscribe((before, now) -> {
          if (!isLadderShown() && now.get().isPresent()) {
            fold(); // the answer stands beside the ladder
          }
        });
    rail.stationProperty()
        .subscribe(station -> {
          if (desk.getCenter() == ladder) {
            ladderAsked = null; // who goes to a station wants to see it
          }
          arrange();
        });
    desk.widthProperty().subscribe(width -> arrange());
    keys(context, onSpace);
    menus(context.work());
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

  /** Lays all commands over the stations. */
  public void showCommands() {
    commandSheet.open();
  }

  /** Folds the ladder away or shows it; in a narrow window it takes the station's place. */
  private void fold() {
    ladderAsked = !isLadderShown();
    arrange();
  }

  private boolean isLadderShown() {
    return desk.getRight() == ladder || desk.getCenter() == ladder;
  }

  /** Gives the parts their places, as far as the width goes. */
  private void arrange() {
    double width = desk.getWidth();
    boolean beside = width == 0 || width >= LADDER_FROM;
    rail.setNarrow(width > 0 && width < RAIL_FROM);
    boolean shown = beside ? !Boolean.FALSE.equals(ladderAsked) : Boolean.TRUE.equals(ladderAsked);
    desk.setRight(null);
    desk.setCenter(null);
    desk.setCenter(shown && !beside ? ladder : station());
    desk.setRight(shown && beside ? ladder : null);
  }

  private Node station() {
    return made.computeIfAbsent(rail.stationProperty().get(), s -> view(stations, s));
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
    root.addEventFilter(
        KeyEvent.KEY_PRESSED,
        e -> {
          if (e.getCode() == KeyCode.ESCAPE && sheets.openProperty().get()) {
            e.consume();
            sheets.close();
          } else {
            space(context, onSpace, e);
          }
        });
    root.addEventHandler(
        KeyEvent.KEY_PRESSED,
        e -> {
          if (e.getCode() == KeyCode.ENTER && e.getTarget() instanceof ButtonBase button) {
            e.consume();
            button.fire();
          }
          Optional<Command> found = commands.on(e);
          if (found.isPresent() && !sheets.openProperty().get()) {
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

  /** Pictures and tables have a menu of what can be taken out of them. */
  private void menus(Work work) {
    root.addEventHandler(
        ContextMenuEvent.CONTEXT_MENU_REQUESTED,
        e -> {
          Node at =
              e.isKeyboardTrigger()
                  ? root.getScene().getFocusOwner()
                  : e.getPickResult().getIntersectedNode();
          CopyMenu.at(at, work::wrote, work::warn)
              .ifPresent(menu -> {
                menu.setAutoHide(true);
                menu.show(root, e.getScreenX(), e.getScreenY());
                e.consume();
              });
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
