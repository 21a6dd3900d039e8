package nullroom.app.shell;

import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.VBox;
import nullroom.app.control.Wrapped;
import nullroom.core.plan.Why;

/** The answer to "why?", in the place of the next move until it is put away. */
final class WhyCard {
  /** Of any answer, so that the ladder above stands still. */
  private static final double LINES_HEIGHT = 170;

  private final Label heading = new Label();
  private final VBox lines = new VBox(3);
  private final Button away = new Button("Put away");
  private final VBox box;
  private final Node instead;
  private Optional<String> asked = Optional.empty();

  /**
   * A card that nobody has asked yet.
   *
   * @param instead what stands in its place then
   */
  WhyCard(Node instead) {
    this.instead = instead;
    heading.getStyleClass().add("heading");
    away.getStyleClass().add("plain");
    away.setId("why-away");
    away.setOnAction(e -> hide());
    ScrollPane scroll = new ScrollPane(lines);
    scroll.setFitToWidth(true);
    scroll.getStyleClass().add("why-lines");
    scroll.setPrefViewportHeight(LINES_HEIGHT);
    scroll.setMinViewportHeight(LINES_HEIGHT / 2);
    box = new VBox(4, heading, scroll, away);
    box.setId("why");
    box.getStyleClass().add("next-move");
    box.setOnKeyPressed(e -> {
      if (e.getCode() == KeyCode.ESCAPE) {
        hide();
        e.consume();
      }
    });
    hide();
  }

  Node node() {
    return box;
  }

  /** Answers. */
  void show(Why why) {
    asked = Optional.of(why.of());
    heading.setText("Why " + why.of() + "?");
    lines.getChildren().clear();
    List<String> all = why.lines();
    all.forEach(line -> lines.getChildren().add(new Wrapped(line, "why-line")));
    box.setAccessibleText(String.join(". ", all));
    shown(true);
  }

  /** Answers anew what was asked last, while that is shown. */
  void refresh(List<Why> now) {
    asked.ifPresent(of ->
        now.stream()
            .filter(w -> w.of().equals(of))
            .findFirst()
            .ifPresentOrElse(this::show, this::hide));
  }

  private void hide() {
    asked = Optional.empty();
    shown(false);
  }

  private void shown(boolean card) {
    box.setVisible(card);
    box.setManaged(card);
    instead.setVisible(!card);
    instead.setManaged(!card);
  }
}
