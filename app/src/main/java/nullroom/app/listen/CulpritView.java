package nullroom.app.listen;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import nullroom.app.control.Choice;
import nullroom.app.control.FilePick;
import nullroom.app.control.LevelRows;
import nullroom.app.control.Row;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.PageParts;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.book.Suspect;
import nullroom.core.measure.noise.Culprits;
import nullroom.core.measure.noise.Scale;
import nullroom.core.room.NearMicrophone;

/** The culprit board. */
final class CulpritView {
  private static final List<Double> DISTANCES = List.of(0.3, 0.5, 0.8, 1.2, 1.8, 2.5);

  private static final double NAME_WIDTH = 130;
  private static final double HEAR_WIDTH = 116;

  private final CulpritModel model;
  private final StationContext context;
  private final LevelRows rows = new LevelRows("No suspect was heard on and off yet.");
  private final VBox board = new VBox(6);
  private final PageParts parts;

  CulpritView(CulpritModel model, StationContext context) {
    this.model = model;
    this.context = context;
    rows.setAsks(context.asked()::set, model::why);
    VBox picture = new VBox(10, rows, board);
    WhileShown.follow(picture, this::refresh, context.session().bookProperty());
    refresh();
    parts = new PageParts(picture, controls());
  }

  PageParts parts() {
    return parts;
  }

  private void refresh() {
    Optional<Culprits> found = model.board();
    Optional<Scale> scale = model.scale();
    double offset = scale.map(Scale::fullScaleDbSpl).orElse(0.0);
    List<LevelRows.Row> bars = new ArrayList<>();
    found.ifPresent(b -> {
      double total = model.totalDbfsA(b) + offset;
      bars.add(
          new LevelRows.Row(
              CulpritModel.ALL,
              total,
              0,
              model.allKind(),
              Words.level(total - offset, scale),
              "",
              "noise-bar"));
      for (Culprits.Culprit c : b.order()) {
        bars.add(
            new LevelRows.Row(
                c.name(),
                c.own().levelDbA() + offset,
                0,
                model.origin(c),
                model.own(c),
                Figures.say(
                    "alone off %.1f dB quieter, with those above %.1f dB",
                    c.aloneDb(), c.togetherDb()),
                "now-bar",
                model.spectrum(c)));
      }
    });
    rows.show(
        scale.isPresent() ? "own level at the microphone, dBA" : "own level, dBFS A",
        bars,
        found.map(b -> new LevelRows.Line(CulpritModel.ALL, model.totalDbfsA(b) + offset)));
    board.getChildren().clear();
    model.suspects().forEach(suspect -> board.getChildren().add(row(suspect)));
  }

  private Row row(Suspect suspect) {
    Label name = new Label(suspect.name());
    name.getStyleClass().add("field-name");
    name.setMinWidth(NAME_WIDTH);
    CheckBox off =
        new CheckBox(suspect.owed() ? "off: tick away when it is on again" : "switched off now");
    off.setId("off-" + suspect.name());
    off.setSelected(suspect.switchedOff());
    off.setOnAction(e -> model.switchOff(suspect, off.isSelected()));
    if (suspect.owed()) {
      off.getStyleClass().add("owed");
    }
    Button remove = new Button("acquit");
    remove.getStyleClass().add("plain");
    remove.setOnAction(e -> context.work().attempt(() -> model.remove(suspect), this::refresh));
    return new Row(
        name,
        hear(suspect, true),
        hear(suspect, false),
        files(suspect),
        place(suspect),
        off,
        remove);
  }

  private Button hear(Suspect suspect, boolean on) {
    boolean heard = (on ? suspect.on() : suspect.off()).isPresent();
    Button button = new Button((heard ? "✓ " : "") + (on ? "hear it on" : "hear it off"));
    button.setId((on ? "on-" : "hear-off-") + suspect.name());
    button.setMinWidth(HEAR_WIDTH);
    button.setOnAction(e -> model.listen(suspect, on));
    button.disableProperty().bind(context.work().runningProperty());
    return button;
  }

  private MenuButton files(Suspect suspect) {
    MenuButton button = new MenuButton("from a file");
    button.setId("file-" + suspect.name());
    button
        .getItems()
        .setAll(
            pick(button, "of it on", file -> model.open(file, suspect, true)),
            pick(button, "of it off", file -> model.open(file, suspect, false)),
            pick(button, "in which it is switched", file -> model.open(file, suspect)));
    button.disableProperty().bind(context.work().runningProperty());
    return button;
  }

  private static MenuItem pick(MenuButton owner, String words, Consumer<Path> open) {
    MenuItem item = new MenuItem(words);
    item.setOnAction(e -> FilePick.choose(owner, open));
    return item;
  }

  /** Where it stands, as seen from the microphone. */
  private Choice<Optional<NearMicrophone>> place(Suspect suspect) {
    List<Optional<NearMicrophone>> choices = new ArrayList<>(List.of(Optional.empty()));
    for (NearMicrophone.Side side : NearMicrophone.Side.values()) {
      DISTANCES.forEach(m -> choices.add(Optional.of(new NearMicrophone(side, m))));
    }
    Choice<Optional<NearMicrophone>> place =
        new Choice<>(
            "place-" + suspect.name(),
            "where the " + suspect.name() + " stands",
            choices,
            chosen ->
                chosen
                    .map(p -> Figures.say("%.1f m %s", p.metres(), p.side().label()))
                    .orElse("all around"),
            chosen -> context.work().attempt(() -> model.place(suspect, chosen), this::refresh));
    place.show(null);
    model
        .distanceMetres(suspect)
        .ifPresentOrElse(
            metres -> place.setPromptText(Figures.say("%.1f m away", metres)),
            () -> place.show(Optional.empty()));
    place.setDisable(suspect.pair().isEmpty());
    return place;
  }

  private VBox controls() {
    TextField name = new TextField();
    name.setId("suspect-name");
    name.setPromptText("another suspect");
    name.setAccessibleText("name of a suspect");
    CheckBox needed = new CheckBox("must be on again afterwards");
    Button add = new Button("Put it on the board");
    add.setId("suspect");
    add.getStyleClass().add("action");
    Runnable put =
        () ->
            context
                .work()
                .attempt(
                    () -> {
                      model.add(Suspect.of(name.getText(), needed.isSelected()));
                      name.clear();
                      needed.setSelected(false);
                    },
                    this::refresh);
    add.setOnAction(e -> put.run());
    name.setOnAction(e -> put.run());
    Row row = new Row(name, needed, add);
    Row usual = new Row();
    Runnable show =
        () -> {
          usual.getChildren().setAll(new Label("Usual ones:"));
          for (Suspect suspect : model.usualLeft()) {
            Button button = new Button(suspect.name());
            button.getStyleClass().add("plain");
            button.setId("usual-" + suspect.name().replace(' ', '-'));
            button.setOnAction(
                e -> context.work().attempt(() -> model.add(suspect), this::refresh));
            usual.getChildren().add(button);
          }
        };
    WhileShown.follow(usual, show, context.session().bookProperty());
    show.run();
    Label caution =
        new Wrapped(
            "Boilers, gas and fixed wiring are for their trades: use the switch meant for it, and nothing else. Switch fridges and"
                + " boilers on again.",
            "caution");
    return new VBox(6, usual, row, caution);
  }
}
