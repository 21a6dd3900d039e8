package nullroom.app.mic;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.VBox;
import nullroom.app.control.FigureTable;
import nullroom.app.control.Row;
import nullroom.app.control.RowChoice;
import nullroom.app.control.SameFocus;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.plan.Margin;
import nullroom.core.plan.Verdict;
import nullroom.core.plan.Verdicts;
import nullroom.core.plan.mic.MicPlanner;
import nullroom.core.plan.mic.MicPlanner.Ranked;
import nullroom.core.plan.mic.Need;

/** Every microphone at its own best place, and all that belongs to the one looked at. */
final class BestPage {
  private static final double DETAIL_WIDTH = 262;
  private static final double TABLE_WIDTH = 470;

  private final RankModel model;
  private final StationContext context;
  private final FigureTable table;
  private final Label notes = new Wrapped("", "soft");
  private final VBox detail = new VBox(6);
  private final ScrollPane node;
  private final Row controls = new Row();
  private final Button put = new Button("Put it there");

  BestPage(RankModel model, StationContext context) {
    this.model = model;
    this.context = context;
    table = new FigureTable("mic-ranking", context.asked()::set);
    VBox rows = new VBox(10, table, notes);
    notes.setMaxWidth(TABLE_WIDTH);
    rows.setPrefWidth(TABLE_WIDTH);
    detail.setPrefWidth(DETAIL_WIDTH);
    node = new ScrollPane(new Row(rows, detail));
    node.setFitToWidth(true);
    put.setId("mic-put");
    put.getStyleClass().add("action");
    put.setOnAction(e -> model.chosen().ifPresent(model::put));
    controls.getChildren().add(put);
    WhileShown.follow(
        node,
        this::refresh,
        context.session().revisionProperty(),
        context.units(),
        model.rankingProperty(),
        model.otherwiseProperty(),
        model.chosenProperty(),
        model.ranking().troubleProperty());
    refresh();
  }

  private void refresh() {
    model.refresh();
    model.refreshOtherwise();
    Optional<RankModel.Ranking> now = model.rankingProperty().get();
    List<List<?>> rows = new ArrayList<>();
    now.ifPresent(all -> all.result().ranking().forEach(r -> rows.add(row(r))));
    SameFocus.through(
        table,
        () ->
            table.show(
                rows.isEmpty()
                    ? List.of()
                    : List.of(
                        "each at its best place", "", "Quiet", "Clear", "Safe", "short", "money"),
                rows));
    notes.setText(
        model.ranking().troubleProperty().get().isEmpty()
            ? now.map(all -> String.join(" ", all.result().warnings()))
                .orElse("All places are being tried …")
            : model.ranking().troubleProperty().get());
    put.setDisable(model.chosen().isEmpty());
    put.setText(
        model
            .chosen()
            .map(r -> "Put the " + r.chain().microphone() + " there")
            .orElse("Put it there"));
    detail();
  }

  /** Place and distance: "on a boom, 41 cm". */
  private String place(Ranked r) {
    return r.mount().held() + ", " + context.units().get().near(r.metres());
  }

  private List<Object> row(Ranked r) {
    String name = r.chain().microphone();
    List<Object> cells = new ArrayList<>();
    boolean looked = model.chosen().filter(c -> c.chain().equals(r.chain())).isPresent();
    cells.add(new RowChoice(name, looked, () -> model.chosenProperty().set(name)));
    cells.add(place(r));
    for (Margin margin : Verdicts.of(r.heard(), model.targets()).all()) {
      Verdict verdict = margin.verdict();
      cells.add(
          new FigureTable.Figure(
              Figures.say("%.0f %s", margin.db(), verdict.sign()),
              () -> model.why(r, margin.name()),
              "cell",
              "margin-" + verdict.id()));
    }
    cells.add(Figures.say("%.1f", r.shortDb()));
    cells.add(Figures.money(r.chain().price()));
    return cells;
  }

  private void detail() {
    List<Node> all = new ArrayList<>();
    model
        .chosen()
        .ifPresent(r -> {
          all.add(head(r.chain().microphone()));
          r.chain().why().forEach(w -> all.add(new Wrapped(w)));
          all.add(
              new Wrapped(
                  Figures.say(
                      "At worst, leant and turned: Quiet %.0f, Clear %.0f, Safe %.0f dB.",
                      r.sway().worst().quietDb(),
                      r.sway().worst().clearDb(),
                      r.sway().worst().safeDb()),
                  "soft"));
          all.add(head("What it takes"));
          all.add(new Wrapped(needs(r.chain().needs())));
          r.chain().checks().stream()
              .filter(c -> !c.ok())
              .forEach(c -> all.add(new Wrapped("▲ " + c.advice(), "margin-short")));
          model
              .otherwiseProperty()
              .get()
              .filter(list -> list.size() > 1)
              .filter(
                  list -> list.getFirst().chain().microphone().startsWith(r.chain().microphone()))
              .ifPresent(list -> {
                all.add(head("The same, otherwise"));
                if (model.inUse().filter(u -> u.chain().equals(r.chain())).isPresent()) {
                  all.add(
                      new Wrapped(
                          compared("Where it is now", model.metresNow(), model.missingNowDb(), r)));
                }
                list.forEach(o -> all.add(new Wrapped(otherwise(r, o))));
              });
        });
    model
        .backup()
        .ifPresent(b -> {
          all.add(head("As a second pickup"));
          all.add(new Wrapped(second(b)));
          b.failsDifferently().forEach(w -> all.add(new Wrapped(w, "soft")));
        });
    detail.getChildren().setAll(all);
  }

  private static Label head(String words) {
    return new Wrapped(words, "heading");
  }

  private static String needs(List<Need> needs) {
    String things =
        needs.stream()
            .map(n ->
                n.what() + (n.price() > 0 ? " " + Figures.money(n.price()) : ": there already"))
            .collect(Collectors.joining(", "));
    return Figures.capital(things)
        + Figures.say(
            ". To be paid: %.0f. What is yours is taken to have its stand and cable.",
            needs.stream().mapToDouble(Need::price).sum());
  }

  /** "… on the camera, 192 cm: 6.2 dB more missing". */
  private String otherwise(Ranked chosen, Ranked other) {
    String name = other.chain().microphone();
    String what = name.substring(Math.min(name.length(), chosen.chain().microphone().length() + 2));
    return compared(Figures.capital(what), other.metres(), other.shortDb(), chosen);
  }

  private String compared(String what, double metres, double shortDb, Ranked chosen) {
    double more = shortDb - chosen.shortDb();
    return what
        + ", "
        + context.units().get().near(metres)
        + (Math.abs(more) < 0.05
            ? ": the same."
            : Figures.say(": %.1f dB %s missing.", Math.abs(more), more > 0 ? "more" : "less"));
  }

  private String second(MicPlanner.Backup b) {
    Ranked r = b.ranked();
    return Figures.say(
        "%s, %s: Quiet %.0f, Clear %.0f, Safe %.0f dB if the first fails, %.1f dB short.",
        r.chain().microphone(),
        place(r),
        r.heard().margins().quietDb(),
        r.heard().margins().clearDb(),
        r.heard().margins().safeDb(),
        r.shortDb());
  }

  Node node() {
    return node;
  }

  Node controls() {
    return controls;
  }
}
