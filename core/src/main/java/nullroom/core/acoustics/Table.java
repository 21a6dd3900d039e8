package nullroom.core.acoustics;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/** Reads the tables that ship with this package. */
final class Table {
  private Table() {}

  /** Rows of a resource beside this class, under their header names. */
  static List<CSVRecord> rows(String name) {
    try (InputStream in = Objects.requireNonNull(Table.class.getResourceAsStream(name), name);
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

  static double number(CSVRecord row, String column) {
    return Double.parseDouble(row.get(column));
  }
}
