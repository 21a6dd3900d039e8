package nullroom.core.measure.clip;

import java.util.List;
import nullroom.core.Progress;
import nullroom.core.measure.Frames;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.measure.altered.Hearer;
import nullroom.core.measure.decay.AlteredDecay;
import nullroom.core.signal.Samples;

/** How the claps of a sound's first two minutes die away, while somebody else reads it. */
final class ClapsHeard implements Hearer {
  private static final double CLAPS_SECONDS = 120;

  private final double rate;
  private final Frames kept = new Frames(1);

  ClapsHeard(double sampleRateHz) {
    rate = sampleRateHz;
  }

  @Override
  public void add(double[] block, int length) {
    double wanted = CLAPS_SECONDS * rate - kept.count();
    for (int k = 0; k < Math.min(length, wanted); k++) {
      kept.add(block[k]);
    }
  }

  /**
   * What was found in a sound, and before it what its claps speak for.
   *
   * @param found of the whole sound
   */
  List<Alteration> with(List<Alteration> found) {
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
