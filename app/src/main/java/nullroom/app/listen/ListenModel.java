package nullroom.app.listen;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.Executor;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import nullroom.app.shell.StationContext;
import nullroom.app.shell.StationText;
import nullroom.core.Figures;
import nullroom.core.Progress;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Capture;
import nullroom.core.book.NoiseMeasurement;
import nullroom.core.book.RoomBook;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.plan.Margin;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Origin;
import nullroom.core.signal.SampleSource;
import nullroom.io.device.AudioDevice;

/** What the noise station knows and can do; its pages have models of their own. */
public final class ListenModel {
  /** Long enough for a hum to stand out of noise. */
  static final double SECONDS = 10;

  private final StationContext context;
  private final ObjectProperty<Page> page = new SimpleObjectProperty<>(Page.REPORT);
  private final ClipModel clip;
  private final CulpritModel culprits;
  private final NightModel night;
  private final SpotModel spots;
  private final CalibrationModel calibration;
  private final HumModel hum;
  private final ChainModel chain;
  private final StationText say;

  /**
   * A model that works with a context.
   *
   * @param executor for what takes long
   */
  public ListenModel(StationContext context, Executor executor) {
    this.context = context;
    clip = new ClipModel(context);
    culprits = new CulpritModel(context);
    night = new NightModel(context, executor);
    spots = new SpotModel(context);
    calibration = new CalibrationModel(context);
    hum = new HumModel(context);
    chain = new ChainModel(context);
    say =
        StationText.of(
            context.session(),
            this::sayAnswer,
            this::sayMeaning,
            this::sayFigure,
            () -> context.session().ladder().whyOf("room noise"),
            page,
            night.nightProperty(),
            night.runningProperty(),
            context.live().runningProperty());
    context
        .live()
        .troubleProperty()
        .subscribe(sentence -> {
          if (!sentence.isEmpty()) {
            context.work().warn(sentence);
          }
        });
  }

  /** The station's words. */
  public StationText say() {
    return say;
  }

  /** The page shown. */
  public ObjectProperty<Page> pageProperty() {
    return page;
  }

  /** One recording that holds everything. */
  public ClipModel clip() {
    return clip;
  }

  /** The culprit board. */
  public CulpritModel culprits() {
    return culprits;
  }

  /** The watch over hours. */
  public NightModel night() {
    return night;
  }

  /** Candidate places. */
  public SpotModel spots() {
    return spots;
  }

  /** What levels mean. */
  public CalibrationModel calibration() {
    return calibration;
  }

  /** The path of a hum. */
  public HumModel hum() {
    return hum;
  }

  /** What the noise was recorded with. */
  public ChainModel chain() {
    return chain;
  }

  private RoomBook book() {
    return context.session().book();
  }

  /** The room's noise measured last. */
  public Optional<NoiseMeasurement> measurement() {
    return book().noise();
  }

  private Optional<NoiseMeasurement> inAir() {
    return measurement().filter(n -> n.roomDbSpl().isPresent());
  }

  /** Room noise as measured, or as assumed before. */
  public Bands noise() {
    return inAir()
        .flatMap(NoiseMeasurement::roomDbSpl)
        .orElse(book().room().noiseDbSpl().orElse(Heard.ASSUMED_NOISE_DB_SPL));
  }

  /** measured, simulated or assumed, for people. */
  public String origin() {
    return inAir().map(n -> howKnown(n).toLowerCase(Locale.ROOT)).orElse("assumed");
  }

  private static String howKnown(NoiseMeasurement n) {
    return n.simulated() ? "Simulated" : "Measured";
  }

  /** How its bars are drawn. */
  Origin.Kind plotted() {
    return inAir().map(n -> Origin.Kind.heard(n.simulated())).orElse(Origin.Kind.ASSUMED);
  }

  /** Whether it was measured. */
  public boolean measured() {
    return inAir().isPresent();
  }

  /** The highest spectrum of this shape at which Quiet still holds. */
  public Optional<Bands> quietLine() {
    return context
        .session()
        .heardProperty()
        .get()
        .quietLine(noise(), book().goal().targets().quietDb());
  }

  /** The A-level at the microphone under which the room is quiet enough for the goal, dB SPL. */
  public OptionalDouble quietEnoughDbA() {
    return context
        .session()
        .heardProperty()
        .get()
        .allowedRoomNoiseDbA(book().goal().targets().quietDb());
  }

  private String sayAnswer() {
    if (measurement().isPresent() && !measured()) {
      return doubt()
          + "Nobody knows yet: levels are relative until the scale is set. Comparing works all the same.";
    }
    Margin quiet = context.session().verdicts().quiet();
    String room =
        quiet.overDb() >= 0
            ? Words.decibels(quiet.overDb()) + " to spare"
            : Words.decibels(-quiet.overDb()) + " too loud";
    String give = Figures.say(", give or take %.0f dB", quiet.uncertaintyDb());
    String goal =
        Figures.say(
            " for “%s” with this microphone here", book().goal().label().toLowerCase(Locale.ROOT));
    String answer =
        switch (quiet.verdict()) {
          case MET -> "Yes, with " + room + give + "," + goal + ".";
          case CLOSE, SHORT -> "Not yet: " + room + give + "," + goal + ".";
          case CANNOT_TELL ->
              "Nobody can tell"
                  + goal
                  + ": "
                  + room
                  + give
                  + ". What would tell: "
                  + quiet.largestDoubt().remedy()
                  + ".";
        };
    return doubt() + answer + (measured() ? "" : " This is a guess until you listen.");
  }

  /** What a device did to the sound comes ahead of what was made of it. */
  private String doubt() {
    return Alteration.doubt(
        measurement().map(NoiseMeasurement::altered).orElse(List.of()), Alteration.Measured.NOISE);
  }

  private String sayMeaning() {
    return switch (page.get()) {
      case LIVE -> live();
      case REPORT -> report();
      case CLIP -> clip.meaning();
      case CULPRITS -> culprits.meaning();
      case NIGHT -> night.meaning();
      case SPOTS -> spots.meaning();
      case CALIBRATION -> calibration.meaning();
    };
  }

  private String live() {
    return context.live().runningProperty().get()
        ? "What the input hears now. Nothing is kept; move, switch off, cover, and watch the level."
        : "Start the meter, then move the microphone, switch things off, cover the window, and watch the level.";
  }

  private String report() {
    return measurement()
        .map(n ->
            Words.level(n)
                + ". "
                + howKnown(n)
                + " "
                + n.taken().replace('T', ' ')
                + "."
                + Words.found(n, hum)
                + Alteration.remedies(n.altered()))
        .orElse(
            "Switch off what you can, keep still, and listen for ten seconds, or drop a recording of the quiet room here.");
  }

  private String sayFigure() {
    if (!culprits.owed().isEmpty()) {
      return culprits.owed().getFirst().name() + " still off";
    }
    return measurement()
        .map(n ->
            n.laeqDbSpl().isPresent()
                ? Figures.say("%.0f dBA", n.laeqDbSpl().getAsDouble())
                : "relative only")
        .orElse("not heard yet");
  }

  /** What the space bar does: starts or stops the meter on its page, listens elsewhere. */
  public void space() {
    if (page.get() == Page.LIVE) {
      toggleLive();
    } else if (page.get() == Page.NIGHT) {
      if (night.runningProperty().get()) {
        night.stop();
      } else {
        context.work().attempt(night::start, () -> {});
      }
    } else {
      listen();
    }
  }

  /** Starts or stops the meter. */
  public void toggleLive() {
    if (context.live().runningProperty().get()) {
      context.live().stop();
    } else {
      context
          .work()
          .attempt(
              () -> context.live().start(context.inputs().chosenProperty().get().device().get()),
              () -> {});
    }
  }

  /** Listens for ten seconds and keeps the result. */
  public void listen() {
    context.record(
        "Listening for ten seconds",
        AudioDevice.Prompt.QUIET,
        SECONDS,
        "noise",
        measure(),
        this::keep);
  }

  /** Measures a sound file of the quiet room, of any length. */
  public void open(Path file) {
    Measuring measured = measuring();
    context.stream(
        "Measuring " + file.getFileName(),
        file,
        "noise",
        (kept, sound, progress) -> measured.of(kept, false, Optional.empty(), sound, progress),
        this::keep);
  }

  /** Measures a dropped sound, of which nobody has said what it was made with. */
  public StationContext.Measurement<NoiseMeasurement> measureDropped() {
    Measuring measuring = measuring();
    return (sound, progress) ->
        measuring.of(
            sound.name(), false, Optional.empty(), SampleSource.of(sound.samples()), progress);
  }

  private StationContext.Measurement<NoiseMeasurement> measure() {
    RoomBook book = book();
    Measuring measuring = measuring();
    return (sound, progress) ->
        measuring.of(
            sound.name(),
            sound.simulated(),
            book.chain(sound.simulated()),
            SampleSource.of(sound.samples()),
            progress);
  }

  /** Measures with what the book says now; free to be asked on another thread. */
  private interface Measuring {
    NoiseMeasurement of(
        String name,
        boolean simulated,
        Optional<Capture> chain,
        SampleSource sound,
        Progress progress);
  }

  private Measuring measuring() {
    RoomBook book = book();
    String now = context.now();
    return (name, simulated, chain, sound, progress) ->
        NoiseMeasurement.of(
            name,
            new NoiseMeasurement.Taken(now, simulated, "", SpotModel.off(book)),
            sound,
            chain,
            book.listening().calibration(),
            progress);
  }

  /** Keeps what was measured. */
  public void keep(NoiseMeasurement measured) {
    context.session().edit("Measure the noise", book -> book.with(measured));
    if (!book().noise().equals(Optional.of(measured))) {
      context
          .work()
          .say(
              "That was the simulated room: your own measurement stays the one that counts. The sound is kept as "
                  + measured.sound()
                  + ".");
    } else if (measured.chain().isEmpty() && !measured.byVoice()) {
      context
          .work()
          .say(
              "Nobody said yet which microphone and gain this was made with: its levels are relative.");
    }
  }
}
