package nullroom.core.acoustics;

import java.util.List;
import java.util.Map;
import nullroom.core.Table;
import org.apache.commons.csv.CSVRecord;

/**
 * Single-number ratings of room noise with the band that decides.
 *
 * @param rating rounded up to a whole number
 * @param exact before rounding
 * @param decidingBandHz nominal octave
 */
public record NoiseRating(int rating, double exact, double decidingBandHz) {
  private static final List<CSVRecord> NC_CURVES =
      Table.rows(NoiseRating.class, "nc_curves.csv").stream()
          .filter(r -> r.get("set").equals("ansi_s12.2"))
          .toList();
  private static final List<CSVRecord> NR_ROWS =
      Table.rows(NoiseRating.class, "nr_coefficients.csv");
  private static final double LOWEST_NC = 15;
  private static final double HIGHEST_NC = 65;

  /** What no meter resolves must not offset 22.00 to 23. */
  private static final double ROUNDING_SLACK = 0.02;

  /**
   * Noise criterion by the tangent method over 63 Hz to 8 kHz, with linear interpolation between
   * the curves NC-15 to NC-65; 15 below the lowest curve, 65 above the highest.
   *
   * <p>Source: ANSI/ASA S12.2-2008 Table 1 (from memory).
   */
  public static NoiseRating nc(Bands octaveDbSpl) {
    double worst = Double.NEGATIVE_INFINITY;
    double band = 63;
    for (int i = 0; i < Octave.COUNT; i++) {
      double nc = ncOf(octaveDbSpl.get(i), Math.round(Octave.nominalHz(i)) + "_hz_db");
      if (nc > worst) {
        worst = nc;
        band = Octave.nominalHz(i);
      }
    }
    double exact = Math.clamp(worst, LOWEST_NC, HIGHEST_NC);
    return new NoiseRating((int) Math.ceil(exact - ROUNDING_SLACK), exact, band);
  }

  private static double ncOf(double level, String column) {
    int k = 1; // extrapolates by the outermost pair, only to rank bands beyond the curves
    while (k < NC_CURVES.size() - 1 && Table.number(NC_CURVES.get(k), column) < level) {
      k++;
    }
    double low = Table.number(NC_CURVES.get(k - 1), column);
    double high = Table.number(NC_CURVES.get(k), column);
    double lowNc = Table.number(NC_CURVES.get(k - 1), "nc");
    double highNc = Table.number(NC_CURVES.get(k), "nc");
    return lowNc + (highNc - lowNc) * (level - low) / (high - low);
  }

  /**
   * Noise rating: the highest (L - a)/b over the bands given, 31.5 Hz to 8 kHz.
   *
   * <p>Source: ISO/R 1996:1971 Appendix Y (coefficients from memory).
   *
   * @param levelByNominalHz octave levels in dB SPL under their nominal frequencies
   */
  public static NoiseRating nr(Map<Double, Double> levelByNominalHz) {
    double worst = Double.NEGATIVE_INFINITY;
    double band = 31.5;
    for (CSVRecord row : NR_ROWS) {
      Double level = levelByNominalHz.get(Table.number(row, "band_hz"));
      if (level != null) {
        double nr = (level - Table.number(row, "a_db")) / Table.number(row, "b");
        if (nr > worst) {
          worst = nr;
          band = Table.number(row, "band_hz");
        }
      }
    }
    return new NoiseRating((int) Math.ceil(worst - ROUNDING_SLACK), worst, band);
  }
}
