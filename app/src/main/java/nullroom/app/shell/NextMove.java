package nullroom.app.shell;

import java.util.List;
import java.util.Locale;
import java.util.concurrent.Executor;
import java.util.function.Function;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import nullroom.core.book.RoomBook;
import nullroom.core.plan.Adviser;
import nullroom.core.plan.Move;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.room.Room;

/**
 * The card under the ladder: the best next move, what it buys, and a button that tries it (undo
 * takes it back).
 */
final class NextMove {
  private final Label what = new Label();
  private final Label buys = new Label();
  private final Button tryIt = new Button("Try it in the model");
  private final VBox box = new VBox(heading(), what, buys, tryIt);

  NextMove(BookSession session, Executor executor) {
    box.getStyleClass().add("next-move");
    what.getStyleClass().add("move-name");
    what.setWrapText(true);
    buys.setWrapText(true);
    buys.getStyleClass().add("soft");
    tryIt.setId("try-move");
    Runnable ask =
        () -> {
          RoomBook book = session.book();
          long state = session.revisionProperty().get();
          Function<Room, Heard> hearing = session.hearing();
          executor.execute(() -> {
            List<Move> moves = Adviser.moves(book.room(), book.goal().targets(), hearing);
            Platform.runLater(() -> {
              if (session.revisionProperty().get() == state) { // a newer one asks again
                show(session, book, moves);
              }
            });
          });
        };
    session.revisionProperty().subscribe(ask);
    ask.run();
  }

  private static Label heading() {
    Label heading = new Label("Next move");
    heading.getStyleClass().add("heading");
    return heading;
  }

  private void show(BookSession session, RoomBook book, List<Move> moves) {
    Margins margins = session.heard().margins();
    Margins.Kind weakest = margins.weakest(book.goal().targets());
    boolean met = margins.over(book.goal().targets(), weakest) >= 0;
    tryIt.setVisible(!met && !moves.isEmpty());
    if (met) {
      what.setText("Nothing is needed.");
      buys.setText("All three margins meet the goal. Measure again after you change anything.");
    } else if (moves.isEmpty()) {
      what.setText("No move at hand helps " + name(weakest) + ".");
      buys.setText("Another spot, a quieter hour or a lesser goal is what is left.");
    } else {
      Move best = moves.getFirst();
      what.setText(best.name());
      buys.setText(
          String.format(
              Locale.ROOT,
              "%+.1f dB on %s, the weakest margin. Cost %d, %d minutes.",
              best.gainDb(),
              name(weakest),
              best.cost(),
              best.minutes()));
      tryIt.setOnAction(e -> session.edit(best.name(), b -> b.with(best.room())));
    }
  }

  private static String name(Margins.Kind kind) {
    return kind.name().charAt(0) + kind.name().substring(1).toLowerCase(Locale.ROOT);
  }

  Node node() {
    return box;
  }
}
