package nullroom.core.acoustics;

import java.util.List;
import nullroom.core.Decibels;
import nullroom.core.signal.Band;
import nullroom.core.signal.Weighting;

/** The eight octaves in which rooms and voices are described: 63 Hz to 8 kHz. */
public final class Octave {
  /** How many. */
  public static final int COUNT = 8;

  /** Their bands in ascending order. */
  public static final List<Band> ALL =
      Band.OCTAVES.stream().filter(b -> b.nominalHz() >= 63 && b.nominalHz() <= 8000).toList();

  /** Index of the 250 Hz octave, the first of the voice bands. */
  public static final int FIRST_VOICE = 2;

  /** Index of the 500 Hz octave. */
  public static final int HZ_500 = 3;

  /** Index of the 1 kHz octave. */
  public static final int HZ_1000 = 4;

  private Octave() {}

  /** Nominal mid-band frequency. */
  public static double nominalHz(int octave) {
    return ALL.get(octave).nominalHz();
  }

  /** Exact mid-band frequency. */
  public static double exactHz(int octave) {
    return ALL.get(octave).centreHz();
  }

  /** Energy sum of octave levels after A-weighting at the exact mid-band frequencies. */
  public static double aWeightedSum(Bands levels) {
    double energy = 0;
    for (int i = 0; i < COUNT; i++) {
      energy += Decibels.toEnergy(levels.get(i)) * Weighting.A.power(exactHz(i));
    }
    return Decibels.ofEnergy(energy);
  }

  /** Octave levels of white noise whose A-weighted sum is {@code levelDbA}. */
  public static Bands whiteNoise(double levelDbA) {
    Bands shape = Bands.from(i -> Decibels.ofEnergy(ALL.get(i).widthHz()));
    double offset = levelDbA - aWeightedSum(shape);
    return shape.map(level -> level + offset);
  }
}
