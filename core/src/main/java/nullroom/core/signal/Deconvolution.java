package nullroom.core.signal;

import java.util.Arrays;
import nullroom.core.Decibels;

/**
 * What made one sound of another, by regularised division of their spectra: an impulse response
 * whose time zero lies where the played sound would begin in the recording. What a sweep's
 * distortion made lies before it, at negative times, which are kept at the end of the period.
 */
public final class Deconvolution {
  /** Under the played sound's own spectrum, so that bands it did not play stay quiet. */
  private static final double REGULARISED_DB = -40;

  /** Ever finer; the first is narrower than the peak of the sharpness over the drift. */
  private static final double[] DRIFT_STEPS = {8e-6, 1e-6, 1e-7};

  private final Fft fft;
  private final double[] spectrum;
  private final double rateHz;

  /**
   * Divides.
   *
   * @param played what was played; its spectrum is taken to fall by 3 dB an octave, as a sweep's
   * @param recorded what came back
   */
  public Deconvolution(double[] played, double[] recorded, double rateHz) {
    this.rateHz = rateHz;
    fft = new Fft(Fft.sizeFor((long) played.length + recorded.length));
    double[] x = Arrays.copyOf(played, fft.size());
    spectrum = Arrays.copyOf(recorded, fft.size());
    fft.forward(x);
    fft.forward(spectrum);
    double level = pinkLevel(x);
    double floor = level * Decibels.toEnergy(REGULARISED_DB);
    spectrum[0] = 0;
    spectrum[1] = 0;
    for (int k = 1; k < fft.size() / 2; k++) {
      double re = x[2 * k];
      double im = x[2 * k + 1];
      double power = re * re + im * im;
      // strong bins are divided exactly, weak ones ever less
      double least = floor / k;
      double over = power > 100 * least ? power : power + least * least / Math.max(power, 1e-300);
      double yRe = spectrum[2 * k];
      double yIm = spectrum[2 * k + 1];
      spectrum[2 * k] = (yRe * re + yIm * im) / over;
      spectrum[2 * k + 1] = (yIm * re - yRe * im) / over;
    }
  }

  /** Mean of power times bin number over the middle of the range: constant for a sweep. */
  private double pinkLevel(double[] x) {
    int from = Math.max(1, (int) (300 / binHz()));
    int to = (int) Math.min(fft.size() / 2.0, 5000 / binHz());
    double sum = 0;
    for (int k = from; k < to; k++) {
      sum += (x[2 * k] * x[2 * k] + x[2 * k + 1] * x[2 * k + 1]) * k;
    }
    return sum / Math.max(1, to - from);
  }

  private double binHz() {
    return rateHz / fft.size();
  }

  /** Length of the response, negative times counted. */
  public int size() {
    return fft.size();
  }

  /** The response; sample n - i holds the time of -i samples. */
  public double[] response() {
    double[] response = spectrum.clone();
    fft.inverse(response);
    return response;
  }

  /**
   * Takes out what a clock that runs by {@code parts} faster than the other did to a sweep: each
   * frequency is moved by the time at which a sweep slower by that much reaches it.
   *
   * @param parts a few millionths
   */
  public void removeDrift(double parts, Sweep sweep) {
    turn(spectrum, parts, sweep, binHz());
  }

  /** As {@link #removeDrift} for any packed spectrum with bins that far apart. */
  static void turn(double[] packed, double parts, Sweep sweep, double binHz) {
    double l = sweep.secondsPerE();
    for (int k = 1; k < packed.length / 2; k++) {
      double hz = k * binHz;
      double at = Math.max(hz, sweep.fromHz());
      // the integral, over frequency, of how much later a slower sweep reaches it
      double cycles = l * at * Math.log(at / sweep.fromHz());
      double angle = 2 * Math.PI * parts * cycles;
      double cos = Math.cos(angle);
      double sin = Math.sin(angle);
      double re = packed[2 * k];
      double im = packed[2 * k + 1];
      packed[2 * k] = re * cos - im * sin;
      packed[2 * k + 1] = re * sin + im * cos;
    }
  }

  /**
   * The drift that makes the response sharpest; 0 where none makes it sharper than it is.
   *
   * @param around the response around its direct sound, a power of two samples
   * @param reach the largest drift looked for
   */
  public double drift(double[] around, Sweep sweep, double reach) {
    Fft small = new Fft(around.length);
    double[] packed = around.clone();
    small.forward(packed);
    double none = sharpness(small, packed, 0, sweep);
    double best = 0;
    double most = none;
    double within = reach;
    for (double step : DRIFT_STEPS) {
      double centre = best;
      for (double d = centre - within; d <= centre + within; d += step) {
        double sharp = sharpness(small, packed, d, sweep);
        if (sharp > most) {
          most = sharp;
          best = d;
        }
      }
      within = 1.25 * step;
    }
    return most > none * 1.002 ? best : 0;
  }

  private double sharpness(Fft small, double[] packed, double parts, Sweep sweep) {
    double[] turned = packed.clone();
    turn(turned, parts, sweep, rateHz / packed.length);
    small.inverse(turned);
    double fourth = 0; // the sum of fourth powers tells how few samples hold the energy
    for (double v : turned) {
      fourth += v * v * v * v;
    }
    return fourth;
  }
}
