package nullroom.app.level;

import static nullroom.core.plan.VoiceQuantity.FALL;
import static nullroom.core.plan.VoiceQuantity.FALL_BY_GEOMETRY;
import static nullroom.core.plan.VoiceQuantity.MOVED;
import static nullroom.core.plan.VoiceQuantity.SPREAD;
import static nullroom.core.plan.VoiceQuantity.TONE_BY_GEOMETRY;
import static nullroom.core.plan.VoiceQuantity.TONE_FALL;

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
import nullroom.core.plan.VoiceReasons;
import nullroom.core.plan.Why;
import nullroom.core.predict.Origin;

/** What moving while speaking does to level and tone, beside what the geometry says. */
final class LeanPage {
  private final LeanModel model;
  private final TakePlot course = new TakePlot();
  private final FigureTable figures;
  private final Label words = new Wrapped("", "answer");
  private final Button describe = new Button("Describe it so");
  private final VBox picture;
  private final PageParts parts;

  LeanPage(LeanModel model, StationContext context) {
    this.model = model;
    figures = new FigureTable("lean-figures", context.asked()::set);
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
    leaning.ifPresent(l -> heard.ifPresent(h -> showFigures(l, h)));
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

  private void showFigures(Leaning l, LeanModel.Heard heard) {
    Origin origin = Origin.heard(heard.simulated(), heard.taken());
    LeanReport measured = l.measured();
    figures.show(
        List.of("", "heard", "by geometry"),
        List.of(
            List.of(
                FALL.label(),
                figure(VoiceReasons.heard(FALL, -measured.fallDb(), origin)),
                figure(VoiceReasons.geometry(FALL_BY_GEOMETRY, -l.predictedFallDb(), l))),
            List.of(
                TONE_FALL.label(),
                figure(VoiceReasons.heard(TONE_FALL, -measured.toneFallDb(), origin)),
                figure(VoiceReasons.geometry(TONE_BY_GEOMETRY, -l.predictedToneDb(), l))),
            List.of(
                SPREAD.label(),
                figure(VoiceReasons.heard(SPREAD, measured.spreadDb(), origin)),
                ""),
            List.of(
                MOVED.label(), figure(VoiceReasons.heard(MOVED, measured.movedDb(), origin)), "")));
  }

  private static FigureTable.Figure figure(Why why) {
    return new FigureTable.Figure(why.figure(), () -> Optional.of(why));
  }
}
