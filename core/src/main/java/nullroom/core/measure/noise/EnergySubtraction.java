package nullroom.core.measure.noise;

import nullroom.core.Decibels;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;

/**
 * What one source adds to a noise, from a level with it and a level without: the difference of the
 * energies, per octave.
 *
 * @param levelDb the source's own level, in the unit and at the place of the two; minus infinity
 *     where nothing is left
 * @param bound whether only a bound is known in a band, because the two differ by less than {@link
 *     #LEAST_DIFFERENCE_DB}: then the source lies under the level with it less 3 dB
 */
public record EnergySubtraction(Bands levelDb, java.util.List<Boolean> bound) {
  /** Under this the difference is mostly the noise's own wandering (common practice). */
  public static final double LEAST_DIFFERENCE_DB = 3;

  public EnergySubtraction {
    bound = java.util.List.copyOf(bound);
  }

  /** The difference of two octave spectra of the same unit. */
  public static EnergySubtraction of(Bands withDb, Bands withoutDb) {
    Bands left =
        withDb.with(
            withoutDb,
            (with, without) ->
                Decibels.ofEnergy(
                    Math.max(0, Decibels.toEnergy(with) - Decibels.toEnergy(without))));
    Bands difference = withDb.with(withoutDb, (with, without) -> with - without);
    return new EnergySubtraction(
        left,
        java.util.stream.IntStream.range(0, Octave.COUNT)
            .mapToObj(i -> difference.get(i) < LEAST_DIFFERENCE_DB)
            .toList());
  }

  /** The A-weighted level of the source; minus infinity where nothing is left. */
  public double levelDbA() {
    return Octave.aWeightedSum(levelDb);
  }

  /** What of a total is left without this source; never under a hundredth of it in any band. */
  public Bands takenFrom(Bands totalDb) {
    return totalDb.with(
        levelDb,
        (total, source) ->
            Decibels.ofEnergy(
                Math.max(
                    Decibels.toEnergy(total) - Decibels.toEnergy(source),
                    Decibels.toEnergy(total) * LEAST_LEFT)));
  }

  /** Subtracting what makes up nearly all of a sound says no more than that little is left. */
  private static final double LEAST_LEFT = 0.01;
}
