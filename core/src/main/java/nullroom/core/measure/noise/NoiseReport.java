package nullroom.core.measure.noise;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.NoiseRating;
import nullroom.core.acoustics.Octave;

/**
 * The noise of one channel. Levels are dBFS by AES17; a level in dB SPL is that plus the SPL of
 * full scale.
 *
 * @param seconds length
 * @param sampleRateHz samples a second
 * @param laeqDbfs A-weighted level of the whole
 * @param lceqDbfs C-weighted
 * @param lzeqDbfs unweighted, without the offset
 * @param laMaxFastDbfs highest FAST A-level
 * @param la10Dbfs exceeded 10 % of the time
 * @param la50Dbfs exceeded half the time
 * @param la90Dbfs exceeded 90 % of the time
 * @param octaves 31.5 Hz up
 * @param thirds 25 Hz up
 * @param dcOffset mean, full scale is 1
 * @param clippedSamples samples in clipped runs
 * @param tones steady tones, by frequency; none are looked for in less than a second or so
 * @param intrusions what rose over the background, by time
 */
public record NoiseReport(
    double seconds,
    double sampleRateHz,
    OptionalDouble laeqDbfs,
    OptionalDouble lceqDbfs,
    OptionalDouble lzeqDbfs,
    OptionalDouble laMaxFastDbfs,
    OptionalDouble la10Dbfs,
    OptionalDouble la50Dbfs,
    OptionalDouble la90Dbfs,
    List<BandLevel> octaves,
    List<BandLevel> thirds,
    double dcOffset,
    long clippedSamples,
    List<Tone> tones,
    List<Intrusion> intrusions) {

  private static final double EMPTY_BAND_DBFS = -220;

  /** The level of a band; {@code l90Dbfs} only for octaves. */
  public record BandLevel(double centreHz, OptionalDouble leqDbfs, OptionalDouble l90Dbfs) {}

  /** C minus A from here on is rumble that A hides (common practice). */
  private static final double RUMBLE_DB = 20;

  /** C-weighted less A-weighted level: how much of the noise is low. */
  public OptionalDouble cMinusADb() {
    return lceqDbfs.isPresent() && laeqDbfs.isPresent()
        ? OptionalDouble.of(lceqDbfs.getAsDouble() - laeqDbfs.getAsDouble())
        : OptionalDouble.empty();
  }

  /** Whether most of the noise is low rumble. */
  public boolean rumbles() {
    return cMinusADb().orElse(0) >= RUMBLE_DB;
  }

  /** Hum from the mains, where the tones hold one. */
  public Optional<MainsHum> mains() {
    return MainsHum.among(tones);
  }

  /** NC of the octaves, where all from 63 Hz to 8 kHz are there. */
  public Optional<NoiseRating> nc(double fullScaleDbSpl) {
    return octaveDbSpl(fullScaleDbSpl).map(NoiseRating::nc);
  }

  /** NR of the octaves, where all from 63 Hz to 8 kHz are there. */
  public Optional<NoiseRating> nr(double fullScaleDbSpl) {
    Map<Double, Double> levels = new HashMap<>();
    octaves.forEach(
        b -> level(b).ifPresent(level -> levels.put(b.centreHz(), level + fullScaleDbSpl)));
    return octaveDbSpl(fullScaleDbSpl).map(all -> NoiseRating.nr(levels));
  }

  /** A band may be empty though there is sound: then it is far down, not unknown. */
  private OptionalDouble level(BandLevel band) {
    return band.leqDbfs().isEmpty() && laeqDbfs.isPresent()
        ? OptionalDouble.of(EMPTY_BAND_DBFS)
        : band.leqDbfs();
  }

  /**
   * The eight octaves of rooms in dB SPL; empty where the sampling rate leaves one out or all is
   * silent.
   */
  public Optional<Bands> octaveDbSpl(double fullScaleDbSpl) {
    double[] levels = new double[Octave.COUNT];
    int found = 0;
    for (BandLevel b : octaves) {
      for (int i = 0; i < Octave.COUNT; i++) {
        if (b.centreHz() == Octave.nominalHz(i) && level(b).isPresent()) {
          levels[i] = level(b).getAsDouble() + fullScaleDbSpl;
          found++;
        }
      }
    }
    return found == Octave.COUNT ? Optional.of(Bands.of(levels)) : Optional.empty();
  }
}
