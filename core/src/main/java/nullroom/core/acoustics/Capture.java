package nullroom.core.acoustics;

import java.util.List;
import java.util.Optional;
import nullroom.core.Decibels;
import nullroom.core.signal.Weighting;

/**
 * A microphone and the input it feeds, as their data sheets give them.
 *
 * @param pattern polar pattern
 * @param selfNoiseDbA equivalent noise level, A-weighted (IEC 60268-4)
 * @param maxDbSpl highest level of a sine that the capsule takes
 * @param sensitivityDbvPerPascal output at 94 dB SPL
 * @param preampEinDbu equivalent input noise, taken as A-weighted
 * @param gainDb preamp gain
 * @param fullScaleDbu level of a sine at the converter that reaches full scale
 * @param bits word length, 16 to 32
 * @param preamp whether there is one that can be turned; what is digital from the capsule on, such
 *     as a phone or a USB microphone, has none
 * @param stages what lies between the two, in the order that the sound runs through them
 */
public record Capture(
    Pattern pattern,
    double selfNoiseDbA,
    double maxDbSpl,
    double sensitivityDbvPerPascal,
    double preampEinDbu,
    double gainDb,
    double fullScaleDbu,
    int bits,
    boolean preamp,
    List<Stage> stages) {

  /** Gains that there are. */
  public static final double LEAST_GAIN_DB = -20;

  public static final double MOST_GAIN_DB = 100;

  /** Triangular dither is louder than bare rounding by this: 10 lg 3. */
  private static final double DITHER_DB = 4.77;

  private static final int WHITE_TO_HZ = 24_000;
  private static final double WHITE_A_DB = whiteA();

  /** Under a difference of 3 dB energy subtraction gives a bound only (common practice). */
  static final double MOST_TAKEN_OFF_DB = 3;

  /**
   * Of what is digital: its output at 94 dB SPL as if in volts. Any will do, since all that counts
   * is what reaches full scale.
   */
  private static final double DIGITAL_DBV = -10;

  /** Nothing that could be heard. */
  private static final double NO_HISS_DBU = -140;

  /** A microphone before a preamp that can be turned. */
  public Capture(
      Pattern pattern,
      double selfNoiseDbA,
      double maxDbSpl,
      double sensitivityDbvPerPascal,
      double preampEinDbu,
      double gainDb,
      double fullScaleDbu,
      int bits) {
    this(
        pattern,
        selfNoiseDbA,
        maxDbSpl,
        sensitivityDbvPerPascal,
        preampEinDbu,
        gainDb,
        fullScaleDbu,
        bits,
        true,
        List.of());
  }

  /**
   * A microphone that gives digits by itself: phone, USB, wireless set.
   *
   * @param dbfsAt94DbSpl level of its digits at 94 dB SPL, -45 to 0 dBFS
   */
  public static Capture digital(
      Pattern pattern, double selfNoiseDbA, double maxDbSpl, double dbfsAt94DbSpl, int bits) {
    within("dbfsAt94DbSpl", dbfsAt94DbSpl, -45, 0);
    double fullScaleDbu = DIGITAL_DBV + Decibels.DBV_IN_DBU - dbfsAt94DbSpl;
    return new Capture(
        pattern,
        selfNoiseDbA,
        maxDbSpl,
        DIGITAL_DBV,
        NO_HISS_DBU,
        0,
        fullScaleDbu,
        bits,
        false,
        List.of());
  }

  /** Level of its digits at 94 dB SPL, before any stage behind it, dBFS. */
  public double dbfsAt94DbSpl() {
    return sensitivityDbuPerPascal() + gainDb - fullScaleDbu;
  }

  public Capture {
    within("selfNoiseDbA", selfNoiseDbA, -10, 60);
    within("maxDbSpl", maxDbSpl, 60, 180);
    within("sensitivityDbvPerPascal", sensitivityDbvPerPascal, -90, 20);
    within("preampEinDbu", preampEinDbu, -140, -40);
    within("gainDb", gainDb, LEAST_GAIN_DB, MOST_GAIN_DB);
    within("fullScaleDbu", fullScaleDbu, -20, 40);
    within("bits", bits, 8, 64);
    stages = List.copyOf(stages);
    if (stages.size() > Stage.MOST) {
      throw new IllegalArgumentException(
          "stages: " + stages.size() + " in a row; " + Stage.MOST + " at most");
    }
  }

  static void within(String name, double number, double low, double high) {
    if (!(number >= low && number <= high)) {
      throw new IllegalArgumentException(
          name + " " + number + " is outside " + low + " to " + high);
    }
  }

  private double sensitivityDbuPerPascal() {
    return sensitivityDbvPerPascal + Decibels.DBV_IN_DBU;
  }

  /** A level behind the microphone as sound at the capsule, dB SPL. */
  private double dbSplOf(double dbu) {
    return dbu - sensitivityDbuPerPascal() + 94;
  }

  /** A sound at the capsule as the level behind the microphone, dBu. */
  public double dbuOf(double dbSpl) {
    return dbSpl - 94 + sensitivityDbuPerPascal();
  }

  /** Sound level of a sine at the capsule that reaches digital full scale, dB SPL. */
  public double fullScaleDbSpl() {
    return 94 - sensitivityDbuPerPascal() - Stage.gainDb(stages) - gainDb + fullScaleDbu;
  }

  /**
   * Lowest level of a sine, at the capsule, that the microphone or a stage behind it does not take,
   * whatever the gain of the input, dB SPL.
   */
  public double limitDbSpl() {
    return Math.min(maxDbSpl, dbSplOf(Stage.limitDbu(stages)));
  }

  /** Lowest level of a sine, at the capsule, at which anything in the chain overloads, dB SPL. */
  public double overloadDbSpl() {
    return Math.min(limitDbSpl(), fullScaleDbSpl());
  }

  /** Noise of stages and preamp as sound level at the capsule, A-weighted: EIN - S + 94. */
  public double preampNoiseDbA() {
    return dbSplOf(Stage.einDbu(stages, preampEinDbu));
  }

  /** The first stage that sets its own gain. */
  public Optional<Stage> automatic() {
    return stages.stream().filter(Stage::automatic).findFirst();
  }

  /** Noise of rounding with dither as sound level at the capsule, A-weighted. */
  public double converterNoiseDbA() {
    return fullScaleDbSpl() + roundingDbfsA(bits);
  }

  /**
   * Noise of rounding to words of a length, A-weighted, dBFS: q^2/12, three times that with
   * triangular dither as it is used, white up to 24 kHz.
   */
  public static double roundingDbfsA(int bits) {
    double step = Math.pow(2, 1 - bits);
    return Decibels.dbfs(step * step / 12) + DITHER_DB + WHITE_A_DB;
  }

  /** What A-weighting leaves of white noise up to 24 kHz. */
  private static double whiteA() {
    double sum = 0;
    for (int hz = 1; hz <= WHITE_TO_HZ; hz++) {
      sum += Weighting.A.power(hz);
    }
    return Decibels.ofEnergy(sum / WHITE_TO_HZ);
  }

  /** Converter noise in octaves, spread as white noise. */
  public Bands converterNoiseDbSpl() {
    return Octave.whiteNoise(converterNoiseDbA());
  }

  /** Self-noise in octaves, spread as white noise. */
  public Bands selfNoiseDbSpl() {
    return Octave.whiteNoise(selfNoiseDbA);
  }

  /** Preamp noise in octaves, spread as white noise. */
  public Bands preampNoiseDbSpl() {
    return Octave.whiteNoise(preampNoiseDbA());
  }

  /** All noise of the chain itself as sound level at the capsule, in octaves. */
  public Bands ownNoiseDbSpl() {
    return selfNoiseDbSpl().energySum(preampNoiseDbSpl()).energySum(converterNoiseDbSpl());
  }

  /**
   * Diffuse room noise that explains what was recorded through this chain: its own noise is taken
   * off as energy, and the pattern's rejection is given back. Where own noise is most of what was
   * recorded only a bound is left: no band is lowered by more than {@link #MOST_TAKEN_OFF_DB}.
   *
   * @param recordedDbSpl octave levels of the recording
   */
  public Bands roomNoiseBehind(Bands recordedDbSpl) {
    double pickup = pattern.diffuseGainDb();
    return recordedDbSpl.with(
        ownNoiseDbSpl(),
        (recorded, noise) -> {
          double rest = Decibels.toEnergy(recorded) - Decibels.toEnergy(noise);
          double least = Decibels.toEnergy(recorded - MOST_TAKEN_OFF_DB);
          return Decibels.ofEnergy(Math.max(rest, least)) - pickup;
        });
  }

  /** The same chain at another gain; the same where none can be turned. */
  public Capture withGainDb(double gain) {
    return preamp ? with(preampEinDbu, gain, stages) : this;
  }

  /** The same chain behind another preamp; the same where there is none. */
  public Capture withPreampEinDbu(double ein) {
    return preamp ? with(ein, gainDb, stages) : this;
  }

  /** The same chain with other stages in it. */
  public Capture withStages(List<Stage> others) {
    return with(preampEinDbu, gainDb, others);
  }

  /** The same chain behind a capsule of another pattern. */
  public Capture withPattern(Pattern other) {
    return with(other, preampEinDbu, gainDb, stages);
  }

  private Capture with(double ein, double gain, List<Stage> row) {
    return with(pattern, ein, gain, row);
  }

  private Capture with(Pattern other, double ein, double gain, List<Stage> row) {
    return new Capture(
        other,
        selfNoiseDbA,
        maxDbSpl,
        sensitivityDbvPerPascal,
        ein,
        gain,
        fullScaleDbu,
        bits,
        preamp,
        row);
  }
}
