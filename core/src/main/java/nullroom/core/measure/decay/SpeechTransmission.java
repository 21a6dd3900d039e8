package nullroom.core.measure.decay;

import java.util.List;
import nullroom.core.Decibels;

/**
 * Speech transmission index.
 *
 * <p>Source: IEC 60268-16:2011, male weights; modulation transfer from the impulse response by M.
 * R. Schroeder, Acustica 49 (1981). Level-dependent masking and reception thresholds as in its
 * Annex A, the masking slopes from memory.
 */
public final class SpeechTransmission {
  /** Octaves that count, hertz. */
  public static final List<Double> OCTAVES_HZ =
      List.of(125.0, 250.0, 500.0, 1000.0, 2000.0, 4000.0, 8000.0);

  /** Modulation frequencies, hertz. */
  public static final List<Double> MODULATIONS_HZ =
      List.of(0.63, 0.8, 1.0, 1.25, 1.6, 2.0, 2.5, 3.15, 4.0, 5.0, 6.3, 8.0, 10.0, 12.5);

  private static final double[] ALPHA = {0.085, 0.127, 0.230, 0.233, 0.309, 0.224, 0.173};
  private static final double[] BETA = {0.085, 0.078, 0.065, 0.011, 0.047, 0.095};
  private static final double[] THRESHOLD_DB_SPL = {46, 27, 12, 6.5, 7.5, 8, 12};

  private SpeechTransmission() {}

  /**
   * The index of a response alone: no noise, no masking.
   *
   * @param transfer modulation transfer, 0 to 1, seven octaves by fourteen frequencies
   */
  public static double index(double[][] transfer) {
    double[] octaves = new double[transfer.length];
    for (int k = 0; k < transfer.length; k++) {
      for (double m : transfer[k]) {
        octaves[k] += index(m) / transfer[k].length;
      }
    }
    double sum = 0;
    for (int k = 0; k < octaves.length; k++) {
      sum += ALPHA[k] * octaves[k];
    }
    for (int k = 0; k + 1 < octaves.length; k++) {
      sum -= BETA[k] * Math.sqrt(octaves[k] * octaves[k + 1]);
    }
    return Math.clamp(sum, 0, 1);
  }

  /** Transmission index of one modulation transfer. */
  public static double index(double modulation) {
    double m = Math.clamp(modulation, 1e-9, 1 - 1e-9);
    return Math.clamp((Decibels.ofEnergy(m / (1 - m)) + 15) / 30, 0, 1);
  }

  /**
   * The index of a voice heard in noise.
   *
   * @param transfer as in {@link #index(double[][])}
   * @param speechDbSpl level of the voice in each of the seven octaves
   * @param noiseDbSpl level of the noise in each
   */
  public static double index(double[][] transfer, double[] speechDbSpl, double[] noiseDbSpl) {
    double[][] heard = new double[transfer.length][];
    double below = 0;
    for (int k = 0; k < heard.length; k++) {
      double speech = Decibels.toEnergy(speechDbSpl[k]);
      double noise = Decibels.toEnergy(noiseDbSpl[k]);
      double total = speech + noise;
      double masking = k == 0 ? 0 : below * Decibels.toEnergy(maskingDb(Decibels.ofEnergy(below)));
      double share = speech / (total + masking + Decibels.toEnergy(THRESHOLD_DB_SPL[k]));
      heard[k] = new double[transfer[k].length];
      for (int f = 0; f < heard[k].length; f++) {
        heard[k][f] = transfer[k][f] * share;
      }
      below = total;
    }
    return index(heard);
  }

  /** How far the octave below masks, re its own level. */
  private static double maskingDb(double levelDbSpl) {
    if (levelDbSpl < 63) {
      return 0.5 * levelDbSpl - 65;
    }
    if (levelDbSpl < 67) {
      return 1.8 * levelDbSpl - 146.9;
    }
    return levelDbSpl < 100 ? 0.5 * levelDbSpl - 59.8 : -10;
  }
}
