package nullroom.core.measure.meter;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import nullroom.core.Decibels;
import nullroom.core.measure.ClipCounter;
import nullroom.core.measure.FastLevel;
import nullroom.core.measure.noise.SecondLevels;
import nullroom.core.signal.Band;
import nullroom.core.signal.FilterBank;
import nullroom.core.signal.Weighting;

/**
 * The meter behind a live display: FAST levels A, C, Z (IEC 61672-1) and of third octaves, peak
 * with hold, clipping, digital silence. One thread adds; what it publishes may be read from any.
 */
public final class LiveMeter {
  /** A peak is shown this long. */
  public static final double HOLD_SECONDS = 3;

  /** Zeros for this long are no quiet room but a muted input. */
  private static final double SILENT_SECONDS = 1;

  /** Under this only rounding is left. */
  private static final double LEAST_MEAN_SQUARE = 1e-20;

  private final double sampleRateHz;
  private final Weighting.Filter aFilter;
  private final Weighting.Filter cFilter;
  private final FastLevel a;
  private final FastLevel c;
  private final FastLevel z;
  private final FilterBank bank;
  private final List<FastLevel> thirds = new ArrayList<>();
  private final ClipCounter clips;
  private final LevelTrace trace = new LevelTrace();
  private double[] weighted = new double[0];
  private long samples;
  private long zeros;
  private double held;
  private long heldUntil;
  private double largest;

  /** A meter for one channel. */
  public LiveMeter(double sampleRateHz, double largestAmplitude) {
    this.sampleRateHz = sampleRateHz;
    aFilter = Weighting.A.filter(sampleRateHz);
    cFilter = Weighting.C.filter(sampleRateHz);
    a = new FastLevel(sampleRateHz);
    c = new FastLevel(sampleRateHz);
    z = new FastLevel(sampleRateHz);
    bank = new FilterBank(Band.THIRDS, sampleRateHz);
    for (int i = 0; i < bank.bands().size(); i++) {
      thirds.add(new FastLevel(bank.rateHz(i)));
    }
    clips = new ClipCounter(largestAmplitude);
  }

  /** The A-level of the last minute; may be read from any thread. */
  public LevelTrace trace() {
    return trace;
  }

  /** Takes the next samples; {@code block} is not modified. */
  public void add(double[] block, int count) {
    if (weighted.length < count) {
      weighted = new double[count];
    }
    aFilter.filter(block, weighted, count);
    a.add(weighted, count);
    cFilter.filter(block, weighted, count);
    c.add(weighted, count);
    z.add(block, count);
    bank.add(block, count, (band, filtered, length) -> thirds.get(band).add(filtered, length));
    clips.add(block, count);
    peak(block, count);
    samples += count;
    trace.until(samples / sampleRateHz, level(a.meanSquare()).orElse(SecondLevels.NOTHING_DBFS));
  }

  private void peak(double[] block, int count) {
    double top = 0;
    for (int i = 0; i < count; i++) {
      double size = Math.abs(block[i]);
      top = Math.max(top, size);
      zeros = size == 0 ? zeros + 1 : 0;
    }
    largest = Math.max(largest, top);
    if (top >= held || samples > heldUntil) {
      held = top;
      heldUntil = samples + (long) (HOLD_SECONDS * sampleRateHz);
    }
  }

  /** What is shown now; call from the thread that adds. */
  public LiveReading reading() {
    return new LiveReading(
        samples / sampleRateHz,
        level(a.meanSquare()),
        level(c.meanSquare()),
        level(z.meanSquare()),
        peak(held),
        peak(largest),
        clips.samples(),
        zeros >= SILENT_SECONDS * sampleRateHz,
        thirds.stream().map(t -> level(t.meanSquare())).toList());
  }

  private static OptionalDouble level(double meanSquare) {
    return meanSquare > LEAST_MEAN_SQUARE
        ? OptionalDouble.of(Decibels.dbfs(meanSquare))
        : OptionalDouble.empty();
  }

  private static OptionalDouble peak(double amplitude) {
    return amplitude > 0
        ? OptionalDouble.of(Decibels.ofAmplitude(amplitude))
        : OptionalDouble.empty();
  }
}
