package nullroom.core.predict;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import nullroom.core.Decibels;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.decay.SpeechTransmission;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Ride;
import nullroom.core.room.Room;
import nullroom.core.room.Talker;

/**
 * What one microphone hears of one voice in one room: the one result that every verdict reads.
 *
 * <p>All levels are equivalent sound pressure levels at the microphone through its pattern, per
 * octave. The direct sound is the voice at 1 m by effort and directivity, by 1/r, through the
 * pattern with proximity effect. The room's {@link ReflectedSound} is a quick one or that of a
 * computed response, parted 50 ms after the direct sound.
 *
 * @param directDbSpl voice straight from the lips
 * @param earlyDbSpl reply of the room in the first 50 ms
 * @param lateDbSpl reply of the room after 50 ms
 * @param roomNoiseDbSpl diffuse noise of the room
 * @param sources noise from places in the room, direct and by the room's reply
 * @param selfNoiseDbSpl of the capsule
 * @param preampNoiseDbSpl of the input
 * @param converterNoiseDbSpl of the word length
 * @param decaySeconds reverberation times that the reply was computed with
 * @param capture microphone and input
 * @param distanceMetres from lips to capsule
 * @param peakDbSpl loudest expected sample peak, as the level of a sine with that peak
 * @param basis where each of these comes from
 */
public record Heard(
    Bands directDbSpl,
    Bands earlyDbSpl,
    Bands lateDbSpl,
    Bands roomNoiseDbSpl,
    List<SourceNoise> sources,
    Bands selfNoiseDbSpl,
    Bands preampNoiseDbSpl,
    Bands converterNoiseDbSpl,
    Bands decaySeconds,
    Capture capture,
    double distanceMetres,
    double peakDbSpl,
    Basis basis) {

  /**
   * The noise of one source at the microphone, through its pattern.
   *
   * @param name of the source
   * @param levelDbSpl per octave
   */
  public record SourceNoise(String name, Bands levelDbSpl) {}

  public Heard {
    sources = List.copyOf(sources);
  }

  /** Nearer than this a mouth is no point and the level stops rising (near field limit). */
  public static final double NEAREST_METRES = 0.03;

  /** Early and late part here, after the direct sound (ISO 3382-1, C50). */
  public static final double EARLY_SECONDS = 0.05;

  /** A sine's peak lies this much over its RMS. */
  private static final double SINE_CREST_DB = 3.0103;

  /** What lies further under the voice is lost in the reckoning: no figure of it means anything. */
  public static final double MOST_SEEN_DB = 60;

  /** A direct sound that something hides; its spectrum is kept. */
  private static final double BLOCKED_DB = -200;

  /**
   * Room noise of a quiet furnished bedroom at night, about 25 dBA (common practice), where nothing
   * was measured.
   */
  public static final Bands ASSUMED_NOISE_DB_SPL = Bands.of(40, 33, 27, 22, 17, 13, 10, 8);

  /**
   * What is heard with the times of the room's own statistics.
   *
   * @throws Trouble.BadField if talker or microphone is missing
   */
  public static Heard of(Room room) {
    return of(room, Statistics.of(room).seconds());
  }

  /**
   * What is heard with stated reverberation times.
   *
   * @param decaySeconds per octave
   * @throws Trouble.BadField if talker or microphone is missing
   */
  public static Heard of(Room room, Bands decaySeconds) {
    return of(room, decaySeconds, ReflectedSound.quick(room, decaySeconds));
  }

  /**
   * What is heard with a reply of the room that was computed elsewhere.
   *
   * @param decaySeconds per octave; for noise from places
   * @throws Trouble.BadField if talker or microphone is missing
   */
  public static Heard of(Room room, Bands decaySeconds, ReflectedSound reply) {
    Talker talker = room.requireTalker();
    PlacedMicrophone microphone = room.requireMicrophone();
    Bands voiceAtMetre = talker.voiceDbSpl();
    double hidden = reply.directBlocked() ? BLOCKED_DB : 0;
    Bands direct = voiceAtMetre.with(directGainDb(room), (level, gain) -> level + gain + hidden);
    double pickup = microphone.capture().pattern().diffuseGainDb();
    Bands early = voiceAtMetre.with(reply.earlyDb(), Double::sum);
    Bands late = voiceAtMetre.with(reply.lateDb(), Double::sum);
    Bands noise = room.noiseDbSpl().orElse(ASSUMED_NOISE_DB_SPL).map(level -> level + pickup);
    Capture capture = microphone.capture();
    double voice = Decibels.sum(direct.energySum(), early.energySum());
    return new Heard(
        direct,
        early,
        late,
        noise,
        PlaceNoise.of(room, decaySeconds),
        capture.selfNoiseDbSpl(),
        capture.preampNoiseDbSpl(),
        capture.converterNoiseDbSpl(),
        decaySeconds,
        capture,
        talker.at().distanceTo(microphone.at()),
        voice + talker.crestDb() - SINE_CREST_DB,
        Basis.described(room.noiseDbSpl().isPresent(), talker.own()));
  }

  /**
   * The direct sound through directivity, 1/r and pattern, were nothing in its way, over the voice
   * on axis at 1 m.
   *
   * @throws Trouble.BadField if talker or microphone is missing
   */
  static Bands directGainDb(Room room) {
    Talker talker = room.requireTalker();
    PlacedMicrophone microphone = room.requireMicrophone();
    Point toMicrophone = microphone.at().minus(talker.at());
    double distance = Math.max(NEAREST_METRES, toMicrophone.length());
    Optional<Ride.Part> worn = room.setUp().worn();
    boolean clipped = worn.filter(Chest::isOf).isPresent();
    double offMouth = talker.aim().angleTo(toMicrophone);
    double offCapsule = microphone.aim().angleTo(talker.at().minus(microphone.at()));
    double c = room.air().speedOfSound();
    Bands screens = Screens.gainDb(room, talker.at(), microphone.at());
    return Bands.from(i ->
        (clipped ? Chest.gainDb(worn.orElseThrow(), i) : talker.directivity().gainDb(i, offMouth))
            - Decibels.ofAmplitude(distance)
            + microphone.capture().pattern().nearGainDb(offCapsule, Octave.exactHz(i), distance, c)
            + screens.get(i));
  }

  /** The same voice with another loudest peak, as it was heard. */
  public Heard withPeakDbSpl(double peak) {
    return with(capture, peak, basis);
  }

  /** The same through another preamp gain: the sound in the air stays, the digits move. */
  public Heard withGainDb(double gainDb) {
    return with(capture.withGainDb(gainDb), peakDbSpl, basis);
  }

  /** The same, standing on something else. */
  public Heard with(Basis other) {
    return with(capture, peakDbSpl, other);
  }

  private Heard with(Capture through, double peak, Basis other) {
    return new Heard(
        directDbSpl,
        earlyDbSpl,
        lateDbSpl,
        roomNoiseDbSpl,
        sources,
        selfNoiseDbSpl,
        preampNoiseDbSpl,
        through.converterNoiseDbSpl(),
        decaySeconds,
        through,
        distanceMetres,
        peak,
        other);
  }

  /** The voice: active speech level of the useful sound (direct and early), A-weighted, dB SPL. */
  public double voiceDbSplA() {
    return Octave.aWeightedSum(directDbSpl.energySum(earlyDbSpl));
  }

  /** The same unweighted, as a meter of active speech shows it (ITU-T P.56). */
  public double activeSpeechDbSpl() {
    return Decibels.sum(directDbSpl.energySum(), earlyDbSpl.energySum());
  }

  /** All noise, A-weighted, dB SPL. */
  public double noiseDbSplA() {
    return Octave.aWeightedSum(noiseDbSpl());
  }

  /** All noise together, per octave. */
  public Bands noiseDbSpl() {
    return placeNoiseDbSpl().energySum(ownNoiseDbSpl());
  }

  /** The room's noise, diffuse and from places, per octave. */
  public Bands placeNoiseDbSpl() {
    Bands sum = roomNoiseDbSpl;
    for (SourceNoise source : sources) {
      sum = sum.energySum(source.levelDbSpl());
    }
    return sum;
  }

  /** Direct and early over late, per octave; at most {@link #MOST_SEEN_DB}. */
  public Bands c50Db() {
    return directDbSpl
        .energySum(earlyDbSpl)
        .with(lateDbSpl, (useful, late) -> Math.min(MOST_SEEN_DB, useful - late));
  }

  /** Whether anything to speak of comes later than 50 ms, by octave. */
  public boolean hasLate(int octave) {
    return c50Db().get(octave) < MOST_SEEN_DB;
  }

  /** Whether anything to speak of comes after the direct sound, by octave. */
  public boolean hasReply(int octave) {
    double reply = Decibels.sum(earlyDbSpl.get(octave), lateDbSpl.get(octave));
    return directDbSpl.get(octave) - reply < MOST_SEEN_DB;
  }

  /** Whether there is any lateness for the voice to be clear of. */
  public boolean hasLate() {
    return IntStream.range(Octave.FIRST_VOICE, Octave.COUNT).anyMatch(this::hasLate);
  }

  /** Direct over early and late, per octave. */
  public Bands directToReverberantDb() {
    return directDbSpl.with(earlyDbSpl.energySum(lateDbSpl), (direct, reply) -> direct - reply);
  }

  /** The three margins. */
  public Margins margins() {
    double quiet = voiceDbSplA() - noiseDbSplA();
    return new Margins(quiet, overVoice(c50Db()), capture.overloadDbSpl() - peakDbSpl);
  }

  /** A figure of each octave averaged over the voice's, by the energy of the direct sound. */
  public double overVoice(Bands figure) {
    double weights = 0;
    double sum = 0;
    for (int i = Octave.FIRST_VOICE; i < Octave.COUNT; i++) {
      double weight = Decibels.toEnergy(directDbSpl.get(i));
      weights += weight;
      sum += weight * figure.get(i);
    }
    return sum / weights;
  }

  /** A level at the microphone as dBFS (AES17). */
  public double dbfs(double levelDbSpl) {
    return levelDbSpl - capture.fullScaleDbSpl();
  }

  /**
   * The octave levels, with the shape of the room's noise, at which the quiet margin just meets its
   * target: the quiet line. Empty where the other noises alone use it up.
   *
   * @param roomNoiseDbSpl noise at an omni microphone, whose shape is kept
   */
  public Optional<Bands> quietLine(Bands roomNoiseDbSpl, double targetDb) {
    OptionalDouble allowed = allowedRoomNoiseDbA(targetDb);
    if (allowed.isEmpty()) {
      return Optional.empty();
    }
    double pickup = capture.pattern().diffuseGainDb();
    double offset = allowed.getAsDouble() - pickup - Octave.aWeightedSum(roomNoiseDbSpl);
    return Optional.of(roomNoiseDbSpl.map(level -> level + offset));
  }

  /**
   * The highest A-weighted level of the room's noise, at the microphone through its pattern, at
   * which the quiet margin meets a target. Empty where the chain's own noise uses it up.
   */
  public OptionalDouble allowedRoomNoiseDbA(double targetDb) {
    double allowed =
        Decibels.toEnergy(voiceDbSplA() - targetDb)
            - Decibels.toEnergy(Octave.aWeightedSum(ownNoiseDbSpl()));
    return allowed > 0 ? OptionalDouble.of(Decibels.ofEnergy(allowed)) : OptionalDouble.empty();
  }

  /**
   * What the microphone gives of a diffuse room noise, with the noise of the chain, in dBFS.
   *
   * @param roomDbSpl noise at an omni microphone
   */
  public Bands givenDbfs(Bands roomDbSpl) {
    double pickup = capture.pattern().diffuseGainDb();
    return roomDbSpl.map(level -> level + pickup).energySum(ownNoiseDbSpl()).map(this::dbfs);
  }

  private Bands ownNoiseDbSpl() {
    return selfNoiseDbSpl.energySum(preampNoiseDbSpl).energySum(converterNoiseDbSpl);
  }

  /**
   * Speech transmission index of this voice, with its first reflections, in the noise of this room.
   *
   * @param transfer modulation transfer of the room's response, as {@link SpeechTransmission} takes
   *     it
   */
  public double speechTransmission(double[][] transfer) {
    double[] voice = directDbSpl.energySum(earlyDbSpl).toArray();
    double[] noise = roomNoiseDbSpl.toArray();
    int first = Octave.COUNT - SpeechTransmission.OCTAVES_HZ.size(); // 63 Hz does not count
    return SpeechTransmission.index(
        transfer,
        Arrays.copyOfRange(voice, first, voice.length),
        Arrays.copyOfRange(noise, first, noise.length));
  }
}
