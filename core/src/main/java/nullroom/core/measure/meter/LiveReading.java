package nullroom.core.measure.meter;

import java.util.List;
import java.util.OptionalDouble;

/**
 * What a live meter shows at one moment. Levels are dBFS by AES17, FAST; none where there is no
 * sound.
 *
 * @param seconds since the meter started
 * @param aDbfs A-weighted
 * @param cDbfs C-weighted
 * @param zDbfs unweighted
 * @param peakDbfs largest sample of the last seconds, held
 * @param largestDbfs largest sample since the start
 * @param clippedSamples in clipped runs since the start
 * @param silent whether nothing but zeros came for a second: a muted input
 * @param thirdsDbfs third octaves from 25 Hz up, as many as the rate allows
 */
public record LiveReading(
    double seconds,
    OptionalDouble aDbfs,
    OptionalDouble cDbfs,
    OptionalDouble zDbfs,
    OptionalDouble peakDbfs,
    OptionalDouble largestDbfs,
    long clippedSamples,
    boolean silent,
    List<OptionalDouble> thirdsDbfs) {

  public LiveReading {
    thirdsDbfs = List.copyOf(thirdsDbfs);
  }
}
