package nullroom.app.level;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nullroom.app.control.FigureTable;
import nullroom.app.control.FilePick;
import nullroom.app.control.Row;
import nullroom.app.control.TakePlot;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.PageParts;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.measure.take.TakeChannel;
import nullroom.core.measure.voice.LeanReport;
import nullroom.core.measure.voice.LeanTest;
import nullroom.core.plan.Leaning;

/** What moving while speaking does to level and tone, beside what the geometry says. */
final class LeanPage {
  private final LeanModel model;
  private final TakePlot course = new TakePlot();
  private final FigureTable figures = new FigureTable("lean-figures");
  private final Label words = new Wrapped("", "answer");
  private final Button describe = new Button("Describe it so");
  private final VBox picture;
  private final PageParts parts;

  LeanPage(LeanModel model, StationContext context) {
    this.model = model;
    words.setId("lean-words");
    Label how =
        new Wrapped(
            "Speak on for twenty seconds, counting aloud does: sit still for the first five, then lean, turn and gesture as you do when you forget the microphone.",
            "note");
    picture = new VBox(10, how, words, figures, course);
    VBox.setVgrow(course, Priority.ALWAYS);
    picture.getStyleClass().add("pictures");
    Button record = new Button("Begin");
    record.setId("lean-record");
    record.getStyleClass().add("action");
    record.setOnAction(e -> model.record());
    describe.setId("lean-describe");
    describe.setOnAction(e -> model.describe());
    Button open = FilePick.button(model::open);
    for (Button b : List.of(record, open)) {
      b.disableProperty().bind(context.work().runningProperty());
    }
    parts = new PageParts(picture, new Row(record, open, describe));
    WhileShown.follow(
        picture, this::refresh, model.heardProperty(), context.session().bookProperty());
    refresh();
  }

  PageParts parts() {
    return parts;
  }

  private void refresh() {
    Optional<LeanModel.Heard> heard = model.heardProperty().get();
    Optional<Leaning> leaning = model.leaning();
    boolean acted = heard.filter(LeanModel.Heard::simulated).isPresent();
    words.setText(
        leaning
            .map(l -> (acted ? "The simulated voice sits still. " : "") + l.sentence())
            .orElse(""));
    describe.setDisable(leaning.filter(l -> !l.asPredicted() && l.explained()).isEmpty());
    figures.setVisible(heard.isPresent());
    figures.setManaged(heard.isPresent());
    leaning.ifPresent(this::showFigures);
    heard.ifPresent(h -> {
      course.show(
          h.frames(),
          TakeChannel.FRAME_SECONDS,
          Double.NaN,
          h.report().worst().stream().map(LeanPage::flag).toList());
      double all = h.frames().length * TakeChannel.FRAME_SECONDS;
      course.setSpans(
          List.of(
              new TakePlot.Span(0, LeanTest.STILL_SECONDS, "still"),
              new TakePlot.Span(LeanTest.STILL_SECONDS, all, "moving")));
    });
  }

  private static TakePlot.Flag flag(LeanReport.Worst worst) {
    return new TakePlot.Flag(
        worst.seconds(), Figures.say("%+.1f dB, highs %+.1f dB", worst.levelDb(), worst.toneDb()));
  }

  private void showFigures(Leaning l) {
    figures.show(
        List.of("", "heard", "by geometry"),
        List.of(
            List.of("softest", db(l.measured().fallDb()), db(l.predictedFallDb())),
            List.of("highs at the dullest", db(l.measured().toneFallDb()), db(l.predictedToneDb())),
            List.of(
                "spread from second to second",
                Figures.say("%.1f dB", l.measured().spreadDb()),
                ""),
            List.of("of it by moving", Figures.say("%.1f dB", l.measured().movedDb()), "")));
  }

  private static String db(double fall) {
    return Figures.say("−%.1f dB", fall);
  }
}
