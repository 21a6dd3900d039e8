package nullroom.app.level;

import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import nullroom.app.control.Choice;
import nullroom.app.control.NumberField;
import nullroom.app.control.Row;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.app.words.SpokenScene;
import nullroom.core.book.Knob;

/** The dial of the preamp in the user's own marks, and how it is learnt. */
final class KnobRow {
  private static final double WORDS_WIDTH = 300;

  private final Row node;
  private double mark;

  KnobRow(LevelModel level, StationContext context) {
    KnobModel model = level.knob();
    Choice<Knob.Marks> marks =
        new Choice<>(
            "dial-marks",
            "what stands on your dial",
            List.of(Knob.Marks.values()),
            KnobRow::words,
            m -> {});
    marks.show(model.knob().map(Knob::marks).orElse(Knob.Marks.NUMBERS));
    mark = model.knob().map(Knob::mark).orElse(5.0);
    NumberField at = new NumberField("at", "", -1000, 1000, m -> mark = m);
    at.show(mark);
    Button hear = new Button("Hear it here");
    hear.setId("dial-hear");
    hear.disableProperty().bind(context.work().runningProperty());
    hear.setOnAction(e -> model.hear(marks.getValue(), mark));
    Button forget = new Button("Forget");
    forget.setId("dial-forget");
    forget.getStyleClass().add("plain");
    forget.setOnAction(e -> model.forget());
    Label words = new Wrapped("", "soft");
    words.setId("dial-words");
    words.setPrefWidth(WORDS_WIDTH);
    words.textProperty().bind(SpokenScene.said(model.nextProperty()));
    node = new Row(new Label("Your dial:"), marks, at, hear, forget, words);
    node.getStyleClass().add("tight");
  }

  private static String words(Knob.Marks marks) {
    return switch (marks) {
      case NUMBERS -> "numbers";
      case CLOCK -> "as on a clock, 7 to 17";
      case STEPS -> "steps of a menu";
    };
  }

  Row node() {
    return node;
  }
}
