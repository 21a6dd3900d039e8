package nullroom.core.measure.altered;

import java.util.Optional;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;

/**
 * Figures of a sound that a reduction moves; none shows it alone. In the order in which they are
 * measured; the table of their odds has them by these names.
 */
enum Trace {
  /** Times as long as over it falls take near the noise; see {@link QuickTails}. */
  ENDS_MIDDLE,
  ENDS_LEAST,
  ENDS_QUICK_BANDS,

  /** Lines of the spectrum while sounds die away; see {@link TailTexture#traces}. */
  DYING_SCATTER,
  DYING_BESIDE,
  DYING_FOLLOWING,
  NEAR_SCATTER,
  NEAR_BESIDE,
  NEAR_FOLLOWING,
  PAUSES_LOW_SCATTER,
  PAUSES_LOW_BESIDE,
  PAUSES_LOW_FOLLOWING,
  PAUSES_HIGH_SCATTER,
  PAUSES_HIGH_BESIDE,
  PAUSES_HIGH_FOLLOWING,
  LOUD_SCATTER,
  LOUD_BESIDE,
  LOUD_FOLLOWING,
  FALLING_SCATTER,
  FALLING_BESIDE,
  FALLING_FOLLOWING,

  /** And in the quietest moments; see {@link QuietTexture}. */
  QUIET_BESIDE,
  QUIET_SCATTER,
  QUIET_HIGH,
  QUIET_FOLLOWING,
  QUIET_RANGE,

  /** Those between noise and sound; see {@link LevelsBetween}. */
  BETWEEN_ALONE,
  BETWEEN_FEWER,
  BETWEEN_IN_TIME,
  BETWEEN_BESIDE,
  FAR_IN_TIME,
  FAR_BESIDE,

  /** Noise before sounds; see {@link Beginnings#traces}. */
  BEFORE_RISE,
  BEFORE_MIDDLE,
  BEFORE_LATE,
  BEFORE_EARLY,
  BEFORE_ALIKE,
  BEFORE_RISEN,
  LONG_BEFORE_RISE,
  LONG_BEFORE_MIDDLE,
  LONG_BEFORE_LATE,
  LONG_BEFORE_EARLY,
  LONG_BEFORE_ALIKE,
  LONG_BEFORE_RISEN,

  /** Levels between noise and sound; see {@link LevelsTaken}. */
  LEVELS_TAKEN,
  LEVELS_EMPTIEST,

  /** Energies of bins in the quietest moments; see {@link BinEnergies}. */
  ENERGY_SQUARES,
  ENERGY_OVER,
  ENERGY_UNDER,
  ENERGY_LATER,
  ENERGY_HIGH_SQUARES,
  ENERGY_HIGH_OVER;

  /**
   * All of one sound, in this order; not a number where it shows nothing.
   *
   * @param between its lines between noise and sound
   */
  static double[] all(
      SpectraSeen spectra, LevelsBetween.Seen between, FineBands fine, BeforeSound before) {
    QuickTails ends = QuickTails.of(fine);
    Optional<QuietTexture> quiet = spectra.quiet();
    BinEnergies.Seen energies = fine.energies().seen();
    return Stream.of(
            DoubleStream.of(ends.middle(), ends.least(), ends.quick()),
            spectra.tails().traces(),
            quiet.map(QuietTexture::traces).orElseGet(() -> nothing(QuietTexture.TRACES)),
            between.traces(),
            before.traces(),
            LevelsTaken.traces(fine),
            energies.traces())
        .flatMapToDouble(t -> t)
        .toArray();
  }

  /** So many figures of which nothing is seen. */
  static DoubleStream nothing(int figures) {
    return DoubleStream.generate(() -> Double.NaN).limit(figures);
  }
}
