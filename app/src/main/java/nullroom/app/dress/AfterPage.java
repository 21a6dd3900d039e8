package nullroom.app.dress;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleFunction;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.VBox;
import nullroom.app.control.BandName;
import nullroom.app.control.FigureTable;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.book.Decays;
import nullroom.core.plan.Why;
import nullroom.core.plan.treatment.Achieved;
import nullroom.core.plan.treatment.PlanReasons;
import nullroom.core.predict.Origin;

/** What hanging did, measured: from state to state, and in all, against what was predicted. */
final class AfterPage {
  private static final double DONE_WIDTH = 320;

  private final StationContext context;
  private final Label words = new Wrapped("", "soft");
  private final FigureTable table;
  private final ScrollPane node;
  private final Node controls;

  AfterPage(StationContext context) {
    this.context = context;
    table = new FigureTable("achieved", context.asked()::set);
    words.setId("achieved-words");
    node = new ScrollPane(new VBox(12, words, table));
    node.setFitToWidth(true);
    controls =
        new Wrapped(
            "Measure in Ring, with microphone, talker's place, doors and windows as they were the first time.",
            "soft");
    WhileShown.follow(node, this::refresh, context.session().bookProperty());
    refresh();
  }

  private void refresh() {
    Decays decays = context.session().book().decays();
    List<Achieved> steps = Achieved.of(decays);
    List<Achieved> all =
        steps.size() > 1
            ? Stream.concat(Stream.of(Achieved.inAll(decays)), steps.stream()).toList()
            : steps;
    List<List<?>> rows = new ArrayList<>();
    for (int k = 0; k < all.size(); k++) {
      boolean whole = steps.size() > 1 && k == 0;
      rows.addAll(rows(all.get(k), whole));
    }
    table.show(
        rows.isEmpty()
            ? List.of()
            : List.of("octave", "before, s", "predicted, s", "after, s", "give or take", "outcome"),
        rows);
    words.setText(words(decays, steps));
  }

  private static List<List<?>> rows(Achieved one, boolean whole) {
    List<List<?>> rows = new ArrayList<>();
    String done =
        (whole ? "In all: " : "")
            + one.done()
            + ", "
            + one.taken().replace('T', ' ')
            + (one.simulated() ? " (simulated)" : "");
    Origin before = Origin.heard(one.simulated(), one.since());
    Origin after = Origin.heard(one.simulated(), one.taken());
    Wrapped head = new Wrapped(done, "heading");
    head.setPrefWidth(DONE_WIDTH);
    rows.add(List.of(head));
    for (Achieved.InOctave o : one.octaves()) {
      rows.add(
          List.of(
              BandName.of(o.change().centreHz()),
              seconds(o.change().beforeSeconds(), s -> PlanReasons.measured(o, s, before)),
              seconds(o.predictedSeconds(), s -> PlanReasons.foretold(o, before)),
              seconds(o.change().afterSeconds(), s -> PlanReasons.measured(o, s, after)),
              seconds(o.change().uncertaintySeconds(), s -> PlanReasons.doubt(o)),
              o.outcome().label()));
    }
    return rows;
  }

  private static FigureTable.Figure seconds(double seconds, DoubleFunction<Why> why) {
    return new FigureTable.Figure(
        Figures.say("%.2f", seconds), () -> Optional.of(why.apply(seconds)));
  }

  private static String words(Decays decays, List<Achieved> steps) {
    if (decays.measured().isEmpty()) {
      return "Nothing was measured yet. Clap in Ring before you hang anything; put up in the model what you hung (Plan or One"
          + " piece), and clap again at the same place: two minutes, and this page says what it did.";
    }
    if (steps.isEmpty()) {
      return "Measured once, on "
          + decays.measured().getFirst().taken().replace('T', ' ')
          + ". Put up in the model what you hung, and clap again at the same place: then this page says what it did. Hang and"
          + " measure one piece at a time to tell them apart.";
    }
    Achieved last = steps.getFirst();
    long real = last.octaves().stream().filter(o -> o.change().real()).count();
    return Figures.say(
        "%sThe last change is real in %d of %d octaves; in the rest it is within chance. What was described later but stood there all"
            + " along counts as no change, and every prediction starts from what was measured last.",
        last.simulated() ? "The simulated device was heard, not your room. " : "",
        real,
        last.octaves().size());
  }

  Node node() {
    return node;
  }

  Node controls() {
    return controls;
  }
}
