package nullroom.core.acoustics;

import java.util.List;
import nullroom.core.Decibels;
import nullroom.core.Keyed;
import nullroom.core.Table;
import org.apache.commons.csv.CSVRecord;

/**
 * How loud someone speaks or sings, with the active level in octaves at 1 m in front of the lips.
 *
 * <p>Overall levels: speech ISO 9921:2003 Table A.1, A-weighted (from memory); a whisper 30 to 40
 * and sung 58 to 95 dBA by common practice, with the spectra of speech. Shapes: ANSI S3.5-1997
 * Table 3, thirds summed to octaves; below its 160 Hz the octaves of 125 and 63 Hz lie 3.3 and 19.9
 * dB under that of 250 Hz, as in the long-term spectrum of Byrne et al., J. Acoust. Soc. Am. 96
 * (1994) 2108-2120 (from memory).
 */
public enum VocalEffort implements Keyed {
  WHISPERED("normal", 35, 18),
  RELAXED("normal", 54, 18),
  NORMAL("normal", 60, 18),
  RAISED("raised", 66, 18),
  LOUD("loud", 72, 18),
  VERY_LOUD("shout", 78, 18),
  SUNG_SOFT("raised", 60, 15),
  SUNG("loud", 75, 15),
  SUNG_LOUD("shout", 85, 15),
  BELTED("shout", 95, 15);

  private static final double OCTAVE_125_RE_250_DB = -3.3;
  private static final double OCTAVE_63_RE_250_DB = -19.9;

  private final double levelDbA;
  private final double crestDb;
  private final Bands levelsDbSpl;

  VocalEffort(String shape, double levelDbA, double crestDb) {
    this.levelDbA = levelDbA;
    this.crestDb = crestDb;
    Bands raw = Shapes.octaves(shape + "_band_level_db");
    double offset = levelDbA - Octave.aWeightedSum(raw);
    this.levelsDbSpl = raw.map(level -> level + offset);
  }

  /**
   * Sample peak over the true RMS of the active voice, when only the average is known. Common
   * practice: speech 14 to 20 dB, headroom 18; sung 12 to 20, 15.
   */
  public double crestDb() {
    return crestDb;
  }

  /** A-weighted level at 1 m. */
  public double levelDbA() {
    return levelDbA;
  }

  /** Octave levels at 1 m on axis. */
  public Bands levelsDbSpl() {
    return levelsDbSpl;
  }

  private static final class Shapes {
    private static final List<CSVRecord> THIRDS =
        Table.rows(VocalEffort.class, "speech_sii_third_octave.csv");

    static Bands octaves(String column) {
      double[] energy = new double[Octave.COUNT];
      for (CSVRecord row : THIRDS) {
        double hz = Table.number(row, "exact_hz");
        for (int i = Octave.FIRST_VOICE; i < Octave.COUNT; i++) {
          if (hz > Octave.ALL.get(i).lowHz() && hz < Octave.ALL.get(i).highHz()) {
            energy[i] += Decibels.toEnergy(Table.number(row, column));
          }
        }
      }
      double at250 = Decibels.ofEnergy(energy[Octave.FIRST_VOICE]);
      energy[1] = Decibels.toEnergy(at250 + OCTAVE_125_RE_250_DB);
      energy[0] = Decibels.toEnergy(at250 + OCTAVE_63_RE_250_DB);
      return Bands.from(i -> Decibels.ofEnergy(energy[i]));
    }
  }
}
