package nullroom.core.measure.decay;

import java.util.Arrays;
import nullroom.core.signal.Fft;

/** Energy of a stretch in a band, by Parseval. */
final class BandEnergy {
  private BandEnergy() {}

  static double between(double[] x, double rateHz, double lowHz, double highHz) {
    Fft fft = new Fft(Fft.sizeFor(x.length));
    double[] block = Arrays.copyOf(x, fft.size());
    fft.forward(block);
    double[] bins = new double[fft.size() / 2 + 1];
    fft.addEnergy(block, bins);
    double sum = 0;
    int to = (int) Math.min(bins.length - 1.0, highHz / rateHz * fft.size());
    for (int k = (int) Math.ceil(lowHz / rateHz * fft.size()); k <= to; k++) {
      sum += bins[k];
    }
    return sum;
  }
}
