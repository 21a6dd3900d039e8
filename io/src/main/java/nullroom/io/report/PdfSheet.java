package nullroom.io.report;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import nullroom.core.Trouble;
import nullroom.io.SafeFile;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/** A document of A4 pages that is written from top to bottom; a new page begins by itself. */
final class PdfSheet implements AutoCloseable {
  static final double MARGIN = 48;
  static final double WIDTH = PDRectangle.A4.getWidth() - 2 * MARGIN;

  private static final double LINE = 1.35;
  private static final double TICK = 9;
  private static final double THIN = 0.6;

  private final PDDocument document = new PDDocument();
  private final PDFont regular;
  private final PDFont bold;
  private final UnaryOperator<String> words;
  private PDPageContentStream out;
  private double y;

  PdfSheet(HangingList.Faces faces, String title) throws IOException {
    regular = PDType0Font.load(document, new ByteArrayInputStream(faces.regular()));
    bold = PDType0Font.load(document, new ByteArrayInputStream(faces.bold()));
    words = faces.words();
    document.getDocumentInformation().setTitle(words.apply(title));
    out = page();
  }

  private PDPageContentStream page() throws IOException {
    PDPage page = new PDPage(PDRectangle.A4);
    document.addPage(page);
    y = PDRectangle.A4.getHeight() - MARGIN;
    return new PDPageContentStream(document, page);
  }

  /** Begins a new page unless so much is left of this one, points. */
  void need(double points) {
    if (y - points < MARGIN) {
      run(() -> {
        out.close();
        out = page();
      });
    }
  }

  /** A heading. */
  void heading(String text, double size) {
    need(4 * size);
    y -= size * 0.8;
    line(bold, size, MARGIN, words.apply(text));
  }

  /** A paragraph. */
  void text(String text, double size) {
    wrapped(text, size, 0);
  }

  /** A line with a box to tick before it. */
  void tick(String text, double size) {
    need(2 * size * LINE);
    double top = y - size * LINE;
    run(() -> {
      out.setLineWidth((float) THIN);
      out.addRect((float) MARGIN, (float) (top - 0.5), (float) TICK, (float) TICK);
      out.stroke();
    });
    wrapped(text, size, TICK + 8);
  }

  /** Empty space. */
  void space(double points) {
    y -= points;
  }

  private void wrapped(String text, double size, double indent) {
    for (String part : lines(words.apply(text), size, WIDTH - indent)) {
      need(size * LINE);
      line(regular, size, MARGIN + indent, part);
    }
  }

  private List<String> lines(String text, double size, double width) {
    List<String> lines = new ArrayList<>();
    StringBuilder now = new StringBuilder();
    for (String word : text.split(" ")) {
      String longer = now.isEmpty() ? word : now + " " + word;
      if (!now.isEmpty() && width(regular, size, longer) > width) {
        lines.add(now.toString());
        now = new StringBuilder(word);
      } else {
        now = new StringBuilder(longer);
      }
    }
    lines.add(now.toString());
    return lines;
  }

  private void line(PDFont font, double size, double x, String text) {
    y -= size * LINE;
    write(font, size, x, y, text);
  }

  private void write(PDFont font, double size, double x, double at, String text) {
    run(() -> {
      out.beginText();
      out.setFont(font, (float) size);
      out.newLineAtOffset((float) x, (float) at);
      out.showText(known(font, text));
      out.endText();
    });
  }

  private double width(PDFont font, double size, String text) {
    try {
      return font.getStringWidth(known(font, text)) / 1000 * size;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** What the typeface has no sign for becomes a question mark. */
  private static String known(PDFont font, String text) {
    StringBuilder known = new StringBuilder();
    text.codePoints()
        .forEach(c -> {
          String sign = Character.toString(c);
          known.append(has(font, sign) ? sign : "?");
        });
    return known.toString();
  }

  private static boolean has(PDFont font, String sign) {
    try {
      font.encode(sign);
      return true;
    } catch (IOException | IllegalArgumentException _) { // it has none
      return false;
    }
  }

  /** A drawing: what is drawn has its origin left and down, in points. */
  Drawing drawing(double height) {
    need(height);
    y -= height;
    return new Drawing(y);
  }

  /** A part of a page to draw on. */
  final class Drawing {
    private final double bottom;

    private Drawing(double bottom) {
      this.bottom = bottom;
    }

    /** A closed outline; grey where it is filled. */
    void outline(List<double[]> points, double lineWidth, boolean filled) {
      run(() -> {
        out.setLineWidth((float) lineWidth);
        out.setNonStrokingColor(0.86f);
        for (int k = 0; k < points.size(); k++) {
          float px = (float) (MARGIN + points.get(k)[0]);
          float py = (float) (bottom + points.get(k)[1]);
          if (k == 0) {
            out.moveTo(px, py);
          } else {
            out.lineTo(px, py);
          }
        }
        out.closePath();
        if (filled) {
          out.fillAndStroke();
        } else {
          out.stroke();
        }
        out.setNonStrokingColor(0f);
      });
    }

    /** A thin line. */
    void line(double x1, double y1, double x2, double y2) {
      run(() -> {
        out.setLineWidth((float) THIN);
        out.moveTo((float) (MARGIN + x1), (float) (bottom + y1));
        out.lineTo((float) (MARGIN + x2), (float) (bottom + y2));
        out.stroke();
      });
    }

    /** Words about a middle. */
    void words(String text, double size, double x, double at) {
      String said = words.apply(text);
      double wide = width(regular, size, said);
      double from = Math.clamp(x - wide / 2, 0, Math.max(0, WIDTH - wide));
      write(regular, size, MARGIN + from, bottom + at, said);
    }
  }

  /**
   * Writes it, whole or not at all.
   *
   * @throws Trouble.BadFile if it cannot be written
   */
  void save(Path file) {
    try {
      out.close();
      ByteArrayOutputStream bytes = new ByteArrayOutputStream();
      document.save(bytes);
      SafeFile.write(file, bytes.toByteArray());
    } catch (IOException e) {
      throw new Trouble.BadFile(file.toString(), "cannot be written: " + e.getMessage());
    }
  }

  private interface Writing {
    void run() throws IOException;
  }

  private static void run(Writing writing) {
    try {
      writing.run();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  @Override
  public void close() throws IOException {
    document.close();
  }
}
