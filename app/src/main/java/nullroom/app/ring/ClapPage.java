package nullroom.app.ring;

import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nullroom.app.control.ClapPlot;
import nullroom.app.control.Row;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;

/** How to clap, and how each clap was. */
final class ClapPage {
  private static final int SHOWN = 6;

  private final VBox node;

  ClapPage(RingModel model, StationContext context) {
    ClapGuide guide = model.guide();
    Label advice = new Wrapped("");
    Label now = new Wrapped("", "answer");
    now.setId("clap-now");
    ClapPlot plot = new ClapPlot(SHOWN);
    Runnable advise = () -> advice.setText(guide.advice());
    WhileShown.follow(advice, advise, context.session().bookProperty(), context.units());
    advise.run();
    guide
        .clapsProperty()
        .subscribe(claps -> {
          plot.show(claps);
          now.setText(guide.now());
        });
    Button enough = new Button("That is enough");
    enough.setId("claps-enough");
    enough.setOnAction(e -> guide.enough());
    enough.disableProperty().bind(context.work().runningProperty().not());
    Row row = new Row(now, enough);
    node = new VBox(10, advice, plot, row);
    VBox.setVgrow(plot, Priority.ALWAYS);
    node.getStyleClass().add("pictures");
  }

  VBox node() {
    return node;
  }
}
