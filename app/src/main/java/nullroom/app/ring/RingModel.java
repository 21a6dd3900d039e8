package nullroom.app.ring;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import nullroom.app.shell.StationContext;
import nullroom.app.shell.StationText;
import nullroom.core.Figures;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.DecayEstimate;
import nullroom.core.book.DecayMeasurement;
import nullroom.core.book.Decays;
import nullroom.core.book.Goal;
import nullroom.core.book.MeasuredAt;
import nullroom.core.book.RoomBook;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.measure.decay.BlindDecay;
import nullroom.core.measure.decay.DecayReport;
import nullroom.core.measure.decay.PositionAverage;
import nullroom.core.plan.BookReasons;
import nullroom.core.plan.TimeVerdict;
import nullroom.core.predict.FirstArrivals;
import nullroom.core.predict.Origin;
import nullroom.core.predict.Statistics;
import nullroom.core.room.Room;
import nullroom.core.room.Sides;

/** What the reverberation station knows and can do. */
public final class RingModel {
  /**
   * An arrival after the direct sound.
   *
   * @param milliseconds behind it
   * @param levelDb re it
   * @param extraMetres longer
   * @param name of what it may have come from; empty where nothing in the room's description fits
   * @param further a path by several surfaces that fits, where none by one does; may be empty
   * @param paths of the description that fit, the nearest first
   */
  public record Arrival(
      double milliseconds,
      double levelDb,
      double extraMetres,
      String name,
      String further,
      List<FirstArrivals.Arrival> paths) {
    /** The name with the side that a wall lies on; empty where nothing fits. */
    String fullName(Room room) {
      return paths.stream()
          .limit(Arrivals.NAMED)
          .map(p ->
              p.surface()
                  .filter(s -> s.id().equals(p.name()))
                  .map(s -> Sides.named(room, s))
                  .orElse(p.name()))
          .collect(Collectors.joining(" or "));
    }
  }

  /** What a recording changes in the book. */
  public record Found(
      String edit, UnaryOperator<Decays> change, String remark, boolean simulated) {}

  private final ObjectProperty<RingPage> page = new SimpleObjectProperty<>(RingPage.DECAY);
  private final ObjectProperty<Optional<Arrival>> chosen =
      new SimpleObjectProperty<>(Optional.empty());
  private final StationContext context;
  private final StationText say;
  private final SweepModel sweep;
  private final ClapGuide guide;
  private final PlacesModel places;

  /** A model that works with a context. */
  public RingModel(StationContext context) {
    this.context = context;
    say =
        StationText.of(
            context.session(),
            this::sayAnswer,
            this::sayMeaning,
            this::sayFigure,
            () -> BookReasons.reverberation(book()));
    sweep = new SweepModel(this, context);
    guide = new ClapGuide(this, context);
    places = new PlacesModel(context);
    context.session().bookProperty().subscribe(() -> chosen.set(Optional.empty()));
  }

  /** The station's words. */
  public StationText say() {
    return say;
  }

  /** The page shown. */
  public ObjectProperty<RingPage> pageProperty() {
    return page;
  }

  /** The sweep. */
  public SweepModel sweep() {
    return sweep;
  }

  /** The claps. */
  public ClapGuide guide() {
    return guide;
  }

  /** The places. */
  public PlacesModel places() {
    return places;
  }

  private RoomBook book() {
    return context.session().book();
  }

  /** Octaves of the last measurement; empty before the first. */
  public List<DecayReport.BandDecay> bands() {
    return book().decay().map(d -> d.report().bands()).orElse(List.of());
  }

  /** Thirds of the last measurement. */
  public List<DecayReport.BandDecay> thirds() {
    return book().decay().map(d -> d.report().thirdOctaveBands()).orElse(List.of());
  }

  /** What could not be had of it, each in a sentence. */
  public List<String> warnings() {
    return book().decay().map(d -> d.report().warnings()).orElse(List.of());
  }

  /** Measured T20 per octave over the places of now, NaN where there is none. */
  public double[] measuredSeconds() {
    Optional<PositionAverage> average = book().decays().average();
    double[] seconds = new double[Octave.COUNT];
    for (int i = 0; i < Octave.COUNT; i++) {
      double hz = Octave.nominalHz(i);
      seconds[i] =
          average
              .flatMap(a -> a.band(hz))
              .map(PositionAverage.Averaged::seconds)
              .orElse(Double.NaN);
    }
    return seconds;
  }

  /** Whether the times are of a real room or of an acted one. */
  public Origin.Kind origin() {
    return Origin.Kind.heard(book().decay().filter(DecayMeasurement::simulated).isPresent());
  }

  /** Times predicted for the room as described now. */
  public double[] predictedSeconds() {
    return Statistics.of(book().room()).seconds().toArray();
  }

  /** The goal whose band of times is shown. */
  public Goal goal() {
    return book().goal();
  }

  private double midSeconds() {
    return book()
        .decays()
        .average()
        .flatMap(a -> a.tMidSeconds().stream().boxed().findFirst())
        .or(() -> estimate().map(e -> e.decay().midSeconds()))
        .orElse(Statistics.of(book().room()).midSeconds());
  }

  /** Standard uncertainty of the mid-frequency time, as a share of it. */
  private double uncertainShare() {
    Bands shares = context.session().heard().basis().decayShare();
    return estimate()
        .map(e -> e.decay().midSpreadSeconds() / e.decay().midSeconds())
        .orElse((shares.get(Octave.HZ_500) + shares.get(Octave.HZ_1000)) / 2);
  }

  /** What the ends of words gave, for as long as nothing was measured. */
  private Optional<DecayEstimate> estimate() {
    return book().decays().estimate().filter(e -> book().decay().isEmpty());
  }

  private String sayAnswer() {
    double t = midSeconds();
    String source =
        book().decay().isPresent()
            ? ""
            : estimate()
                .map(RingWords::estimated)
                .orElse(
                    book().here().described()
                        ? " That is predicted from the room’s description; clap to know."
                        : " That is of an assumed room: nobody described yours. Clap to know.");
    TimeVerdict verdict = TimeVerdict.of(goal(), t, t * uncertainShare());
    String sentence =
        switch (verdict.word()) {
          case LONGER -> "Yes: %.2f s at mid frequencies, and “%s” wants %.2f to %.2f s.";
          case SHORTER ->
              "No, it is drier than it need be: %.2f s at mid frequencies; “%s” is fine with %.2f to %.2f s.";
          case SUITS -> "No: %.2f s at mid frequencies suits “%s”, which wants %.2f to %.2f s.";
          case CANNOT_TELL ->
              "Nobody can tell: %.2f s at mid frequencies, and “%s” wants %.2f to %.2f s; it may be off by %.2f s.";
        };
    return Alteration.doubt(
            book().decay().map(DecayMeasurement::altered).orElse(List.of()),
            Alteration.Measured.DECAY)
        + Figures.say(
            sentence,
            t,
            goal().label().toLowerCase(Locale.ROOT),
            goal().shortestSeconds(),
            goal().longestSeconds(),
            verdict.uncertaintySeconds())
        + source;
  }

  private String sayMeaning() {
    if (book().decay().isEmpty()) {
      return "Clap where you speak and let the guide tell you how each clap was; or play a sweep, or drop a recording of either here. An ordinary take will do for an estimate.";
    }
    DecayMeasurement last = book().decay().get();
    return RingWords.measured(last, book().decays().now().size())
        + Alteration.remedies(last.altered())
        + last.unseen().map(" "::concat).orElse("");
  }

  private String sayFigure() {
    return Figures.say(book().decay().isPresent() ? "%.2f s" : "about %.1f s", midSeconds());
  }

  /** Single arrivals of the last measurement, strongest first, with what may have sent them. */
  public List<Arrival> arrivals() {
    return Arrivals.of(book());
  }

  /** The room with talker and microphone where they were at the last measurement. */
  public Room measuredRoom() {
    return book().decay().map(d -> d.at().placed(book().room())).orElse(book().room());
  }

  /** The arrival looked at. */
  public ObjectProperty<Optional<Arrival>> chosenProperty() {
    return chosen;
  }

  /** What flutters and rings, each in a sentence. */
  public List<String> echoes() {
    List<String> all = new ArrayList<>(Arrivals.ringing(book()));
    String flutter = Arrivals.flutter(book(), context.units().get());
    if (!flutter.isEmpty()) {
      all.addFirst(flutter);
    }
    return all;
  }

  /** What the response means for speech, what comes back first, and what has changed. */
  public String details() {
    return (RingWords.response(book(), context.session().heard(), arrivals(), context.units().get())
            + " "
            + RingWords.change(book()))
        .trim();
  }

  /** Whether the times have changed; empty with nothing to compare with. */
  public String change() {
    return RingWords.change(book());
  }

  /** Shows the guide and listens for claps. */
  public void clap() {
    page.set(RingPage.CLAPS);
    guide.start();
  }

  /** Measures a sound file of claps, a sweep, switched-off noise, or of someone speaking. */
  public void open(Path file) {
    context.open("Measuring " + file.getFileName(), file, "claps", measure(), this::keep);
  }

  /** Measures what is recorded next, at the places chosen now; an estimate where nothing decays. */
  StationContext.Measurement<Found> measure() {
    StationContext.Measurement<Found> decay = measureDecay();
    boolean measuredBefore = book().decay().isPresent();
    String now = context.now();
    StationContext.Measurement<Found> either =
        (sound, progress) -> {
          try {
            return decay.of(sound, progress);
          } catch (Trouble.BadSound nothing) {
            BlindDecay guess = BlindDecay.of(sound.samples()).orElseThrow(() -> nothing);
            DecayEstimate estimate = new DecayEstimate(sound.name(), now, guess);
            return new Found(
                "Estimate the decay",
                decays -> decays.with(estimate),
                RingWords.offered(guess, measuredBefore),
                sound.simulated());
          }
        };
    return either;
  }

  /**
   * Measures what is recorded next, at the places chosen now; fails with {@link Trouble.BadSound}
   * where nothing decays.
   */
  public StationContext.Measurement<Found> measureDecay() {
    MeasuredAt at = places.at();
    Room room = book().room();
    String now = context.now();
    return (sound, progress) -> {
      DecayMeasurement measured =
          DecayMeasurement.of(sound.name(), now, at, sound.samples(), room, progress);
      return new Found("Measure the decay", decays -> decays.with(measured), "", sound.simulated());
    };
  }

  /** Keeps what was found. */
  public void keep(Found found) {
    context.session().edit(found.edit(), book -> book.with(found.change().apply(book.decays())));
    boolean aside = found.simulated() && book().decay().filter(d -> !d.simulated()).isPresent();
    context
        .work()
        .say(
            aside
                ? "That was the simulated room: what you measured yourself stays what counts."
                : found.remark());
    if (page.get() == RingPage.CLAPS) {
      page.set(RingPage.DECAY);
    }
  }
}
