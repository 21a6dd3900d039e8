package nullroom.core.plan;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nullroom.core.Table;
import org.apache.commons.csv.CSVRecord;

/**
 * What is asked of a recording when it is handed over; each figure only where it is asked.
 *
 * @param id key on the command line and in books
 * @param use for people
 * @param integratedLufs loudness
 * @param toleranceLu around it
 * @param truePeakDbtp highest true peak
 * @param samplePeakDbfs highest sample
 * @param rmsLowDbfs lowest RMS, a full-scale sine 0 dBFS
 * @param rmsHighDbfs highest RMS
 * @param floorDbfs highest noise floor
 * @param source of the figures
 */
public record Brief(
    String id,
    String use,
    OptionalDouble integratedLufs,
    OptionalDouble toleranceLu,
    OptionalDouble truePeakDbtp,
    OptionalDouble samplePeakDbfs,
    OptionalDouble rmsLowDbfs,
    OptionalDouble rmsHighDbfs,
    OptionalDouble floorDbfs,
    String source) {
  private static final List<Brief> ALL =
      Table.rows(Brief.class, "briefs.csv").stream().map(Brief::of).toList();

  private static Brief of(CSVRecord row) {
    return new Brief(
        row.get("id"),
        row.get("use"),
        Table.optional(row, "integrated_lufs"),
        Table.optional(row, "tolerance_lu"),
        Table.optional(row, "true_peak_dbtp"),
        Table.optional(row, "sample_peak_dbfs"),
        Table.optional(row, "rms_low_dbfs"),
        Table.optional(row, "rms_high_dbfs"),
        Table.optional(row, "floor_dbfs"),
        row.get("source"));
  }

  /** Those that ship with the program. */
  public static List<Brief> all() {
    return ALL;
  }

  /** The one of that id. */
  public static Optional<Brief> find(String id) {
    return ALL.stream().filter(b -> b.id.equals(id)).findFirst();
  }

  /**
   * One of the user's own.
   *
   * @throws IllegalArgumentException naming the figure that is out of range
   */
  public static Brief own(String use, double integratedLufs, double truePeakDbtp) {
    if (!(integratedLufs >= -60 && integratedLufs <= -5)) {
      throw new IllegalArgumentException(
          "loudness must lie between -60 and -5 LUFS, not " + integratedLufs);
    }
    if (!(truePeakDbtp >= -30 && truePeakDbtp <= 0)) {
      throw new IllegalArgumentException(
          "the highest true peak must lie between -30 and 0 dBTP, not " + truePeakDbtp);
    }
    return new Brief(
        "own",
        use,
        OptionalDouble.of(integratedLufs),
        OptionalDouble.of(1),
        OptionalDouble.of(truePeakDbtp),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        "your own");
  }
}
