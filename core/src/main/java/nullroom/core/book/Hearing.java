package nullroom.core.book;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import nullroom.core.Progress;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Octave;
import nullroom.core.acoustics.OwnVoice;
import nullroom.core.acoustics.Pattern;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.measure.decay.PositionAverage;
import nullroom.core.measure.noise.Calibration;
import nullroom.core.measure.noise.NoiseReport;
import nullroom.core.measure.noise.Scale;
import nullroom.core.predict.Basis;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Origin;
import nullroom.core.predict.QuickReplies;
import nullroom.core.predict.Refinement;
import nullroom.core.predict.ReflectedSound;
import nullroom.core.predict.RoomResponse;
import nullroom.core.predict.Statistics;
import nullroom.core.room.Room;

/**
 * The only maker of a {@link Heard}: what the microphone of a book hears, now and in changed rooms,
 * from what was measured where something was, changed by what the prediction says has changed
 * since; from the prediction alone elsewhere. Immutable, and free to be asked on any thread.
 */
public final class Hearing {
  /**
   * Adjustments of the prediction to the measurement are held within this factor: beyond, the
   * description is wrong.
   */
  private static final double LARGEST_ADJUSTMENT = 3;

  /**
   * A time changes from place to place by so much, where only one was measured (common practice).
   */
  private static final double ONE_PLACE_SHARE = 0.05;

  /** A predicted change of a time is off by this share of itself (common practice). */
  private static final double CHANGE_SHARE = 0.25;

  /** The same noise measured again differs by at least so much (common practice). */
  private static final double REPEATED_DB = 1;

  /** Levels exceeded 10 and 90 % of the time lie so many standard deviations apart, if normal. */
  private static final double L10_TO_L90 = 2.563;

  /** Gates, reductions and automatic gains move a floor by some ten decibels (common practice). */
  private static final double ALTERED_DB = 6;

  /**
   * A device nobody knows: every second one works on the noise (common practice), of what they do
   * one in five shows nothing, and moved it by 8 dB then; docs/uncertainty.md says how that was
   * measured.
   */
  private static final double UNSEEN_DB = 2.5;

  /** And decays by a fifth and more (common practice). */
  private static final double ALTERED_SHARE = 0.2;

  /**
   * Of the gains that lengthen a decay by a tenth and more one in three shows nothing, and
   * lengthened it by a fifth then.
   */
  private static final double UNSEEN_SHARE = 0.08;

  /**
   * Where nobody described the room, its times may be 0.3 to 2 s, furnished or bare (common
   * practice): evenly in their logarithm, ln(2 / 0.3) / sqrt(12).
   */
  private static final double ANY_ROOM_SHARE = 0.55;

  /** And the microphone 0.1 to 2 m away (common practice): 20 lg(2 / 0.1) / sqrt(12). */
  private static final double ANY_ROOM_DB = 7.5;

  private static final String ANY_ROOM = "for an ordinary room: nobody described this one";

  /** A voice over the noise of one recording, from minute to minute (common practice). */
  private static final double SAME_RECORDING_DB = 1.5;

  /** The loudest line said again (common practice). */
  private static final double LOUDEST_LINE_DB = 1;

  private final RoomBook book;
  private final Optional<Refinement> refinement;
  private final Optional<PositionAverage> measured;

  private Hearing(RoomBook book, Optional<Refinement> refinement) {
    this.book = book.noise().map(n -> book.with(book.listening().withNoise(n))).orElse(book);
    this.refinement = refinement;
    measured = book.decay().flatMap(d -> book.decays().average());
  }

  /**
   * Of a book.
   *
   * @param refinement what tracing found beyond the quick answer; left out where it is of another
   *     shape
   */
  public static Hearing of(RoomBook book, Optional<Refinement> refinement) {
    return new Hearing(book, refinement);
  }

  /** Of a book, by the quick answer. */
  public static Hearing quick(RoomBook book) {
    return of(book, Optional.empty());
  }

  /** Of a room about which nothing is known but its description. */
  public static Hearing quick(Room room) {
    return quick(bookOf(room));
  }

  /** A book about which nothing is known but the room's description. */
  public static RoomBook bookOf(Room room) {
    return new RoomBook(room.name(), Goal.SPOKEN_ON_CAMERA, room);
  }

  /** Of a book whose room is traced now; takes a part of a second. */
  public static Hearing traced(RoomBook book) {
    RoomResponse response = RoomResponse.of(book.room(), Refinement.SEED, Progress.NONE);
    return of(book, Optional.of(refinement(book, response)));
  }

  /** Of a room about which nothing is known but its description, traced. */
  public static Hearing traced(Room room, RoomResponse response) {
    RoomBook book = bookOf(room);
    return of(book, Optional.of(refinement(book, response)));
  }

  /**
   * What a response found beyond the quick answer, brought to the times of the book.
   *
   * @param response of the book's room
   */
  public static Refinement refinement(RoomBook book, RoomResponse response) {
    return Refinement.of(book.room(), response, quick(book).decaySeconds(book.room()));
  }

  /**
   * What an acted room does: one with given times, whatever its description says.
   *
   * @param decaySeconds per octave
   */
  public static Heard acted(Room room, Bands decaySeconds) {
    return Heard.of(room, decaySeconds);
  }

  /** What the book's microphone hears now. */
  public Heard heard() {
    return heard(book.room());
  }

  /** What it would hear in a changed room. */
  public Heard heard(Room changed) {
    Room noisy = SuspectNoise.in(changed, book.listening());
    Bands seconds = decaySeconds(changed);
    return heard(changed, noisy, seconds, ReflectedSound.quick(noisy, seconds));
  }

  /**
   * What the microphone judged would hear were it each of these, in its place. How the room answers
   * depends on the pattern alone, and is worked out once for each.
   */
  public List<Heard> heard(List<Capture> chains) {
    Bands seconds = decaySeconds(book.room());
    List<Heard> all = new ArrayList<>();
    each(
        book.room(),
        chains,
        new QuickReplies(book.room(), seconds)::of,
        (changed, noisy, reply) -> all.add(heard(changed, noisy, seconds, reply)));
    return all;
  }

  /** Quick replies of the book's room to microphones anywhere in it. */
  public QuickReplies replies() {
    return new QuickReplies(book.room(), decaySeconds(book.room()));
  }

  /**
   * What the microphone would hear elsewhere in the room, without what that stands on: its levels
   * and margins are those of {@link #heard(Room)}.
   *
   * @param moved the book's room but for where its talkers and microphones are
   * @param chains what the microphone would be
   * @param replies of the book's room
   */
  public List<Heard> heard(Room moved, List<Capture> chains, QuickReplies replies) {
    OptionalDouble peak = loudestDbSpl(moved);
    List<Heard> all = new ArrayList<>();
    each(
        moved,
        chains,
        replies::of,
        (changed, noisy, quick) -> {
          ReflectedSound reply =
              refinement
                  .filter(r -> r.holds(changed))
                  .map(r -> r.of(changed, replies.seconds(), quick))
                  .orElse(quick);
          Heard heard = Heard.of(noisy, replies.seconds(), reply);
          all.add(peak.isPresent() ? heard.withPeakDbSpl(peak.getAsDouble()) : heard);
        });
    return all;
  }

  private interface Answered {
    void by(Room changed, Room noisy, ReflectedSound reply);
  }

  /** With the microphone judged as each of these; the reply depends on the pattern alone. */
  private void each(
      Room room, List<Capture> chains, Function<Room, ReflectedSound> reply, Answered answered) {
    Map<Pattern, ReflectedSound> replies = new EnumMap<>(Pattern.class);
    for (Capture chain : chains) {
      Room changed = room.withMicrophone(room.requireMicrophone().with(chain));
      Room noisy = SuspectNoise.in(changed, book.listening());
      answered.by(
          changed, noisy, replies.computeIfAbsent(chain.pattern(), p -> reply.apply(noisy)));
    }
  }

  private Heard heard(Room changed, Room noisy, Bands seconds, ReflectedSound quick) {
    Optional<Refinement> traced = refinement.filter(r -> r.holds(changed));
    Heard heard =
        Heard.of(noisy, seconds, traced.map(r -> r.of(changed, seconds, quick)).orElse(quick));
    OptionalDouble peak = loudestDbSpl(changed);
    Heard full = peak.isPresent() ? heard.withPeakDbSpl(peak.getAsDouble()) : heard;
    return full.with(basis(changed, full.basis(), peak.isPresent(), traced));
  }

  /** Peak of the loudest line as it was heard in a room; empty where it was not heard there. */
  public OptionalDouble loudestDbSpl(Room there) {
    return book.levels().loudest().isPresent()
        ? book.levels().loudest().get().peakDbSpl(there)
        : OptionalDouble.empty();
  }

  /** Reverberation times of a changed room, by the measurement where there is one. */
  public Bands decaySeconds(Room changed) {
    Bands predicted = Statistics.of(changed).seconds();
    return book.decay().map(d -> adjusted(d.predictedSeconds(), predicted)).orElse(predicted);
  }

  private Bands adjusted(Bands predictedThen, Bands predicted) {
    return Bands.from(i -> {
      double then = predictedThen.get(i);
      double factor =
          band(i)
              .map(b -> Math.clamp(b.seconds() / then, 1 / LARGEST_ADJUSTMENT, LARGEST_ADJUSTMENT))
              .orElse(1.0);
      return predicted.get(i) * factor;
    });
  }

  private Optional<PositionAverage.Averaged> band(int octave) {
    return measured.flatMap(m -> m.band(Octave.nominalHz(octave)));
  }

  private Basis basis(
      Room changed, Basis described, boolean loudestHeard, Optional<Refinement> traced) {
    Optional<DecayMeasurement> decay = book.decay();
    Optional<NoiseMeasurement> noise = book.noise().filter(n -> n.roomDbSpl().isPresent());
    boolean isDescribed = book.here().with(changed).described();
    boolean same = traced.filter(r -> Refinement.alike(r.room(), changed)).isPresent();
    Basis.Term chain = chain(described.chain());
    return new Basis(
        described.voice(),
        noise.filter(n -> tied(n, changed)).map(Hearing::ratio),
        noise.flatMap(n -> n.scale().map(s -> n.byVoice() ? byVoice(s) : scale(s))),
        noise.map(Hearing::noise).orElse(described.noise()),
        noise.map(Hearing::deviceDb).orElse(0.0),
        decay
            .map(d -> origin(d.simulated(), d.taken(), d.altered()))
            .orElse(isDescribed ? described.decay() : Origin.assumed(ANY_ROOM)),
        decay
            .map(d -> decayShare(d, changed))
            .orElse(isDescribed ? described.decayShare() : Bands.all(ANY_ROOM_SHARE)),
        !isDescribed
            ? new Basis.Term(Origin.assumed(ANY_ROOM), ANY_ROOM_DB)
            : same && traced.isPresent()
                ? Basis.tracedReply(traced.get().standardErrorDb())
                : described.reply(),
        loudestHeard ? loudest() : described.peak(),
        chain);
  }

  /** Whether the noise and the voice judged were heard in one recording at one gain. */
  private static boolean tied(NoiseMeasurement noise, Room room) {
    Optional<OwnVoice> own = room.requireTalker().own();
    return own.filter(o -> o.sound().equals(noise.sound())).isPresent()
        || noise.byVoice() && own.filter(OwnVoice::levelKnown).isEmpty();
  }

  private static Basis.Term ratio(NoiseMeasurement noise) {
    return new Basis.Term(Origin.heard(noise.simulated(), noise.taken()), SAME_RECORDING_DB);
  }

  private static Basis.Term byVoice(Scale scale) {
    return new Basis.Term(Origin.assumed(Calibration.Method.VOICE.label()), scale.uncertaintyDb());
  }

  /** The chain by its data, or by what its calibration has found of it. */
  private Basis.Term chain(Basis.Term byData) {
    Calibration calibration = book.listening().calibration();
    return switch (calibration.method()) {
      case DATA, NONE -> byData;
      case TONE, FULL_SCALE, METER, VOICE ->
          calibration
              .scale(book.room().requireMicrophone().capture())
              .map(this::scale)
              .orElse(byData);
    };
  }

  private Basis.Term scale(Scale scale) {
    Calibration.Method method = book.listening().calibration().method();
    boolean byData = method == Calibration.Method.DATA;
    return new Basis.Term(
        byData
            ? Origin.assumed(method.label())
            : new Origin(Origin.Kind.MEASURED, "calibrated " + method.label()),
        scale.uncertaintyDb());
  }

  private static Basis.Term noise(NoiseMeasurement noise) {
    return new Basis.Term(
        origin(noise.simulated(), noise.taken(), noise.altered()), unsteady(noise.report()));
  }

  private static double deviceDb(NoiseMeasurement noise) {
    return noise.altered().stream().anyMatch(Alteration::movesTheFloor)
        ? ALTERED_DB
        : noise.chain().isPresent() || noise.simulated() ? 0 : UNSEEN_DB;
  }

  private static Origin origin(boolean simulated, String taken, List<Alteration> altered) {
    Origin heard = Origin.heard(simulated, taken);
    return altered.isEmpty()
        ? heard
        : new Origin(
            heard.kind(), heard.from() + ", of a sound that shows " + Alteration.named(altered));
  }

  private static double unsteady(NoiseReport report) {
    return report.la10Dbfs().isPresent() && report.la90Dbfs().isPresent()
        ? Math.max(
            REPEATED_DB,
            (report.la10Dbfs().getAsDouble() - report.la90Dbfs().getAsDouble()) / L10_TO_L90)
        : REPEATED_DB;
  }

  private Bands decayShare(DecayMeasurement decay, Room changed) {
    Bands predicted = Statistics.of(changed).seconds();
    double device =
        decay.altered().stream().anyMatch(Alteration::movesTheFloor)
            ? ALTERED_SHARE
            : decay.unseen().isPresent() ? UNSEEN_SHARE : 0;
    return Bands.from(i -> {
      double change = Math.log(predicted.get(i) / decay.predictedSeconds().get(i));
      double now =
          band(i)
              .map(b ->
                  Math.hypot(
                      b.deviationSeconds() / b.seconds(), ONE_PLACE_SHARE / Math.sqrt(b.pairs())))
              .orElse(Basis.TABLES_SHARE);
      return Math.hypot(Math.hypot(now, device), CHANGE_SHARE * change);
    });
  }

  private Basis.Term loudest() {
    Levels.LoudestLine line = book.levels().loudest().orElseThrow();
    return new Basis.Term(Origin.heard(line.simulated(), line.heard().taken()), LOUDEST_LINE_DB);
  }
}
