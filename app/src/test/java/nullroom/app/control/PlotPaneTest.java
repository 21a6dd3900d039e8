package nullroom.app.control;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Tooltip;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import javafx.scene.text.TextAlignment;
import nullroom.app.Fx;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Shapes are kept from drawing to drawing and look as if they had been made anew. */
class PlotPaneTest {
  private List<String> names = List.of("a", "b");
  private String style = "bar";
  private boolean hints = true;
  private boolean grid = true;
  private final Rectangle own = new Rectangle();
  private PlotPane pane;

  @BeforeAll
  static void toolkit() {
    Fx.start();
  }

  @BeforeEach
  void show() {
    pane =
        Fx.on(() ->
            new PlotPane("test-plot") {
              @Override
              protected void draw(double width, double height) {
                if (grid) {
                  line(0, names.size(), width, names.size(), "grid");
                }
                for (String name : names) {
                  Rectangle bar = rectangle(names.indexOf(name), 1, 10, name.length(), style);
                  if (hints) {
                    hint(bar, "hint of " + name);
                  }
                  text(name, 20, 5, TextAlignment.LEFT, "figure");
                }
                putOwn(own);
              }
            });
    Fx.show(pane, 300, 200);
  }

  private List<Node> drawn() {
    Fx.run(() -> {
      pane.redraw();
      pane.layout();
    });
    return Fx.on(() -> List.copyOf(pane.getChildren()));
  }

  private static String hintOf(Node node) {
    return node.getUserData() instanceof Tooltip tip ? tip.getText() : "";
  }

  @Test
  void theSameDrawingKeepsItsShapesAndMovesThem() {
    List<Node> before = drawn();
    assertThat(before).hasSize(6);
    names = List.of("ccc", "d");
    List<Node> after = drawn();
    assertThat(after).usingElementComparator((x, y) -> x == y ? 0 : 1).isEqualTo(before);
    assertThat(((Rectangle) after.get(1)).getHeight()).isEqualTo(3);
    assertThat(((Text) after.get(2)).getText()).isEqualTo("ccc");
    assertThat(hintOf(after.get(1))).isEqualTo("hint of ccc");
  }

  @Test
  void anotherLookIsAnotherShapeAndFewerLeaveNoneBehind() {
    List<Node> before = drawn();
    style = "spoiler";
    List<Node> after = drawn();
    assertThat(after).hasSize(6);
    assertThat(after.get(1)).isNotSameAs(before.get(1));
    assertThat(after.get(1).getStyleClass()).containsExactly("spoiler");
    assertThat(after.get(2)).as("text stays").isSameAs(before.get(2));
    names = List.of("a");
    assertThat(drawn()).hasSize(4).last().isSameAs(own);
    grid = false;
    assertThat(drawn()).hasSize(3).noneMatch(n -> n instanceof Line).last().isSameAs(own);
    grid = true;
    names = List.of("a", "b", "c");
    assertThat(drawn()).hasSize(8).last().isSameAs(own);
  }

  @Test
  void aHintThatIsNotToldAgainIsGone() {
    assertThat(hintOf(drawn().get(1))).isEqualTo("hint of a");
    hints = false;
    assertThat(drawn()).allSatisfy(n -> assertThat(hintOf(n)).isEmpty());
    hints = true;
    assertThat(hintOf(drawn().get(3))).isEqualTo("hint of b");
  }
}
