package nullroom.app.level;

import java.nio.file.Path;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import nullroom.app.shell.StationContext;
import nullroom.app.shell.StationText;
import nullroom.core.Figures;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.acoustics.Stage;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.book.RoomBook;
import nullroom.core.book.Staging;
import nullroom.core.plan.GainPlan;
import nullroom.core.plan.GainReasons;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Room;
import org.jspecify.annotations.Nullable;

/** What the level station knows and can do. */
public final class LevelModel {
  private final ObjectProperty<LevelPage> page = new SimpleObjectProperty<>(LevelPage.GAIN);
  private final KnobModel knob;
  private final StagesModel stages;
  private final StationContext context;
  private final StationText say;
  private final Map<VocalEffort, Heard> byEffort = new EnumMap<>(VocalEffort.class);
  private @Nullable Heard heardFor;
  private final LoudLine loudLine;
  private final TakeModel take;
  private final LeanModel lean;

  /** A model that works with a context. */
  public LevelModel(StationContext context) {
    this.context = context;
    stages = new StagesModel(context);
    knob = new KnobModel(context, this::gainDb);
    loudLine = new LoudLine(context, this::plan);
    take = new TakeModel(context);
    lean = new LeanModel(context);
    say =
        StationText.of(
            context.session(),
            this::sayAnswer,
            this::sayMeaning,
            () -> Figures.say("peak %.0f dBFS", peakDbfs(effort())),
            () -> context.session().ladder().whyOf("loudest peak"));
  }

  /** The page shown. */
  public ObjectProperty<LevelPage> pageProperty() {
    return page;
  }

  /** The half minute that finds the gain. */
  public LoudLine loudLine() {
    return loudLine;
  }

  /** The take that is checked. */
  public TakeModel take() {
    return take;
  }

  /** The lean test. */
  public LeanModel lean() {
    return lean;
  }

  /** The dial of the preamp. */
  public KnobModel knob() {
    return knob;
  }

  /** What lies between microphone and recording. */
  public StagesModel stages() {
    return stages;
  }

  /** The gain staging of the school chosen. */
  public GainPlan plan() {
    return GainPlan.of(context.session().heard(), book().goal().targets(), staging());
  }

  /** Why the levels of that plan are what they are. */
  public GainReasons reasons() {
    return new GainReasons(plan(), context.session().ladder());
  }

  /** What gain is planned for. */
  public Staging staging() {
    return book().levels().staging();
  }

  /** Plans for something else. */
  public void setStaging(Staging staging) {
    context.session().edit("Plan the gain", b -> b.with(b.levels().with(staging)));
  }

  private PlacedMicrophone microphone() {
    return book().room().requireMicrophone();
  }

  /** From lips to capsule. */
  public double distanceMetres() {
    return book().room().requireTalker().at().distanceTo(microphone().at());
  }

  /** Moves the microphone along its line to the lips. */
  public void setDistance(double metres) {
    place(
        "Change the distance", microphone().atDistance(book().room().requireTalker().at(), metres));
  }

  /** Microphones to choose from: those on the shelf, then the generic classes. */
  public List<MicrophoneType> types() {
    return book().shelf().known();
  }

  /** The microphone in use, where it is one of the list. */
  public Optional<MicrophoneType> type() {
    return MicrophoneType.in(microphone().capture(), types());
  }

  /** Uses another microphone. */
  public void setType(MicrophoneType type) {
    place("Change the microphone", microphone().with(type.on(microphone().capture())));
  }

  /** Equivalent input noise of the preamp. */
  public double preampEinDbu() {
    return microphone().capture().preampEinDbu();
  }

  /** Uses a preamp of another noise. */
  public void setPreampEin(double dbu) {
    place("Change the preamp", microphone().with(microphone().capture().withPreampEinDbu(dbu)));
  }

  private void place(String name, PlacedMicrophone changed) {
    context.session().edit(name, b -> b.with(b.room().withMicrophone(changed)));
  }

  /** Checks a sound file as a take. */
  public void open(Path file) {
    page.set(LevelPage.TAKE);
    take.open(file);
  }

  /** The station's words. */
  public StationText say() {
    return say;
  }

  private RoomBook book() {
    return context.session().book();
  }

  /** How loud the voice is. */
  public VocalEffort effort() {
    return book().room().requireTalker().effort();
  }

  /** Whether there is a preamp to turn. */
  public boolean turns() {
    return microphone().capture().preamp();
  }

  /** Gain of the preamp. */
  public double gainDb() {
    return microphone().capture().gainDb();
  }

  /** Where peaks should come, dBFS. */
  public double targetDbfs() {
    return -book().goal().targets().get(Margins.Kind.SAFE);
  }

  /** What is heard of another effort, computed once for each state of the book. */
  private Heard heard(VocalEffort effort) {
    Heard now = context.session().heard();
    if (!now.equals(heardFor)) {
      heardFor = now;
      byEffort.clear();
    }
    Room room = book().room();
    return byEffort.computeIfAbsent(
        effort, e -> context.session().heard(room.withTalker(room.requireTalker().with(e))));
  }

  /** Loudest expected peak with another effort at the same gain. */
  public double peakDbfs(VocalEffort effort) {
    Heard heard = heard(effort);
    return heard.dbfs(heard.peakDbSpl());
  }

  /** The voice, A-weighted, with another effort at the same gain. */
  public double voiceDbfs(VocalEffort effort) {
    Heard heard = heard(effort);
    return heard.dbfs(heard.voiceDbSplA());
  }

  /** The gain that the school asks for, within what inputs have. */
  public double rightGainDb() {
    return plan().gainDb();
  }

  /** Turns the gain. */
  public void setGain(double gain) {
    place("Turn the gain", microphone().with(microphone().capture().withGainDb(Math.rint(gain))));
  }

  /** Speaks louder or softer. */
  public void setEffort(VocalEffort effort) {
    context
        .session()
        .edit(
            "Change the effort",
            b -> b.with(b.room().withTalker(b.room().requireTalker().with(effort))));
  }

  private String sayAnswer() {
    double peak = peakDbfs(effort());
    double change = rightGainDb() - gainDb();
    String where =
        Figures.say(
            context.session().hearing().loudestDbSpl(book().room()).isPresent()
                ? "Your loudest line comes to %.0f dBFS, as heard"
                : "The loudest peak would come to %.0f dBFS",
            peak);
    Optional<Stage> automatic = microphone().capture().automatic();
    if (automatic.isPresent()) {
      return where
          + ", if “"
          + automatic.get().name()
          + "” did not set its own gain. It does: no level can be planned until that is switched off.";
    }
    if (!turns()) {
      return where
          + (peak > 0
              ? ", beyond full scale, and there is no gain to turn down: step back."
              : ". It gives digits by itself: there is no gain to turn, only the distance.");
    }
    if (peak > 0) {
      return where
          + ", beyond full scale: that is beyond repair. Turn the gain down to "
          + Math.round(rightGainDb())
          + " dB.";
    }
    if (Math.abs(change) < 1) {
      return where + ", where it belongs.";
    }
    return Figures.say(
        "%s. Set the gain to %.0f dB (%+.0f)%s: %s.",
        where,
        rightGainDb(),
        change,
        knob.turn(rightGainDb()).map(t -> ", " + t).orElse(""),
        staging().school().label());
  }

  private String sayMeaning() {
    String locked = loudLine.locked();
    return locked.isEmpty()
        ? "A low level can be raised, a clipped one cannot be mended; but far too low, the preamp’s hiss comes up with it."
        : locked;
  }
}
