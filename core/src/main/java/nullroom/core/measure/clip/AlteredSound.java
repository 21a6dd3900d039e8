package nullroom.core.measure.clip;

import java.util.List;
import java.util.stream.IntStream;
import nullroom.core.Progress;
import nullroom.core.measure.Frames;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.measure.altered.AlterationMeter;
import nullroom.core.measure.altered.Hearer;
import nullroom.core.measure.decay.AlteredDecay;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.Samples;

/**
 * What was done to one channel of a sound, whatever is measured of it: what its course speaks for,
 * and how claps die away in its first two minutes.
 */
public final class AlteredSound implements Hearer {
  private static final double CLAPS_SECONDS = 120;

  private final double rate;
  private final AlterationMeter meter;
  private final Frames kept = new Frames(1);

  /** Of a channel that declares a sampling rate. */
  public AlteredSound(double sampleRateHz) {
    rate = sampleRateHz;
    meter = new AlterationMeter(sampleRateHz);
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
    double wanted = CLAPS_SECONDS * rate - kept.count();
    for (int k = 0; k < Math.min(length, wanted); k++) {
      kept.add(block[k]);
    }
  }

  /** What speaks for what. */
  public List<Alteration> found() {
    List<Alteration> found = meter.found();
    if (found.stream().anyMatch(Alteration::movesTheFloor) || kept.count() < rate) {
      return found;
    }
    Samples sound = new Samples(kept.column(0), rate);
    return Clip.claps(sound, new ClipSorter(sound).parts())
        .flatMap(claps ->
            Clip.decay(claps, List.of(), Progress.NONE)
                .map(decay -> AlteredDecay.with(found, decay, claps, sound)))
        .orElse(found);
  }
}
