package nullroom.io.survey;

import java.io.IOException;
import java.io.StringReader;
import java.math.BigDecimal;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.LocalDateTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import nullroom.core.Trouble;
import nullroom.core.measure.noise.SecondLevels;
import nullroom.core.measure.noise.Survey;
import nullroom.core.signal.Band;
import nullroom.io.SafeFile;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;

/**
 * The CSV of a survey. Every row is written and forced to disk as its second ends, so that a crash
 * costs at most the second under way; a row that a crash tore is left out when reading and cut off
 * when the survey goes on.
 *
 * <p>Columns: {@code time} (local, ISO 8601), {@code startSeconds} (by the count of samples, so
 * that a clock set back cannot tear it), A, FAST A, C, Z and peak levels in dBFS, clipped samples,
 * the octaves, and {@code note}.
 */
public final class SurveyFile {
  private static final int FIXED_COLUMNS = 8;
  private static final CSVFormat CSV = CSVFormat.DEFAULT.builder().setRecordSeparator("\n").get();

  /** A row takes about a hundred bytes. */
  private static final long LARGEST_BYTES = 64L << 20;

  /**
   * A row and what stands beside it.
   *
   * @param time local time at its start
   * @param row its levels
   * @param note what happened then; mostly empty
   */
  public record Line(LocalDateTime time, Survey.Row row, String note) {}

  /**
   * What was read.
   *
   * @param lines in the order of the file
   * @param torn rows left out because they could not be read
   */
  public record Content(List<Line> lines, int torn) {
    public Content {
      lines = List.copyOf(lines);
    }

    /** The levels alone. */
    public Survey survey() {
      return Survey.of(lines.stream().map(Line::row).toList());
    }
  }

  private SurveyFile() {}

  static String header(List<Band> octaves) {
    List<Object> cells =
        new ArrayList<>(
            List.of(
                "time",
                "startSeconds",
                "laeqDbfs",
                "lafMaxDbfs",
                "lceqDbfs",
                "lzeqDbfs",
                "peakDbfs",
                "clippedSamples"));
    for (Band octave : octaves) {
      String hz = BigDecimal.valueOf(octave.nominalHz()).stripTrailingZeros().toPlainString();
      cells.add("octave" + hz + "Dbfs");
    }
    cells.add("note");
    return CSV.format(cells.toArray()) + "\n";
  }

  static String text(Line line) {
    SecondLevels l = line.row().levels();
    List<Object> cells = new ArrayList<>();
    cells.add(line.time().withNano(0));
    for (double figure :
        new double[] {
          line.row().startSeconds(),
          l.laeqDbfs(),
          l.lafMaxDbfs(),
          l.lceqDbfs(),
          l.lzeqDbfs(),
          l.peakDbfs()
        }) {
      cells.add(hundredths(figure));
    }
    cells.add(l.clippedSamples());
    l.octavesDbfs().forEach(octave -> cells.add(hundredths(octave)));
    cells.add(line.note().replace('\n', ' '));
    return CSV.format(cells.toArray()) + "\n";
  }

  private static BigDecimal hundredths(double figure) {
    return BigDecimal.valueOf(Math.round(figure * 100), 2);
  }

  /**
   * Reads a survey, also one that is being written or that a crash broke off.
   *
   * @throws Trouble.BadFile if it is missing or is no survey
   */
  public static Content read(Path file) {
    try {
      if (Files.exists(file) && Files.size(file) > LARGEST_BYTES) {
        throw new Trouble.BadFile(file.toString(), "is larger than a survey of a week: over 64 MB");
      }
      String all = Files.readString(file);
      int whole = all.lastIndexOf('\n') + 1; // what follows the last line end was torn off
      List<CSVRecord> rows = CSV.parse(new StringReader(all.substring(0, whole))).getRecords();
      if (rows.isEmpty() || !rows.getFirst().get(0).equals("time")) {
        throw new Trouble.BadFile(file.toString(), "is no survey: its first line is another");
      }
      int columns = rows.getFirst().size();
      List<Line> lines = new ArrayList<>();
      int torn = all.length() > whole ? 1 : 0;
      for (CSVRecord row : rows.subList(1, rows.size())) {
        torn += read(row, columns, lines) ? 0 : 1;
      }
      return new Content(lines, torn);
    } catch (NoSuchFileException e) {
      throw new Trouble.BadFile(file.toString(), "does not exist");
    } catch (IOException e) {
      throw new Trouble.BadFile(file.toString(), "cannot be read: " + e.getMessage());
    }
  }

  /**
   * Writes a whole survey at once.
   *
   * @throws Trouble.BadFile if it cannot be written
   */
  public static void write(Path file, List<Line> lines, List<Band> octaves) {
    StringBuilder text = new StringBuilder(header(octaves));
    lines.forEach(line -> text.append(text(line)));
    try {
      SafeFile.write(file, text.toString().getBytes(StandardCharsets.UTF_8));
    } catch (IOException e) {
      throw new Trouble.BadFile(file.toString(), "cannot be written: " + e.getMessage());
    }
  }

  private static boolean read(CSVRecord row, int columns, List<Line> lines) {
    if (row.size() != columns) {
      return false;
    }
    try {
      List<Double> octaves = new ArrayList<>();
      for (int i = FIXED_COLUMNS; i < columns - 1; i++) {
        octaves.add(Double.valueOf(row.get(i)));
      }
      double start = Double.parseDouble(row.get(1));
      if (!lines.isEmpty() && start <= lines.getLast().row().startSeconds()) {
        return false;
      }
      SecondLevels levels =
          new SecondLevels(
              Double.parseDouble(row.get(2)),
              Double.parseDouble(row.get(3)),
              Double.parseDouble(row.get(4)),
              Double.parseDouble(row.get(5)),
              Double.parseDouble(row.get(6)),
              Long.parseLong(row.get(7)),
              octaves);
      lines.add(
          new Line(
              LocalDateTime.parse(row.get(0)),
              new Survey.Row(start, levels),
              row.get(columns - 1)));
      return true;
    } catch (NumberFormatException | DateTimeParseException e) {
      return false; // counted as torn by the caller
    }
  }

  /** Where rows go. */
  interface Sink extends AutoCloseable {
    void write(String text) throws IOException;

    @Override
    void close() throws IOException;
  }

  /** Opens a new file, or the end of one after cutting off a torn row. */
  static Sink append(Path file, List<Band> octaves) throws IOException {
    FileChannel channel =
        FileChannel.open(
            file, StandardOpenOption.CREATE, StandardOpenOption.READ, StandardOpenOption.WRITE);
    long whole = wholeLength(channel);
    channel.truncate(whole);
    channel.position(whole);
    Sink sink = new ChannelSink(channel);
    if (whole == 0) {
      sink.write(header(octaves));
    }
    return sink;
  }

  /** Length up to the last line end. */
  private static long wholeLength(FileChannel channel) throws IOException {
    ByteBuffer one = ByteBuffer.allocate(1);
    long at = channel.size();
    while (at > 0) {
      one.clear();
      channel.read(one, at - 1);
      if (one.get(0) == '\n') {
        return at;
      }
      at--;
    }
    return 0;
  }

  private record ChannelSink(FileChannel channel) implements Sink {
    @Override
    public void write(String text) throws IOException {
      ByteBuffer bytes = StandardCharsets.UTF_8.encode(text);
      while (bytes.hasRemaining()) {
        channel.write(bytes);
      }
      channel.force(false);
    }

    @Override
    public void close() throws IOException {
      channel.close();
    }
  }
}
