package nullroom.app.control;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.image.Image;
import javafx.scene.image.PixelFormat;
import javafx.scene.paint.Color;
import javafx.scene.paint.Paint;
import javafx.scene.shape.ClosePath;
import javafx.scene.shape.Line;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.Shape;
import javafx.scene.text.Text;
import javax.imageio.ImageIO;
import nullroom.core.Trouble;

/** A picture as a file: points (PNG) or shapes (SVG). */
public final class PictureFile {
  private PictureFile() {}

  /**
   * Writes a picture by the name of the file: .svg as shapes, else as PNG. On the FX thread.
   *
   * @throws Trouble.BadFile if it cannot be written
   */
  public static void write(PlotPane plot, Path file) {
    if (file.toString().toLowerCase(Locale.ROOT).endsWith(".svg")) {
      try {
        Files.writeString(file, svg(plot));
      } catch (IOException e) {
        throw new Trouble.BadFile(file.toString(), "cannot be written: " + e.getMessage());
      }
    } else {
      png(plot.snapshot(null, null), file);
    }
  }

  /**
   * Writes an image as PNG.
   *
   * @throws Trouble.BadFile if it cannot be written
   */
  public static void png(Image image, Path file) {
    int w = (int) image.getWidth();
    int h = (int) image.getHeight();
    int[] pixels = new int[w * h];
    image.getPixelReader().getPixels(0, 0, w, h, PixelFormat.getIntArgbInstance(), pixels, 0, w);
    BufferedImage picture = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
    picture.setRGB(0, 0, w, h, pixels, 0, w);
    try {
      ImageIO.write(picture, "png", file.toFile());
    } catch (IOException e) {
      throw new Trouble.BadFile(file.toString(), "cannot be written: " + e.getMessage());
    }
  }

  /** The shapes of a picture that was laid out, as SVG 1.1. */
  static String svg(PlotPane plot) {
    String shapes =
        plot.getChildrenUnmodifiable().stream()
            .map(PictureFile::element)
            .collect(Collectors.joining("\n"));
    return String.format(
        Locale.ROOT,
        "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"%.0f\" height=\"%.0f\" font-family=\"Open Sans, sans-serif\">%n%s%n</svg>%n",
        plot.getWidth(),
        plot.getHeight(),
        shapes);
  }

  private static String element(Node node) {
    return switch (node) {
      case Text t ->
          say(
              "<text x=\"%.1f\" y=\"%.1f\" dominant-baseline=\"middle\" font-size=\"%.1f\" fill=\"%s\">%s</text>",
              t.getX(), t.getY(), t.getFont().getSize(), colour(t.getFill()), escaped(t.getText()));
      case Line l ->
          say(
              "<line x1=\"%.1f\" y1=\"%.1f\" x2=\"%.1f\" y2=\"%.1f\" %s/>",
              l.getStartX(), l.getStartY(), l.getEndX(), l.getEndY(), look(l));
      case Rectangle r ->
          say(
              "<rect x=\"%.1f\" y=\"%.1f\" width=\"%.1f\" height=\"%.1f\" %s/>",
              r.getX(), r.getY(), r.getWidth(), r.getHeight(), look(r));
      case Polygon p -> say("<polygon points=\"%s\" %s/>", points(p.getPoints()), look(p));
      case Polyline p -> say("<polyline points=\"%s\" %s/>", points(p.getPoints()), look(p));
      case javafx.scene.shape.Path p -> say("<path d=\"%s\" %s/>", way(p), look(p));
      default -> "";
    };
  }

  private static String say(String format, Object... figures) {
    return String.format(Locale.ROOT, format, figures);
  }

  private static String points(java.util.List<Double> points) {
    return points.stream().map(v -> say("%.1f", v)).collect(Collectors.joining(" "));
  }

  private static String way(javafx.scene.shape.Path path) {
    return path.getElements().stream()
        .map(e ->
            switch (e) {
              case MoveTo m -> say("M%.1f %.1f", m.getX(), m.getY());
              case LineTo l -> say("L%.1f %.1f", l.getX(), l.getY());
              case ClosePath close -> "Z";
              default -> "";
            })
        .collect(Collectors.joining());
  }

  private static String look(Shape shape) {
    return say(
        "fill=\"%s\" stroke=\"%s\" stroke-width=\"%.1f\" opacity=\"%.2f\"",
        colour(shape.getFill()),
        colour(shape.getStroke()),
        shape.getStrokeWidth(),
        shape.getOpacity());
  }

  /** Patterns of paint have no short form here and stay empty. */
  private static String colour(@org.jspecify.annotations.Nullable Paint paint) {
    return paint instanceof Color c && c.getOpacity() > 0
        ? say(
            "rgb(%d,%d,%d)",
            Math.round(255 * c.getRed()),
            Math.round(255 * c.getGreen()),
            Math.round(255 * c.getBlue()))
        : "none";
  }

  private static String escaped(String text) {
    return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
  }
}
