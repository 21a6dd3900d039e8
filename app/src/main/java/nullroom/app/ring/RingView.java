package nullroom.app.ring;

import java.io.File;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import nullroom.app.control.Choice;
import nullroom.app.control.DecayPlot;
import nullroom.app.control.FilePick;
import nullroom.app.control.Row;
import nullroom.app.control.WhileShown;
import nullroom.app.shell.PageParts;
import nullroom.app.shell.Pages;
import nullroom.app.shell.Station;
import nullroom.app.shell.StationContext;
import nullroom.app.shell.StationFrame;
import nullroom.app.words.Language;

/** The reverberation station's nodes. */
public final class RingView {
  private static final int THIRD_COLUMNS = 6;

  private final Node node;

  /** A view of a model. */
  public RingView(RingModel model, StationContext context) {
    Pages<RingPage> pages =
        new Pages<>(
            RingPage.class,
            model.pageProperty(),
            page -> new PageParts(picture(page, model, context), new HBox()));
    node =
        StationFrame.of(
            Station.RING, model.say(), pages.picture(), controls(model, context), context);
  }

  private static Node picture(RingPage page, RingModel model, StationContext context) {
    return switch (page) {
      case DECAY -> new DecayPage(model, context).node();
      case THIRDS -> thirds(model, context);
      case FIGURES -> new FiguresPage(model, context).node();
      case ORIGIN -> new OriginPage(model, context).node();
      case PLACES -> new PlacesPage(model, context).node();
      case CLAPS -> new ClapPage(model, context).node();
    };
  }

  private static Node thirds(RingModel model, StationContext context) {
    DecayPlot plot = new DecayPlot(THIRD_COLUMNS);
    WhileShown.follow(plot, () -> plot.show(model.thirds()), context.session().bookProperty());
    plot.show(model.thirds());
    return plot;
  }

  private static VBox controls(RingModel model, StationContext context) {
    Button clap = new Button("Clap, with a guide");
    clap.setId("clap");
    clap.getStyleClass().add("action");
    clap.setOnAction(e -> model.clap());
    clap.disableProperty().bind(context.work().runningProperty());
    Button sweep = new Button("Play a sweep");
    sweep.setId("sweep");
    sweep.setOnAction(e -> model.sweep().play());
    sweep.disableProperty().bind(context.work().runningProperty());
    Choice<Loudness> loudness =
        new Choice<>(
            "sweep-loudness",
            "how loud the sweep is played",
            List.of(Loudness.values()),
            Loudness::label,
            model.sweep()::choose);
    model.sweep().loudnessProperty().subscribe(chosen -> loudness.show(chosen));
    Button write = new Button("Write the sweep…");
    write.setOnAction(e -> {
      FileChooser chooser = new FileChooser();
      chooser.setTitle(Language.say("Write the sweep to play from a phone"));
      chooser.setInitialFileName("sweep.wav");
      File file = chooser.showSaveDialog(write.getScene().getWindow());
      if (file != null) {
        model.sweep().write(file.toPath());
      }
    });
    Label caution =
        new Label(
            "Headphones off. Claps near the ear are loud; a sweep is harder on ears and small loudspeakers than speech: start very low, go up a step at a time.");
    caution.getStyleClass().add("caution");
    caution.setWrapText(true);
    caution.setMinHeight(Region.USE_PREF_SIZE);
    Row buttons = new Row(clap, sweep, loudness, write, FilePick.button(model::open));
    VBox controls = new VBox(buttons, caution);
    controls.getStyleClass().add("column");
    return controls;
  }

  /** The nodes. */
  public Node node() {
    return node;
  }
}
