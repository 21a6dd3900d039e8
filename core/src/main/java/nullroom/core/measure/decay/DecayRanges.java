package nullroom.core.measure.decay;

import java.util.Arrays;
import java.util.List;
import nullroom.core.acoustics.Octave;
import nullroom.core.signal.Band;
import nullroom.core.signal.Sums;

/** Which stretches of a recording let their decay come down to the noise. */
final class DecayRanges {
  /** A decay is left alone for so much longer than until it meets the noise. */
  private static final double OVER_CROSSING = 1.15;

  /** What T30 asks for (ISO 3382-2, 7.3); a decay seen so far need not be seen to its end. */
  private static final double ENOUGH_DB = 45;

  /** Where none comes down that far, those do that are half as long as the longest. */
  private static final double OF_LONGEST = 0.5;

  private DecayRanges() {}

  /**
   * Those long enough, as the longest of them tells: until it has met the noise, or fallen far, in
   * every octave from 250 Hz up; lower ones waver too much to tell. How long the silence after it
   * lasts does not matter.
   *
   * @param ranges first sample of each decay and the one after its last
   */
  static List<int[]> complete(List<int[]> ranges, double[] x, double rate) {
    int[] longest = {0, 0};
    int shortest = Integer.MAX_VALUE;
    for (int[] range : ranges) {
      longest = length(range) > length(longest) ? range : longest;
      shortest = Math.min(shortest, length(range));
    }
    double enough = OF_LONGEST * length(longest);
    if (shortest >= enough) {
      return ranges;
    }
    double least = Math.min(enough, OVER_CROSSING * crossing(x, longest, rate));
    return ranges.stream().filter(r -> length(r) >= least).toList();
  }

  private static int length(int[] range) {
    return range[1] - range[0];
  }

  /** Samples until the slowest octave meets the noise or has fallen far enough. */
  private static double crossing(double[] x, int[] range, double rate) {
    double[] take = Arrays.copyOfRange(x, range[0], range[1]);
    double crossing = 0;
    for (Band band : Band.within(Octave.ALL.subList(Octave.HZ_500 - 1, Octave.COUNT), rate)) {
      double[] squared = new double[take.length];
      Sums.addSquares(squared, BandEvaluation.backwards(take, band, rate), 0);
      Lundeby tail = Lundeby.of(squared, rate);
      if (tail.decayPerSample() > 0) {
        double enough = ENOUGH_DB / 10 * Math.log(10) / tail.decayPerSample();
        crossing = Math.max(crossing, Math.min(enough, tail.crossing()));
      }
    }
    return crossing;
  }
}
