package nullroom.app.control;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import nullroom.app.Fx;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

class FittedTest {
  @BeforeAll
  static void toolkit() {
    Fx.start();
  }

  @Test
  void aPageFillsItsPlaceAndScrollsWhereThatIsTooSmall() {
    Region page = new Region();
    page.setMinSize(200, 500);
    Fitted fitted = Fx.on(() -> new Fitted(page));
    Fx.show(fitted, 300, 800);
    assertThat(page.getHeight()).as("room to spare").isGreaterThan(750);
    Fx.run(() -> fitted.setContent(new Region()));
    Fitted small = Fx.on(() -> new Fitted(page));
    Fx.show(small, 300, 300);
    assertThat(page.getHeight()).as("no less than it needs").isEqualTo(500);
    assertThat(small.getHeight()).isLessThanOrEqualTo(300);
  }

  @Test
  void keysOfTheWindowPassThroughIt() {
    Region page = new Region();
    Fitted fitted = Fx.on(() -> new Fitted(page));
    StackPane window = new StackPane(fitted);
    List<KeyCode> heard = new ArrayList<>();
    Fx.show(window, 300, 300);
    Fx.run(() -> window.addEventHandler(KeyEvent.KEY_PRESSED, e -> heard.add(e.getCode())));
    for (KeyCode key : List.of(KeyCode.SPACE, KeyCode.LEFT, KeyCode.DOWN, KeyCode.Z)) {
      Fx.run(() ->
          page.fireEvent(
              new KeyEvent(KeyEvent.KEY_PRESSED, "", "", key, false, false, false, false)));
    }
    assertThat(heard).containsExactly(KeyCode.SPACE, KeyCode.LEFT, KeyCode.DOWN, KeyCode.Z);
  }
}
