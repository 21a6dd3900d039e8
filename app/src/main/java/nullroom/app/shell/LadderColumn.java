package nullroom.app.shell;

import java.util.concurrent.Executor;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nullroom.app.control.Fitted;
import nullroom.app.control.LadderView;
import nullroom.app.control.Wrapped;
import nullroom.app.words.SpokenScene;
import nullroom.core.plan.Ladder;
import nullroom.core.predict.Margins;

/** The right edge: the ladder, what it is drawn with, and the next move or what answers "why?". */
final class LadderColumn {
  private LadderColumn() {}

  static Node of(StationContext context, Consumer<Station> go, Executor executor) {
    LadderView ladder = new LadderView();
    Node next = new NextMove(context.session(), new Newest(executor, context.work()::warn)).node();
    WhyCard card = new WhyCard(next);
    ladder.setOnWhy(why -> context.askWhy(why.of()));
    context.asked().subscribe(card::ask);
    Runnable refresh =
        () -> {
          Ladder now = context.session().ladder();
          Margins targets = context.session().book().goal().targets();
          ladder.show(now, Ladder.of(context.session().beforeProperty().get(), targets));
          card.refresh();
        };
    context.session().revisionProperty().subscribe(refresh);
    context
        .live()
        .levelProperty()
        .subscribe(now ->
            ladder.showLevel(
                now.map(Live.Level::fastDbfs).orElse(Double.NEGATIVE_INFINITY),
                now.map(Live.Level::heldDbfs).orElse(Double.NEGATIVE_INFINITY)));
    refresh.run();
    Label title = new Label("The ladder");
    title.getStyleClass().add("heading");
    Label key = new Wrapped("— measured  –· simulated  ╌ predicted  ┈ assumed  ▬ now");
    key.getStyleClass().addAll("soft", "key");
    Label refined = new Wrapped("");
    refined.setId("refined");
    refined.textProperty().bind(SpokenScene.said(context.session().refinedProperty()));
    refined.getStyleClass().addAll("soft", "key");
    PairChoice pair = new PairChoice(context.session(), new Newest(executor, context.work()::warn));
    Node first = new FirstSteps(context.session(), go).node();
    VBox box =
        new VBox(title, pair.node(), ladder, key, refined, pair.below(), first, next, card.node());
    VBox.setVgrow(ladder, Priority.ALWAYS);
    box.getStyleClass().add("right");
    return new Fitted(box);
  }
}
