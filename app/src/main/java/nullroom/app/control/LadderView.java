package nullroom.app.control;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.geometry.Bounds;
import javafx.scene.input.KeyCode;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import javafx.scene.text.TextAlignment;
import nullroom.core.Figures;
import nullroom.core.plan.Ladder;
import nullroom.core.plan.Margin;
import nullroom.core.plan.Verdict;
import nullroom.core.plan.Why;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;

/**
 * One ruler in decibels from full scale down, with everything on it that decides the recording and
 * the three margins between. Drawn from a {@link Heard}; a ghost shows where rungs stood before the
 * last step.
 */
public final class LadderView extends PlotPane implements CopyMenu.Tabled {
  /** Between a name and the frame around it when it has the keyboard. */
  private static final double FRAME = 3;

  /** Lower, the names of the rungs do not stand beside them. */
  private static final double LEAST_HEIGHT = 330;

  private static final double HIGHEST_DBFS = 10;
  private static final double LOWEST_DBFS = -120;
  private static final double AXIS_X = 36;
  private static final double BRACKET_X = 50;
  private static final double LABEL_X = 66;
  private static final double LABEL_PITCH = 16;
  private static final double TOP = 26;
  private static final double MARK_WIDTH = 14;

  private record Entry(
      double wantedY, String label, String style, Optional<Ladder.Rung> rung, Supplier<Why> why) {}

  private Optional<Ladder> ladder = Optional.empty();
  private Optional<Ladder> before = Optional.empty();
  private Consumer<Why> onWhy = why -> {};

  private double fastDbfs = Double.NEGATIVE_INFINITY;
  private double heldDbfs = Double.NEGATIVE_INFINITY;
  private final Rectangle fast = mark("live-fast", 5);
  private final Rectangle held = mark("live-held", 2);

  private static Rectangle mark(String style, double thickness) {
    Rectangle mark = new Rectangle(MARK_WIDTH, thickness);
    mark.getStyleClass().add(style);
    mark.setVisible(false);
    return mark;
  }

  /**
   * Moves the marks of what is heard now along the ruler; nothing else is drawn anew.
   *
   * @param fast level, minus infinity for none
   * @param peak largest sample, held
   */
  public void showLevel(double fast, double peak) {
    fastDbfs = fast;
    heldDbfs = peak;
    place(getHeight());
  }

  private void place(double height) {
    place(fast, fastDbfs, height);
    place(held, heldDbfs, height);
  }

  private void place(Rectangle mark, double dbfs, double height) {
    mark.setVisible(Double.isFinite(dbfs));
    mark.setX(AXIS_X - MARK_WIDTH / 2);
    mark.setY(y(dbfs, height) - mark.getHeight() / 2);
  }

  /** An empty ladder. */
  public LadderView() {
    super("ladder");
    setMinSize(250, LEAST_HEIGHT);
  }

  /**
   * What is shown.
   *
   * @param now the current state
   * @param ghost the state before the last step
   */
  public void show(Ladder now, Ladder ghost) {
    ladder = Optional.of(now);
    before = ghost.heard().equals(now.heard()) ? Optional.empty() : Optional.of(ghost);
    StringBuilder spoken = new StringBuilder("Ladder.");
    now.verdicts().all().forEach(m -> spoken.append(' ').append(m.sentence()).append('.'));
    setAccessibleText(spoken.toString());
    redraw();
  }

  /** What happens when a rung or a margin is asked where it comes from. */
  public void setOnWhy(Consumer<Why> asked) {
    onWhy = asked;
  }

  private double y(double dbfs, double height) {
    double share =
        (HIGHEST_DBFS - Math.clamp(dbfs, LOWEST_DBFS, HIGHEST_DBFS)) / (HIGHEST_DBFS - LOWEST_DBFS);
    return TOP + share * (height - TOP - 12);
  }

  @Override
  protected void draw(double width, double height) {
    ladder.ifPresent(l -> draw(l, width, height));
    putOwn(held);
    putOwn(fast);
    place(height);
  }

  @Override
  public List<List<String>> figures() {
    List<List<String>> rows = new ArrayList<>(List.of(List.of("rung", "dBFS", "known")));
    ladder.ifPresent(l ->
        l.rungs()
            .forEach(r ->
                rows.add(List.of(r.label(), Figures.say("%.1f", r.dbfs()), r.origin().label()))));
    return rows;
  }

  private void draw(Ladder l, double width, double height) {
    double fullScale = l.heard().capture().fullScaleDbSpl();
    text("dBFS", AXIS_X, 9, TextAlignment.RIGHT, "axis");
    text("dB SPL", width - 6, 9, TextAlignment.RIGHT, "axis");
    line(AXIS_X, TOP, AXIS_X, height - 12, "ruler");
    for (double tick = 0; tick >= LOWEST_DBFS; tick -= 10) {
      double at = y(tick, height);
      line(AXIS_X - 4, at, AXIS_X, at, "ruler");
      if (tick % 20 == 0) {
        text(Figures.say("%.0f", tick), AXIS_X - 7, at, TextAlignment.RIGHT, "axis");
        text(Figures.say("%.0f", tick + fullScale), width - 6, at, TextAlignment.RIGHT, "axis");
      }
    }
    before.ifPresent(b -> ghosts(b, height));
    List<Entry> entries = new ArrayList<>();
    for (Ladder.Rung rung : l.rungs()) {
      boolean beyond = rung.group() == Ladder.Group.LIMIT && rung.dbfs() > HIGHEST_DBFS;
      if (!beyond) {
        entries.add(
            new Entry(
                y(rung.dbfs(), height),
                rung.label(),
                Figures.word(rung.group()),
                Optional.of(rung),
                rung.reason()));
      }
    }
    l.brackets().forEach(bracket -> bracket(bracket, height, entries));
    labels(entries, height);
  }

  private void ghosts(Ladder b, double height) {
    for (Ladder.Rung rung : b.rungs()) {
      line(AXIS_X - 4, y(rung.dbfs(), height), AXIS_X + 10, y(rung.dbfs(), height), "ghost");
    }
  }

  private void bracket(Ladder.Bracket bracket, double height, List<Entry> entries) {
    boolean quiet = bracket.margin().kind() == Margins.Kind.QUIET;
    double x = quiet ? BRACKET_X + 7 : BRACKET_X;
    String verdict = bracket.margin().verdict().id();
    double top = y(bracket.fromDbfs(), height);
    double bottom = y(bracket.toDbfs(), height);
    polyline(new double[] {x - 4, top, x, top, x, bottom, x - 4, bottom}, "bracket", verdict);
    double middle = quiet ? bottom - (bottom - top) * 0.3 : (top + bottom) / 2;
    entries.add(
        new Entry(
            middle,
            label(bracket.margin()),
            "margin-" + verdict,
            Optional.empty(),
            bracket.reason()));
  }

  /** "Clear 8 dB, close ◆": name, figure, and the word with its mark. */
  private static String label(Margin margin) {
    Verdict verdict = margin.verdict();
    String by = verdict == Verdict.SHORT ? Figures.say("%.0f ", -margin.overDb()) : "";
    return Figures.say(
        "%s %.0f dB, %s%s %s", margin.name(), margin.db(), by, verdict.label(), verdict.sign());
  }

  /**
   * Places labels in order of height, pushed apart so that none covers another, each tied to its
   * rung by a thin line.
   */
  private void labels(List<Entry> entries, double height) {
    entries.sort(Comparator.comparingDouble(Entry::wantedY));
    double[] at = new double[entries.size()];
    double next = TOP - 6;
    for (int i = 0; i < at.length; i++) {
      at[i] = Math.max(entries.get(i).wantedY(), next);
      next = at[i] + LABEL_PITCH;
    }
    double limit = height - 8;
    for (int i = at.length - 1; i >= 0 && at[i] > limit; i--) {
      at[i] = limit;
      limit -= LABEL_PITCH;
    }
    for (int i = 0; i < at.length; i++) {
      Entry entry = entries.get(i);
      double labelY = at[i];
      Text label =
          text(entry.label(), LABEL_X + 8, labelY, TextAlignment.LEFT, "rung-label", entry.style());
      entry
          .rung()
          .ifPresent(rung -> {
            double level = entry.wantedY();
            line(AXIS_X, level, AXIS_X + 9, level, "rung", entry.style(), rung.origin().label());
            line(AXIS_X + 9, level, LABEL_X + 4, labelY, "tie");
          });
      ask(label, entry.why());
    }
  }

  /** Lets a label be asked: by pointer, by click, and by keys when it has the focus. */
  private void ask(Text label, Supplier<Why> why) {
    label.setFocusTraversable(true);
    Bounds around = label.getBoundsInParent();
    Rectangle frame =
        rectangle(
            around.getMinX() - FRAME,
            around.getMinY(),
            around.getWidth() + 2 * FRAME,
            around.getHeight(),
            "rung-focus");
    frame.visibleProperty().bind(label.focusedProperty());
    frame.setMouseTransparent(true);
    label.setAccessibleHelp("Enter: why?");
    label.setOnMouseEntered(e -> hint(label, String.join("\n", why.get().lines())));
    label.setOnMouseClicked(e -> onWhy.accept(why.get()));
    label.setOnKeyPressed(e -> {
      if (e.getCode() == KeyCode.ENTER) {
        onWhy.accept(why.get());
        e.consume();
      }
    });
  }
}
