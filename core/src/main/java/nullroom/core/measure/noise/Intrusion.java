package nullroom.core.measure.noise;

import nullroom.core.Quantile;

/**
 * Something that rose over the background for a while.
 *
 * @param startSeconds from the start of the recording
 * @param durationSeconds until it was gone
 * @param peakDbfs largest sample in it
 * @param riseDb highest FAST A-level over the background
 */
public record Intrusion(
    double startSeconds, double durationSeconds, double peakDbfs, double riseDb) {

  /** A rise over the background that counts. */
  public static final double LEAST_RISE_DB = 6;

  /** It goes on until it has fallen to this over the background. */
  static final double ENDS_DB = 3;

  /** The stretch whose quiet fifth is the background. */
  public static final int BACKGROUND_SECONDS = 40;

  private static final double BACKGROUND_SHARE = 0.2;

  /**
   * The background among levels of a stretch: exceeded four fifths of it.
   *
   * @param levels not empty; not modified
   */
  public static double background(double[] levels) {
    return Quantile.of(levels, BACKGROUND_SHARE);
  }
}
