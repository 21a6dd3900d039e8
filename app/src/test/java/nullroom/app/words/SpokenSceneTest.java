package nullroom.app.words;

import static org.assertj.core.api.Assertions.assertThat;

import javafx.beans.property.SimpleStringProperty;
import javafx.beans.value.ObservableValue;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import nullroom.app.Fx;
import nullroom.app.shell.Units;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class SpokenSceneTest {
  @BeforeEach
  void german() {
    Fx.start();
    Language.speak(Language.GERMAN);
  }

  @AfterEach
  void english() {
    Language.speak(Language.ENGLISH);
    Language.measure(text -> text);
  }

  @Test
  @DisplayName("what comes in later and what changes is said; what was typed is not touched")
  void followed() {
    Fx.run(() -> {
      VBox root = new VBox();
      SpokenScene.follow(root);
      Button button = new Button("Undo");
      button.setAccessibleText("Redo");
      VBox inner = new VBox(button);
      root.getChildren().add(inner);
      assertThat(button.getText()).isEqualTo("Rückgängig");
      assertThat(button.getAccessibleText()).isEqualTo("Wiederholen");
      button.setText("Redo");
      assertThat(button.getText()).isEqualTo("Wiederholen");
      TextField field = new TextField("Undo");
      field.setPromptText("search materials");
      inner.getChildren().add(field);
      assertThat(field.getText()).isEqualTo("Undo");
      assertThat(field.getPromptText()).isEqualTo("Materialien suchen");
    });
  }

  @Test
  @DisplayName("in other lengths all is said anew from what it was given, bound texts too")
  void again() {
    Fx.run(() -> {
      Label given = new Label("Blanket 1.5 × 2.0 m, 10 cm off the wall");
      Label bound = new Label();
      SimpleStringProperty source = new SimpleStringProperty("10 cm");
      ObservableValue<String> said = SpokenScene.said(source);
      bound.textProperty().bind(said);
      SpokenScene.follow(new VBox(given, bound));
      assertThat(given.getText()).isEqualTo("Wolldecke 1.5 × 2.0 m, 10 cm vor der Wand");
      Language.measure(Units.FEET::inProse);
      SpokenScene.again();
      assertThat(given.getText()).isEqualTo("Wolldecke 4 ft 11 in × 6 ft 7 in, 4 in vor der Wand");
      assertThat(bound.getText()).isEqualTo("4 in");
      given.setText("");
      Language.measure(text -> text);
      SpokenScene.again();
      assertThat(given.getText()).isEmpty();
      assertThat(bound.getText()).isEqualTo("10 cm");
    });
  }
}
