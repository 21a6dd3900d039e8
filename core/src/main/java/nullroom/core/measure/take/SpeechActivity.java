package nullroom.core.measure.take;

import java.util.Optional;
import nullroom.core.signal.Sums;

/**
 * When somebody speaks, by ITU-T P.56, method B.
 *
 * @param levelDbfs active speech level, a full-scale sine 0 dBFS
 * @param percent share of the time that is active
 * @param active of each step whether it is
 * @param stepSamples length of a step
 */
@SuppressWarnings("ArrayRecordComponent") // never compared
public record SpeechActivity(double levelDbfs, double percent, boolean[] active, int stepSamples) {
  private static final double STEP_SECONDS = 0.02;

  /** Of one channel; empty where nobody speaks. */
  public static Optional<SpeechActivity> of(double[] x, double rate) {
    int step = Math.max(8, (int) (STEP_SECONDS * rate));
    ActiveSpeech meter = new ActiveSpeech(rate);
    int[] steps = new int[x.length / step + 1];
    double[] block = new double[step];
    for (int k = 0; k < steps.length; k++) {
      int length = Math.min(step, x.length - k * step);
      System.arraycopy(x, k * step, block, 0, length);
      steps[k] = meter.add(block, length, Sums.ofSquares(block, 0, length));
    }
    return meter
        .result()
        .map(r -> {
          boolean[] active = new boolean[steps.length];
          for (int k = 0; k < active.length; k++) {
            active[k] = steps[k] >= r.step();
          }
          return new SpeechActivity(r.levelDbfs(), 100 * r.activity(), active, step);
        });
  }
}
