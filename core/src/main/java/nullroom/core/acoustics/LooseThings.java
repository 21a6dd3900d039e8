package nullroom.core.acoustics;

import java.util.List;
import java.util.Optional;
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
      Table.rows("absorption_objects.csv").stream().map(LooseThings::entry).toList();

  private LooseThings() {}

  private static Entry entry(CSVRecord row) {
    Bands area =
        Bands.from(i -> {
          int hz = (int) Math.round(Octave.nominalHz(i));
          return number(row, hz)
              .orElseGet(() ->
                  i == 0 ? number(row, 125).orElseThrow() / 2 : number(row, 4000).orElseThrow());
        });
    return new Entry(row.get("name"), area, row.get("source") + " (" + row.get("mark") + ")");
  }

  private static Optional<Double> number(CSVRecord row, int hz) {
    String text = row.get(hz + "_hz");
    return text.isBlank() ? Optional.empty() : Optional.of(Double.parseDouble(text));
  }

  /** All, in the order of the table. */
  public static List<Entry> all() {
    return ALL;
  }
}
