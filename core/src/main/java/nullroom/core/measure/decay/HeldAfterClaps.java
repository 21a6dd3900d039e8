package nullroom.core.measure.decay;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.Quantile;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.signal.Fft;
import nullroom.core.signal.HannSpectrum;
import nullroom.core.signal.Samples;

/**
 * Noise that is softer just after claps than it ever is else. Under what a clap has, and over it,
 * the noise of a room is heard while all between still rings; sounds only add up in the air, so a
 * gain that the clap took down is what makes it softer there, and coming up again it lengthens the
 * decay, however straight that stays. All claps are laid over one another, and the bass taken as
 * far up as it shows the noise. A coder empties the highs beside what is loud, too, but each as it
 * likes: they count only where all are softer alike. Cannot see a gain that is up again before the
 * noise is heard in any band.
 */
final class HeldAfterClaps {
  private static final double BLOCK_SECONDS = 0.08;
  private static final double STEP_SECONDS = 0.01;

  /** Edges of narrow bands, in which claps have less the lower they are. */
  private static final double[] LOW_HZ = {22, 45, 68, 91, 136, 182, 272, 363};

  /** And of those over most of a clap. */
  private static final double[] HIGH_HZ = {13_000, 15_500, 17_500, 20_000};

  private static final int FEWEST_HIGH = 2;
  private static final double MOST_OF_RATE = 0.48;

  /** Steps over which the softest moment may last. */
  private static final int[] LASTING = {1, 4, 10};

  /** The noise is what stands in the later half of what follows a clap, not before this step. */
  private static final int LATE = 40;

  private static final int FEWEST_LATE = 10;

  /** Noise is at least what so many late moments lie under, and so many of the whole sound. */
  private static final double LATE_SHARE = 0.25;

  private static final double SOUND_SHARE = 0.2;

  /** Of every so many steps of the whole sound one is enough. */
  private static final int EVERY = 2;

  /** Of a Hann window's length so much counts as independent. */
  private static final double INDEPENDENT = 0.51;

  /** Standard deviations; of 196 untouched sounds with what is taken for claps, 3.6 at most. */
  private static final double SURE = 4.5;

  /** Of a single clap: what passes by may swell behind it. */
  private static final double SURE_OF_ONE = 6;

  private static final double LEAST_DB = 0.5;
  private static final double MOST_OF_THEM = 0.8;

  /** All highs are softer by as much, up to this factor of decibels. */
  private static final double ALIKE = 2;

  /** Of digital silence. */
  private static final double NOTHING = 1e-14;

  private final HannSpectrum spectrum;
  private final int step;
  private final List<Range> bands;
  private final int low;
  private final double[][][] claps;
  private final double[][] sound;
  private final int rows;
  private final int late;

  private record Range(double fromHz, double toHz) {
    private static Stream<Range> between(double[] edges) {
      return IntStream.range(0, edges.length - 1).mapToObj(b -> new Range(edges[b], edges[b + 1]));
    }
  }

  /**
   * Noise that is held down.
   *
   * @param step after the clap
   * @param steps on end
   * @param db under what it is else
   * @param sure in standard deviations
   */
  private record Held(int step, int steps, double db, double sure) {}

  private HeldAfterClaps(Takes takes, double[] x, double rate) {
    spectrum = new HannSpectrum(Fft.sizeFor(Math.round(BLOCK_SECONDS * rate)), rate);
    step = (int) (STEP_SECONDS * rate);
    bands =
        Stream.concat(Range.between(LOW_HZ), Range.between(HIGH_HZ))
            .filter(b -> b.toHz < MOST_OF_RATE * rate)
            .toList();
    low = Math.min(LOW_HZ.length - 1, bands.size());
    claps =
        takes.responses().stream()
            .map(response -> rows(response, takes.lead(), 1))
            .toArray(double[][][]::new);
    rows = Arrays.stream(claps).mapToInt(this::untilSilence).min().orElse(0);
    late = Math.max(rows / 2, LATE);
    sound =
        rows < late + FEWEST_LATE
            ? new double[0][]
            : Arrays.stream(rows(x, 0, EVERY))
                .filter(row -> !isSilent(row))
                .toArray(double[][]::new);
  }

  /**
   * What speaks for a gain.
   *
   * @param claps with what follows each
   * @param rate of both
   * @param sound they are of
   */
  static Optional<Alteration> of(Takes claps, double rate, Samples sound) {
    HeldAfterClaps held = new HeldAfterClaps(claps, sound.toArray(), rate);
    return held.most()
        .map(h ->
            new Alteration(
                Alteration.Kind.AUTOMATIC_GAIN,
                Figures.say(
                    "%.2f s after claps the noise beside them is %.1f dB softer than it ever is else, where sounds in the air only add up",
                    h.step * STEP_SECONDS, h.db),
                0,
                sound.seconds()));
  }

  /** Mean squares of the bands, a row for each block. */
  private double[][] rows(double[] x, int from, int every) {
    int count = Math.max(0, (x.length - from - spectrum.size()) / (every * step) + 1);
    double[][] all = new double[count][];
    for (int k = 0; k < count; k++) {
      double[] power = spectrum.of(x, from + k * every * step);
      all[k] = bands.stream().mapToDouble(b -> spectrum.between(power, b.fromHz, b.toHz)).toArray();
    }
    return all;
  }

  /** Digital silence, as some recorders put before and behind a sound. */
  private static boolean isSilent(double[] row) {
    return Arrays.stream(row).sum() < NOTHING;
  }

  /** Rows of a clap in which no silence has begun. */
  private int untilSilence(double[][] clap) {
    int silent = 0;
    while (silent < clap.length && !isSilent(clap[silent])) {
      silent++;
    }
    return silent < clap.length ? Math.max(0, silent - spectrum.size() / step) : silent;
  }

  /** What is held down most surely. */
  private Optional<Held> most() {
    if (sound.length == 0) {
      return Optional.empty();
    }
    double[] noise = noise();
    Stream<Held> lows =
        IntStream.rangeClosed(1, low).boxed().flatMap(to -> course(noise, 0, to).held());
    return Stream.concat(lows, highs(noise)).max(Comparator.comparingDouble(Held::sure));
  }

  private Stream<Held> highs(double[] noise) {
    if (bands.size() - low < FEWEST_HIGH) {
      return Stream.empty();
    }
    List<Course> each =
        IntStream.range(low, bands.size()).mapToObj(b -> course(noise, b, b + 1)).toList();
    return course(noise, low, bands.size())
        .held()
        .filter(h ->
            each.stream()
                .mapToDouble(c -> c.db(h.step, h.steps) / h.db)
                .allMatch(alike -> alike > 1 / ALIKE && alike < ALIKE));
  }

  /** Of each band, as it stands when all has died away. */
  private double[] noise() {
    return IntStream.range(0, bands.size())
        .mapToDouble(b ->
            Quantile.median(
                Arrays.stream(claps)
                    .flatMap(clap -> Arrays.stream(clap, late, rows))
                    .mapToDouble(row -> row[b])
                    .toArray()))
        .map(n -> Math.max(n, NOTHING))
        .toArray();
  }

  /** Mean of some bands, each against its noise, by their widths. */
  private double[] together(double[][] of, double[] noise, int from, int to) {
    double width = width(from, to);
    return Arrays.stream(of)
        .mapToDouble(row ->
            IntStream.range(from, to)
                .mapToDouble(b -> row[b] / noise[b] * width(b, b + 1) / width)
                .sum())
        .toArray();
  }

  private double width(int from, int to) {
    return bands.subList(from, to).stream().mapToDouble(b -> b.toHz - b.fromHz).sum();
  }

  /** What some bands do after the claps. */
  private Course course(double[] noise, int from, int to) {
    double[][] each =
        Arrays.stream(claps).map(clap -> together(clap, noise, from, to)).toArray(double[][]::new);
    double[] ends =
        Arrays.stream(each).flatMapToDouble(e -> Arrays.stream(e, late, rows)).toArray();
    double softest =
        Math.min(
            Quantile.of(ends, LATE_SHARE),
            Quantile.of(together(sound, noise, from, to), SOUND_SHARE));
    double usual = Arrays.stream(ends).average().orElseThrow();
    double chance = 1 / Math.sqrt(width(from, to) / spectrum.binHz() * INDEPENDENT);
    return new Course(each, softest, Math.max(scatter(each) / usual, chance));
  }

  /** Standard deviation of the noise from moment to moment, as found. */
  private double scatter(double[][] each) {
    int apart = spectrum.size() / step + 1;
    return Math.sqrt(
        Arrays.stream(each)
            .flatMapToDouble(e ->
                IntStream.range(late, Math.max(late, rows - apart))
                    .mapToDouble(k -> e[k + apart] - e[k]))
            .map(d -> d * d / 2)
            .average()
            .orElse(0));
  }

  /** Noise of some bands, after one clap and after all. */
  private final class Course {
    private final double[][] each;
    private final double[] mean;
    private final double softest;
    private final double scatter;

    /**
     * Of bands together.
     *
     * @param each clap's
     * @param softest noise that is heard else
     * @param scatter of one moment over its mean
     */
    private Course(double[][] each, double softest, double scatter) {
      this.each = each;
      this.softest = softest;
      this.scatter = scatter / Math.sqrt(each.length);
      mean =
          IntStream.range(0, rows)
              .mapToDouble(k -> Arrays.stream(each).mapToDouble(e -> e[k]).average().orElseThrow())
              .toArray();
    }

    /** Where they are held down surely. */
    private Stream<Held> held() {
      return Arrays.stream(LASTING)
          .boxed()
          .flatMap(steps ->
              IntStream.rangeClosed(1, late - steps)
                  .mapToObj(from -> new Held(from, steps, db(from, steps), sure(from, steps))))
          .filter(h ->
              h.sure > (each.length > 1 ? SURE : SURE_OF_ONE)
                  && h.db > LEAST_DB
                  && softer(h) >= MOST_OF_THEM * each.length);
    }

    private long softer(Held held) {
      return Arrays.stream(each).filter(e -> mean(e, held.step, held.steps) < softest).count();
    }

    private double db(int from, int steps) {
      return Decibels.ofEnergy(softest / mean(mean, from, steps));
    }

    /**
     * The cube root of a sum of squares is nearly normal, and scatters by a third as much (E. B.
     * Wilson and M. M. Hilferty, PNAS 17 (1931) 684-688).
     */
    private double sure(int from, int steps) {
      double independent = 1 + (steps - 1) * step / (INDEPENDENT * spectrum.size());
      return 3
          * (1 - Math.cbrt(mean(mean, from, steps) / softest))
          / scatter
          * Math.sqrt(independent);
    }

    private static double mean(double[] of, int from, int steps) {
      return Arrays.stream(of, from, from + steps).average().orElseThrow();
    }
  }
}
