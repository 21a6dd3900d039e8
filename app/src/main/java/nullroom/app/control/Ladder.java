package nullroom.app.control;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import javafx.scene.text.TextAlignment;
import nullroom.app.control.BandPlot.Origin;
import nullroom.core.acoustics.Octave;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;

/**
 * One ruler in decibels from full scale down, with everything on it that decides the recording and
 * the three margins between. Drawn from a {@link Heard}; a ghost shows where rungs stood before the
 * last step.
 */
public final class Ladder extends PlotPane {
  private static final double HIGHEST_DBFS = 10;
  private static final double LOWEST_DBFS = -120;
  private static final double AXIS_X = 36;
  private static final double BRACKET_X = 50;
  private static final double LABEL_X = 66;
  private static final double LABEL_PITCH = 16;
  private static final double TOP = 26;
  private static final double MARK_WIDTH = 14;

  private record Rung(String label, double dbfs, Origin origin, String style, String why) {}

  private record Entry(double wantedY, String label, String style, Optional<Rung> rung) {}

  private Optional<Heard> heard = Optional.empty();
  private Optional<Heard> before = Optional.empty();
  private Margins targets = new Margins(0, 0, 0);
  private Origin noiseOrigin = Origin.ASSUMED;
  private Origin decayOrigin = Origin.PREDICTED;

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
  public Ladder() {
    super("ladder");
    setMinWidth(250);
  }

  /**
   * What is shown.
   *
   * @param now the current state
   * @param ghost the state before the last step
   * @param wanted targets of the margins
   * @param noiseFrom how the room's noise is known
   * @param decayFrom how its decay is known
   */
  public void show(Heard now, Heard ghost, Margins wanted, Origin noiseFrom, Origin decayFrom) {
    heard = Optional.of(now);
    before = ghost.equals(now) ? Optional.empty() : Optional.of(ghost);
    targets = wanted;
    noiseOrigin = noiseFrom;
    decayOrigin = decayFrom;
    setAccessibleText(spoken(now));
    redraw();
  }

  private String spoken(Heard now) {
    StringBuilder text = new StringBuilder("Ladder.");
    for (Margins.Kind kind : Margins.Kind.values()) {
      text.append(' ').append(marginLabel(now, kind)).append('.');
    }
    return text.toString();
  }

  private static double voice(Heard h) {
    return h.dbfs(Octave.aWeightedSum(h.directDbSpl().energySum(h.earlyDbSpl())));
  }

  private static double noise(Heard h) {
    return h.dbfs(Octave.aWeightedSum(h.noiseDbSpl()));
  }

  private List<Rung> rungs(Heard h) {
    List<Rung> rungs = new ArrayList<>();
    rungs.add(
        new Rung(
            "full scale",
            0,
            Origin.PREDICTED,
            "limit",
            "Digital full scale: a sine of this level just fits."));
    double capsule = h.dbfs(h.capture().maxDbSpl());
    if (capsule < HIGHEST_DBFS) {
      rungs.add(
          new Rung(
              "capsule limit",
              capsule,
              Origin.ASSUMED,
              "limit",
              "Highest level the microphone takes, by its data."));
    }
    rungs.add(
        new Rung(
            "loudest peak",
            h.dbfs(h.peakDbSpl()),
            Origin.PREDICTED,
            "voice",
            "The voice's level plus 18 dB, which the loudest syllables reach (common practice)."));
    rungs.add(
        new Rung(
            "peak target",
            -targets.safeDb(),
            Origin.ASSUMED,
            "target",
            "Where the loudest peak should come (common practice)."));
    rungs.add(
        new Rung(
            "voice",
            voice(h),
            Origin.PREDICTED,
            "voice",
            "Active speech level, direct and early sound, A-weighted: from effort, distance and pattern."));
    rungs.add(
        new Rung(
            "late room",
            voice(h) - h.margins().clearDb(),
            decayOrigin,
            "room",
            switch (decayOrigin) {
              case MEASURED -> "What the room sends back after 50 ms, from the decay you measured.";
              case SIMULATED ->
                  "What the room sends back after 50 ms, from the decay of the simulated room.";
              case PREDICTED, ASSUMED ->
                  "What the room sends back after 50 ms, predicted from its size and materials.";
            }));
    rungs.add(
        new Rung(
            "room noise",
            h.dbfs(Octave.aWeightedSum(h.roomNoiseDbSpl())),
            noiseOrigin,
            "noise",
            switch (noiseOrigin) {
              case MEASURED ->
                  "The room's noise through the microphone's pattern, from your recording, A-weighted.";
              case SIMULATED ->
                  "The noise of the simulated room through the microphone's pattern, A-weighted.";
              case PREDICTED, ASSUMED -> "No noise measured yet; a quiet bedroom is assumed.";
            }));
    for (Heard.SourceNoise source : h.sources()) {
      rungs.add(
          new Rung(
              source.name(),
              h.dbfs(Octave.aWeightedSum(source.levelDbSpl())),
              Origin.PREDICTED,
              "noise",
              "From its own level, its distance and the microphone's pattern, A-weighted."));
    }
    rungs.add(
        new Rung(
            "mic self-noise",
            h.dbfs(h.capture().selfNoiseDbA()),
            Origin.ASSUMED,
            "noise",
            "By the microphone's data, A-weighted."));
    rungs.add(
        new Rung(
            "preamp hiss",
            h.dbfs(h.capture().preampNoiseDbA()),
            Origin.ASSUMED,
            "noise",
            "Equivalent input noise of the preamp, as sound at the microphone."));
    rungs.add(
        new Rung(
            "converter",
            h.dbfs(Octave.aWeightedSum(h.converterNoiseDbSpl())),
            Origin.PREDICTED,
            "noise",
            "Rounding to " + h.capture().bits() + " bits."));
    return rungs;
  }

  private double y(double dbfs, double height) {
    double share =
        (HIGHEST_DBFS - Math.clamp(dbfs, LOWEST_DBFS, HIGHEST_DBFS)) / (HIGHEST_DBFS - LOWEST_DBFS);
    return TOP + share * (height - TOP - 12);
  }

  @Override
  protected void draw(double width, double height) {
    heard.ifPresent(h -> draw(h, width, height));
    putOwn(held);
    putOwn(fast);
    place(height);
  }

  private void draw(Heard h, double width, double height) {
    text("dBFS", AXIS_X, 9, TextAlignment.RIGHT, "axis");
    text("dB SPL", width - 6, 9, TextAlignment.RIGHT, "axis");
    line(AXIS_X, TOP, AXIS_X, height - 12, "ruler");
    for (double tick = 0; tick >= LOWEST_DBFS; tick -= 10) {
      double at = y(tick, height);
      line(AXIS_X - 4, at, AXIS_X, at, "ruler");
      if (tick % 20 == 0) {
        text(
            String.format(Locale.ROOT, "%.0f", tick).replace('-', '−'),
            AXIS_X - 7,
            at,
            TextAlignment.RIGHT,
            "axis");
        text(
            String.format(Locale.ROOT, "%.0f", tick + h.capture().fullScaleDbSpl())
                .replace('-', '−'),
            width - 6,
            at,
            TextAlignment.RIGHT,
            "axis");
      }
    }
    before.ifPresent(b -> ghosts(b, height));
    List<Entry> entries = new ArrayList<>();
    for (Rung rung : rungs(h)) {
      entries.add(new Entry(y(rung.dbfs(), height), rung.label(), rung.style(), Optional.of(rung)));
    }
    brackets(h, height, entries);
    labels(entries, height);
  }

  private void ghosts(Heard b, double height) {
    for (Rung rung : rungs(b)) {
      line(AXIS_X - 4, y(rung.dbfs(), height), AXIS_X + 10, y(rung.dbfs(), height), "ghost");
    }
  }

  private void brackets(Heard h, double height, List<Entry> entries) {
    for (Margins.Kind kind : Margins.Kind.values()) {
      double from = kind == Margins.Kind.SAFE ? h.dbfs(h.capture().overloadDbSpl()) : voice(h);
      double to =
          switch (kind) {
            case SAFE -> h.dbfs(h.peakDbSpl());
            case CLEAR -> voice(h) - h.margins().clearDb();
            case QUIET -> noise(h);
          };
      double x = kind == Margins.Kind.QUIET ? BRACKET_X + 7 : BRACKET_X;
      String mark = h.margins().mark(targets, kind).name().toLowerCase(Locale.ROOT);
      double top = y(from, height);
      double bottom = y(to, height);
      polyline(new double[] {x - 4, top, x, top, x, bottom, x - 4, bottom}, "bracket", mark);
      double middle =
          kind == Margins.Kind.QUIET ? bottom - (bottom - top) * 0.3 : (top + bottom) / 2;
      entries.add(new Entry(middle, marginLabel(h, kind), "margin-" + mark, Optional.empty()));
    }
  }

  /** "Clear 7.5 dB, close (10)": name, figure, mark as a word, target. */
  private String marginLabel(Heard h, Margins.Kind kind) {
    String name = kind.name().charAt(0) + kind.name().substring(1).toLowerCase(Locale.ROOT);
    Margins.Mark mark = h.margins().mark(targets, kind);
    String said =
        switch (mark) {
          case MET -> "met ●";
          case CLOSE -> "close ◆";
          case SHORT ->
              String.format(Locale.ROOT, "%.0f short ▲", -h.margins().over(targets, kind));
        };
    return String.format(Locale.ROOT, "%s %.0f dB, %s", name, h.margins().get(kind), said)
        .replace('-', '−');
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
            line(
                AXIS_X,
                entry.wantedY(),
                AXIS_X + 9,
                entry.wantedY(),
                "rung",
                rung.style(),
                rung.origin().style());
            line(AXIS_X + 9, entry.wantedY(), LABEL_X + 4, labelY, "tie");
            hint(
                label,
                String.format(
                    Locale.ROOT,
                    "%s: %.1f dBFS (%s). %s",
                    rung.label(),
                    rung.dbfs(),
                    rung.origin().style(),
                    rung.why()));
          });
    }
  }
}
