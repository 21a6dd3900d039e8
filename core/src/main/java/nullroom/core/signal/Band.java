package nullroom.core.signal;

import java.util.List;
import java.util.stream.IntStream;

/**
 * One fractional-octave band with base-10 exact frequencies: G = 10^0.3, f_m = 1000 G^(x/b), edges
 * f_m G^(-1/2b) and f_m G^(+1/2b) for b = 1 or 3.
 *
 * <p>Source: IEC 61260-1:2014, 5.2 to 5.6; nominal names of ISO 266.
 *
 * @param nominalHz the name, such as 31.5 or 3150
 * @param centreHz exact mid-band frequency
 * @param lowHz lower band edge
 * @param highHz upper band edge
 */
public record Band(double nominalHz, double centreHz, double lowHz, double highHz) {
  private static final double[] DECADE = {1, 1.25, 1.6, 2, 2.5, 3.15, 4, 5, 6.3, 8};

  /** Octave bands 31.5 Hz to 16 kHz. */
  public static final List<Band> OCTAVES =
      IntStream.rangeClosed(-5, 4).mapToObj(x -> of(3 * x, 0.15)).toList();

  /** Third-octave bands 25 Hz to 20 kHz. */
  public static final List<Band> THIRDS =
      IntStream.rangeClosed(-16, 13).mapToObj(x -> of(x, 0.05)).toList();

  /** Those of them in which decays are measured. */
  public static final List<Band> DECAY_THIRDS =
      THIRDS.stream().filter(b -> b.nominalHz() >= 50 && b.nominalHz() <= 10_000).toList();

  private static Band of(int thirdsFrom1000, double halfWidthDecades) {
    int fromOne = thirdsFrom1000 + 30;
    double nominal = DECADE[fromOne % 10] * Math.pow(10, fromOne / 10);
    double centre = Math.pow(10, fromOne / 10.0);
    double half = Math.pow(10, halfWidthDecades);
    return new Band(Math.round(nominal * 100) / 100.0, centre, centre / half, centre * half);
  }

  /** The bands of {@code all} whose upper edge a sampling rate can carry. */
  public static List<Band> within(List<Band> all, double sampleRateHz) {
    return all.stream().filter(b -> b.highHz() < sampleRateHz / 2).toList();
  }

  /** Bandwidth in hertz. */
  public double widthHz() {
    return highHz - lowHz;
  }

  /**
   * Power response |H|^2 of an analogue Butterworth band-pass of the given order at {@code hz}: 1
   * at the centre, one half at both edges. Orders 3 and above keep the class 1 mask of IEC 61260-1
   * for octaves.
   */
  public double powerResponse(double hz, int order) {
    if (hz <= 0) {
      return 0;
    }
    double x = (hz / centreHz - centreHz / hz) * centreHz / widthHz();
    double power = 1;
    double square = x * x;
    for (int n = order;
        n > 0;
        n >>= 1) { // far quicker than Math.pow, which dominated a meter's end
      if ((n & 1) == 1) {
        power *= square;
      }
      square *= square;
    }
    return 1 / (1 + power);
  }
}
