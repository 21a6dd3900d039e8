package nullroom.core.acoustics;

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
 */
public record Capture(
    Pattern pattern,
    double selfNoiseDbA,
    double maxDbSpl,
    double sensitivityDbvPerPascal,
    double preampEinDbu,
    double gainDb,
    double fullScaleDbu,
    int bits) {

  public Capture {
    within("selfNoiseDbA", selfNoiseDbA, -10, 60);
    within("maxDbSpl", maxDbSpl, 60, 180);
    within("sensitivityDbvPerPascal", sensitivityDbvPerPascal, -90, 20);
    within("preampEinDbu", preampEinDbu, -140, -40);
    within("gainDb", gainDb, -20, 100);
    within("fullScaleDbu", fullScaleDbu, -20, 40);
    within("bits", bits, 8, 64);
  }

  private static void within(String name, double number, double low, double high) {
    if (!(number >= low && number <= high)) {
      throw new IllegalArgumentException(
          name + " " + number + " is outside " + low + " to " + high);
    }
  }

  private double sensitivityDbuPerPascal() {
    return sensitivityDbvPerPascal + Decibels.DBV_IN_DBU;
  }

  /** Sound level of a sine at the capsule that reaches digital full scale, dB SPL. */
  public double fullScaleDbSpl() {
    return 94 - sensitivityDbuPerPascal() - gainDb + fullScaleDbu;
  }

  /** Lowest level of a sine, at the capsule, at which anything in the chain overloads, dB SPL. */
  public double overloadDbSpl() {
    return Math.min(maxDbSpl, fullScaleDbSpl());
  }

  /** Preamp noise as sound level at the capsule, A-weighted: EIN - S + 94. */
  public double preampNoiseDbA() {
    return preampEinDbu - sensitivityDbuPerPascal() + 94;
  }

  /** Quantisation noise q^2/12 as sound level at the capsule, in octaves (white to 24 kHz). */
  public Bands converterNoiseDbSpl() {
    double step = Math.pow(2, 1 - bits);
    double total = fullScaleDbSpl() + Decibels.dbfs(step * step / 12);
    return Bands.from(i -> total + Decibels.ofEnergy(Octave.ALL.get(i).widthHz() / 24_000));
  }

  /** Self-noise in octaves, spread as white noise. */
  public Bands selfNoiseDbSpl() {
    return Octave.whiteNoise(selfNoiseDbA);
  }

  /** Preamp noise in octaves, spread as white noise. */
  public Bands preampNoiseDbSpl() {
    return Octave.whiteNoise(preampNoiseDbA());
  }

  /** The same chain at another gain. */
  public Capture withGainDb(double gain) {
    return new Capture(
        pattern,
        selfNoiseDbA,
        maxDbSpl,
        sensitivityDbvPerPascal,
        preampEinDbu,
        gain,
        fullScaleDbu,
        bits);
  }

  /** The same chain behind another preamp. */
  public Capture withPreampEinDbu(double ein) {
    return new Capture(
        pattern, selfNoiseDbA, maxDbSpl, sensitivityDbvPerPascal, ein, gainDb, fullScaleDbu, bits);
  }
}
