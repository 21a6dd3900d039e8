package nullroom.core.measure.decay;

import java.util.Arrays;
import nullroom.core.signal.Band;
import nullroom.core.signal.Fft;

/** A take's spectrum, from which any band comes without a shift in time. */
final class ZeroPhase {
  /** Free room behind the take, so that what rings over its end does not come in at its start. */
  private static final double ROOM_SECONDS = 0.2;

  /** Beyond so many deviations a Gaussian window is nought. */
  private static final double WINDOW = 5;

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

  /**
   * Squared envelope of what a Gaussian window over frequency lets pass, which rings shorter than
   * any filter of its width.
   *
   * @param deviationHz of the window
   * @param every samples between two values; a power of two
   */
  double[] narrow(double centreHz, double deviationHz, int every) {
    Fft small = new Fft(fft.size() / every);
    double[] real = new double[small.size()];
    double[] imaginary = new double[small.size()];
    double step = rate / fft.size();
    int from = Math.max(1, (int) ((centreHz - WINDOW * deviationHz) / step));
    int to = Math.min(small.size() / 2 - 1, (int) ((centreHz + WINDOW * deviationHz) / step));
    for (int k = from; k <= to; k++) {
      double off = (k * step - centreHz) / deviationHz;
      double gain = Math.exp(-0.5 * off * off) / every;
      real[2 * k] = gain * spectrum[2 * k];
      real[2 * k + 1] = gain * spectrum[2 * k + 1];
      imaginary[2 * k] = real[2 * k + 1]; // a quarter turn back
      imaginary[2 * k + 1] = -real[2 * k];
    }
    small.inverse(real);
    small.inverse(imaginary);
    double[] squared = new double[length / every];
    for (int i = 0; i < squared.length; i++) {
      squared[i] = real[i] * real[i] + imaginary[i] * imaginary[i];
    }
    return squared;
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
