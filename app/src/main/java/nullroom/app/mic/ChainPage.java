package nullroom.app.mic;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nullroom.app.control.Choice;
import nullroom.app.control.Row;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.core.acoustics.Octave;
import nullroom.core.plan.mic.ChainLevel;
import nullroom.core.plan.mic.MicPlanner;
import nullroom.core.predict.Heard;

/** The chain from the lips to the file, drawn, and what in it does not fit. */
final class ChainPage {
  private static final String NOW = "as it is now";

  private final RankModel model;
  private final StationContext context;
  private final ChainPlot plot;
  private final VBox checks = new VBox(4);
  private final VBox node;
  private final Choice<String> which;
  private final Row controls;
  private boolean now = true;

  ChainPage(RankModel model, StationContext context) {
    this.model = model;
    this.context = context;
    plot = new ChainPlot(this::levels, () -> heard().peakDbSpl());
    which =
        new Choice<>("chain-of", "whose chain is drawn", List.of(NOW), name -> name, this::choose);
    which.show(NOW);
    controls = new Row(new Label("Chain of"), which);
    VBox.setVgrow(plot, Priority.ALWAYS);
    node = new VBox(10, plot, checks);
    WhileShown.follow(
        node,
        this::refresh,
        context.session().revisionProperty(),
        model.rankingProperty(),
        model.chosenProperty());
    refresh();
  }

  private void choose(String name) {
    now = NOW.equals(name);
    if (!now) {
      model.chosenProperty().set(name);
    }
    refresh();
  }

  /** The entry drawn: the one looked at, or that of the microphone in use. */
  private Optional<MicPlanner.Ranked> ranked() {
    return now ? model.inUse() : model.chosen();
  }

  private Heard heard() {
    return now
        ? context.session().heard()
        : model.chosen().map(MicPlanner.Ranked::heard).orElseGet(() -> context.session().heard());
  }

  private List<ChainLevel> levels() {
    double metre =
        Octave.aWeightedSum(context.session().book().room().requireTalker().voiceDbSpl());
    return ChainLevel.of(heard(), metre);
  }

  private void refresh() {
    model.refresh();
    List<String> names = new ArrayList<>(List.of(NOW));
    model
        .rankingProperty()
        .get()
        .ifPresent(all ->
            all.result().ranking().stream()
                .map(r -> r.chain().microphone())
                .distinct()
                .forEach(names::add));
    if (!which.getItems().equals(names)) {
      which.offer(names);
    }
    which.show(now ? NOW : model.chosen().map(r -> r.chain().microphone()).orElse(NOW));
    plot.redraw();
    checks
        .getChildren()
        .setAll(
            ranked()
                .map(r -> r.chain().checks().stream().map(ChainPage::check).toList())
                .orElseGet(() ->
                    List.of(
                        new Wrapped(
                            "What fits is told of what is on the shelf, or of a class.", "soft"))));
  }

  private static Node check(MicPlanner.Check check) {
    return check.ok()
        ? new Wrapped("● " + check.check() + ": " + check.advice())
        : new Wrapped("▲ " + check.check() + ": " + check.advice(), "margin-short");
  }

  Node node() {
    return node;
  }

  Node controls() {
    return controls;
  }
}
