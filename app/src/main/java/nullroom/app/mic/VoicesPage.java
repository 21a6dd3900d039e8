package nullroom.app.mic;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.VBox;
import nullroom.app.control.FigureTable;
import nullroom.app.control.FileButton;
import nullroom.app.control.NumberField;
import nullroom.app.control.Row;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.plan.mic.Backing;
import nullroom.core.plan.mic.BackingClip;
import nullroom.core.plan.mic.MicPlanner;
import nullroom.core.plan.mic.Need;
import nullroom.core.plan.mic.SharedMicrophone;
import nullroom.core.plan.mic.Voices;

/** Who is heard in whose microphone, one microphone for all, and a backing beside a voice. */
final class VoicesPage {
  private final VoicesModel model;
  private final RankModel rank;
  private final StationContext context;
  private final FigureTable bleed = new FigureTable("voices-bleed");
  private final FigureTable shared = new FigureTable("voices-shared");
  private final VBox advice = new VBox(4);
  private final VBox each = new VBox(4);
  private final VBox backing = new VBox(4);
  private final Button put = new Button("Set the triangle up");
  private final NumberField side;
  private final ScrollPane node;

  VoicesPage(VoicesModel model, RankModel rank, StationContext context) {
    this.model = model;
    this.rank = rank;
    this.context = context;
    side = new NumberField("Side of the triangle", "m", 0.3, 6, model::setSide);
    NumberField under = new NumberField("Backing under the voice", "dB", 0, 40, model::setUnder);
    under.show(model.underDb());
    put.setId("backing-put");
    put.setOnAction(e -> model.setTriangleUp());
    Row form =
        new Row(
            side,
            under,
            put,
            FileButton.read(
                "Measure a test clip…", "Sound", model::check, "*.wav", "*.flac", "*.mp3"));
    form.getStyleClass().add("fields");
    VBox all =
        new VBox(
            10,
            new Wrapped("Who is heard in whose microphone", "heading"),
            bleed,
            advice,
            new Wrapped("One microphone for all", "heading"),
            shared,
            new Wrapped("A microphone for each", "heading"),
            each,
            new Wrapped("A backing from a loudspeaker", "heading"),
            form,
            backing);
    node = new ScrollPane(all);
    node.setFitToWidth(true);
    WhileShown.follow(
        node,
        this::refresh,
        context.session().revisionProperty(),
        context.units(),
        rank.rankingProperty(),
        model.among().valueProperty(),
        model.backing().valueProperty(),
        model.backing().troubleProperty(),
        model.clipProperty());
    refresh();
  }

  private void refresh() {
    model.refresh();
    rank.refresh();
    side.setEntry(context.units().get().field());
    side.show(model.sideMetres());
    Optional<VoicesModel.Among> among = model.among().valueProperty().get();
    Optional<Voices> voices = among.flatMap(VoicesModel.Among::voices);
    bleed(voices);
    shared(among.map(VoicesModel.Among::shared).orElse(List.of()));
    each(voices);
    backing();
  }

  private void bleed(Optional<Voices> voices) {
    if (voices.isEmpty()) {
      bleed.show(List.of(), List.of());
      advice
          .getChildren()
          .setAll(
              new Wrapped(
                  "One voice is described. Put others in under Room, Set-up, each with a microphone or sharing one."));
      return;
    }
    Voices v = voices.get();
    List<String> heads = new ArrayList<>(List.of("dB over its owner"));
    heads.addAll(v.microphones());
    List<List<?>> rows = new ArrayList<>();
    for (int k = 0; k < v.voices().size(); k++) {
      List<Object> cells = new ArrayList<>(List.of(v.voices().get(k)));
      for (int m = 0; m < v.microphones().size(); m++) {
        cells.add(cell(v, k, m));
      }
      rows.add(cells);
    }
    bleed.show(heads, rows);
    List<Node> words = new ArrayList<>();
    words.add(
        new Wrapped(
            "Straight / with the room, and how many times as far as the owner. Lower the others by so much while one speaks: "
                + lower(v)
                + ".",
            "soft"));
    v.advice().forEach(a -> words.add(new Wrapped(a)));
    advice.getChildren().setAll(words);
  }

  private static String cell(Voices v, int voice, int microphone) {
    Optional<Integer> owner = v.ownerOf(microphone);
    return owner.isEmpty()
        ? Figures.say("%.0f dBA", v.wholeDbA()[voice][microphone])
        : owner.get() == voice
            ? "its own"
            : Figures.say(
                "%.1f / %.1f  ×%.1f",
                v.bleedDb(voice, microphone, false),
                v.bleedDb(voice, microphone, true),
                v.timesAsFar(voice, microphone));
  }

  private static String lower(Voices v) {
    List<String> all = new ArrayList<>();
    for (int k = 0; k < v.voices().size(); k++) {
      for (int m = 0; m < v.microphones().size(); m++) {
        boolean others = v.ownerOf(m).isPresent() && v.ownerOf(m).get() != k;
        if (others && v.lowerByDb(k, m) >= 1) {
          all.add(
              Figures.say(
                  "%s by %.0f dB for %s",
                  v.microphones().get(m), v.lowerByDb(k, m), v.voices().get(k)));
        }
      }
    }
    return all.isEmpty() ? "none needs it" : String.join(", ", all);
  }

  private void shared(List<SharedMicrophone> all) {
    shared.show(
        all.isEmpty()
            ? List.of()
            : List.of("amid them, as", "apart, dB", "Quiet", "Clear", "Safe", "worst off", ""),
        all.isEmpty()
            ? List.of(List.of("It takes two voices with free space between them."))
            : all.stream().map(this::row).toList());
  }

  private List<Object> row(SharedMicrophone s) {
    Button use = new Button("Set it up");
    use.getStyleClass().add("plain");
    use.setAccessibleText("set up one " + s.pattern().label() + " amid the voices");
    use.setOnAction(e -> model.share(s));
    return List.of(
        s.pattern().label(),
        Figures.say("%.1f", s.spreadDb()),
        Figures.say("%.0f", s.worst().quietDb()),
        Figures.say("%.0f", s.worst().clearDb()),
        Figures.say("%.0f", s.worst().safeDb()),
        s.voice(),
        use);
  }

  private void each(Optional<Voices> voices) {
    int count = voices.map(v -> v.voices().size()).orElse(1);
    each.getChildren()
        .setAll(
            rank.chosen()
                .<Node>map(r -> new Wrapped(price(r, count)))
                .orElseGet(() -> new Wrapped("The ranking is being worked out …", "soft")));
  }

  private static String price(MicPlanner.Ranked r, int count) {
    List<Need> needs = Need.forEach(r, count);
    String things =
        needs.stream()
            .filter(n -> n.price() > 0)
            .map(n -> n.what() + " " + Figures.money(n.price()))
            .collect(Collectors.joining(", "));
    double sum = needs.stream().mapToDouble(Need::price).sum();
    return Figures.say("%s for %d: ", r.chain().microphone(), count)
        + (things.isEmpty() ? "all is there." : things + Figures.say("; together %.0f.", sum));
  }

  private void backing() {
    List<Node> words = new ArrayList<>();
    String trouble = model.backing().troubleProperty().get();
    Optional<Backing> now = model.backing().valueProperty().get();
    if (!trouble.isEmpty()) {
      words.add(new Wrapped(trouble, "caution"));
    }
    now.ifPresent(b -> b.advice().forEach(a -> words.add(new Wrapped(a))));
    model.clipProperty().get().ifPresent(c -> words.add(new Wrapped(told(c))));
    words.add(
        new Wrapped(
            "A test clip: ten seconds of the backing alone, a pause, ten of singing alone, at one gain.",
            "soft"));
    put.setDisable(now.isEmpty());
    backing.getChildren().setAll(words);
  }

  private String told(BackingClip clip) {
    double change = clip.underDb() - model.underDb();
    return Figures.say(
            "In the test clip the backing lies %.1f dB under the voice: ", clip.underDb())
        + (Math.abs(change) < 1
            ? "as it should."
            : Figures.say("turn it %s by %.0f dB.", change > 0 ? "up" : "down", Math.abs(change)));
  }

  Node node() {
    return node;
  }
}
