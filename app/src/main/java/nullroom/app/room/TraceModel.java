package nullroom.app.room;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.Executor;
import java.util.stream.IntStream;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import nullroom.app.shell.Newest;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.Progress;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.Hearing;
import nullroom.core.book.RoomBook;
import nullroom.core.measure.decay.PositionAverage;
import nullroom.core.plan.Quantity;
import nullroom.core.plan.Why;
import nullroom.core.plan.Why.Input;
import nullroom.core.predict.Framing;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Mode;
import nullroom.core.predict.Origin;
import nullroom.core.predict.Refinement;
import nullroom.core.predict.ReturnMap;
import nullroom.core.predict.RoomResponse;
import nullroom.core.predict.Statistics;
import nullroom.core.predict.Tuning;
import nullroom.core.room.Point;
import nullroom.core.room.Room;

/**
 * The room traced in the background whenever it has changed, against the quick figures and against
 * what was measured.
 */
public final class TraceModel {
  private static final double HIGHEST_MODE_HZ = 200;
  private static final int MODES = 8;

  /**
   * What was traced.
   *
   * @param room of which
   * @param response of it
   * @param returns what each patch sends back
   */
  public record Traced(Room room, RoomResponse response, ReturnMap returns) {}

  private final ReadOnlyObjectWrapper<Optional<Traced>> traced =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final ReadOnlyObjectWrapper<Optional<Framing>> framing =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final StationContext context;
  private final Newest newest;
  private Optional<RoomBook> asked = Optional.empty();

  TraceModel(StationContext context, Executor background) {
    this.context = context;
    newest = new Newest(background, context.work()::warn);
  }

  /** What was traced last; may still be of the room as it was a moment ago. */
  public ReadOnlyObjectProperty<Optional<Traced>> tracedProperty() {
    return traced.getReadOnlyProperty();
  }

  /** What the camera has in its picture; may still be of the room as it was a moment ago. */
  public ReadOnlyObjectProperty<Optional<Framing>> framingProperty() {
    return framing.getReadOnlyProperty();
  }

  /** Traces the room of the book whenever it changes, from now on. */
  public void follow() {
    context.session().bookProperty().subscribe(this::refresh);
    refresh();
  }

  /**
   * Traces the room of now unless that is done, and refines what is heard by it; the newer request
   * ends the older.
   */
  public void refresh() {
    RoomBook book = book();
    boolean same =
        asked
            .filter(b -> b.room().equals(book.room()))
            .filter(b -> b.decays().equals(book.decays()))
            .isPresent();
    if (!same) {
      asked = Optional.of(book);
      Optional<Traced> known = now();
      newest.ask(request -> trace(book, known, request));
    }
  }

  /** Stops tracing; the quick answer stays until the room changes or is traced again. */
  public void stop() {
    newest.cancel();
    asked = Optional.empty();
    context.session().tracing(Double.NaN);
  }

  /** Ends tracing for good, from any thread; nothing is said any more. */
  public void leave() {
    newest.cancel();
  }

  private void trace(RoomBook book, Optional<Traced> known, Newest.Request request) {
    Room room = book.room();
    if (room.talker().isEmpty() || room.microphone().isEmpty()) {
      return;
    }
    if (known.isEmpty()) {
      request.tell(() -> context.session().tracing(0));
    }
    Optional<Framing> seen = Framing.of(room);
    request.tell(() -> framing.set(seen));
    Traced result = known.orElseGet(() -> trace(room, request));
    Refinement found = Hearing.refinement(book, result.response());
    request.tell(() -> {
      traced.set(Optional.of(result));
      context.session().refine(found);
    });
  }

  private Traced trace(Room room, Newest.Request request) {
    ReturnMap returns = ReturnMap.of(room, Refinement.SEED, request);
    Progress told =
        (done, total) -> {
          request.step(done, total);
          request.tell(() -> context.session().tracing((double) done / total));
        };
    return new Traced(room, RoomResponse.of(room, Refinement.SEED, told), returns);
  }

  private RoomBook book() {
    return context.session().book();
  }

  private Room room() {
    return book().room();
  }

  /** What was traced of the room as it is now. */
  public Optional<Traced> now() {
    return traced.get().filter(t -> Refinement.alike(t.room(), room()));
  }

  /** Quick and traced side by side, in a sentence. */
  public String words() {
    if (now().isEmpty()) {
      return "Tracing the room: the figures so far are those of statistics … " + formula();
    }
    RoomResponse response = now().get().response();
    Heard quick = Hearing.quick(room()).heard();
    Heard refined = Hearing.traced(room(), response).heard();
    double change = refined.margins().clearDb() - quick.margins().clearDb();
    return Figures.say(
            "Traced with %d mirrored arrivals and rays (late level good to %.1f dB): Clear %.1f dB for the room as described, where statistics alone say %.1f dB%s.%s",
            response.arrivals().size(),
            response.standardErrorDb(),
            refined.margins().clearDb(),
            quick.margins().clearDb(),
            Math.abs(change) < 1 ? "; the shape of the room changes little" : "",
            response.directBlocked()
                ? " Something stands between you and the microphone: there is no direct sound."
                : "")
        + " "
        + formula();
  }

  private String formula() {
    return "Statistics: " + Statistics.of(room()).why();
  }

  /** Times of the traced response, NaN where there is none. */
  public double[] tracedSeconds() {
    return IntStream.range(0, Octave.COUNT)
        .mapToDouble(
            b -> now().map(t -> t.response().t20Seconds(b).orElse(Double.NaN)).orElse(Double.NaN))
        .toArray();
  }

  /** Why a traced time is what it is; empty where nothing was traced. */
  public Optional<Why> whyTraced(int band) {
    OptionalDouble seconds =
        now().map(t -> t.response().t20Seconds(band)).orElse(OptionalDouble.empty());
    return seconds.isEmpty()
        ? Optional.empty()
        : Optional.of(
            Quantity.TRACED_TIME.why(
                Figures.say(" at %.0f Hz", Octave.nominalHz(band)),
                Figures.say("%.2f s", seconds.getAsDouble()),
                new Input(
                    "arrivals",
                    String.valueOf(now().orElseThrow().response().arrivals().size()),
                    Origin.predicted("from the room as described"))));
  }

  /**
   * A mode where talker and microphone are.
   *
   * @param mode of the room
   * @param talkerDb its pressure at the talker over its most
   * @param microphoneDb the same at the microphone
   */
  public record ModeHere(Mode mode, double talkerDb, double microphoneDb) {}

  /** The lowest modes of the room, or of the box with its plan and volume. */
  public List<ModeHere> modes() {
    Room room = room();
    if (room.talker().isEmpty() || room.microphone().isEmpty()) {
      return List.of();
    }
    Point low = new Point(room.outline().span(0)[0], room.outline().span(1)[0], 0);
    Point size = new Point(room.size().x(), room.size().y(), room.volume() / room.outline().area());
    return Mode.about(room, HIGHEST_MODE_HZ).stream()
        .limit(MODES)
        .map(m ->
            new ModeHere(
                m,
                m.levelDb(room.requireTalker().at(), low, size),
                m.levelDb(room.requireMicrophone().at(), low, size)))
        .toList();
  }

  /** Times by statistics. */
  public double[] predictedSeconds() {
    return Statistics.of(room()).seconds().toArray();
  }

  /** Times measured, each where there is one. */
  public List<OptionalDouble> measured() {
    Optional<PositionAverage> average = book().decays().average();
    return IntStream.range(0, Octave.COUNT)
        .mapToObj(b ->
            average
                .flatMap(a -> a.band(Octave.nominalHz(b)))
                .map(x -> OptionalDouble.of(x.seconds()))
                .orElse(OptionalDouble.empty()))
        .toList();
  }

  /** The description brought to the measurement; empty without one. */
  public Optional<Tuning> tuning() {
    return book().decay().isEmpty() ? Optional.empty() : Optional.of(Tuning.of(room(), measured()));
  }

  /** Takes the tuned coefficients over into the description; pieces on surfaces keep theirs. */
  public void takeOver() {
    Tuning tuning = tuning().orElseThrow();
    context.session().describe("Tune the materials to the measurement", tuning::applied);
  }
}
