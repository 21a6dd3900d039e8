package nullroom.app.level;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nullroom.app.control.Choice;
import nullroom.app.control.Dial;
import nullroom.app.control.FigureTable;
import nullroom.app.control.NumberField;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.book.School;
import nullroom.core.book.Staging;
import nullroom.core.plan.GainPlan;
import nullroom.core.plan.GainReasons;
import nullroom.core.plan.Quantity;
import nullroom.core.plan.Why;

/** Where each effort lands, and the gain staging by school. */
final class GainPage {
  private static final double SIDE_WIDTH = 236;

  private final LevelModel model;
  private final FigureTable table;
  private final Label advice = new Wrapped("", "note");
  private final HBox picture;
  private final VBox controls;

  GainPage(LevelModel model, StationContext context) {
    this.model = model;
    table = new FigureTable("gain-plan", context.asked()::set);
    LevelBars bars = new LevelBars(model);
    Dial gain = new Dial("Gain", "dB", 0, Staging.HIGHEST_GAIN_DB, model::setGain);
    Choice<VocalEffort> effort = effort(model);
    Choice<School> school = school(model);
    Choice<Staging.Material> material = material(model);
    Choice<MicrophoneType> microphone = microphone(model);
    NumberField distance = new NumberField("Distance", "m", 0.02, 3, model::setDistance);
    context.units().subscribe(units -> distance.setEntry(units.field()));
    NumberField allowance = allowance(model);
    NumberField highest = highest(model);
    NumberField hiss = new NumberField("and hisses at", "dBu A", -140, -40, model::setPreampEin);
    FlowPane row = new FlowPane(10, 6, effort, material, microphone, school);
    Button right = set(model);
    FlowPane fields = new FlowPane(14, 6, distance, allowance, highest, hiss, right);
    fields.getStyleClass().add("fields");
    Label caution =
        new Wrapped(
            "Turn headphones down before you turn gain up: sudden peaks harm hearing.", "caution");
    picture = new HBox(16, bars, side());
    HBox.setHgrow(bars, Priority.ALWAYS);
    controls = new VBox(6, gain, row, fields, caution);
    Runnable refresh =
        () -> {
          bars.redraw();
          gain.show(model.gainDb());
          List.of(gain, right, hiss, highest).forEach(n -> n.setDisable(!model.turns()));
          effort.show(model.effort());
          school.show(model.staging().school());
          material.show(model.staging().material());
          if (!microphone.getItems().equals(model.types())) {
            microphone.offer(model.types());
          }
          microphone.show(model.type().orElse(null));
          distance.show(model.distanceMetres());
          allowance.show(model.staging().allowanceDb());
          highest.show(model.staging().highestGainDb());
          hiss.show(model.preampEinDbu());
          plan();
        };
    WhileShown.follow(picture, refresh, context.session().revisionProperty());
    refresh.run();
  }

  private static Choice<MicrophoneType> microphone(LevelModel model) {
    return new Choice<>(
        "level-microphone", "microphone", model.types(), MicrophoneType::label, model::setType);
  }

  private static NumberField allowance(LevelModel model) {
    return new NumberField(
        "Allow for shouts",
        "dB",
        0,
        40,
        db -> model.setStaging(model.staging().withAllowanceDb(db)));
  }

  private static NumberField highest(LevelModel model) {
    return new NumberField(
        "Preamp has", "dB", 0, 120, db -> model.setStaging(model.staging().withHighestGainDb(db)));
  }

  private static Button set(LevelModel model) {
    Button set = new Button("Set the right gain");
    set.setId("set-gain");
    set.getStyleClass().add("action");
    set.setOnAction(e -> model.setGain(model.rightGainDb()));
    return set;
  }

  private VBox side() {
    VBox side = new VBox(10, table, advice);
    side.setMinWidth(SIDE_WIDTH);
    side.setMaxWidth(SIDE_WIDTH);
    return side;
  }

  private static Choice<VocalEffort> effort(LevelModel model) {
    return new Choice<>(
        "effort",
        "how loud the voice is",
        List.of(VocalEffort.values()),
        e -> LevelBars.name(e) + ", " + Math.round(e.levelDbA()) + " dBA at 1 m",
        model::setEffort);
  }

  private static Choice<School> school(LevelModel model) {
    return new Choice<>(
        "school",
        "where the level is set",
        List.of(School.values()),
        School::label,
        chosen -> model.setStaging(model.staging().by(chosen)));
  }

  private static Choice<Staging.Material> material(LevelModel model) {
    return new Choice<>(
        "material",
        "what is recorded",
        List.of(Staging.Material.values()),
        Staging.Material::label,
        m -> model.setStaging(model.staging().of(m)));
  }

  private void plan() {
    GainPlan plan = model.plan();
    List<List<?>> rows = new ArrayList<>();
    rows.add(row("voice, A-weighted", plan.voiceDbfsA(), Quantity.PLANNED_VOICE));
    rows.add(row("the same unweighted", plan.activeDbfs(), Quantity.PLANNED_SPEECH));
    rows.add(row("loudest line", plan.peakDbfs(), Quantity.PLANNED_PEAK));
    rows.add(row("a laugh or shout", plan.shoutDbfs(), Quantity.PLANNED_SHOUT));
    rows.add(row("left over that, dB", plan.headroomDb(), Quantity.PLANNED_HEADROOM));
    rows.add(row("noise, A-weighted", plan.noiseDbfsA(), Quantity.PLANNED_NOISE));
    for (GainPlan.Word word : plan.words()) {
      String name = word.bits() == 32 ? "in 32-bit float" : "in " + word.bits() + " bits, dithered";
      rows.add(List.of(name, new FigureTable.Figure(level(word.noiseDbfsA()), () -> why(word))));
    }
    table.show(List.of("with " + Math.round(plan.gainDb()) + " dB of gain", "dBFS"), rows);
    advice.setText(
        String.join(
            " ",
            Stream.concat(
                    plan.advice().stream(),
                    plan.limiter()
                        ? Stream.empty()
                        : Stream.of("No limiter is needed, and no second track."))
                .toList()));
  }

  private List<Object> row(String name, double db, Quantity quantity) {
    return List.of(name, new FigureTable.Figure(level(db), () -> model.reasons().of(quantity)));
  }

  /** Of the word of that length in the plan as it is then. */
  private Optional<Why> why(GainPlan.Word word) {
    GainReasons now = model.reasons();
    return now.plan().words().stream()
        .filter(w -> w.bits() == word.bits())
        .findFirst()
        .flatMap(now::of);
  }

  private static String level(double db) {
    return Figures.say("%.1f", db);
  }

  HBox picture() {
    return picture;
  }

  VBox controls() {
    return controls;
  }
}
