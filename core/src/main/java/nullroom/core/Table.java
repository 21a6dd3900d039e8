package nullroom.core;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import java.util.OptionalDouble;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/** Reads the tables that ship with the program. */
public final class Table {
  private Table() {}

  /** Rows of a resource beside a class, under their header names. */
  public static List<CSVRecord> rows(Class<?> beside, String name) {
    try (InputStream in = Objects.requireNonNull(beside.getResourceAsStream(name), name);
        CSVParser parser =
            CSVFormat.RFC4180
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .get()
                .parse(new InputStreamReader(in, StandardCharsets.UTF_8))) {
      return parser.getRecords();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** A cell that holds a number. */
  public static double number(CSVRecord row, String column) {
    return Double.parseDouble(row.get(column));
  }

  /** A cell that may be empty. */
  public static OptionalDouble optional(CSVRecord row, String column) {
    String text = row.get(column);
    return text.isBlank() ? OptionalDouble.empty() : OptionalDouble.of(Double.parseDouble(text));
  }
}
