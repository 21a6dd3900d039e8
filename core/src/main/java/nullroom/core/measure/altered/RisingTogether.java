package nullroom.core.measure.altered;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;
import nullroom.core.Figures;
import nullroom.core.Quantile;
import nullroom.core.measure.Frames;

/**
 * Pauses laid over one another from their beginnings: a gain that recovers lifts the noise of all
 * of them along one curve, and by as much in neighbouring bands, where the noise of a room rises in
 * one pause and falls in the next. Asks three bands at a time: in some of them the noise stands
 * free of the room while it still rings in the others. Sees smaller and shorter recoveries than a
 * single pause shows. A breath before the next word rises, too, but by another amount in each band.
 */
final class RisingTogether {
  /** First bands of the threes. */
  private static final int[] THREES = {2, 3, 5, 6};

  private static final int BANDS = 3;
  private static final double LOUD_SHARE = 0.98;
  private static final double QUIET_SHARE = 0.05;
  private static final double UNDER_LOUD_DB = 12;

  /** Before a pause something was as loud as that within half a second. */
  private static final double LOUD_DB = 8;

  private static final double BEFORE_SECONDS = 0.48;
  private static final double PAUSE_SECONDS = 0.45;

  /** The next sound may begin softly. */
  private static final double BEGINNING_SECONDS = 0.1;

  private static final int FEWEST = 3;
  private static final double LONGEST_SECONDS = 2.5;
  private static final double MEAN_SECONDS = 0.1;
  private static final double LATEST_LOW_SECONDS = 0.7;
  private static final double RISE_DB = 1.3;

  /** So many standard errors, and decibels of them that no likeness takes away. */
  private static final double SURE = 2.5;

  /** All come up by as much, or to the same level; a noise that swells does neither. */
  private static final double SCATTER_SHARE = 0.3;

  /** Of few pauses, which may do so by chance, only so far apart for each of them over two. */
  private static final double SCATTER_DB = 0.75;

  private static final double ERROR_DB = 0.08;

  /** A pause whose floor rises by less than so much of that speaks against it. */
  private static final double LEAST_SHARE = 0.5;

  private static final double MOST_OF_THEM = 0.8;
  private static final double ALIKE_DB = 0.6;

  /** Over them noise comes up by so much of that at least; cloth has no such highs. */
  private static final double LEAST_OVER = 0.4;

  /** Half-way a gain has come up by so much of it and more; what swells has hardly begun. */
  private static final double HALF_WAY = 0.3;

  /** Where a breath rises at the edge of what it has, it rises further in the middle. */
  private static final double MORE_DB = 1.5;

  /** A noise that falls again by so much of that, in so many pauses, swells by itself. */
  private static final double EBBS = 0.6;

  private static final double EBBS_SHARE = 0.25;

  private final FineBands fine;
  private final Frames levels;
  private final double seconds;
  private final List<Stretch> whole;
  private final List<Integer> pauses;
  private final int common;
  private final int mean;

  private RisingTogether(FineBands fine, List<Stretch> pauses) {
    this.fine = fine;
    levels = fine.levels();
    seconds = fine.seconds();
    int[] lengths = pauses.stream().mapToInt(Stretch::rows).sorted().toArray();
    int shorter = Math.min(lengths.length / 3, lengths.length - FEWEST); // left out
    common = (int) Math.min(lengths[shorter], LONGEST_SECONDS / seconds);
    whole = pauses.stream().filter(p -> p.rows() >= common).toList();
    this.pauses = whole.stream().map(Stretch::from).toList();
    mean = (int) Math.round(MEAN_SECONDS / seconds);
  }

  /** What speaks for a gain. */
  static Optional<Alteration> of(FineBands fine) {
    double[] total = fine.totals();
    if (total.length * fine.seconds() < FEWEST * PAUSE_SECONDS) {
      return Optional.empty();
    }
    double loud = Quantile.of(total, LOUD_SHARE);
    double half = (loud + Quantile.of(total, QUIET_SHARE)) / 2;
    return rising(fine, total, loud, half)
        .or(() -> rising(fine, total, loud, loud - UNDER_LOUD_DB));
  }

  private static Optional<Alteration> rising(
      FineBands fine, double[] total, double loud, double under) {
    List<Stretch> pauses = pauses(fine, total, loud - LOUD_DB, under);
    if (pauses.size() < FEWEST) {
      return Optional.empty();
    }
    RisingTogether together = new RisingTogether(fine, pauses);
    return Arrays.stream(THREES)
        .filter(first -> first + BANDS <= fine.bands())
        .mapToObj(together::told)
        .flatMap(Optional::stream)
        .findFirst();
  }

  private static List<Stretch> pauses(FineBands fine, double[] total, double loud, double under) {
    double seconds = fine.seconds();
    int before = (int) (BEFORE_SECONDS / seconds);
    int beginning = (int) (BEGINNING_SECONDS / seconds);
    List<Stretch> all =
        Stretch.under(total, under).stream()
            .filter(p -> p.from() > 0 && p.rows() * seconds > PAUSE_SECONDS)
            .filter(p ->
                IntStream.range(Math.max(0, p.from() - before), p.from())
                    .anyMatch(k -> total[k] > loud))
            .toList();
    return AnotherSound.before(all, fine.levels(), total, seconds, BEFORE_SECONDS).stream()
        .map(p -> new Stretch(p.from(), p.to() - beginning))
        .toList();
  }

  private Optional<Alteration> told(int band) {
    int places = common - mean + 1;
    if (pauses.size() < FEWEST || places < 2) {
      return Optional.empty();
    }
    double[] curve = IntStream.range(0, places).mapToDouble(k -> level(band, k)).toArray();
    int low = 0;
    for (int k = 1; k < Math.min(places, LATEST_LOW_SECONDS / seconds); k++) {
      low = curve[k] < curve[low] ? k : low;
    }
    int high = low;
    for (int k = low; k < places; k++) {
      high = curve[k] > curve[high] ? k : high;
    }
    int bottom = low;
    int top = high;
    double[] rises = each(from -> rise(from, band, bottom, top));
    double rise = Arrays.stream(rises).average().orElseThrow();
    double scatter = Math.min(Scatter.of(rises), Scatter.of(each(from -> mean(from + top, band))));
    long with = Arrays.stream(rises).filter(r -> r > LEAST_SHARE * rise).count();
    double[] bands =
        IntStream.range(0, levels.width())
            .mapToDouble(b -> bandLevel(b, top) - bandLevel(b, bottom))
            .toArray();
    return rise > RISE_DB
            && rise > SURE * (Scatter.of(rises) / Math.sqrt(rises.length - 1.0) + ERROR_DB)
            && scatter < Math.min(SCATTER_SHARE * rise, SCATTER_DB * (rises.length - 2))
            && curve[(low + high) / 2] - curve[low] > HALF_WAY * (curve[high] - curve[low])
            && with >= MOST_OF_THEM * rises.length
            && Scatter.of(Arrays.copyOfRange(bands, band, band + BANDS)) < ALIKE_DB
            && Arrays.stream(bands).max().orElseThrow() < rise + MORE_DB
            && IntStream.range(band, band + BANDS)
                .noneMatch(b -> fine.onSteps(b, bandLevel(b, top)))
            && IntStream.range(band + BANDS, levels.width())
                .filter(b -> !fine.onSteps(b, bandLevel(b, top)))
                .allMatch(b -> bands[b] > LEAST_OVER * rise)
            && !ebbs(band, bottom, EBBS * rise)
        ? Optional.of(
            new Alteration(
                Alteration.Kind.AUTOMATIC_GAIN,
                Figures.say(
                    "laid over one another, %d pauses after loud sounds all come up again, by %.1f dB on average and alike in neighbouring bands",
                    with, rise),
                pauses.getFirst() * seconds,
                (pauses.getLast() + common) * seconds))
        : Optional.empty();
  }

  /** Whether the noise falls so far again in some of the pauses. */
  private boolean ebbs(int band, int bottom, double byDb) {
    long ebbing =
        whole.stream()
            .filter(p -> {
              double most = Double.NEGATIVE_INFINITY;
              double falls = 0;
              for (int k = p.from() + bottom; k + mean <= p.to(); k++) {
                double level = mean(k, band);
                most = Math.max(most, level);
                falls = Math.max(falls, most - level);
              }
              return falls > byDb;
            })
            .count();
    return ebbing > EBBS_SHARE * whole.size();
  }

  private double[] each(IntToDoubleFunction ofPause) {
    return pauses.stream().mapToInt(from -> from).mapToDouble(ofPause).toArray();
  }

  /** Level of one band so long after the beginnings of all pauses, in the mean. */
  private double bandLevel(int band, int after) {
    return Arrays.stream(each(from -> Rows.mean(levels, band, from + after, mean)))
        .average()
        .orElseThrow();
  }

  /** Rise of three bands in one pause. */
  private double rise(int from, int band, int low, int high) {
    return mean(from + high, band) - mean(from + low, band);
  }

  /** Of three bands from one on. */
  private double mean(int from, int band) {
    double sum = 0;
    for (int b = band; b < band + BANDS; b++) {
      sum += Rows.mean(levels, b, from, mean);
    }
    return sum / BANDS;
  }

  /** Of three bands in all pauses, so long after their beginnings. */
  private double level(int band, int after) {
    return Arrays.stream(each(from -> mean(from + after, band))).average().orElseThrow();
  }
}
