package nullroom.core.measure.altered;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.Quantile;
import nullroom.core.measure.Frames;

/**
 * Peaks that stand at one height under full scale: many that crowd there, or a few sounds apart
 * from one another, of different loudness, whose peaks are the same to some thousandths of a
 * decibel. Cannot see a limiter that is hardly reached, or peaks that are cut off, which is
 * clipping.
 */
final class Ceiling {
  private static final int LEVEL = 0;
  private static final int PEAK = 1;
  private static final int RUN = 2;

  private static final double FULL_SCALE_DBFS = -0.15;
  private static final double NEAR_DB = 0.3;
  private static final double CROWDED_DB = 0.03;

  /** Of tops that are round as those of any wave a third lies so near to the highest. */
  private static final double CROWDED_SHARE = 0.55;

  private static final int CROWD = 20;

  /** What reaches the ceiling unlimited is always as loud: a tone. */
  private static final double VARIED_DB = 0.7;

  /** So many samples on end at one height were cut off, not held down. */
  private static final int CUT_OFF = 3;

  /** By chance a peak comes so near to another in one of some hundreds. */
  private static final double EXACT_DB = 0.002;

  /** The steps of 16 bits are finer than that down to here. */
  private static final double LOWEST_EXACT_DBFS = -17;

  private static final double EXACT_SHARE = 0.5;
  private static final double EXACT_VARIED_DB = 0.2;
  private static final int FEWEST_SOUNDS = 3;
  private static final int MANY_SOUNDS = 8;
  private static final int FEWEST_OF_TWO = 4;
  private static final double APART_SECONDS = 0.1;

  /** Of what the noise alone would move the peaks of like sounds by, they lie so far apart. */
  private static final double UNMOVED = 0.15;

  private static final double UNMOVED_THREE = 0.05;

  /** In steps of the file, and of 16 bits where it has finer ones: less could be lost in them. */
  private static final double LEAST_NOISE_STEPS = 1.5;

  private static final double SIXTEEN_BITS = 1.0 / 32_768;

  private static final double NOISE_SHARE = 0.1;

  /** More, and the peaks are the noise's own. */
  private static final double MOST_MOVED_DB = 0.2;

  /** What a generator repeats to the last bit is as loud each time, too. */
  private static final double LOUDER_SHARE = 0.2;

  /** The highest of many peaks moves less: each sound has so few. */
  private static final int SHORT_FRAMES = 2;

  private final Frames levels;
  private final double seconds;
  private final double step;
  private final double top;

  private Ceiling(Frames levels, double seconds, double step) {
    this.levels = levels;
    this.seconds = seconds;
    this.step = step;
    top = Arrays.stream(levels.column(PEAK)).max().orElse(0);
  }

  /**
   * What speaks for a limiter.
   *
   * @param levels mean square and largest amplitude of each frame in dB, and the samples on end
   *     that have it
   * @param seconds length of a frame
   * @param step of the file; peaks on one step are as high by chance
   */
  static Optional<Alteration> of(Frames levels, double seconds, double step) {
    Ceiling ceiling = new Ceiling(levels, seconds, step);
    if (ceiling.top > FULL_SCALE_DBFS) {
      return Optional.empty();
    }
    List<Integer> near = ceiling.within(NEAR_DB);
    long cut = near.stream().filter(k -> levels.get(k, RUN) >= CUT_OFF).count();
    return cut >= Math.max(1, near.size() / 2)
        ? Optional.empty()
        : ceiling.crowded(near).or(() -> ceiling.exact(near)).or(() -> ceiling.unmoved(near));
  }

  /** From a peak at the top to the next that the file can say. */
  private double stepDb() {
    return Decibels.ofAmplitude(1 + step / Decibels.toAmplitude(top));
  }

  private List<Integer> within(double decibels) {
    List<Integer> at = new ArrayList<>();
    for (int k = 0; k < levels.count(); k++) {
      if (levels.get(k, PEAK) > top - decibels) {
        at.add(k);
      }
    }
    return at;
  }

  private Optional<Alteration> crowded(List<Integer> near) {
    int same = within(CROWDED_DB).size();
    return near.size() >= CROWD
            && stepDb() < CROWDED_DB
            && same > CROWDED_SHARE * near.size()
            && Scatter.of(loudness(near)) > VARIED_DB
            && !alike(near)
        ? Optional.of(
            limiter(
                Figures.say(
                    "%d peaks stand within %.1f dB of a ceiling at %.1f dBFS, and %d of them within %.2f dB",
                    near.size(), NEAR_DB, top, same, CROWDED_DB),
                near))
        : Optional.empty();
  }

  private Optional<Alteration> exact(List<Integer> near) {
    List<Integer> exact = within(EXACT_DB);
    List<Integer> sounds = apart(exact);
    return top > LOWEST_EXACT_DBFS
            && stepDb() < EXACT_DB
            && (sounds.size() >= FEWEST_SOUNDS
                || sounds.size() == 2 && exact.size() >= FEWEST_OF_TWO)
            && exact.size() >= EXACT_SHARE * near.size()
            && loudnessScatter(sounds) > EXACT_VARIED_DB
            && midspread(loudness(exact)) > EXACT_VARIED_DB
            && !alike(exact)
        ? Optional.of(
            limiter(
                Figures.say(
                    "the highest peaks of %d sounds that are not as loud as one another stand at one ceiling, %.1f dBFS, to %.3f dB",
                    sounds.size(), top, EXACT_DB),
                exact))
        : Optional.empty();
  }

  /** Like sounds whose peaks are more alike than the noise beneath them lets them be. */
  private Optional<Alteration> unmoved(List<Integer> near) {
    List<Integer> sounds = apart(near);
    double[] peaks = sounds.stream().mapToDouble(first -> peakFrom(near, first)).sorted().toArray();
    double noise =
        Decibels.toAmplitude(Quantile.of(levels.column(LEVEL), NOISE_SHARE)) / Math.sqrt(2);
    double moves = Decibels.ofAmplitude(1 + noise / Decibels.toAmplitude(top));
    double most = peaks.length > FEWEST_SOUNDS ? UNMOVED : UNMOVED_THREE;
    return peaks.length >= FEWEST_SOUNDS
            && near.size() <= SHORT_FRAMES * peaks.length
            && noise > LEAST_NOISE_STEPS * Math.max(step, SIXTEEN_BITS)
            && moves < MOST_MOVED_DB
            && Scatter.of(peaks) < LOUDER_SHARE * loudnessScatter(sounds)
            && peaks[peaks.length - 1] - peaks[0] < most * moves
        ? Optional.of(
            limiter(
                Figures.say(
                    "the highest peaks of %d sounds stand at one ceiling, %.1f dBFS, though the noise beneath would move them by %.3f dB",
                    peaks.length, top, moves),
                near))
        : Optional.empty();
  }

  /** The highest peak of the frames near the top that belong to one sound. */
  private double peakFrom(List<Integer> near, int first) {
    return near.stream()
        .filter(k -> k >= first && (k - first) * seconds <= APART_SECONDS)
        .mapToDouble(k -> levels.get(k, PEAK))
        .max()
        .orElseThrow();
  }

  private Alteration limiter(String evidence, List<Integer> at) {
    return new Alteration(
        Alteration.Kind.LIMITER, evidence, at.getFirst() * seconds, (at.getLast() + 1) * seconds);
  }

  /** The first of each group that lies apart from the one before. */
  private List<Integer> apart(List<Integer> frames) {
    List<Integer> first = new ArrayList<>();
    int last = Integer.MIN_VALUE / 2;
    for (int k : frames) {
      if ((k - last) * seconds > APART_SECONDS) {
        first.add(k);
      }
      last = k;
    }
    return first;
  }

  private double loudnessScatter(List<Integer> sounds) {
    return Scatter.of(loudnessFrom(sounds));
  }

  private double[] loudnessFrom(List<Integer> sounds) {
    return sounds.stream().mapToDouble(this::loudnessFrom).toArray();
  }

  /** Mean level of what sounds from a frame on, decibels. */
  private double loudnessFrom(int frame) {
    int to = Math.min(levels.count(), frame + (int) Math.round(APART_SECONDS / seconds));
    double sum = 0;
    for (int k = frame; k < to; k++) {
      sum += Decibels.toEnergy(levels.get(k, LEVEL));
    }
    return Decibels.ofEnergy(sum / (to - frame));
  }

  /** Whether of many sounds nearly all are as loud as one another: of a clock. */
  private boolean alike(List<Integer> frames) {
    List<Integer> sounds = apart(frames);
    return sounds.size() >= MANY_SOUNDS && midspread(loudnessFrom(sounds)) < EXACT_VARIED_DB;
  }

  private double[] loudness(List<Integer> frames) {
    return frames.stream().mapToDouble(k -> levels.get(k, LEVEL)).toArray();
  }

  /** Bursts of a tone differ by their edges only. */
  private static double midspread(double[] loudness) {
    return Quantile.of(loudness, 0.75) - Quantile.of(loudness, 0.25);
  }
}
