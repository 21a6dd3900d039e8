package nullroom.app.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import nullroom.app.control.SameFocus;
import nullroom.core.book.RoomBook;

/** What to do first in a new book, each step leading to its station; gone once it is done. */
final class FirstSteps {
  private record Step(Station station, String words, boolean done) {}

  private final VBox box = new VBox(2);
  private final Consumer<Station> go;

  FirstSteps(BookSession session, Consumer<Station> go) {
    this.go = go;
    box.setId("first-steps");
    box.managedProperty().bind(box.visibleProperty());
    session.bookProperty().subscribe(this::show);
  }

  private static List<Step> steps(RoomBook book) {
    return List.of(
        new Step(Station.ROOM, "Say how large the room is", book.here().described()),
        new Step(Station.LISTEN, "Listen to its noise for ten seconds", book.noise().isPresent()),
        new Step(Station.RING, "Clap three times", book.decay().isPresent()),
        new Step(Station.LEVEL, "Speak your loudest line", book.levels().loudest().isPresent()));
  }

  private void show(RoomBook book) {
    List<Step> steps = steps(book);
    box.setVisible(steps.subList(0, 3).stream().anyMatch(s -> !s.done()));
    Label heading = new Label("First");
    heading.getStyleClass().add("heading");
    List<Node> lines = new ArrayList<>(List.of(heading));
    for (Step step : steps) {
      Button line = new Button((step.done() ? "✓ " : "○ ") + step.words());
      line.setId("first-" + step.station().name().toLowerCase(Locale.ROOT));
      line.getStyleClass().addAll("plain", "link");
      line.setWrapText(true);
      line.setDisable(step.done());
      line.setOnAction(e -> go.accept(step.station()));
      lines.add(line);
    }
    SameFocus.through(box, () -> box.getChildren().setAll(lines));
  }

  Node node() {
    return box;
  }
}
