package nullroom.core;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;

/** Published values that tests check against; each test names the source. */
public final class ReferenceTable {
  private ReferenceTable() {}

  /** Rows of a table under src/test/resources/nullroom/core. */
  public static List<CSVRecord> rows(String name) {
    try (InputStream in =
        Objects.requireNonNull(
            ReferenceTable.class.getResourceAsStream("/nullroom/core/" + name))) {
      return CSVFormat.RFC4180
          .builder()
          .setHeader()
          .setSkipHeaderRecord(true)
          .get()
          .parse(new InputStreamReader(in, StandardCharsets.UTF_8))
          .getRecords();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
