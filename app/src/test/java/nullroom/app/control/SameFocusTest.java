package nullroom.app.control;

import static org.assertj.core.api.Assertions.assertThat;

import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import nullroom.app.Fx;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class SameFocusTest {
  private final VBox rows = new VBox();
  private final VBox all = new VBox(rows, new Button("outside"));

  @BeforeAll
  static void toolkit() {
    Fx.start();
  }

  private void fill(String prefix) {
    rows.getChildren()
        .setAll(
            new HBox(new Label("one"), new TextField(prefix + " a"), new Button("x")),
            new HBox(new Label("two"), new TextField(prefix + " b"), new Button("y")));
  }

  private static String focused(Scene scene) {
    Fx.run(() -> {}); // what was asked for later has come
    return Fx.on(() ->
        switch (scene.getFocusOwner()) {
          case TextField field -> field.getText();
          case Button button -> button.getText();
          case null, default -> "";
        });
  }

  @Test
  @DisplayName("rows made anew keep the keyboard at the same stop; outside it stays where it is")
  void kept() {
    Fx.run(() -> fill("old"));
    Scene scene = Fx.show(all, 300, 200);
    Fx.run(() -> ((HBox) rows.getChildren().get(1)).getChildren().get(1).requestFocus());
    assertThat(focused(scene)).isEqualTo("old b");
    Fx.run(() -> SameFocus.through(rows, () -> fill("new")));
    assertThat(focused(scene)).isEqualTo("new b");
    Fx.run(() -> all.getChildren().get(1).requestFocus());
    Fx.run(() -> SameFocus.through(rows, () -> fill("newest")));
    assertThat(focused(scene)).isEqualTo("outside");
  }

  @Test
  @DisplayName("a form is folded away and takes no space, and comes back")
  void folds() {
    Label form = new Label("form");
    FoldAway away = Fx.on(() -> new FoldAway("the form", form));
    assertThat(Fx.on(away::getText)).isEqualTo("Fold away the form");
    Fx.run(away::fire);
    assertThat(form.isVisible()).isFalse();
    assertThat(form.isManaged()).isFalse();
    assertThat(Fx.on(away::getText)).isEqualTo("Show the form");
    Fx.run(away::fire);
    assertThat(form.isManaged()).isTrue();
  }
}
