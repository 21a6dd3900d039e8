package nullroom.core.acoustics;

import java.util.List;
import java.util.OptionalDouble;
import nullroom.core.Table;
import org.apache.commons.csv.CSVRecord;

/**
 * The table of things that take up sound piece by piece, in square metres; every row names its
 * source. Where a row has no 63 Hz it is taken as half of that at 125 Hz, and 8 kHz as 4 kHz
 * (common practice).
 */
public final class LooseThings {
  /**
   * A row.
   *
   * @param name for people
   * @param squareMetres of absorption per octave
   * @param source of the figures
   */
  public record Entry(String name, Bands squareMetres, String source) {}

  private static final List<Entry> ALL =
      Table.rows(LooseThings.class, "absorption_objects.csv").stream()
          .map(LooseThings::entry)
          .toList();

  private LooseThings() {}

  private static Entry entry(CSVRecord row) {
    Bands area =
        Bands.from(i -> {
          OptionalDouble there = Table.optional(row, Math.round(Octave.nominalHz(i)) + "_hz");
          return there.orElseGet(
              () -> i == 0 ? Table.number(row, "125_hz") / 2 : Table.number(row, "4000_hz"));
        });
    return new Entry(row.get("name"), area, row.get("source") + " (" + row.get("mark") + ")");
  }

  /** All, in the order of the table. */
  public static List<Entry> all() {
    return ALL;
  }
}
