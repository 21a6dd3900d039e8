package nullroom.app.listen;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.LocalDateTime;
import java.time.format.DateTimeParseException;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.Executor;
import javafx.application.Platform;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import nullroom.app.shell.Inputs;
import nullroom.app.shell.Live;
import nullroom.app.shell.StationContext;
import nullroom.core.Trouble;
import nullroom.core.book.RoomBook;
import nullroom.core.book.SurveyNote;
import nullroom.core.measure.noise.Scale;
import nullroom.core.measure.noise.SecondLevels;
import nullroom.io.device.AudioDevice;
import nullroom.io.survey.IntrusionSound;
import nullroom.io.survey.SurveyFile;
import nullroom.io.survey.SurveyRun;
import org.jspecify.annotations.Nullable;

/** The watch over hours: runs it, goes on with one that broke off, and judges what it heard. */
public final class NightModel {
  /** A running survey is judged again when it has grown by this share. */
  private static final double GROWTH = 0.02;

  private final StationContext context;
  private final Executor executor;
  private final ReadOnlyBooleanWrapper running = new ReadOnlyBooleanWrapper();
  private final ReadOnlyObjectWrapper<Optional<Night>> night =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final BooleanProperty keepSound = new SimpleBooleanProperty(true);
  private final List<SurveyFile.Line> lines = new ArrayList<>();
  private volatile @Nullable Watch watch;
  private int judgedAt;

  /** Judgements asked for, and the newest that is shown; on the FX thread. */
  private int asked;

  private int shown;

  NightModel(StationContext context, Executor executor) {
    this.context = context;
    this.executor = executor;
    last().ifPresent(this::show);
  }

  private RoomBook book() {
    return context.session().book();
  }

  /** Whether a watch is under way. */
  public ReadOnlyBooleanProperty runningProperty() {
    return running.getReadOnlyProperty();
  }

  /** The last survey, judged. */
  public ReadOnlyObjectProperty<Optional<Night>> nightProperty() {
    return night.getReadOnlyProperty();
  }

  /** Whether the sound around intrusions is kept. */
  public BooleanProperty keepSoundProperty() {
    return keepSound;
  }

  private Optional<SurveyNote> last() {
    List<SurveyNote> all = book().listening().surveys();
    return all.isEmpty() ? Optional.empty() : Optional.of(all.getLast());
  }

  /** The survey that broke off and may go on, where there is one. */
  public Optional<SurveyNote> brokenOff() {
    return running.get() ? Optional.empty() : last().filter(s -> !s.ended());
  }

  private LocalDateTime now() {
    return LocalDateTime.now(context.clock());
  }

  /** Begins a new watch. */
  public void start() {
    Inputs.Input input = context.inputs().chosenProperty().get();
    SurveyNote note =
        new SurveyNote(
                context.session().folder().freshSurvey("survey"),
                now().truncatedTo(ChronoUnit.SECONDS).toString(),
                input.simulated(),
                book().chain(input.simulated()),
                Optional.empty(),
                false)
            .by(book().listening().calibration());
    run(note, 0);
  }

  /** Goes on with the watch that broke off; the time between stays empty. */
  public void resume() {
    brokenOff()
        .ifPresent(note -> {
          Path csv = context.session().folder().survey(note.file());
          List<SurveyFile.Line> before =
              Files.exists(csv) ? SurveyFile.read(csv).lines() : List.of();
          double last = before.isEmpty() ? -1 : before.getLast().row().startSeconds();
          run(note, Math.max(last + 1, sinceStart(note)));
          lines.addAll(before);
        });
  }

  private double sinceStart(SurveyNote note) {
    try {
      return Duration.between(LocalDateTime.parse(note.started()), now()).toSeconds();
    } catch (DateTimeParseException e) {
      return 0; // a book written by hand: right after the last row then
    }
  }

  private void run(SurveyNote note, double startSeconds) {
    if (running.get()) {
      return;
    }
    AudioDevice device = context.inputs().chosenProperty().get().device().get();
    running.set(true);
    lines.clear();
    judgedAt = 0;
    edit("Begin a survey", note);
    Path csv = context.session().folder().survey(note.file());
    Optional<java.util.function.Consumer<IntrusionSound.Clip>> sound =
        keepSound.get() ? Optional.of(clip -> keep(note, clip)) : Optional.empty();
    watch = new Watch(note, new SurveyRun.Plan(csv, startSeconds, this::now, sound));
    context.live().tap(watch);
    context.live().start(device);
  }

  private void keep(SurveyNote note, IntrusionSound.Clip clip) {
    try {
      context
          .session()
          .folder()
          .sounds()
          .keep(note.file().replace(".csv", "") + "-intrusion", clip.sound());
    } catch (Trouble e) {
      say("The sound of an intrusion could not be kept: " + e.line());
    }
  }

  /** Ends the watch. */
  public void stop() {
    Watch mine = watch;
    if (mine != null) {
      watch = null;
      context.live().untap(mine);
      context.live().stop();
      executor.execute(() -> mine.end(true));
    }
  }

  /** Closes the file of a watch under way, which may go on when the book is opened again. */
  public void leave() {
    Watch mine = watch;
    if (mine != null) {
      context.live().untap(mine);
      mine.finish();
    }
  }

  private void say(String sentence) {
    Platform.runLater(() -> context.work().warn(sentence));
  }

  private void edit(String name, SurveyNote note) {
    context.session().edit(name, b -> b.with(b.listening().with(note)));
  }

  /** One run: hears on the hearing thread, writes on its own. */
  private final class Watch implements Live.Tap, SurveyRun.Listener {
    private final SurveyNote note;
    private final SurveyRun.Plan plan;
    private @Nullable SurveyRun run;
    private boolean over;

    Watch(SurveyNote note, SurveyRun.Plan plan) {
      this.note = note;
      this.plan = plan;
    }

    @Override
    public synchronized void hear(double[] block, int count) {
      Optional<Live.Format> heard = context.live().format();
      if (over || run == null && heard.isEmpty()) {
        return;
      }
      if (run == null) {
        try {
          Live.Format format = heard.get();
          run = SurveyRun.begin(plan, format.sampleRateHz(), format.largestAmplitude(), this);
        } catch (Trouble e) {
          stopped(e.line());
          return;
        }
      }
      run.add(block, count);
    }

    /** The input went away: what was heard is kept, and may be gone on with. */
    @Override
    public void ended() {
      end(false);
    }

    /** Writes what was heard; false where that was done before. */
    boolean finish() {
      synchronized (this) {
        if (over) {
          return false;
        }
        over = true;
      }
      if (run != null) {
        run.close();
      }
      return true;
    }

    void end(boolean byHand) {
      if (!finish()) {
        return;
      }
      Platform.runLater(() -> {
        running.set(false);
        if (byHand) {
          edit("End a survey", note.asEnded());
        }
        judge(note);
      });
    }

    @Override
    public void written(SurveyFile.Line line) {
      Platform.runLater(() -> {
        lines.add(line);
        if (lines.size() >= judgedAt * (1 + GROWTH) + 1) {
          judge(note);
        }
      });
    }

    @Override
    public void stopped(String sentence) {
      say(sentence);
      context.live().stop();
    }
  }

  /** Judges what is there so far, off the FX thread. */
  private void judge(SurveyNote note) {
    judgedAt = lines.size();
    SurveyFile.Content content = new SurveyFile.Content(lines, 0);
    double limit = limitDbfs(note.scale());
    int mine = ++asked;
    executor.execute(() -> publish(Night.of(content, note.scale(), limit), mine));
  }

  private void show(SurveyNote note) {
    Path csv = context.session().folder().survey(note.file());
    if (!Files.exists(csv)) {
      return; // it never got as far as its first second
    }
    double limit = limitDbfs(note.scale());
    int mine = ++asked;
    executor.execute(() -> {
      try {
        SurveyFile.Content content = SurveyFile.read(csv);
        Platform.runLater(() -> {
          if (mine == asked) {
            lines.addAll(content.lines());
          }
        });
        publish(Night.of(content, note.scale(), limit), mine);
      } catch (Trouble e) {
        say(e.line());
      }
    });
  }

  /** Shows a judgement unless a newer one is shown already. */
  private void publish(Night judged, int which) {
    if (!judged.survey().rows().isEmpty()) {
      Platform.runLater(() -> {
        if (which > shown) {
          shown = which;
          night.set(Optional.of(judged));
        }
      });
    }
  }

  /** What a take bears, as this microphone gives it; all that breaks in where that is not known. */
  private double limitDbfs(Optional<Scale> scale) {
    OptionalDouble allowed =
        context.session().heard().allowedRoomNoiseDbA(book().goal().targets().quietDb());
    return scale.isPresent() && allowed.isPresent()
        ? allowed.getAsDouble() - scale.get().fullScaleDbSpl()
        : SecondLevels.NOTHING_DBFS;
  }

  String meaning() {
    String broken =
        brokenOff()
            .map(s ->
                " The survey begun " + s.started().replace('T', ' ') + " broke off: it can go on.")
            .orElse("");
    return night
            .get()
            .map(Night::words)
            .orElse(
                "Leave the microphone where you would record and let it listen for an hour or a night. Each second is written to disk"
                    + " as it ends; you can look at any time.")
        + broken;
  }
}
