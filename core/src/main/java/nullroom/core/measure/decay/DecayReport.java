package nullroom.core.measure.decay;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * The decay of a room from claps, sweeps or switched-off noise.
 *
 * @param excitation what made the room sound; empty where nothing was found
 * @param sampleRateHz samples a second
 * @param directArrivalSeconds file time of the first direct sound; of a sweep, of the moment its
 *     start arrives; of noise, of switching off
 * @param takes claps, sweeps or interruptions found and averaged; 0 where nothing was found, and
 *     {@code warnings} then says why
 * @param bands per band
 * @param thirdOctaveBands the same in third-octave bands; may be empty
 * @param directToReverberantDb first 2.5 ms over the rest
 * @param modulation transfer of the octaves and frequencies of {@link SpeechTransmission}, without
 *     the recording's noise; empty where an octave is missing
 * @param reflections single arrivals of the first 50 ms, strongest first
 * @param flutter between two walls
 * @param ringing low frequencies that outlast what is around them, ascending
 * @param harmonicDistortionPercent of a sweep's playback
 * @param warnings sentences on what could not be had and how to get it
 */
public record DecayReport(
    Optional<Excitation> excitation,
    double sampleRateHz,
    OptionalDouble directArrivalSeconds,
    int takes,
    List<BandDecay> bands,
    List<BandDecay> thirdOctaveBands,
    OptionalDouble directToReverberantDb,
    List<List<Double>> modulation,
    List<Reflection> reflections,
    Optional<Flutter> flutter,
    List<Ringing> ringing,
    OptionalDouble harmonicDistortionPercent,
    List<String> warnings) {

  private static final double HALF_OCTAVE = Math.sqrt(2);

  public DecayReport {
    bands = List.copyOf(bands);
    thirdOctaveBands = List.copyOf(thirdOctaveBands);
    ringing = List.copyOf(ringing);
    modulation = modulation.stream().map(List::copyOf).toList();
    reflections = List.copyOf(reflections);
    warnings = List.copyOf(warnings);
  }

  /** A report of nothing but why. */
  static DecayReport nothing(double sampleRateHz, List<BandDecay> bands, List<String> why) {
    OptionalDouble none = OptionalDouble.empty();
    return new DecayReport(
        Optional.empty(),
        sampleRateHz,
        none,
        0,
        bands,
        List.of(),
        none,
        List.of(),
        List.of(),
        Optional.empty(),
        List.of(),
        none,
        why);
  }

  /** The same with other warnings. */
  DecayReport with(List<String> others) {
    return new DecayReport(
        excitation,
        sampleRateHz,
        directArrivalSeconds,
        takes,
        bands,
        thirdOctaveBands,
        directToReverberantDb,
        modulation,
        reflections,
        flutter,
        ringing,
        harmonicDistortionPercent,
        others);
  }

  /**
   * An arrival after the direct sound.
   *
   * @param delaySeconds behind it
   * @param levelDb re it
   */
  public record Reflection(double delaySeconds, double levelDb) {
    /** How much longer its path is. */
    public double extraPathMetres(double speedOfSound) {
      return delaySeconds * speedOfSound;
    }
  }

  /**
   * A flutter echo.
   *
   * @param periodSeconds from echo to echo
   * @param strengthDb of the echoes over what lies between
   */
  public record Flutter(double periodSeconds, double strengthDb) {}

  /**
   * A low frequency that rings on.
   *
   * @param frequencyHz of it
   * @param seconds its own reverberation time
   */
  public record Ringing(double frequencyHz, double seconds) {}

  /**
   * One band's decay.
   *
   * @param centreHz nominal
   * @param edtSeconds early decay time
   * @param t20Seconds from -5 to -25 dB
   * @param t30Seconds from -5 to -35 dB
   * @param c50Db clarity
   * @param c80Db clarity
   * @param d50Percent definition
   * @param centreTimeSeconds centre time
   * @param inrDb impulse to noise ratio
   * @param nonLinearityPermille of the T20 line, 1000 (1 - r^2)
   * @param t20DeviationSeconds standard deviation of T20 by chance, see {@link DecayDeviation}
   * @param curveDb energy decay curve every {@link #CURVE_STEP_SECONDS} from the direct sound on,
   *     dB re total, or re the steady level of noise
   */
  public record BandDecay(
      double centreHz,
      OptionalDouble edtSeconds,
      OptionalDouble t20Seconds,
      OptionalDouble t30Seconds,
      OptionalDouble c50Db,
      OptionalDouble c80Db,
      OptionalDouble d50Percent,
      OptionalDouble centreTimeSeconds,
      OptionalDouble inrDb,
      OptionalDouble nonLinearityPermille,
      OptionalDouble t20DeviationSeconds,
      List<Double> curveDb) {
    /** Fine enough to draw, coarse enough to keep. */
    public static final double CURVE_STEP_SECONDS = 0.005;

    /** A band of which nothing is known. */
    static BandDecay unknown(double centreHz, OptionalDouble inrDb) {
      OptionalDouble none = OptionalDouble.empty();
      return new BandDecay(
          centreHz, none, none, none, none, none, none, none, inrDb, none, none, List.of());
    }

    /** 100 (T30/T20 - 1), ISO 3382-2 Annex B; empty without both. */
    public OptionalDouble curvaturePercent() {
      return t20Seconds.isPresent() && t30Seconds.isPresent()
          ? OptionalDouble.of(100 * (t30Seconds.getAsDouble() / t20Seconds.getAsDouble() - 1))
          : OptionalDouble.empty();
    }
  }

  /** The decay of the band of that nominal frequency. */
  public Optional<BandDecay> band(double centreHz) {
    return bands.stream().filter(b -> b.centreHz() == centreHz).findFirst();
  }

  /** Speech transmission index of the response alone; empty where an octave is missing. */
  public OptionalDouble speechTransmission() {
    return modulation.isEmpty()
        ? OptionalDouble.empty()
        : OptionalDouble.of(SpeechTransmission.index(modulationTransfer()));
  }

  /** The modulation transfer as {@link SpeechTransmission} takes it. */
  public double[][] modulationTransfer() {
    return modulation.stream()
        .map(row -> row.stream().mapToDouble(Double::doubleValue).toArray())
        .toArray(double[][]::new);
  }

  /** Mean T20 of the 500 and 1000 Hz octaves; empty where one is missing. */
  public OptionalDouble tMidSeconds() {
    return meanT20(500, 1000);
  }

  /** Mean T20 of the 250 to 4000 Hz octaves; empty where one is missing. */
  public OptionalDouble tVoiceSeconds() {
    return meanT20(250, 500, 1000, 2000, 4000);
  }

  /** Over those octaves, or over the thirds that make them up; empty where a time is missing. */
  private OptionalDouble meanT20(double... centres) {
    double sum = 0;
    int count = 0;
    for (double centre : centres) {
      int before = count;
      for (BandDecay b : bands) {
        if (b.centreHz() > centre / HALF_OCTAVE && b.centreHz() < centre * HALF_OCTAVE) {
          if (b.t20Seconds().isEmpty()) {
            return OptionalDouble.empty();
          }
          sum += b.t20Seconds().getAsDouble();
          count++;
        }
      }
      if (count == before) {
        return OptionalDouble.empty();
      }
    }
    return OptionalDouble.of(sum / count);
  }
}
