package nullroom.app.listen;

import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nullroom.app.control.Row;
import nullroom.app.control.Timeline;
import nullroom.app.control.WhileShown;
import nullroom.app.shell.PageParts;
import nullroom.app.shell.StationContext;
import nullroom.app.words.Language;
import nullroom.core.Figures;
import nullroom.core.measure.noise.Scale;
import nullroom.core.measure.noise.SecondLevels;
import nullroom.core.measure.noise.Survey;

/** The watch over hours. */
final class NightView {
  /** Eight hours and their heading; more can be scrolled to. */
  private static final double TABLE_HEIGHT = 190;

  private final Timeline timeline = new Timeline();
  private final GridPane hours = new GridPane();
  private final PageParts parts;

  NightView(NightModel model, StationContext context) {
    hours.getStyleClass().add("table");
    ScrollPane table = new ScrollPane(hours);
    table.setFitToWidth(true);
    table.setMaxHeight(TABLE_HEIGHT);
    table.setMinHeight(Region.USE_PREF_SIZE);
    VBox picture = new VBox(10, timeline, table);
    VBox.setVgrow(timeline, Priority.ALWAYS);
    timeline.setMinHeight(200);
    Runnable night = () -> model.nightProperty().get().ifPresent(this::show);
    WhileShown.follow(picture, night, model.nightProperty());
    night.run();
    parts = new PageParts(picture, controls(model, context));
  }

  PageParts parts() {
    return parts;
  }

  private void show(Night night) {
    double offset = night.scale().map(Scale::fullScaleDbSpl).orElse(0.0);
    boolean known = night.limitDbfs() > SecondLevels.NOTHING_DBFS;
    timeline.show(
        new Timeline.Content(
            night.survey(),
            night.spoilers(),
            offset,
            known ? night.limitDbfs() + offset : Double.NaN,
            night.scale().isPresent() ? "A-level, dB SPL" : "A-level, dBFS",
            night::clockSeconds));
    hours.getChildren().clear();
    String[] names = {
      "from", "mean", "quiet (L90)", "broke in", "spoilers", "clean five-minute takes"
    };
    for (int c = 0; c < names.length; c++) {
      Label name = new Label(names[c]);
      name.setMinWidth(Region.USE_PREF_SIZE);
      name.getStyleClass().add("table-head");
      hours.add(name, c, 0);
    }
    int row = 1;
    for (Survey.Hour h : night.hours()) {
      boolean best = night.best().filter(h::equals).isPresent();
      String[] cells = {
        night.clock(h.startSeconds()),
        Words.level(h.laeqDbfs(), night.scale()),
        Words.level(h.la90Dbfs(), night.scale()),
        String.valueOf(h.intrusions()),
        String.valueOf(h.spoilers()),
        Figures.say("%.0f %%%s", 100 * h.cleanShare(), best ? "   best" : "")
      };
      for (int c = 0; c < cells.length; c++) {
        Label cell = new Label(cells[c]);
        cell.getStyleClass().addAll("cell", best ? "chosen" : "plain-cell");
        hours.add(cell, c, row);
      }
      row++;
    }
  }

  private static VBox controls(NightModel model, StationContext context) {
    Button start = new Button();
    start.setId("survey");
    start.getStyleClass().add("action");
    start
        .textProperty()
        .bind(
            model
                .runningProperty()
                .map(on -> Language.say(on ? "End the survey" : "Begin a survey")));
    start.setOnAction(e -> {
      if (model.runningProperty().get()) {
        model.stop();
      } else {
        context.work().attempt(model::start, () -> {});
      }
    });
    Button resume = new Button("Go on with the one that broke off");
    resume.setId("resume");
    resume.setOnAction(e -> context.work().attempt(model::resume, () -> {}));
    Runnable show =
        () -> {
          resume.setVisible(model.brokenOff().isPresent());
          resume.setManaged(resume.isVisible());
        };
    CheckBox sound = new CheckBox("keep the sound around what breaks in");
    sound.selectedProperty().bindBidirectional(model.keepSoundProperty());
    sound.disableProperty().bind(model.runningProperty());
    Label hint = new Label("wheel or + − zooms, drag or arrows move, 0 shows all");
    hint.getStyleClass().add("soft");
    for (Region control : List.of(start, resume, sound)) {
      control.setMinWidth(Region.USE_PREF_SIZE);
    }
    Row row = new Row(start, resume, sound);
    WhileShown.follow(row, show, context.session().bookProperty(), model.runningProperty());
    show.run();
    return new VBox(6, hint, row);
  }
}
