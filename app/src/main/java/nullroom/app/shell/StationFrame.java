package nullroom.app.shell;

import java.util.Locale;
import java.util.Optional;
import javafx.beans.value.ObservableValue;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nullroom.app.control.Fitted;
import nullroom.app.words.SpokenScene;

/**
 * What all stations look like: the question, one sentence, one main picture, what it means, one
 * action; all of it scrolls where the window is too small for it.
 */
public final class StationFrame {
  private StationFrame() {}

  /**
   * Builds a station.
   *
   * @param station whose question stands on top
   * @param say its words: the answer under the question, the meaning under the picture
   * @param picture the main picture, which takes the space
   * @param controls the station's controls and its one action
   * @param context whose work is shown, and who is asked why
   */
  public static Region of(
      Station station, StationText say, Node picture, Node controls, StationContext context) {
    Label question = new Label(station.question());
    question.getStyleClass().add("question");
    Label said = wrapped("answer", say.answer());
    said.setId("answer");
    HBox.setHgrow(said, Priority.ALWAYS);
    said.setMaxWidth(Double.MAX_VALUE);
    Button why = new Button("why?");
    why.setId("ask-why");
    why.setMinWidth(Region.USE_PREF_SIZE);
    why.getStyleClass().add("plain");
    why.setAccessibleText("why: where " + station.label() + " has its figure from");
    why.setOnAction(e -> context.asked().set(() -> Optional.of(say.why().get())));
    Button help = new Button("help");
    help.setId("help-" + station.label().toLowerCase(Locale.ROOT));
    help.setMinWidth(Region.USE_PREF_SIZE);
    help.getStyleClass().addAll("plain", "link");
    why.getStyleClass().add("link");
    help.setAccessibleText("help on " + station.label());
    help.setOnAction(e -> context.showHelp(station.label().toLowerCase(Locale.ROOT)));
    HBox answer = new HBox(4, said, why, help);
    answer.setAlignment(Pos.BASELINE_LEFT);
    Label means = wrapped("meaning", say.meaning());
    VBox box = new VBox(question, answer, picture, means, controls);
    VBox.setVgrow(picture, Priority.ALWAYS);
    box.getStyleClass().add("station");
    return new Fitted(box);
  }

  private static Label wrapped(String styleClass, ObservableValue<String> text) {
    Label label = new Label();
    label.textProperty().bind(SpokenScene.said(text.when(label.sceneProperty().isNotNull())));
    label.setWrapText(true);
    label.setMinHeight(Region.USE_PREF_SIZE);
    label.getStyleClass().add(styleClass);
    return label;
  }
}
