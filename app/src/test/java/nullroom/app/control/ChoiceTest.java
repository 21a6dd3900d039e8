package nullroom.app.control;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.layout.StackPane;
import nullroom.app.Fx;
import nullroom.core.book.Goal;
import org.junit.jupiter.api.BeforeAll;
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
}
