package nullroom.core.measure;

import java.util.Optional;
import java.util.OptionalDouble;
import nullroom.core.signal.Biquads;
import nullroom.core.signal.Butterworth;
import nullroom.core.signal.Sums;
import nullroom.core.signal.TruePeak;
import nullroom.core.signal.Weighting;

/** Measures one channel of a take block by block; one thread at a time. */
final class TakeChannelMeter {
  /** What lies under any voice. */
  private static final double RUMBLE_HZ = 55;

  private final double rate;
  private final ClipCounter clips;
  private final FlatTops flatTops = new FlatTops();
  private final Dropouts dropouts;
  private final TruePeak truePeak = new TruePeak();
  private final ActiveSpeech speech;
  private final Weighting.Filter aWeighting;
  private final Biquads rumbleFilter;
  private final QuietSpectrum quiet;
  private final LoudnessMeter loudness;
  private final TakeFrames frames = new TakeFrames();
  private double[] weighted = new double[0];
  private double[] rumble = new double[0];
  private double peak;
  private double sum;
  private double squares;
  private long count;
  private long frame;
  private double frameSquares;
  private double frameWeighted;
  private double frameRumble;
  private int frameStep;
  private int frameSamples;

  TakeChannelMeter(double sampleRateHz, double largestAmplitude) {
    rate = sampleRateHz;
    clips = new ClipCounter(largestAmplitude);
    dropouts = new Dropouts(sampleRateHz);
    speech = new ActiveSpeech(sampleRateHz);
    aWeighting = Weighting.A.filter(sampleRateHz);
    rumbleFilter = Butterworth.lowPass(4, RUMBLE_HZ, sampleRateHz);
    quiet = new QuietSpectrum(sampleRateHz);
    loudness = LoudnessMeter.ofOne(sampleRateHz);
  }

  void add(double[] block, int length) {
    if (weighted.length < length) {
      weighted = new double[length];
      rumble = new double[length];
    }
    clips.add(block, length);
    flatTops.add(block, length);
    dropouts.add(block, length);
    truePeak.add(block, length);
    quiet.add(block, length);
    loudness.add(new double[][] {block}, length);
    peak = Math.max(peak, Sums.peak(block, 0, length));
    sum += Sums.of(block, 0, length);
    aWeighting.filter(block, weighted, length);
    rumbleFilter.filter(block, rumble, length);
    int from = 0;
    while (from < length) {
      long end = Math.round((frame + 1) * rate * TakeFrames.SECONDS);
      int to = (int) Math.min(length, from + end - count);
      frameStep = Math.max(frameStep, speech.add(block, from, to));
      double energy = Sums.ofSquares(block, from, to - from);
      frameSquares += energy;
      squares += energy;
      frameWeighted += Sums.ofSquares(weighted, from, to - from);
      frameRumble += Sums.ofSquares(rumble, from, to - from);
      frameSamples += to - from;
      count += to - from;
      from = to;
      if (count == end) {
        frames.add(
            frameSquares / frameSamples,
            frameWeighted / frameSamples,
            frameRumble / frameSamples,
            frameStep);
        frame++;
        frameSquares = 0;
        frameWeighted = 0;
        frameRumble = 0;
        frameStep = 0;
        frameSamples = 0;
      }
    }
  }

  LoudnessMeter loudness() {
    return loudness;
  }

  TakeChannel result() {
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
        spoken.isPresent() ? frames.thumps(spoken.get().levelDbfs()) : java.util.List.of(),
        dropouts.found(),
        frames.energies());
  }
}
