package nullroom.core.acoustics;

import java.util.List;
import nullroom.core.Decibels;
import nullroom.core.Keyed;
import nullroom.core.Table;
import org.apache.commons.csv.CSVRecord;

/**
 * How a talker's sound falls off with the angle from the axis of the mouth, per octave; the same
 * all around the axis.
 *
 * <p>Voice: a piston in a rigid sphere of head size (formula; within 2.5 dB of measured heads in
 * front, too loud behind, where a torso shades). At 63 Hz as at 125 Hz.
 */
public enum Directivity implements Keyed {
  OMNI(false),
  VOICE(true);

  private static final int STEP_DEGREES = 15;
  private static final int STEPS = 180 / STEP_DEGREES + 1;
  private final boolean shaded;
  private final Bands indexDb;

  Directivity(boolean shaded) {
    this.shaded = shaded; // in here OMNI and VOICE are not there yet to compare with
    this.indexDb = Bands.from(this::integrateIndexDb);
  }

  /** Level in {@code octave} at an angle off the axis, relative to the axis, in dB. */
  public double gainDb(int octave, double angleDegrees) {
    if (!shaded) {
      return 0;
    }
    double step = Math.clamp(Math.abs(angleDegrees), 0, 180) / STEP_DEGREES;
    int below = Math.min((int) step, STEPS - 2);
    double[] row = Sphere.GAINS[octave];
    return row[below] + (step - below) * (row[below + 1] - row[below]);
  }

  /**
   * Directivity index on the axis per octave, in dB: axis intensity over the mean of all
   * directions.
   */
  public Bands indexDb() {
    return indexDb;
  }

  private double integrateIndexDb(int octave) {
    int n = 720;
    double mean = 0;
    for (int i = 0; i < n; i++) {
      double theta = Math.PI * (i + 0.5) / n;
      mean +=
          Decibels.toEnergy(gainDb(octave, Math.toDegrees(theta)))
              * Math.sin(theta)
              * Math.PI
              / n
              / 2;
    }
    return -Decibels.ofEnergy(mean);
  }

  private static final class Sphere {
    static final double[][] GAINS = load();

    private static double[][] load() {
      List<CSVRecord> rows = Table.rows(Directivity.class, "talker_directivity_sphere_model.csv");
      double[][] gains = new double[Octave.COUNT][STEPS];
      for (int o = 0; o < Octave.COUNT; o++) {
        CSVRecord row = rows.get(Math.max(0, o - 1));
        for (int s = 0; s < STEPS; s++) {
          gains[o][s] = Table.number(row, "az_" + s * STEP_DEGREES + "_deg_db");
        }
      }
      return gains;
    }
  }
}
