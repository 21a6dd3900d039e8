package nullroom.core.measure.altered;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.Progress;
import nullroom.core.measure.Frames;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.Sums;

/**
 * Looks for what was done to one channel of a sound after the microphone. Each test asks for
 * evidence that untouched sound does not give; what each cannot see is said beside it. Samples in,
 * findings out; not thread-safe.
 */
public final class AlterationMeter {
  private static final int BLOCK = 1 << 15;
  private static final double SHORT_SECONDS = 0.005;
  private static final double SILENT = 1e-9;
  private static final double SAME = 1 - 1e-5;

  /** Only what comes so near to the largest so far can be at the ceiling. */
  private static final double NEAR_TOP = 0.96;

  /** So far under the loudest there are pauses. */
  private static final double PAUSE_DB = 20;

  /**
   * Over an edge, and over one a quarter wide, as of a converter of few taps. Untouched sound falls
   * by no more than 25 dB over a quarter of its frequency.
   */
  private static final double EDGE_DB = 28;

  private static final double WIDE_EDGE_DB = 30;
  private static final double LOWEST_EDGE_HZ = 2000;

  /** An edge over this share of half the rate is any converter's own. */
  private static final double HIGHEST_EDGE = 0.78;

  /** What is above concerns no voice. */
  private static final double HIGHEST_EDGE_HZ = 18_500;

  /** Over it good microphones and converters fall as softly. */
  private static final double HIGHEST_WIDE_EDGE_HZ = 12_000;

  private static final double THIRD = Math.pow(2, 1 / 3.0);
  private static final double GAP = 1.04;
  private static final double WIDE_GAP = 1.25;

  /** The edge is named where so much is gone. */
  private static final double FALLEN_DB = 6;

  private static final int AROUND_BINS = 5;
  private static final double HOLED = 0.004;

  private final double rate;
  private final SpectraSeen spectra;
  private final FineBands fine;
  private final List<BeforeSound> before;
  private final AveragedNoise averaged;

  /** Of each 5 ms: mean square in dB, largest amplitude in dB, samples on end that have it. */
  private final Frames levels = new Frames(3);

  private final int frame;
  private double largest;
  private int inFrame;
  private final double[] inside;
  private long samples;

  /** Of a channel that declares a sampling rate. */
  public AlterationMeter(double sampleRateHz) {
    rate = sampleRateHz;
    spectra = new SpectraSeen(sampleRateHz);
    fine = new FineBands(sampleRateHz);
    before = BeforeSound.all(sampleRateHz);
    averaged = new AveragedNoise(sampleRateHz);
    frame = Math.max(8, (int) Math.round(SHORT_SECONDS * sampleRateHz));
    inside = new double[frame];
  }

  /** Meters of all channels of a source, that hear it while somebody else reads it. */
  public static List<AlterationMeter> of(SampleSource source) {
    return IntStream.range(0, source.channels())
        .mapToObj(c -> new AlterationMeter(source.sampleRateHz()))
        .toList();
  }

  /** All channels of a source, from where it stands to its end. */
  public static List<List<Alteration>> measure(SampleSource source, Progress progress) {
    List<AlterationMeter> meters = of(source);
    SampleSource heard = beside(source, meters);
    double[][] block = new double[source.channels()][BLOCK];
    long read = 0;
    for (int length = heard.read(block); length >= 0; length = heard.read(block)) {
      read += length;
      progress.step(read, Long.MAX_VALUE);
    }
    return meters.stream().map(AlterationMeter::found).toList();
  }

  /** A source whose first channels meters hear while somebody else reads it. */
  public static SampleSource beside(SampleSource source, List<AlterationMeter> meters) {
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
        for (int c = 0; length > 0 && c < meters.size(); c++) {
          meters.get(c).add(block[c], length);
        }
        return length;
      }
    };
  }

  /** The next samples. */
  public void add(double[] block, int length) {
    spectra.add(block, length);
    fine.add(block, length);
    before.forEach(b -> b.add(block, length));
    averaged.add(block, length);
    int taken = 0;
    while (taken < length) {
      int n = Math.min(length - taken, frame - inFrame);
      System.arraycopy(block, taken, inside, inFrame, n);
      taken += n;
      inFrame += n;
      if (inFrame == frame) {
        endFrame();
        inFrame = 0;
      }
    }
    samples += length;
  }

  private void endFrame() {
    double peak = Sums.peak(inside, 0, frame);
    largest = Math.max(largest, peak);
    levels.add(
        Decibels.ofEnergy(2 * Sums.ofSquares(inside, 0, frame) / frame + SILENT * SILENT),
        Decibels.ofAmplitude(peak + SILENT),
        peak > NEAR_TOP * largest ? flat(peak) : 0);
  }

  /** The longest run of samples as large as the frame's largest. */
  private int flat(double peak) {
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
    double[] db = spectra.meanDb();
    Optional<Alteration> edge =
        bandLimit(db, WIDE_GAP, WIDE_EDGE_DB).or(() -> bandLimit(db, GAP, EDGE_DB));
    Optional<Alteration> under = // a coder empties the highs
        edge.isPresent() || isHoled() ? Optional.empty() : UnderNoise.of(fine);
    Optional<Alteration> gate = Gate.of(levels, frame / rate);
    if (under.isEmpty()) { // a gate leaves no noise lower than in the pauses
      gate = gate.or(() -> ShutNoise.of(fine)).or(() -> FallsAlike.of(fine));
    }
    gate.ifPresent(all::add);
    if (gate.isEmpty()) { // else what opens and shuts would be taken for it
      under
          .or(() -> AutomaticGain.of(spectra.octaveLevels(), spectra.secondsPerBlock()))
          .or(() -> RisingTogether.of(fine))
          .or(() ->
              HeldDown.of(
                  spectra.octaveLevels(),
                  spectra.asideLevels(),
                  spectra.secondsPerBlock(),
                  edge.isPresent() ? 1 : SpectraSeen.ASIDE))
          .ifPresent(all::add);
    }
    Optional<Alteration> reduced = // a coder leaves islands too, under an edge
        gate.isPresent() || edge.isPresent() ? Optional.empty() : noiseReduction();
    reduced.ifPresent(all::add);
    Ceiling.of(levels, frame / rate).ifPresent(all::add);
    edge.ifPresent(all::add);
    if (reduced.isEmpty()) {
      lossy(edge.isPresent()).ifPresent(all::add);
    }
    return all;
  }

  /** Cannot see a reduction that leaves pauses and tails plain noise, only softer. */
  private Optional<Alteration> noiseReduction() {
    if (spectra.rangeDb() < PAUSE_DB) {
      return Optional.empty();
    }
    return spectra
        .tails()
        .workedOn(spectra.totals())
        .map(t ->
            Figures.say(
                "while sounds die away islands of tones come and go: neighbouring lines of the spectrum follow one another by %.2f and scatter by %.1f dB, where a room has 0.3 and 5.6",
                t.beside(), t.scatterDb()))
        .or(() ->
            spectra
                .quiet()
                .filter(q ->
                    q.isWorkedOn()
                        && !spectra.tails().isCoded(spectra.totals())
                        && (!q.isCoded() || spectra.tails().isEven(spectra.totals())))
                .map(q ->
                    Figures.say(
                        "in the quietest moments islands of tones come and go: neighbouring lines of the spectrum follow one another by %.2f and scatter by %.1f dB, where noise has 0.27 and 5.9",
                        q.beside(), q.scatterDb())))
        .or(averaged::told)
        .or(() ->
            before.stream()
                .map(BeforeSound::told)
                .flatMap(Optional::stream)
                .filter(b -> !isHoled())
                .findFirst())
        .map(evidence -> new Alteration(Alteration.Kind.NOISE_REDUCTION, evidence, 0, seconds()));
  }

  /**
   * Between the softest of the bins under an edge and the loudest over it.
   *
   * @param db mean levels of the bins
   * @param gap from the one to the other
   * @param least fall in decibels
   */
  private Optional<Alteration> bandLimit(double[] db, double gap, double least) {
    double most = 0;
    int edge = 0;
    int from = (int) (LOWEST_EDGE_HZ / spectra.binHz());
    double highest = gap > GAP ? HIGHEST_WIDE_EDGE_HZ : HIGHEST_EDGE_HZ;
    int to = (int) (Math.min(HIGHEST_EDGE * db.length * GAP / gap, highest / spectra.binHz()));
    for (int k = from; k < to; k++) {
      double under = quantile(db, (int) (k / THIRD), k, 0.2);
      double over = quantile(db, (int) (k * gap) + 1, (int) (k * gap * THIRD / GAP), 0.95);
      if (under - over > most) {
        most = under - over;
        edge = k;
      }
    }
    double before = quantile(db, (int) (edge / THIRD), Math.max(1, edge), 0.2);
    boolean empty =
        edge > 0
            && quantile(db, (int) (edge * gap * THIRD / GAP), db.length, 0.95) < before - least;
    double hz = spectra.binHz() * falls(db, edge, before - FALLEN_DB);
    return most > least && empty
        ? Optional.of(
            new Alteration(
                Alteration.Kind.BAND_LIMIT,
                Figures.say(
                    "nothing above %.0f Hz: the spectrum falls by %.0f dB within a third of an octave, at a sampling rate of %.0f Hz",
                    hz, most, rate),
                0,
                seconds()))
        : Optional.empty();
  }

  /** Where a spectrum falls under a level for good. */
  private static int falls(double[] db, int from, double level) {
    int k = from;
    while (k + AROUND_BINS < db.length && Rows.mean(db, k, AROUND_BINS) > level) {
      k++;
    }
    return k + AROUND_BINS / 2;
  }

  private static double quantile(double[] db, int from, int to, double share) {
    double[] part = Arrays.copyOfRange(db, from, Math.clamp(to, from + 1, db.length));
    Arrays.sort(part);
    return part[(int) (share * (part.length - 1))];
  }

  private boolean isHoled() {
    return spectra.holeShare() > HOLED;
  }

  /** Cannot see coders that fill their holes with noise. */
  private Optional<Alteration> lossy(boolean edged) {
    double share = spectra.holeShare();
    Optional<String> holes =
        isHoled()
            ? Optional.of(
                Figures.say(
                    "narrow holes in the spectrum over 4 kHz, %.1f in a thousand, each 18 dB and more under what is beside it",
                    1000 * share))
            : Optional.empty();
    Optional<String> islands =
        spectra.rangeDb() > PAUSE_DB
            ? spectra
                .quiet()
                .filter(q ->
                    q.isCoded()
                        || edged && q.isWorkedOn()
                        || spectra.tails().isCoded(spectra.totals()))
                .map(q ->
                    Figures.say(
                        "islands of tones come and go in the quietest moments%s: neighbouring lines of the highs follow one another by %.2f, in noise by 0.26",
                        edged ? " under the edge of the spectrum" : "", q.high()))
            : Optional.empty();
    return holes
        .or(() -> islands)
        .map(evidence -> new Alteration(Alteration.Kind.LOSSY, evidence, 0, seconds()));
  }
}
