package nullroom.core.measure.noise;

import java.util.List;

/**
 * The levels of one second, dBFS by AES17; {@link #NOTHING_DBFS} where there was no sound.
 *
 * @param laeqDbfs A-weighted mean
 * @param lafMaxDbfs highest FAST A-level
 * @param lceqDbfs C-weighted mean
 * @param lzeqDbfs unweighted mean
 * @param peakDbfs largest sample
 * @param clippedSamples in clipped runs
 * @param octavesDbfs means in the octaves 31.5 Hz to 16 kHz that the rate allows
 */
public record SecondLevels(
    double laeqDbfs,
    double lafMaxDbfs,
    double lceqDbfs,
    double lzeqDbfs,
    double peakDbfs,
    long clippedSamples,
    List<Double> octavesDbfs) {

  /** Far under any converter. */
  public static final double NOTHING_DBFS = -200;

  public SecondLevels {
    octavesDbfs = List.copyOf(octavesDbfs);
  }
}
