package nullroom.io.book;

import java.io.IOException;
import java.io.StringReader;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import nullroom.core.Keyed;
import nullroom.core.Trouble;
import nullroom.core.book.Kit;
import nullroom.core.book.KitField;
import nullroom.core.book.Shelf;
import nullroom.io.SafeFile;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import tools.jackson.databind.json.JsonMapper;

/**
 * A shelf of kit as a file of its own, JSON or CSV by its ending. Whatever is wrong in one is named
 * with line and column, and a figure that is probably in another unit is asked about.
 */
public final class ShelfFile {
  private static final String KIND = "kind";
  private static final String NAME = "name";

  private ShelfFile() {}

  /**
   * Reads a shelf.
   *
   * @throws Trouble.BadFile naming what is wrong, with line and column
   */
  public static Shelf read(Path file) {
    byte[] bytes = JsonPlace.bytes(file);
    return isCsv(file) ? readCsv(file, bytes) : readJson(file, bytes);
  }

  private static boolean isCsv(Path file) {
    return file.getFileName().toString().toLowerCase(Locale.ROOT).endsWith(".csv");
  }

  private static Shelf readJson(Path file, byte[] bytes) {
    Field document =
        new Field("", BookJson.parse(bytes, s -> new Trouble.BadFile(file.toString(), s)));
    try {
      Shelf shelf = ShelfJson.read(document);
      int[] count = new int[Kit.Kind.values().length];
      for (Kit kit : shelf.kit()) {
        String path = kit.kind().key() + "[" + count[kit.kind().ordinal()]++ + "].";
        doubt(kit, path);
      }
      return shelf;
    } catch (Trouble.BadField e) {
      throw new Trouble.BadFile(
          file.toString(), e.place() + JsonPlace.where(bytes, e.place()) + " " + e.getMessage());
    }
  }

  /**
   * Asks about figures that are probably in another unit.
   *
   * @throws Trouble.BadField for the first of them
   */
  private static void doubt(Kit kit, String path) {
    kit.stated()
        .forEach((field, text) -> {
          Optional<KitField.Doubt> doubt =
              field.form() == KitField.Form.NUMBER
                  ? field.doubt(Double.parseDouble(text))
                  : Optional.empty();
          if (doubt.isPresent()) {
            throw new Trouble.BadField(
                path + field.key(),
                text + " " + field.unit() + " is hardly so. " + doubt.get().question());
          }
        });
  }

  private static Shelf readCsv(Path file, byte[] bytes) {
    String text = new String(bytes, StandardCharsets.UTF_8).replaceFirst("^\uFEFF", "");
    String head = text.lines().findFirst().orElse("");
    char between = head.contains(";") ? ';' : ',';
    List<Kit> all = new ArrayList<>();
    try (CSVParser rows =
        CSVFormat.DEFAULT
            .builder()
            .setDelimiter(between)
            .setHeader()
            .setSkipHeaderRecord(true)
            .setTrim(true)
            .get()
            .parse(new StringReader(text))) {
      List<String> columns = rows.getHeaderNames();
      for (int c = 0; c < columns.size(); c++) {
        String column = columns.get(c);
        if (!column.equals(KIND) && !column.equals(NAME) && KitField.find(column).isEmpty()) {
          throw bad(file, 1, c, "'" + column + "' is no column of a shelf");
        }
      }
      for (CSVRecord row : rows) {
        all.add(kit(file, columns, row, rows.getCurrentLineNumber()));
      }
      return Shelf.EMPTY.with(all);
    } catch (Trouble.BadField e) {
      throw new Trouble.BadFile(file.toString(), e.line());
    } catch (IOException | UncheckedIOException | IllegalArgumentException e) {
      throw new Trouble.BadFile(file.toString(), "is no table: " + e.getMessage());
    }
  }

  private static Trouble.BadFile bad(Path file, long line, int column, String sentence) {
    return new Trouble.BadFile(
        file.toString(), "line " + line + ", column " + (column + 1) + ": " + sentence);
  }

  private static Kit kit(Path file, List<String> columns, CSVRecord row, long line) {
    Kit.Kind kind =
        Keyed.find(Kit.Kind.class, cell(row, KIND))
            .orElseThrow(() ->
                bad(
                    file,
                    line,
                    Math.max(0, columns.indexOf(KIND)),
                    "'" + cell(row, KIND) + "' is none of " + Keyed.keys(Kit.Kind.class)));
    Map<KitField, String> stated = new EnumMap<>(KitField.class);
    for (KitField field : KitField.values()) {
      if (!cell(row, field.key()).isEmpty()) {
        stated.put(field, cell(row, field.key()));
      }
    }
    try {
      Kit kit = new Kit(kind, cell(row, NAME), stated);
      doubt(kit, "");
      return kit;
    } catch (Trouble.BadField e) {
      int column = columns.indexOf(e.place());
      throw column < 0
          ? new Trouble.BadFile(file.toString(), "line " + line + ": " + e.line())
          : bad(file, line, column, e.line());
    }
  }

  private static String cell(CSVRecord row, String column) {
    return row.isMapped(column) && row.isSet(column) ? row.get(column) : "";
  }

  /**
   * Writes a shelf; a CSV holds the things alone, not how far boom and stands reach.
   *
   * @throws Trouble.BadFile if it cannot be written
   */
  public static void write(Shelf shelf, Path file) {
    try {
      SafeFile.write(
          file,
          isCsv(file)
              ? csv(shelf).getBytes(StandardCharsets.UTF_8)
              : ShelfJson.write(shelf, JsonMapper.shared().createObjectNode())
                  .toPrettyString()
                  .getBytes(StandardCharsets.UTF_8));
    } catch (IOException e) {
      throw new Trouble.BadFile(file.toString(), "cannot be written: " + e.getMessage());
    }
  }

  private static String csv(Shelf shelf) throws IOException {
    StringWriter text = new StringWriter();
    try (CSVPrinter out =
        new CSVPrinter(text, CSVFormat.DEFAULT.builder().setRecordSeparator("\n").get())) {
      out.printRecord(
          Stream.concat(Stream.of(KIND, NAME), Stream.of(KitField.values()).map(KitField::key)));
      for (Kit kit : shelf.kit()) {
        out.printRecord(
            Stream.concat(
                Stream.of(kit.kind().id(), kit.name()),
                Stream.of(KitField.values()).map(f -> kit.stated().getOrDefault(f, ""))));
      }
    }
    return text.toString();
  }
}
