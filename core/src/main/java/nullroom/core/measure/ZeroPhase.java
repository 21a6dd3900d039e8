package nullroom.core.measure;

import java.util.Arrays;
import nullroom.core.signal.Band;
import nullroom.core.signal.Fft;

/** A take's spectrum, from which any band comes without a shift in time. */
final class ZeroPhase {
  /** Free room behind the take, so that what rings over its end does not come in at its start. */
  private static final double ROOM_SECONDS = 0.2;

  private final Fft fft;
  private final double[] spectrum;
  private final int length;
  private final double rate;

  ZeroPhase(double[] take, double rate) {
    this.rate = rate;
    length = take.length;
    fft = new Fft(Fft.sizeFor(length + (long) (ROOM_SECONDS * rate)));
    spectrum = Arrays.copyOf(take, fft.size());
    fft.forward(spectrum);
  }

  /** The take through a band's response of that order. */
  double[] through(Band shape, int order) {
    double[] block = new double[fft.size()];
    for (int k = 1; k < fft.size() / 2; k++) {
      double power = shape.powerResponse(k * rate / fft.size(), order);
      if (power > 1e-16) {
        double gain = Math.sqrt(power);
        block[2 * k] = gain * spectrum[2 * k];
        block[2 * k + 1] = gain * spectrum[2 * k + 1];
      }
    }
    fft.inverse(block);
    return Arrays.copyOf(block, length);
  }
}
