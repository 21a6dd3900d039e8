package nullroom.app.listen;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nullroom.app.control.BandPlot;
import nullroom.app.control.Choice;
import nullroom.app.control.FigureTable;
import nullroom.app.control.FilePick;
import nullroom.app.control.NameField;
import nullroom.app.control.NumberField;
import nullroom.app.control.Row;
import nullroom.app.control.TakePlot;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.PageParts;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.acoustics.OwnVoice;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.measure.clip.Clip;
import nullroom.core.measure.voice.VoiceReport;
import nullroom.core.plan.VoiceQuantity;
import nullroom.core.plan.VoiceReasons;
import nullroom.core.predict.Basis;
import nullroom.core.predict.Origin;

/** What one recording holds, where in it, and what is missing. */
final class ClipPage {
  private static final double PLOT_HEIGHT = 120;
  private static final double NAME_WIDTH = 120;
  private static final double LEFT_WIDTH = 300;
  private static final String NOTHING = "–";

  /** What to do, to be read from the phone that records. */
  static final List<String> GUIDE =
      List.of(
          "Put the phone or recorder where your microphone stands, and start recording.",
          "Say nothing for ten seconds, with everything running as it does when you record.",
          "Talk for twenty seconds where you usually do, as you usually do. For example: “Tonight the sky is clear. Between the chimney and the tall pine you can see three stars in a row, and if you wait, a fourth one rises behind the ridge. My grandmother called it the lamp of the late baker, because it goes up when the ovens are lit.”",
          "Clap three times, two seconds apart, and keep still after the last one.",
          "Stop, and drop the file here. Any order will do.");

  private final ClipModel model;
  private final StationContext context;
  private final TakePlot plot = new TakePlot();
  private final FigureTable found;
  private final BandPlot voice =
      new BandPlot("voice at 1 m, dB", figure -> Figures.say("%.0f", figure));
  private final VBox words = new VBox(4);
  private final NumberField distance;
  private final Choice<VocalEffort> effort;
  private final VBox picture;
  private final PageParts parts;

  ClipPage(ClipModel model, StationContext context) {
    this.model = model;
    this.context = context;
    found = new FigureTable("clip-found", context.asked()::set);
    plot.setMinHeight(PLOT_HEIGHT);
    plot.setPrefHeight(PLOT_HEIGHT);
    voice.setAsks(context.asked()::set);
    voice.setAxis(20, 80, 10);
    words.setId("clip-words");
    ScrollPane notes = new ScrollPane(words);
    notes.setFitToWidth(true);
    VBox left = new VBox(8, found, notes);
    VBox.setVgrow(notes, Priority.ALWAYS);
    HBox below = new HBox(18, left, voice);
    HBox.setHgrow(voice, Priority.ALWAYS);
    left.setMinWidth(LEFT_WIDTH);
    left.setPrefWidth(LEFT_WIDTH);
    voice
        .visibleProperty()
        .subscribe(is -> HBox.setHgrow(left, is ? Priority.NEVER : Priority.ALWAYS));
    VBox.setVgrow(below, Priority.ALWAYS);
    picture = new VBox(8, plot, below);
    picture.getStyleClass().add("pictures");
    Button record = new Button("Record it with this computer");
    record.setId("clip-record");
    record.setOnAction(e -> model.record());
    Button open = FilePick.button(model::open);
    for (Button b : List.of(record, open)) {
      b.disableProperty().bind(context.work().runningProperty());
    }
    effort =
        new Choice<>(
            "clip-effort",
            "how loud it was spoken",
            List.of(VocalEffort.values()),
            Figures::word,
            model::setEffort);
    distance =
        new NumberField("Lips to microphone", "m", 0.05, 10, metres -> model.setDistance(metres));
    context.units().subscribe(units -> distance.setEntry(units.field()));
    NameField name =
        new NameField("clip-name", "the voice", model.name(), NAME_WIDTH, model::setName);
    parts =
        new PageParts(
            picture,
            new VBox(
                6,
                new Row(open, record),
                new Row(labelled("Spoken", effort), distance, labelled("Whose", name))));
    WhileShown.follow(
        picture, this::refresh, model.lookedProperty(), context.session().bookProperty());
    refresh();
  }

  PageParts parts() {
    return parts;
  }

  private void refresh() {
    effort.show(model.effort());
    distance.show(model.distanceMetres());
    Optional<ClipModel.Looked> looked = model.lookedProperty().get();
    shown(plot, looked.isPresent());
    shown(voice, model.voice().isPresent());
    shown(found, looked.isPresent());
    words.getChildren().clear();
    if (looked.isEmpty()) {
      int step = 1;
      for (String line : GUIDE) {
        words.getChildren().add(new Wrapped(step++ + "  " + line, "clip-guide"));
      }
      return;
    }
    Clip clip = looked.get().clip();
    plot.show(looked.get().frames(), ClipModel.FRAME_SECONDS, floor(clip), List.of());
    plot.setSpans(
        clip.parts().stream()
            .map(p -> new TakePlot.Span(p.fromSeconds(), p.toSeconds(), p.kind().label()))
            .toList());
    found.show(List.of("", "found", "come by"), rows(looked.get()));
    model.words().forEach(w -> words.getChildren().add(new Wrapped(w, "note")));
    model.voice().ifPresent(this::showVoice);
  }

  private static HBox labelled(String name, Node field) {
    HBox box = new HBox(8, new Label(name), field);
    box.setAlignment(Pos.CENTER_LEFT);
    return box;
  }

  private static void shown(Node node, boolean is) {
    node.setVisible(is);
    node.setManaged(is);
  }

  private static double floor(Clip clip) {
    return clip.quiet().flatMap(q -> q.lzeqDbfs().stream().boxed().findFirst()).orElse(Double.NaN);
  }

  private List<List<?>> rows(ClipModel.Looked looked) {
    Clip clip = looked.clip();
    String spoken = come(clip.voice().isPresent());
    String rung = clip.estimate().isPresent() ? "estimated" : come(clip.decay().isPresent());
    OptionalDouble scale = OptionalDouble.of(Basis.VOICE_SCALE_DB);
    OptionalDouble level =
        model.voice().map(v -> OptionalDouble.of(v.uncertaintyDb())).orElse(OptionalDouble.empty());
    OptionalDouble none = OptionalDouble.empty();
    return List.of(
        row(VoiceQuantity.NOISE, noise(clip), come(clip.quiet().isPresent()), scale, looked),
        row(VoiceQuantity.RINGING, ringing(clip), rung, none, looked),
        row(VoiceQuantity.VOICE, voice(), spoken, level, looked),
        row(VoiceQuantity.PEAKS, peaks(clip), spoken, none, looked),
        row(VoiceQuantity.CONSONANTS, hisses(clip), spoken, none, looked));
  }

  private static List<Object> row(
      VoiceQuantity what, String figure, String come, OptionalDouble db, ClipModel.Looked looked) {
    Origin origin = Origin.heard(looked.simulated(), looked.taken());
    Object shown =
        figure.equals(NOTHING)
            ? figure
            : new FigureTable.Figure(
                figure,
                () -> Optional.of(VoiceReasons.clip(what, figure, looked.sound(), origin, db)));
    return List.of(what.label(), shown, come);
  }

  private String come(boolean there) {
    boolean acted = model.lookedProperty().get().filter(ClipModel.Looked::simulated).isPresent();
    return there ? Origin.Kind.heard(acted).label() : "missing";
  }

  private String noise(Clip clip) {
    OptionalDouble inAir = model.noise().map(n -> n.laeqDbSpl()).orElse(OptionalDouble.empty());
    OptionalDouble dbfs = clip.quiet().map(q -> q.laeqDbfs()).orElse(OptionalDouble.empty());
    if (inAir.isPresent()) {
      return Figures.say("%.0f dBA ± %.0f", inAir.getAsDouble(), Basis.VOICE_SCALE_DB);
    }
    return dbfs.isPresent() ? Figures.say("%.0f dBFS(A)", dbfs.getAsDouble()) : NOTHING;
  }

  private static String ringing(Clip clip) {
    OptionalDouble mid = clip.decay().map(d -> d.tMidSeconds()).orElse(OptionalDouble.empty());
    if (mid.isPresent()) {
      return Figures.say("%.2f s, %d claps", mid.getAsDouble(), clip.decay().orElseThrow().takes());
    }
    return clip.decay().isPresent()
        ? Figures.say("%d claps, too soft for all", clip.decay().get().takes())
        : clip.estimate().map(e -> Figures.say("about %.1f s", e.midSeconds())).orElse(NOTHING);
  }

  private String voice() {
    return model
        .voice()
        .map(v -> Figures.say("%.0f dBA at 1 m ± %.1f", v.levelDbA(), v.uncertaintyDb()))
        .orElse(NOTHING);
  }

  private static String peaks(Clip clip) {
    return clip.voice()
        .map(VoiceReport::crestDb)
        .map(db -> Figures.say("%.0f dB over it", db))
        .orElse(NOTHING);
  }

  private static String hisses(Clip clip) {
    return clip.voice()
        .map(v -> Figures.say("%+.0f, %+.0f dB to it", v.sibilantDb(), v.plosiveDb()))
        .orElse(NOTHING);
  }

  private void showVoice(OwnVoice own) {
    voice.show(
        List.of(
            new BandPlot.Series(
                own.name(),
                Origin.Kind.heard(own.simulated()),
                own.levelsDbSpl().toArray(),
                "now-bar",
                b ->
                    Optional.of(
                        VoiceReasons.clip(
                            VoiceQuantity.VOICE,
                            Figures.say("%.0f dB", own.levelsDbSpl().get(b)),
                            own.sound(),
                            Origin.heard(own.simulated(), own.taken()),
                            OptionalDouble.of(own.uncertaintyDb())))),
            new BandPlot.Series(
                "table, " + Figures.word(own.effort()),
                Origin.Kind.ASSUMED,
                own.effort().levelsDbSpl().toArray(),
                "noise-bar")),
        Optional.empty());
  }
}
