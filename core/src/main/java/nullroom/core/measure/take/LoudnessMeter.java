package nullroom.core.measure.take;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nullroom.core.Decibels;
import nullroom.core.signal.Biquads;
import nullroom.core.signal.KWeighting;
import nullroom.core.signal.Sums;

/**
 * Loudness of a stream by ITU-R BS.1770-4, updated every 10 ms: K-weighted energies of steps of 10
 * ms, of which windows of 400 ms and 3 s are made up.
 *
 * <p>One thread adds. Kept are no samples, only an energy every tenth of a second.
 */
public final class LoudnessMeter {
  /** Steps a second; the momentary loudness is new with each. */
  public static final int STEPS_PER_SECOND = 100;

  private static final int MOMENTARY_STEPS = 40;
  private static final int SHORT_TERM_STEPS = 300;

  /** Gated blocks and values of the range come every so many steps. */
  private static final int HOP_STEPS = 10;

  private static final double OFFSET_LUFS = -0.691;
  private static final double ABSOLUTE_GATE_LUFS = -70;
  private static final double RELATIVE_GATE_LU = -10;
  private static final double RANGE_GATE_LU = -20;
  private static final double LOWER_PERCENT = 10;
  private static final double UPPER_PERCENT = 95;

  /** Left and right surround count 1.5 dB more; a fifth and a sixth channel are those. */
  private static final double SURROUND_WEIGHT = 1.41;

  private static final int FIVE = 5;
  private static final int SIX = 6;

  private final double sampleRateHz;
  private final List<Biquads> filters = new ArrayList<>();
  private final double[] weights;
  private final double[] energies = new double[SHORT_TERM_STEPS];
  private final DoubleList blocks = new DoubleList();
  private final DoubleList shortTerms = new DoubleList();

  /** Energies of steps, where they are kept: a meter that runs for days keeps none. */
  private final Optional<DoubleList> course;

  private double[] weighted = new double[0];
  private double part;
  private double momentarySum;
  private double shortTermSum;
  private long samples;
  private long steps;
  private double maxMomentary;
  private double maxShortTerm;

  /** A meter of all channels together. */
  public LoudnessMeter(double sampleRateHz, int channels) {
    this(sampleRateHz, channels, Optional.empty());
  }

  /** A meter of one channel whose steps are kept, to be put together with others. */
  static LoudnessMeter ofOne(double sampleRateHz) {
    return new LoudnessMeter(sampleRateHz, 1, Optional.of(new DoubleList()));
  }

  private LoudnessMeter(double sampleRateHz, int channels, Optional<DoubleList> course) {
    this.sampleRateHz = sampleRateHz;
    this.course = course;
    weights = weights(channels);
    for (int c = 0; c < channels; c++) {
      filters.add(KWeighting.filter(sampleRateHz));
    }
  }

  /** Of five channels the last two surround, of six the fourth is for low effects and left out. */
  private static double[] weights(int channels) {
    double[] w = new double[channels];
    Arrays.fill(w, 1);
    if (channels == FIVE || channels == SIX) {
      w[channels - 1] = SURROUND_WEIGHT;
      w[channels - 2] = SURROUND_WEIGHT;
      w[3] = channels == SIX ? 0 : w[3];
    }
    return w;
  }

  /** Takes the next samples of every channel; {@code block} is not modified. */
  public void add(double[][] block, int count) {
    if (weighted.length < count) {
      weighted = new double[count];
    }
    int done = ready(count);
    double[] sums = new double[done + 1];
    for (int c = 0; c < filters.size(); c++) {
      filters.get(c).filter(block[c], weighted, count);
      if (weights[c] > 0) {
        int from = 0;
        for (int k = 0; k <= done; k++) {
          int to = (int) Math.min(count, end(steps + k) - samples);
          sums[k] += weights[c] * Sums.ofSquares(weighted, from, to - from);
          from = to;
        }
      }
    }
    for (int k = 0; k < done; k++) {
      addStep((part + sums[k]) / sampleRateHz * STEPS_PER_SECOND);
      part = 0;
    }
    part += sums[done];
    samples += count;
  }

  /** The sample that a step ends before. */
  private long end(long step) {
    return Math.round((step + 1) * sampleRateHz / STEPS_PER_SECOND);
  }

  /** How many steps end within the next samples. */
  private int ready(int count) {
    int done = 0;
    while (end(steps + done) <= samples + count) {
      done++;
    }
    return done;
  }

  /** A whole step of 10 ms: the weighted sum of the channels' K-weighted mean squares. */
  private void addStep(double energy) {
    momentarySum += energy - back(MOMENTARY_STEPS);
    shortTermSum += energy - back(SHORT_TERM_STEPS);
    energies[(int) (steps % SHORT_TERM_STEPS)] = energy;
    course.ifPresent(c -> c.add(energy));
    steps++;
    if (steps % SHORT_TERM_STEPS == 0) { // sums that go on for hours drift
      momentarySum = mean(MOMENTARY_STEPS) * MOMENTARY_STEPS;
      shortTermSum = mean(SHORT_TERM_STEPS) * SHORT_TERM_STEPS;
    }
    if (steps >= MOMENTARY_STEPS) {
      double momentary = Math.max(0, momentarySum / MOMENTARY_STEPS);
      maxMomentary = Math.max(maxMomentary, momentary);
      if (steps % HOP_STEPS == 0) {
        blocks.add(momentary);
      }
    }
    if (steps >= SHORT_TERM_STEPS) {
      double shortTerm = Math.max(0, shortTermSum / SHORT_TERM_STEPS);
      maxShortTerm = Math.max(maxShortTerm, shortTerm);
      if (steps % HOP_STEPS == 0) {
        shortTerms.add(shortTerm);
      }
    }
  }

  /**
   * One meter of all channels from meters of each alone.
   *
   * @param each of one channel, all of the same length
   */
  static LoudnessMeter together(List<LoudnessMeter> each) {
    LoudnessMeter all = new LoudnessMeter(each.getFirst().sampleRateHz, each.size());
    List<DoubleList> courses = each.stream().map(m -> m.course.orElseThrow()).toList();
    for (int k = 0; k < courses.getFirst().size(); k++) {
      double energy = 0;
      for (int c = 0; c < each.size(); c++) {
        energy += all.weights[c] * courses.get(c).get(k);
      }
      all.addStep(energy);
    }
    return all;
  }

  /** The energy of a step so many before the next; 0 before the first. */
  private double back(int length) {
    return steps < length ? 0 : energies[(int) ((steps - length) % SHORT_TERM_STEPS)];
  }

  private double mean(int length) {
    double sum = 0;
    for (long k = steps - length; k < steps; k++) {
      sum += energies[(int) (k % SHORT_TERM_STEPS)];
    }
    return sum / length;
  }

  /** The last 400 ms; empty before, and in silence. */
  public OptionalDouble momentaryLufs() {
    return steps < MOMENTARY_STEPS ? OptionalDouble.empty() : lufs(mean(MOMENTARY_STEPS));
  }

  /** The last 3 s; empty before, and in silence. */
  public OptionalDouble shortTermLufs() {
    return steps < SHORT_TERM_STEPS ? OptionalDouble.empty() : lufs(mean(SHORT_TERM_STEPS));
  }

  /** All so far. */
  public Loudness loudness() {
    return new Loudness(
        integrated(blocks.values()),
        range(shortTerms.values()),
        lufs(maxMomentary),
        lufs(maxShortTerm));
  }

  /** Short-term loudness every tenth of a second from 3 s on, LUFS; minus infinity in silence. */
  double[] shortTermCourse() {
    return Arrays.stream(shortTerms.values()).map(LoudnessMeter::level).toArray();
  }

  private static double level(double energy) {
    return OFFSET_LUFS + Decibels.ofEnergy(energy);
  }

  private static OptionalDouble lufs(double energy) {
    return energy > 0 ? OptionalDouble.of(level(energy)) : OptionalDouble.empty();
  }

  private static double energy(double lufs) {
    return Decibels.toEnergy(lufs - OFFSET_LUFS);
  }

  private static OptionalDouble integrated(double[] blocks) {
    double[] loud = above(blocks, energy(ABSOLUTE_GATE_LUFS));
    if (loud.length == 0) {
      return OptionalDouble.empty();
    }
    double gate = Decibels.toEnergy(RELATIVE_GATE_LU) * Arrays.stream(loud).average().orElseThrow();
    return lufs(Arrays.stream(above(loud, gate)).average().orElseThrow());
  }

  private static OptionalDouble range(double[] shortTerms) {
    double[] loud = above(shortTerms, energy(ABSOLUTE_GATE_LUFS));
    if (loud.length == 0) {
      return OptionalDouble.empty();
    }
    double gate = Decibels.toEnergy(RANGE_GATE_LU) * Arrays.stream(loud).average().orElseThrow();
    double[] kept = above(loud, gate);
    Arrays.sort(kept);
    return OptionalDouble.of(
        level(percentile(kept, UPPER_PERCENT)) - level(percentile(kept, LOWER_PERCENT)));
  }

  /** By the rank nearest to it, as EBU Tech 3342 does. */
  private static double percentile(double[] sorted, double percent) {
    return sorted[(int) Math.round((sorted.length - 1) * percent / 100)];
  }

  private static double[] above(double[] energies, double gate) {
    return Arrays.stream(energies).filter(e -> e > gate).toArray();
  }
}
