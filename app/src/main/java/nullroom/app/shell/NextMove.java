package nullroom.app.shell;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nullroom.core.Figures;
import nullroom.core.book.Hearing;
import nullroom.core.book.RoomBook;
import nullroom.core.plan.Adviser;
import nullroom.core.plan.Margin;
import nullroom.core.plan.Move;
import nullroom.core.plan.Verdict;
import nullroom.core.plan.Verdicts;

/**
 * The card under the ladder: the best next move, what it buys, and a button that tries it (undo
 * takes it back).
 */
final class NextMove {
  private final Label what = new Label();
  private final Label buys = new Label();
  private final Button tryIt = new Button("Try it in the model");
  private final VBox box = new VBox(heading(), what, buys, tryIt);

  NextMove(BookSession session, Newest newest) {
    box.getStyleClass().add("next-move");
    what.getStyleClass().add("move-name");
    what.setWrapText(true);
    buys.setWrapText(true);
    buys.setMinHeight(Region.USE_PREF_SIZE);
    buys.getStyleClass().add("soft");
    tryIt.setId("try-move");
    Runnable ask =
        () -> {
          RoomBook book = session.book();
          Verdicts now = session.verdicts();
          Hearing hearing = session.hearing();
          newest.ask(request -> {
            List<Move> moves =
                Adviser.moves(
                    book.room(),
                    book.goal().targets(),
                    book.levels().staging(),
                    hearing::heard,
                    request);
            request.tell(() -> show(session, now, moves));
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

  private void show(BookSession session, Verdicts now, List<Move> moves) {
    Margin weakest = now.weakest();
    boolean reached = weakest.overDb() >= 0;
    tryIt.setVisible(!reached && !moves.isEmpty());
    if (now.allMet()) {
      what.setText("Nothing is needed.");
      buys.setText("All three margins meet the goal. Measure again after you change anything.");
    } else if (reached) {
      Margin unsure =
          now.all().stream()
              .filter(m -> m.verdict() == Verdict.CANNOT_TELL)
              .findFirst()
              .orElse(weakest);
      what.setText("Make sure: " + unsure.largestDoubt().remedy() + ".");
      buys.setText(
          Figures.say(
              "%s meets its target by %.0f dB and may be off by %.0f: nobody can tell yet.",
              unsure.name(), unsure.overDb(), unsure.uncertaintyDb()));
    } else if (moves.isEmpty()) {
      what.setText("No move at hand helps " + weakest.name() + ".");
      buys.setText("Another spot, a quieter hour or a lesser goal is what is left.");
    } else {
      Move best = moves.getFirst();
      what.setText(best.name());
      buys.setText(
          Figures.say(
              "%+.1f dB on %s, the weakest margin.%nMoney: %s%nWork: %s",
              best.gainDb(),
              weakest.name(),
              best.cost() == 0 ? "none" : Figures.money(best.cost()),
              best.minutes() == 1 ? "1 minute" : best.minutes() + " minutes"));
      tryIt.setOnAction(e -> session.edit(best.name(), b -> b.with(best.room())));
    }
  }

  Node node() {
    return box;
  }
}
