package nullroom.core.measure.altered;

import static java.util.concurrent.CompletableFuture.supplyAsync;
import static nullroom.core.measure.altered.Alteration.Kind.GATE;
import static nullroom.core.measure.altered.Alteration.Kind.LOSSY;
import static nullroom.core.measure.altered.Alteration.Kind.NOISE_REDUCTION;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.Progress;
import nullroom.core.measure.Blocks;
import nullroom.core.measure.Frames;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.Sums;

/**
 * Looks for what was done to one channel of a sound after the microphone. Each test asks for
 * evidence that untouched sound does not give; what each cannot see is said beside it. Samples in,
 * findings out; not thread-safe.
 */
public final class AlterationMeter implements Hearer {
  private static final int BLOCK = 1 << 15;
  private static final double SHORT_SECONDS = 0.005;
  private static final double SILENT = 1e-9;
  private static final double SAME = 1 - 1e-5;

  /** Only what comes so near to the largest so far can be at the ceiling. */
  private static final double NEAR_TOP = 0.96;

  /** So far under the loudest there are pauses. */
  private static final double PAUSE_DB = 20;

  private static final double HOLED = 0.004;

  /** Noise of the steps of ten bit and fewer, that follows what sounds. */
  private static final double COARSE_DB = -66;

  /** What is no further over it may be one step up and down again. */
  private static final double OVER_COARSE_DB = 12;

  /** Sounds that begin at once, before which noise rises, if their ends are quick, too. */
  private static final int RISES_AT_QUICK_ENDS = 2;

  private final double rate;
  private final SpectraSeen spectra;
  private final FineBands fine;
  private final CoderGrid grid;
  private final SpreadSteps spread;
  private final BeforeSound before;
  private final AveragedNoise averaged;

  /** Of each 5 ms: mean square in dB, largest amplitude in dB, samples on end that have it. */
  private final Frames levels = new Frames(3);

  private final int frame;
  private double largest;
  private final Blocks frames;
  private final Hearer firstAveraged;
  private final Hearer firstFine;
  private final Hearer firstMoments;
  private long samples;

  /** Of a channel that declares a sampling rate. */
  public AlterationMeter(double sampleRateHz) {
    rate = sampleRateHz;
    spectra = new SpectraSeen(sampleRateHz);
    fine = new FineBands(sampleRateHz);
    grid = new CoderGrid(sampleRateHz, fine);
    spread = new SpreadSteps(sampleRateHz);
    before = new BeforeSound(sampleRateHz);
    averaged = new AveragedNoise(sampleRateHz);
    frame = Math.max(8, (int) Math.round(SHORT_SECONDS * sampleRateHz));
    frames = new Blocks(frame, this::frame);
    firstAveraged = new FirstMinutes(rate, averaged::add);
    firstFine = new FirstMinutes(rate, this::fine);
    firstMoments = new FirstMinutes(rate, this::moments);
  }

  /** All channels of a source, from where it stands to its end. */
  public static List<List<Alteration>> measure(SampleSource source, Progress progress) {
    List<AlterationMeter> meters =
        IntStream.range(0, source.channels())
            .mapToObj(c -> new AlterationMeter(source.sampleRateHz()))
            .toList();
    double[][] block = new double[source.channels()][BLOCK];
    long read = 0;
    for (int length = source.read(block); length >= 0; length = source.read(block)) {
      hear(meters, block, length);
      read += length;
      progress.step(read, Long.MAX_VALUE);
    }
    return meters.stream().map(AlterationMeter::found).toList();
  }

  private static void hear(List<AlterationMeter> meters, double[][] block, int length) {
    IntStream.range(0, meters.size())
        .boxed()
        .flatMap(c ->
            meters.get(c).hearers().stream()
                .map(hearer -> (Runnable) () -> hearer.add(block[c], length)))
        .toList()
        .parallelStream()
        .forEach(Runnable::run);
  }

  /** A source whose first channels are heard while somebody else reads it. */
  public static SampleSource beside(SampleSource source, List<? extends Hearer> hearers) {
    return new SampleSource() {
      @Override
      public double sampleRateHz() {
        return source.sampleRateHz();
      }

      @Override
      public int channels() {
        return source.channels();
      }

      @Override
      public double largestAmplitude() {
        return source.largestAmplitude();
      }

      @Override
      public int read(double[][] block) {
        int length = source.read(block);
        for (int c = 0; c < hearers.size(); c++) {
          if (length < 0) {
            hearers.get(c).end();
          } else {
            hearers.get(c).add(block[c], length);
          }
        }
        return length;
      }
    };
  }

  @Override
  public void add(double[] block, int length) {
    hearers().forEach(part -> part.add(block, length));
  }

  /** Those that together hear what {@link #add} does; each may have a thread of its own. */
  public List<Hearer> hearers() {
    return List.of(this::addSpectra, this::addFine, this::addMoments);
  }

  private void addSpectra(double[] block, int length) {
    spectra.add(block, length);
    firstAveraged.add(block, length);
  }

  private void addFine(double[] block, int length) {
    firstFine.add(block, length);
    samples += length;
  }

  private void fine(double[] block, int length) {
    fine.add(block, length);
    grid.add(block, length); // reads the fine bands
  }

  private void addMoments(double[] block, int length) {
    firstMoments.add(block, length);
    frames.add(block, length);
  }

  private void moments(double[] block, int length) {
    spread.add(block, length);
    before.add(block, length);
  }

  private void frame(double[] inside) {
    double peak = Sums.peak(inside, 0, frame);
    largest = Math.max(largest, peak);
    levels.add(
        Decibels.ofEnergy(2 * Sums.ofSquares(inside, 0, frame) / frame + SILENT * SILENT),
        Decibels.ofAmplitude(peak + SILENT),
        peak > NEAR_TOP * largest ? flat(inside, peak) : 0);
  }

  /** The longest run of samples as large as the frame's largest. */
  private static int flat(double[] inside, double peak) {
    int longest = 0;
    int run = 0;
    for (double x : inside) {
      run = Math.abs(x) >= SAME * peak ? run + 1 : 0;
      longest = Math.max(longest, run);
    }
    return longest;
  }

  /** Levels of the octaves from 250 Hz to 8 kHz, a full-scale sine 0 dB, row by row. */
  public Frames octaves() {
    return spectra.octaveLevels();
  }

  /** Length of a row of {@link #octaves}. */
  public double octaveSeconds() {
    return spectra.secondsPerBlock();
  }

  private double seconds() {
    return samples / rate;
  }

  /** What speaks for what. */
  public List<Alteration> found() {
    List<Alteration> all = new ArrayList<>();
    if (spectra.blocks() < 8) {
      return all;
    }
    CompletableFuture<LevelsBetween.Seen> lines = supplyAsync(spectra::linesBetween);
    CompletableFuture<double[]> beside =
        lines.thenApplyAsync(seen -> Trace.all(spectra, seen, fine, before));
    double holes = spectra.holeShare();
    Optional<Alteration> edge = spectra.end(fine.stepsDb()).told(seconds());
    boolean coarse = isCoarse();
    Pauses pauses = Pauses.of(fine);
    Ebbs ebbs = Ebbs.of(fine, pauses);
    // a coder empties the highs
    boolean emptied = edge.isPresent() || holes > HOLED || coarse || ebbs.any();
    Optional<Alteration> under = emptied ? Optional.empty() : UnderNoise.of(fine, pauses);
    Optional<String> gaps = gaps();
    boolean leaves = under.isEmpty() && gaps.isEmpty();
    Optional<Alteration> shut = gate(pauses, leaves);
    boolean unshut = shut.isEmpty();
    boolean binByBin = unshut && edge.isEmpty(); // a coder does so, too, under an edge
    LevelsBetween.Seen between = lines.join();
    Islands islands =
        new Islands(spectra, between, onSteps() ? Optional.empty() : spectra.quiet(), grid);
    double[] traces = beside.join();
    boolean likely = !ReductionOdds.speakAgainst(traces);
    Optional<Alteration> reduced =
        unshut ? reduction(islands, gaps, binByBin && likely) : Optional.empty();
    List<Alteration> opens = shut.map(List::of).orElseGet(() -> NoiseWithSound.of(fine, pauses));
    Optional<Alteration> moved = spread.told();
    // what opens and shuts would be taken for it
    Optional<Alteration> gain =
        moved.isEmpty() && opens.isEmpty() && !coarse && !ebbs.any()
            ? under.or(() -> gain(pauses, edge.isPresent()))
            : Optional.empty();
    boolean doubt = spectra.tails().isSong() || moved.isPresent() || gain.isPresent();
    List<Alteration> coded =
        coder(islands, holes, edge.isPresent(), unshut, ReductionOdds.areBeyondDoubt(traces));
    boolean asked = reduced.isEmpty() && opens.isEmpty() && hasPauses();
    Optional<String> shuts =
        asked && !ebbs.turn() && likely
            ? shuts(between, unshut && holes <= HOLED, edge.isPresent())
            : Optional.empty();
    List<Alteration> traced =
        shuts
            .map(e -> Alteration.either(NOISE_REDUCTION, GATE, e, 0, seconds()))
            .orElseGet(() -> asked && coded.isEmpty() ? weighed(traces, doubt, pauses) : List.of());
    // a reduction lets noise come with sound, too
    all.addAll(moved.map(List::of).orElse(reduced.isPresent() ? List.of() : opens));
    gain.ifPresent(all::add);
    reduced.ifPresent(all::add);
    all.addAll(bent(leaves && shuts.isEmpty() && all.isEmpty()));
    all.addAll(traced);
    Ceiling.of(levels, frame / rate, fine.step()).ifPresent(all::add);
    edge.ifPresent(all::add);
    if (reduced.isEmpty() && traced.isEmpty()) {
      all.addAll(coded);
    }
    return all;
  }

  private List<Alteration> weighed(double[] traces, boolean doubt, Pauses pauses) {
    return ReductionOdds.told(traces, doubt)
        .filter(evidence -> !Beats.in(fine, pauses)) // whose lines come and go by themselves
        .map(evidence -> throughout(NOISE_REDUCTION, evidence))
        .stream()
        .toList();
  }

  /**
   * What speaks for a gate.
   *
   * @param leaves whether noise may be one that it left: it is no lower than beside sounds, and has
   *     no gaps
   */
  private Optional<Alteration> gate(Pauses pauses, boolean leaves) {
    Optional<Alteration> gate =
        Gate.of(levels, frame / rate, fine).or(() -> Flutter.of(fine, pauses));
    return leaves
        ? gate.or(() -> FallsAlike.of(fine))
            .or(() -> NoiseStops.of(fine))
            .or(() -> QuickEnds.of(fine))
        : gate;
  }

  /** What speaks for a gate where nothing else does. */
  private List<Alteration> bent(boolean asked) {
    return asked ? BentEnds.of(fine).stream().toList() : List.of();
  }

  private Optional<Alteration> gain(Pauses pauses, boolean edged) {
    Optional<Alteration> rises =
        onSteps() // what dies away ends among them
            ? Optional.empty()
            : AutomaticGain.of(
                spectra.octaveLevels(), spectra.secondsPerBlock(), fine.isColoured());
    return rises
        .or(() -> RisingTogether.of(fine))
        .or(() -> LongRecovery.of(fine, pauses))
        .or(() ->
            HeldDown.of(
                spectra.octaveLevels(),
                spectra.asideLevels(),
                spectra.secondsPerBlock(),
                edged ? 1 : SpectraSeen.ASIDE));
  }

  /** Whether the softest moments are no louder than the steps in which the file was written. */
  private boolean onSteps() {
    return fine.onSteps(spectra.quietestDb());
  }

  /**
   * What shows at the ends and the beginnings of sounds.
   *
   * @param between the lines between noise and sound
   * @param byBlocks whether neither a gate nor holes explain noise before them
   * @param edged a coder, which lets noise through before sounds, but does not end them
   */
  private Optional<String> shuts(LevelsBetween.Seen between, boolean byBlocks, boolean edged) {
    QuickTails tails = QuickTails.of(fine);
    TailTexture texture = spectra.tails();
    boolean comb = texture.isComb(); // lines that end as a formula lets them
    return tails
        .told()
        .filter(evidence -> !comb)
        .or(() -> byBlocks && !edged ? before.told() : Optional.empty())
        .or(() ->
            byBlocks && tails.hardlySlower()
                ? before.mostlyRises(
                    RISES_AT_QUICK_ENDS,
                    "before %d sounds that begin at once the noise rises by %.0f dB, and near it sounds end as fast as over it: each may be by itself, both are not")
                : Optional.empty())
        .or(() ->
            byBlocks && !edged && fine.isColoured() && !comb && !texture.oftenFallsPlainly()
                ? between.told(texture.mayStandAlone())
                : Optional.empty());
  }

  private Optional<Alteration> reduction(Islands islands, Optional<String> gaps, boolean binByBin) {
    Optional<Alteration> byIslands =
        binByBin && hasPauses()
            ? islands.ofReduction().map(evidence -> byIslands(islands, evidence))
            : Optional.empty();
    return byIslands.or(() -> gaps.map(evidence -> throughout(NOISE_REDUCTION, evidence)));
  }

  /** Islands under an edge, where no frames show whose they are. */
  private List<Alteration> underEdge(Islands islands) {
    return islands
        .ofReduction()
        .map(evidence ->
            islands.areOfFrames()
                ? List.of(throughout(LOSSY, evidence))
                : Alteration.either(LOSSY, NOISE_REDUCTION, evidence, 0, seconds()))
        .orElse(List.of());
  }

  /** Whether so few bits were left to it that its quietest moments lie among its steps. */
  private boolean isCoarse() {
    return fine.stepsDb() > COARSE_DB && spectra.quietestDb() < fine.stepsDb() + OVER_COARSE_DB;
  }

  private boolean hasPauses() {
    return spectra.rangeDb() >= PAUSE_DB;
  }

  private Alteration byIslands(Islands islands, String evidence) {
    return throughout(islands.areOfCoder() ? LOSSY : NOISE_REDUCTION, evidence);
  }

  private Optional<String> gaps() {
    return onSteps() || !hasPauses() ? Optional.empty() : averaged.told();
  }

  /**
   * Cannot see coders that fill their holes with noise.
   *
   * @param edged under an edge, which may be its own
   * @param unshut whether no gate explains what is moved
   * @param reduced whether traces show a reduction, weighed together, as no coder leaves them
   */
  private List<Alteration> coder(
      Islands islands, double holes, boolean edged, boolean unshut, boolean reduced) {
    if (holes > HOLED) {
      return List.of(
          throughout(
              LOSSY,
              Figures.say(
                  "narrow holes in the spectrum over 4 kHz, %.1f in a thousand, each 18 dB and more under what is beside it",
                  1000 * holes)));
    }
    if (!hasPauses()) {
      return List.of();
    }
    boolean wide = unshut && !edged && islands.areWide();
    return islands
        .ofCoder(edged)
        .map(e ->
            reduced && !edged && !islands.areOfFrames()
                ? Alteration.either(LOSSY, NOISE_REDUCTION, e, 0, seconds())
                : List.of(throughout(wide ? NOISE_REDUCTION : LOSSY, e)))
        .orElseGet(() -> unshut && edged ? underEdge(islands) : List.of());
  }

  private Alteration throughout(Alteration.Kind kind, String evidence) {
    return new Alteration(kind, evidence, 0, seconds());
  }
}
