package nullroom.core.measure.clip;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import nullroom.core.Progress;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.measure.altered.Hearer;
import nullroom.core.measure.decay.DecayReport;
import nullroom.core.signal.Samples;

/** How the claps of a sound's first two minutes die away, while somebody else reads it. */
final class ClapsHeard implements Hearer {
  private static final double CLAPS_SECONDS = 120;

  private final double rate;
  private final int wanted;
  private float[] kept = new float[1 << 16]; // a take may have many channels
  private int count;
  private Optional<CompletableFuture<Optional<Evaluated>>> begun = Optional.empty();

  private record Evaluated(Samples sound, List<ClipPart> parts, Samples claps, DecayReport decay) {}

  ClapsHeard(double sampleRateHz) {
    rate = sampleRateHz;
    wanted = (int) (CLAPS_SECONDS * sampleRateHz);
  }

  @Override
  public void add(double[] block, int length) {
    int more = Math.min(length, wanted - count);
    if (count + more > kept.length) {
      kept = Arrays.copyOf(kept, Math.max(count + more, Math.min(wanted, 2 * kept.length)));
    }
    for (int k = 0; k < more; k++) {
      kept[count + k] = (float) block[k];
    }
    count += more;
  }

  /**
   * What was found in a sound, and before it what its claps speak for.
   *
   * @param found of the whole sound
   */
  List<Alteration> with(List<Alteration> found) {
    if (found.stream().anyMatch(Alteration::movesTheFloor)) {
      return found;
    }
    return begun
        .map(CompletableFuture::join)
        .orElseGet(this::evaluate)
        .map(e -> Clip.altered(found, e.decay, e.claps, e.parts, e.sound))
        .orElse(found);
  }

  /** Evaluates the claps on another thread, while others look at the rest of the sound. */
  @Override
  public void end() {
    begun = begun.or(() -> Optional.of(CompletableFuture.supplyAsync(this::evaluate)));
  }

  private Optional<Evaluated> evaluate() {
    if (count < rate) {
      return Optional.empty();
    }
    double[] samples = new double[count];
    Arrays.setAll(samples, k -> kept[k]);
    Samples sound = new Samples(samples, rate);
    List<ClipPart> parts = new ClipSorter(sound).parts();
    return Clip.claps(sound, parts)
        .flatMap(claps ->
            Clip.decay(claps, List.of(), Progress.NONE)
                .map(decay -> new Evaluated(sound, parts, claps, decay)));
  }
}
