package nullroom.core.book;

import java.util.List;
import java.util.Optional;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Octave;
import nullroom.core.acoustics.OwnVoice;
import nullroom.core.acoustics.Pattern;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.measure.clip.Clip;
import nullroom.core.measure.noise.Calibration;
import nullroom.core.measure.noise.Scale;
import nullroom.core.measure.voice.VoiceReport;
import nullroom.core.predict.Basis;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Statistics;
import nullroom.core.room.Aim;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.SetUp;
import nullroom.core.room.Talker;

/**
 * What one recording of a place puts into a book: decay, voice and noise, all at one gain, so that
 * voice over noise needs no scale. The voice is the scale: its level is the table's for the effort
 * said, give or take {@link Basis#VOICE_SCALE_DB}.
 */
public final class OneClip {
  private static final double NEAREST_METRES = 0.05;
  private static final double FARTHEST_METRES = 10;

  /** How far from walls a microphone stands that the distance would put beyond one. */
  private static final double FROM_WALL_METRES = 0.1;

  /** A distance from the lips kept to a few centimetres. */
  private static final double DISTANCE_DB = 1;

  private OneClip() {}

  private static Capture omni(RoomBook book) {
    return book.room().requireMicrophone().capture().withPattern(Pattern.OMNI);
  }

  /**
   * What the recording itself does not tell.
   *
   * @param sound file name under sound/
   * @param taken local date and time, ISO 8601
   * @param simulated whether an acted room was heard
   * @param name whose voice it is
   * @param effort at which they spoke
   * @param distanceMetres from lips to microphone
   * @param chain the book's own, where that recorded it in its place; empty of a file from
   *     elsewhere
   */
  public record Told(
      String sound,
      String taken,
      boolean simulated,
      String name,
      VocalEffort effort,
      double distanceMetres,
      Optional<Capture> chain) {
    public Told {
      if (!(distanceMetres >= NEAREST_METRES && distanceMetres <= FARTHEST_METRES)) {
        throw new Trouble.BadField(
            "distance", "must be within 0.05 and 10 m, not " + distanceMetres);
      }
    }
  }

  /**
   * A voice, and what the digits of its recording mean.
   *
   * @param voice as it would be without the room
   * @param scale of the recording
   */
  public record Spoken(OwnVoice voice, Scale scale) {}

  /** A book with what a clip holds; what it lacks stays as it was. */
  public static RoomBook into(RoomBook book, Clip clip, Told told) {
    RoomBook with = decay(book, clip, told);
    Optional<Spoken> spoken = clip.voice().map(v -> voice(with, v, told));
    RoomBook heard = spoken.map(s -> with(with, s.voice())).orElse(with);
    return noise(heard, clip, told, spoken.map(Spoken::scale)).map(heard::with).orElse(heard);
  }

  private static RoomBook decay(RoomBook book, Clip clip, Told told) {
    boolean kept = book.decays().measured().stream().anyMatch(d -> d.sound().equals(told.sound()));
    if (kept) { // what was said of the voice has changed; the claps have not
      return book;
    }
    if (clip.decay().isPresent()) {
      return book.with(
          new DecayMeasurement(
              told.sound(),
              told.taken(),
              MeasuredAt.in(book.room()),
              clip.decay().get(),
              Statistics.of(book.room()).seconds(),
              told.simulated() ? List.of() : clip.altered()));
    }
    return clip.estimate()
        .map(e -> book.with(book.decays().with(new DecayEstimate(told.sound(), told.taken(), e))))
        .orElse(book);
  }

  /** With a voice kept, and spoken by the talker judged at its effort. */
  public static RoomBook with(RoomBook book, OwnVoice voice) {
    Talker talker = book.room().requireTalker();
    return book.with(book.levels().with(voice))
        .with(book.room().withTalker(talker.with(voice.effort()).with(Optional.of(voice))));
  }

  /**
   * A voice as it would be without the room, at 1 m. Where nobody knows the scale of the recording
   * its level is the table's for the effort, and that is the scale.
   */
  private static Spoken voice(RoomBook book, VoiceReport report, Told told) {
    Optional<Scale> known = told.chain().flatMap(book.listening().calibration()::scale);
    Room recorded =
        told.chain().isPresent()
            ? book.room()
            : recordedIn(book.room(), told.distanceMetres(), omni(book));
    Bands shape =
        report.octaveDbfs().with(roomGainDb(book, recorded), (level, gain) -> level - gain);
    Scale scale =
        known.orElseGet(() ->
            new Scale(told.effort().levelDbA() - Octave.aWeightedSum(shape), Basis.VOICE_SCALE_DB));
    OwnVoice voice =
        new OwnVoice(
            told.name(),
            told.sound(),
            told.taken(),
            told.simulated(),
            told.effort(),
            told.distanceMetres(),
            shape.map(level -> level + scale.fullScaleDbSpl()),
            report.crestDb(),
            report.sibilantDb(),
            report.plosiveDb(),
            known.isPresent(),
            known
                .map(s -> Math.hypot(s.uncertaintyDb(), Basis.OWN_VOICE_DB))
                .orElse(Basis.VOICE_DB));
    return new Spoken(voice, scale);
  }

  /** Level at a microphone over that at 1 m, by octave, with all that the room sends back. */
  private static Bands roomGainDb(RoomBook book, Room room) {
    Heard heard = Hearing.quick(book).heard(room);
    Bands all = heard.directDbSpl().energySum(heard.earlyDbSpl()).energySum(heard.lateDbSpl());
    return all.with(room.requireTalker().voiceDbSpl(), (there, atMetre) -> there - atMetre);
  }

  /** The book's room with a microphone before the talker's lips, that rides on nothing. */
  private static Room recordedIn(Room room, double distance, Capture by) {
    Talker talker = room.requireTalker();
    Point ahead = talker.aim().direction();
    double step = distance;
    while (step > FROM_WALL_METRES && !room.isFree(talker.at().plus(ahead, step))) {
      step -= FROM_WALL_METRES / 2;
    }
    Point at = talker.at().plus(ahead, step);
    SetUp putDown =
        room.setUp().riding(room.setUp().listener().orElseThrow().name(), Optional.empty());
    return room.with(putDown.with(new PlacedMicrophone(at, Aim.along(talker.at().minus(at)), by)));
  }

  /**
   * A scale by somebody who spoke before the book's own microphone: their measured voice where its
   * level is known at that effort, else the table's.
   *
   * @param activeDbfs unweighted active level as it was recorded
   * @throws Trouble.BadField if that gives no scale a microphone can have
   */
  public static Calibration scale(
      RoomBook book, VocalEffort effort, double distanceMetres, double activeDbfs) {
    Capture chain = book.room().requireMicrophone().capture();
    Optional<OwnVoice> known = book.room().requireTalker().own().filter(OwnVoice::levelKnown);
    Bands atMetre = known.map(o -> o.levelsDbSpl(effort)).orElse(effort.levelsDbSpl());
    double expected =
        atMetre
            .with(roomGainDb(book, recordedIn(book.room(), distanceMetres, chain)), Double::sum)
            .energySum();
    double uncertainty =
        known.map(o -> Math.hypot(o.uncertaintyDb(), DISTANCE_DB)).orElse(Basis.VOICE_SCALE_DB);
    return Calibration.ofVoice(expected, activeDbfs, uncertainty, chain);
  }

  private static Optional<NoiseMeasurement> noise(
      RoomBook book, Clip clip, Told told, Optional<Scale> scale) {
    NoiseMeasurement.Taken taken =
        new NoiseMeasurement.Taken(told.taken(), told.simulated(), "", List.of());
    return clip.quiet()
        .filter(q -> q.octaveDbSpl(0).isPresent())
        .map(q ->
            told.chain().isPresent()
                ? NoiseMeasurement.of(
                    told.sound(), taken, q, told.chain(), book.listening().calibration())
                : NoiseMeasurement.byVoice(told.sound(), taken, q, scale))
        .map(n -> told.simulated() ? n : n.altered(clip.altered()));
  }
}
