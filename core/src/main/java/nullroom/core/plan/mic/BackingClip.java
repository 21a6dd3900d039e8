package nullroom.core.plan.mic;

import java.util.Arrays;
import java.util.stream.IntStream;
import nullroom.core.Decibels;
import nullroom.core.Trouble;
import nullroom.core.signal.Samples;
import nullroom.core.signal.Weighting;

/**
 * A test clip in which first the backing plays alone and then, after a pause, the singer sings
 * alone: both through the same microphone at the same gain, so that their distance needs no scale.
 *
 * @param backingDbfs A-weighted level of the backing
 * @param voiceDbfs of the voice
 */
public record BackingClip(double backingDbfs, double voiceDbfs) {
  private static final double FRAME_SECONDS = 0.05;
  private static final double LEAST_PAUSE_SECONDS = 0.5;
  private static final double LEAST_PART_SECONDS = 2;

  /** Between loud and quiet, this share up from the quiet. */
  private static final double SOUNDS_SHARE = 0.5;

  private static final double LEAST_SPREAD_DB = 12;

  /** By so much the backing lies under the voice. */
  public double underDb() {
    return voiceDbfs - backingDbfs;
  }

  /**
   * Measures.
   *
   * @param name of the clip, for what is said of it
   * @throws Trouble.BadSound where the two parts and the pause between them are not found
   */
  public static BackingClip of(String name, Samples clip) {
    double[] level = levels(clip);
    int part = (int) (LEAST_PART_SECONDS / FRAME_SECONDS);
    int pause = (int) (LEAST_PAUSE_SECONDS / FRAME_SECONDS);
    if (level.length < 2 * part + pause) {
      throw new Trouble.BadSound(
          name, "is too short: two seconds of backing alone, a pause, two of singing alone");
    }
    double[] sorted = level.clone();
    Arrays.sort(sorted);
    double loud = sorted[(int) (0.8 * (sorted.length - 1))];
    double quiet = sorted[(int) (0.02 * (sorted.length - 1))];
    double threshold = quiet + SOUNDS_SHARE * (loud - quiet);
    int[] gap = longestGap(level, threshold, part);
    if (loud - quiet < LEAST_SPREAD_DB || gap[1] - gap[0] < pause) {
      throw new Trouble.BadSound(
          name,
          "has no pause of half a second between the backing alone and the singing alone; leave one");
    }
    return new BackingClip(
        mean(level, 0, gap[0], threshold), mean(level, gap[1], level.length, threshold));
  }

  private static double[] levels(Samples clip) {
    Weighting.Filter filter = Weighting.A.filter(clip.sampleRateHz());
    double[] a = clip.toArray().clone();
    filter.filter(a, a, a.length);
    int frame = (int) (FRAME_SECONDS * clip.sampleRateHz());
    return IntStream.range(0, a.length / frame)
        .mapToDouble(k -> {
          double sum = 0;
          for (int i = k * frame; i < (k + 1) * frame; i++) {
            sum += a[i] * a[i];
          }
          return Decibels.ofEnergy(Math.max(1e-20, 2 * sum / frame)); // AES17: a sine's peak is 0
        })
        .toArray();
  }

  /** The longest run under a threshold that leaves a part on either side. */
  private static int[] longestGap(double[] level, double threshold, int part) {
    int[] best = {0, 0};
    int from = -1;
    for (int k = part; k < level.length - part; k++) {
      if (level[k] >= threshold) {
        from = -1;
        continue;
      }
      from = from < 0 ? k : from;
      if (k + 1 - from > best[1] - best[0]) {
        best = new int[] {from, k + 1};
      }
    }
    return best;
  }

  private static double mean(double[] level, int from, int to, double threshold) {
    return Decibels.ofEnergy(
        Arrays.stream(level, from, to)
            .filter(l -> l >= threshold)
            .map(Decibels::toEnergy)
            .average()
            .orElse(1e-20));
  }
}
