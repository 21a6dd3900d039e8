package nullroom.core.measure.altered;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.Quantile;
import nullroom.core.measure.Blocks;
import nullroom.core.measure.Frames;
import nullroom.core.signal.Sums;

/**
 * A gain that moved after the sound had been written in steps: the values of its samples stand as
 * far apart as it was turned up, now farther, now nearer. Heard for the first ten minutes. Cannot
 * see a gain that moves before the sound is written in steps, nor one that turns down within the
 * steps of the file, nor one that leaps: coders of differences and of logarithms have steps that
 * do.
 */
final class SpreadSteps {
  private static final int BLOCK = 2048;

  /** After so many blocks in which none shows only one in four is looked at, until one does. */
  private static final int LOOKED_AT = 300;

  private static final int ONE_IN = 4;

  /** Blocks that may lie between two in which a spacing shows. */
  private static final int BETWEEN = 8;

  /** From block to block a gain that creeps moves no more. */
  private static final double CREEP_DB = 0.25;

  private static final int FEWEST = 6;
  private static final int MEDIAN = 3;
  private static final double MOVED_DB = 1;
  private static final double LOUD_DB = 6;

  private final double rate;

  /** Of what was heard so far: the same, in whatever pieces it comes. */
  private final Steps steps = new Steps();

  private final Blocks blocks = new Blocks(BLOCK, this::block);
  private final ValueSpacing spacing = new ValueSpacing();

  /** Block, spacing in decibels of full scale, level. */
  private final Frames seen = new Frames(3);

  private int count;
  private int lastSeen;

  SpreadSteps(double rate) {
    this.rate = rate;
  }

  void add(double[] samples, int length) {
    blocks.add(samples, length);
  }

  private void block(double[] samples) {
    int here = count++;
    if (here > lastSeen + LOOKED_AT && here % ONE_IN != 0) {
      return;
    }
    steps.add(samples, BLOCK);
    double perUnit = steps.perUnit();
    double[] inSteps = new double[BLOCK];
    for (int k = 0; k < BLOCK; k++) {
      inSteps[k] = samples[k] * perUnit;
    }
    spacing
        .of(inSteps)
        .ifPresent(apart -> {
          lastSeen = here;
          seen.add(
              here,
              Decibels.ofAmplitude(apart / perUnit),
              Decibels.ofEnergy(Sums.ofSquares(samples, 0, BLOCK) / BLOCK));
        });
  }

  Optional<Alteration> told() {
    List<Stretch> runs = creeping();
    List<Stretch> moved = runs.stream().filter(run -> rangeDb(run) >= MOVED_DB).toList();
    return moved.isEmpty()
        ? Optional.empty()
        : Optional.of(
            new Alteration(
                shutsWhereSoft() ? Alteration.Kind.GATE : Alteration.Kind.AUTOMATIC_GAIN,
                evidence(range(medians(runs))),
                at(moved.getFirst().from()),
                at(moved.getLast().to() - 1) + BLOCK / rate));
  }

  private double rangeDb(Stretch run) {
    return range(medians(List.of(run)));
  }

  private static double range(double[] db) {
    return DoubleStream.of(db).max().orElse(0) - DoubleStream.of(db).min().orElse(0);
  }

  private double[] medians(List<Stretch> runs) {
    return runs.stream()
        .flatMapToInt(run -> IntStream.rangeClosed(run.from(), run.to() - MEDIAN))
        .mapToDouble(this::median)
        .toArray();
  }

  /** Whether what came in louder was turned up more. */
  private boolean shutsWhereSoft() {
    double loudDb =
        LOUD_DB
            + Quantile.median(IntStream.range(0, seen.count()).mapToDouble(this::cameIn).toArray());
    double all = IntStream.range(0, seen.count()).mapToDouble(this::apart).average().orElse(0);
    double[] loud =
        IntStream.range(0, seen.count())
            .filter(row -> cameIn(row) > loudDb)
            .mapToDouble(this::apart)
            .toArray();
    return loud.length >= FEWEST && Quantile.median(loud) > all + MOVED_DB;
  }

  private double apart(int row) {
    return seen.get(row, 1);
  }

  private double cameIn(int row) {
    return seen.get(row, 2) - apart(row);
  }

  private static String evidence(double movedDb) {
    return Figures.say(
        "the values of its samples stand farther apart at some times than at others, by %.0f dB: after it was written in steps its gain moved",
        movedDb);
  }

  private double median(int row) {
    return Quantile.median(IntStream.range(row, row + MEDIAN).mapToDouble(this::apart).toArray());
  }

  private double at(int row) {
    return seen.get(row, 0) * BLOCK / rate;
  }

  /** Rows over which the spacing creeps and does not leap. */
  private List<Stretch> creeping() {
    List<Stretch> runs = new ArrayList<>();
    int from = 0;
    for (int k = 1; k <= seen.count(); k++) {
      if (k == seen.count() || leaps(k)) {
        if (k - from >= FEWEST) {
          runs.add(new Stretch(from, k));
        }
        from = k;
      }
    }
    return runs;
  }

  private boolean leaps(int row) {
    double blocksOn = seen.get(row, 0) - seen.get(row - 1, 0);
    return blocksOn > BETWEEN || Math.abs(apart(row) - apart(row - 1)) > CREEP_DB * (1 + blocksOn);
  }
}
