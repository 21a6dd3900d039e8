package nullroom.core.measure.clip;

import java.util.List;
import java.util.stream.IntStream;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.measure.altered.AlterationMeter;
import nullroom.core.measure.altered.Hearer;
import nullroom.core.signal.SampleSource;

/**
 * What was done to one channel of a sound, whatever is measured of it: what its course speaks for,
 * and how claps die away in its first two minutes.
 */
public final class AlteredSound implements Hearer {
  private final AlterationMeter meter;
  private final ClapsHeard claps;

  /** Of a channel that declares a sampling rate. */
  public AlteredSound(double sampleRateHz) {
    meter = new AlterationMeter(sampleRateHz);
    claps = new ClapsHeard(sampleRateHz);
  }

  /** Of all channels of a source, to be heard while somebody else reads it. */
  public static List<AlteredSound> of(SampleSource source) {
    return IntStream.range(0, source.channels())
        .mapToObj(c -> new AlteredSound(source.sampleRateHz()))
        .toList();
  }

  @Override
  public void add(double[] block, int length) {
    meter.add(block, length);
    claps.add(block, length);
  }

  @Override
  public void end() {
    claps.end();
  }

  /** What speaks for what. */
  public List<Alteration> found() {
    return claps.with(meter.found());
  }
}
