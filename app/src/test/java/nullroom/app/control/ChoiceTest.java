package nullroom.app.control;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.StackPane;
import nullroom.app.Fx;
import nullroom.core.book.Goal;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class ChoiceTest {
  @BeforeAll
  static void toolkit() {
    Fx.start();
  }

  @Test
  void aChoiceTellsTheUserFromTheProgram() {
    List<Goal> chosen = new ArrayList<>();
    Choice<Goal> choice =
        Fx.on(() -> new Choice<>("goal", "goal", List.of(Goal.values()), Goal::label, chosen::add));
    Fx.show(new StackPane(choice), 300, 100);
    Fx.run(() -> choice.show(Goal.SUNG_DRY));
    assertThat(chosen).isEmpty();
    Fx.run(() -> choice.setValue(Goal.SPOKEN_CLOSE));
    assertThat(chosen).containsExactly(Goal.SPOKEN_CLOSE);
    assertThat(choice.getConverter().fromString("Sung, dry")).isEqualTo(Goal.SUNG_DRY);
    Fx.run(() -> choice.show(null));
    assertThat(choice.getConverter().toString(null)).isEqualTo("own figures");
    assertThat(chosen).hasSize(1);
  }

  @Test
  @DisplayName("what is typed into an open long list leaves the names that hold it")
  void found() {
    List<String> chosen = new ArrayList<>();
    List<String> names = new ArrayList<>(List.of("Wool curtain", "Wool felt", "Glass"));
    IntStream.range(0, 20).forEach(i -> names.add("Board " + i));
    Choice<String> choice = Fx.on(() -> new Choice<>("m", "material", names, n -> n, chosen::add));
    Fx.show(new StackPane(choice), 300, 100);
    Fx.run(() -> choice.show("Glass"));
    Fx.run(choice::show);
    type(choice, "wool fe");
    assertThat(Fx.on(() -> List.copyOf(choice.getItems()))).containsExactly("Wool felt");
    assertThat(chosen).isEmpty();
    Fx.run(() -> press(choice, KeyCode.BACK_SPACE));
    Fx.run(() -> press(choice, KeyCode.BACK_SPACE));
    assertThat(Fx.on(() -> List.copyOf(choice.getItems())))
        .containsExactly("Wool curtain", "Wool felt");
    Fx.run(() -> press(choice, KeyCode.ENTER));
    assertThat(chosen).containsExactly("Wool curtain");
    assertThat(Fx.on(() -> List.copyOf(choice.getItems()))).isEqualTo(names);
    Fx.run(choice::show);
    type(choice, "nothing like it");
    assertThat(Fx.on(() -> List.copyOf(choice.getItems()))).isEmpty();
    Fx.run(choice::hide);
    assertThat(Fx.on(choice::getValue)).isEqualTo("Wool curtain");
    assertThat(Fx.on(() -> List.copyOf(choice.getItems()))).isEqualTo(names);
    assertThat(chosen).hasSize(1);
  }

  private static void type(Choice<String> into, String text) {
    for (String c : text.split("")) {
      Fx.run(() ->
          into.fireEvent(
              new KeyEvent(
                  KeyEvent.KEY_TYPED, c, c, KeyCode.UNDEFINED, false, false, false, false)));
    }
  }

  private static void press(Choice<String> in, KeyCode code) {
    in.fireEvent(new KeyEvent(KeyEvent.KEY_PRESSED, "", "", code, false, false, false, false));
  }
}
