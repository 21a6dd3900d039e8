package nullroom.app.dress;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nullroom.app.control.Choice;
import nullroom.app.control.FoldOut;
import nullroom.app.control.Row;
import nullroom.app.control.Tint;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.acoustics.Octave;
import nullroom.core.plan.treatment.TreatmentPlan;
import nullroom.core.plan.treatment.Whereabouts;
import nullroom.core.predict.FirstArrivals;
import nullroom.core.room.Point;
import nullroom.core.room.Surface;

/**
 * The room with the plan in it: before and after on one key, pieces dragged with their figures,
 * what comes back, and where mirrors would show the voice to the microphone.
 */
final class PlanPicture {
  private final PlanModel model;
  private final StationContext context;
  private final FoldOut foldOut = new FoldOut();
  private final Label figures = new Wrapped("", "strong");
  private final Label mirrors = new Wrapped("", "soft");
  private final CheckBox points = new CheckBox("mirror points");
  private final Choice<Tint> tint;
  private final VBox node;
  private final Row controls;

  PlanPicture(PlanModel model, StationContext context) {
    this.model = model;
    this.context = context;
    foldOut.setAssumed(context.session().assumedProperty());
    foldOut.setItemHandler(
        (item, to) -> context.work().attempt(() -> model.drag(item, to), () -> {}));
    tint =
        new Choice<>(
            "plan-tint",
            "what the surfaces are tinted by",
            List.of(Tint.values()),
            Tint::label,
            b -> tinted());
    tint.show(Tint.NOTHING);
    figures.setId("plan-figures");
    mirrors.setId("plan-mirrors");
    mirrors.managedProperty().bind(mirrors.visibleProperty());
    mirrors.visibleProperty().bind(points.selectedProperty());
    points.setId("plan-mirror-points");
    points.setOnAction(e -> refresh());
    Button settle = new Button("Back to the plan");
    settle.setId("plan-settle");
    settle.setOnAction(e -> model.settle());
    settle.disableProperty().bind(model.draggedProperty().map(Optional::isEmpty));
    controls = new Row(before(), tint, points, settle);
    node = new VBox(6, figures, foldOut, mirrors);
    VBox.setVgrow(foldOut, Priority.ALWAYS);
    node.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    controls.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    WhileShown.follow(
        node,
        this::refresh,
        context.session().revisionProperty(),
        context.units(),
        model.madeProperty(),
        model.schoolProperty(),
        model.beforeProperty(),
        model.draggedProperty(),
        model.returnsProperty());
    refresh();
  }

  private void key(KeyEvent e) {
    if (e.getCode() == KeyCode.B && !(e.getTarget() instanceof TextInputControl)) {
      model.beforeProperty().set(!model.beforeProperty().get());
      e.consume();
    }
  }

  private CheckBox before() {
    CheckBox before = new CheckBox("as it is now (B)");
    before.setId("plan-before");
    before.selectedProperty().bindBidirectional(model.beforeProperty());
    return before;
  }

  private void tinted() {
    if (tint.getValue() != Tint.NOTHING) {
      model.traceReturns();
    }
    refresh();
  }

  private void refresh() {
    foldOut.show(model.room());
    Tint by = tint.getValue();
    foldOut.tint(by == Tint.NOTHING ? Optional.empty() : model.returnsNow(), by == Tint.EARLY);
    List<FoldOut.Pin> pins = new ArrayList<>();
    List<String> said = new ArrayList<>();
    if (points.isSelected()) {
      for (FirstArrivals.Arrival a : model.mirrors()) {
        Surface surface = a.surface().orElseThrow();
        Point local = model.room().enclosure().local(surface, a.at());
        String name = String.valueOf(pins.size() + 1);
        pins.add(new FoldOut.Pin(name, surface, local));
        said.add(
            name
                + " "
                + surface.spoken()
                + ": "
                + Whereabouts.of(model.room(), surface, local, context.units().get()::length)
                + Figures.say(" (%.1f dB under the direct sound)", -a.levelDb()));
      }
    }
    foldOut.trace(Map.of(), pins);
    mirrors.setText(
        said.isEmpty()
            ? "No surface mirrors the voice to the microphone."
            : String.join(". ", said) + ".");
    figures.setText(
        model.plan().isPresent() && !model.stale()
            ? words(model.figures())
            : "No plan of this room yet: make one on the page Plan.");
  }

  private String words(TreatmentPlan.Figures f) {
    String when =
        model.beforeProperty().get()
            ? "Before"
            : model.draggedProperty().get().isPresent() ? "As you dragged it" : "After";
    String clear = f.late() ? Figures.say("%.1f dB of Clear, ", f.margins().clearDb()) : "";
    return Figures.say(
        "%s: %s%.2f s at 1 kHz, %.2f dB off the goal.",
        when, clear, f.decaySeconds().get(Octave.HZ_1000), f.offDb());
  }

  Node node() {
    return node;
  }

  Node controls() {
    return controls;
  }
}
