package nullroom.core.measure.take;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Stream;
import nullroom.core.Decibels;
import nullroom.core.measure.ClipCounter;
import nullroom.core.measure.Moment;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.measure.altered.AlterationMeter;
import nullroom.core.measure.altered.Hearer;
import nullroom.core.measure.noise.NoiseMeter;
import nullroom.core.signal.Biquads;
import nullroom.core.signal.Butterworth;
import nullroom.core.signal.Sums;
import nullroom.core.signal.TruePeak;
import nullroom.core.signal.Weighting;

/** Measures one channel of a take block by block; each hearer on one thread at a time. */
final class TakeChannelMeter {
  /** What lies under any voice. */
  private static final double RUMBLE_HZ = 55;

  /** Rumble is sought in the means of so many samples: at 8 kHz still a thousand a second. */
  private static final int GROUP = 8;

  private final double rate;
  private final ClipCounter clips;
  private final FlatTops flatTops = new FlatTops();
  private final Dropouts dropouts;
  private final LinkGaps links;
  private final AlterationMeter altered;
  private final TruePeak truePeak = new TruePeak();
  private final ActiveSpeech speech;
  private final Weighting.Filter aWeighting;
  private final Biquads rumbleFilter;
  private final QuietSpectrum quiet;
  private final LoudnessMeter loudness;
  private final TakeFrames frames = new TakeFrames();
  private final double[] step;
  private final double[] weighted;
  private final double[] rumble;
  private double peak;
  private double sum;
  private double squares;
  private long count;
  private long steps;
  private int filled;
  private double frameSquares;
  private double frameWeighted;
  private double frameRumble;
  private int frameStep;
  private int frameSamples;

  TakeChannelMeter(double sampleRateHz, double largestAmplitude) {
    rate = sampleRateHz;
    clips = new ClipCounter(largestAmplitude);
    dropouts = new Dropouts(sampleRateHz);
    links = new LinkGaps(sampleRateHz);
    altered = new AlterationMeter(sampleRateHz);
    speech = new ActiveSpeech(sampleRateHz);
    aWeighting = Weighting.A.filter(sampleRateHz);
    rumbleFilter = Butterworth.lowPass(4, RUMBLE_HZ, sampleRateHz / GROUP);
    quiet = new QuietSpectrum(sampleRateHz);
    loudness = LoudnessMeter.ofOne(sampleRateHz);
    step = new double[(int) Math.ceil(sampleRateHz / LoudnessMeter.STEPS_PER_SECOND) + 1];
    weighted = new double[step.length];
    rumble = new double[step.length / GROUP];
  }

  /** Those that are to hear the channel; each may have a thread of its own. */
  List<Hearer> hearers() {
    return Stream.concat(Stream.of(this::add), altered.hearers().stream()).toList();
  }

  /**
   * Takes the next samples; they are looked at in steps of 10 ms, which the fastest memory holds.
   */
  private void add(double[] block, int length) {
    int taken = 0;
    while (taken < length) {
      int size = (int) (Math.round((steps + 1) * rate / LoudnessMeter.STEPS_PER_SECOND) - count);
      int n = Math.min(length - taken, size - filled);
      System.arraycopy(block, taken, step, filled, n);
      taken += n;
      filled += n;
      if (filled == size) {
        look();
        steps++;
        filled = 0;
        if (steps % TakeFrames.STEPS == 0) {
          endFrame();
        }
      }
    }
  }

  /** Looks at what the step holds. */
  private void look() {
    int n = filled;
    double top = Sums.peak(step, 0, n);
    peak = Math.max(peak, top);
    clips.add(step, n, top);
    flatTops.add(step, n, top);
    dropouts.add(step, n, top);
    links.add(step, n);
    truePeak.add(step, n, top);
    quiet.add(step, n);
    loudness.add(new double[][] {step}, n);
    sum += Sums.of(step, 0, n);
    aWeighting.filter(step, weighted, n);
    int groups = n / GROUP;
    for (int k = 0; k < groups; k++) {
      rumble[k] = Sums.of(step, k * GROUP, GROUP) / GROUP;
    }
    rumbleFilter.filter(rumble, rumble, groups);
    double energy = Sums.ofSquares(step, 0, n);
    frameStep = Math.max(frameStep, speech.add(step, n, energy));
    squares += energy;
    frameSquares += energy;
    frameWeighted += Sums.ofSquares(weighted, 0, n);
    frameRumble += groups == 0 ? 0 : Sums.ofSquares(rumble, 0, groups) / groups;
    frameSamples += n;
    count += n;
  }

  private void endFrame() {
    frames.add(
        frameSquares / frameSamples,
        frameWeighted / frameSamples,
        frameRumble / TakeFrames.STEPS,
        frameStep);
    frameSquares = 0;
    frameWeighted = 0;
    frameRumble = 0;
    frameStep = 0;
    frameSamples = 0;
  }

  /** Looks at what is left after the last whole step. */
  void end() {
    if (filled > 0) {
      look();
      filled = 0;
    }
  }

  LoudnessMeter loudness() {
    return loudness;
  }

  private static boolean near(Moment a, Moment b) {
    return a.startSeconds() < b.startSeconds() + b.durationSeconds() + 0.01
        && b.startSeconds() < a.startSeconds() + a.durationSeconds() + 0.01;
  }

  private List<Fault> faults(double voiceDbfs) {
    List<Moment> gaps = // what stands at one value is told as a drop-out
        links.found().stream()
            .filter(g -> dropouts.found().stream().noneMatch(d -> near(d, g)))
            .toList();
    return Faults.of(frames.thumps(voiceDbfs), gaps, altered.octaves(), altered.octaveSeconds());
  }

  TakeChannel result() {
    CompletableFuture<TakeChannel> measured = CompletableFuture.supplyAsync(this::measured);
    List<Alteration> found = altered.found();
    return measured.join().withAltered(found);
  }

  /** All but what was done to it. */
  private TakeChannel measured() {
    Optional<ActiveSpeech.Result> spoken =
        speech.result().filter(r -> count / rate >= NoiseMeter.SHORTEST_SECONDS);
    TakeFrames.Floor floor = frames.floor(spoken.map(ActiveSpeech.Result::step).orElse(0));
    return new TakeChannel(
        count,
        loudness.loudness(),
        peak,
        truePeak.largest(),
        squares / Math.max(1, count),
        sum / Math.max(1, count),
        clips.samples(),
        clips.runs(),
        clips.moments(rate),
        flatTops.count(),
        spoken.isPresent() ? OptionalDouble.of(spoken.get().levelDbfs()) : OptionalDouble.empty(),
        spoken.isPresent()
            ? OptionalDouble.of(100 * spoken.get().activity())
            : OptionalDouble.empty(),
        floor.dbfs(),
        floor.dbfsA(),
        floor.fromPauses(),
        quiet.mains(),
        floor.fromPauses()
            && floor.dbfs().isPresent()
            && quiet.music(Decibels.meanSquareOfDbfs(floor.dbfs().getAsDouble())),
        spoken.isPresent() ? faults(spoken.get().levelDbfs()) : List.of(),
        dropouts.found(),
        List.of(),
        frames.energies());
  }
}
