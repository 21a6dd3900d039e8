package nullroom.app.shell;

import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
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
  private Supplier<Optional<Why>> asked = Optional::empty;

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

  /**
   * Answers a question.
   *
   * @param question gives the answer for the book as it is; empty once there is none any more
   */
  void ask(Supplier<Optional<Why>> question) {
    asked = question;
    refresh();
  }

  /** Answers anew what was asked last, unless it was put away. */
  void refresh() {
    asked.get().ifPresentOrElse(this::show, this::hide);
  }

  private void show(Why why) {
    heading.setText("Why " + why.of() + "?");
    List<String> all = why.lines();
    lines.getChildren().setAll(all.stream().map(l -> new Wrapped(l, "why-line")).toList());
    box.setAccessibleText(String.join(". ", all));
    shown(true);
  }

  private void hide() {
    asked = Optional::empty;
    shown(false);
  }

  private void shown(boolean card) {
    box.setVisible(card);
    box.setManaged(card);
    instead.setVisible(!card);
    instead.setManaged(!card);
  }
}
