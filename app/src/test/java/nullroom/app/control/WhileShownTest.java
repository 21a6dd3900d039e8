package nullroom.app.control;

import static org.assertj.core.api.Assertions.assertThat;

import javafx.beans.property.SimpleIntegerProperty;
import javafx.scene.Scene;
import javafx.scene.layout.StackPane;
import nullroom.app.Fx;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

class WhileShownTest {
  private final SimpleIntegerProperty state = new SimpleIntegerProperty();
  private final SimpleIntegerProperty other = new SimpleIntegerProperty();
  private int refreshed;

  @BeforeAll
  static void toolkit() {
    Fx.start();
  }

  @Test
  void aHiddenPageIsBroughtUpToDateOnceWhenItIsShownAgain() {
    StackPane page = new StackPane();
    StackPane window = new StackPane();
    new Scene(window);
    WhileShown.follow(page, () -> refreshed++, state, other);
    assertThat(refreshed).as("what it shows at first is its own affair").isZero();
    for (int i = 1; i < 9; i++) {
      state.set(i);
    }
    assertThat(refreshed).as("nobody looks").isZero();
    window.getChildren().setAll(page);
    assertThat(refreshed).isEqualTo(1);
    state.set(20);
    other.set(1);
    assertThat(refreshed).as("with every change while it is looked at").isEqualTo(3);
    window.getChildren().clear();
    window.getChildren().setAll(page);
    assertThat(refreshed).as("nothing has changed meanwhile").isEqualTo(3);
  }
}
