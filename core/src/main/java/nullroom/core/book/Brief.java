package nullroom.core.book;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import nullroom.core.Figures;
import nullroom.core.Table;
import nullroom.core.Trouble;
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
 * @param channels how many the file is to have; empty where as many as the take has will do
 * @param source of the figures
 * @param handover the file that is asked for
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
    OptionalInt channels,
    String source,
    Handover handover) {
  /** Key of the user's own. */
  public static final String OWN = "own";

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
        channels(Table.optional(row, "channels")),
        row.get("source"),
        Handover.USUAL);
  }

  private static OptionalInt channels(OptionalDouble count) {
    return count.isPresent() ? OptionalInt.of((int) count.getAsDouble()) : OptionalInt.empty();
  }

  /** The same for a file of so many channels. */
  public Brief withChannels(OptionalInt other) {
    return new Brief(
        id,
        use,
        integratedLufs,
        toleranceLu,
        truePeakDbtp,
        samplePeakDbfs,
        rmsLowDbfs,
        rmsHighDbfs,
        floorDbfs,
        other,
        source,
        handover);
  }

  /** Whether a take of several channels is to be made into one. */
  public boolean mono() {
    return channels.isPresent() && channels.getAsInt() == 1;
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
   * The user's own.
   *
   * @throws Trouble.BadField naming the figure that is out of range
   */
  public static Brief own(
      String use,
      double integratedLufs,
      double toleranceLu,
      double truePeakDbtp,
      OptionalDouble floorDbfs,
      Handover handover) {
    within("loudness", integratedLufs, -60, -5, "LUFS");
    within("tolerance", toleranceLu, 0.1, 10, "LU");
    within("highest true peak", truePeakDbtp, -30, 0, "dBTP");
    floorDbfs.ifPresent(floor -> within("highest noise floor", floor, -120, -20, "dBFS"));
    return new Brief(
        OWN,
        use.isBlank() ? "your own" : use.strip(),
        OptionalDouble.of(integratedLufs),
        OptionalDouble.of(toleranceLu),
        OptionalDouble.of(truePeakDbtp),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        floorDbfs,
        OptionalInt.empty(),
        "your own",
        handover);
  }

  private static void within(String name, double value, double low, double high, String unit) {
    if (!(value >= low && value <= high)) {
      throw new Trouble.BadField(
          name, Figures.say("must lie between %s and %s %s, not %s", low, high, unit, value));
    }
  }

  /** One of the user's own that begins with the figures of this one. */
  public Brief asOwn(String otherUse) {
    return own(
            otherUse,
            integratedLufs.orElse(-16),
            toleranceLu.orElse(1),
            truePeakDbtp.orElse(-1),
            floorDbfs,
            handover)
        .withChannels(channels);
  }

  /** What it asks for, in a few words. */
  public String words() {
    List<String> asked = new ArrayList<>();
    integratedLufs.ifPresent(
        l -> asked.add(Figures.say("%.0f LUFS ± %s LU", l, trimmed(toleranceLu.orElse(1)))));
    if (rmsLowDbfs.isPresent() && rmsHighDbfs.isPresent()) {
      asked.add(
          Figures.say(
              "RMS %.0f to %.0f dBFS", rmsLowDbfs.getAsDouble(), rmsHighDbfs.getAsDouble()));
    }
    truePeakDbtp.ifPresent(p -> asked.add(Figures.say("true peak to %s dBTP", trimmed(p))));
    samplePeakDbfs.ifPresent(p -> asked.add(Figures.say("peak to %s dBFS", trimmed(p))));
    floorDbfs.ifPresent(f -> asked.add(Figures.say("floor under %.0f dBFS", f)));
    channels.ifPresent(c -> asked.add(c == 1 ? "one channel" : c + " channels"));
    return String.join(", ", asked);
  }

  private static String trimmed(double value) {
    return value == Math.rint(value) ? Figures.say("%.0f", value) : Figures.say("%.1f", value);
  }
}
