package nullroom.app.shell;

import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nullroom.app.control.NumberField;
import nullroom.core.Figures;
import org.jspecify.annotations.Nullable;

/** How lengths are said to the user; inside, all are in metres. */
public enum Units {
  METRES("metres"),
  FEET("feet");

  private static final double METRES_PER_INCH = 0.0254;
  private static final int INCHES_PER_FOOT = 12;

  /** Countries that measure rooms in feet. */
  private static final Set<String> IN_FEET = Set.of("US", "LR", "MM");

  private static final Pattern IMPERIAL =
      Pattern.compile(
          "(?:(?<feet>[0-9]+(?:\\.[0-9]+)?) *(?:'|ft|feet|foot))? *(?:(?<inches>[0-9]+(?:\\.[0-9]+)?) *(?:\"|''|in|inch|inches))?");

  private static final Pattern NUMBER = Pattern.compile("\\d+(?:[.,]\\d+)?");

  /**
   * Lengths of a text, several before one unit among them; not levels at 1 m, nor kg/m² or Pa s/m.
   */
  private static final Pattern METRIC =
      Pattern.compile(
          "(?<![\\d.,/])((?:at |in )?)((?:\\d+(?:[.,]\\d+)?(?: (?:×|x|by|to|and|mal|bis|und) ))*"
              + "\\d+(?:[.,]\\d+)?) (cm|m²|m³|m)(?![\\p{L}²³/])");

  private static final double SQUARE_FOOT = 0.3048 * 0.3048;
  private static final double CUBIC_FOOT = SQUARE_FOOT * 0.3048;

  private final String label;

  Units(String label) {
    this.label = label;
  }

  /** Name for people, and in settings. */
  public String label() {
    return label;
  }

  /** The one of that name. */
  public static Optional<Units> find(String label) {
    return Set.of(values()).stream().filter(u -> u.label.equals(label)).findFirst();
  }

  /** The usual ones of a country. */
  public static Units of(Locale locale) {
    return IN_FEET.contains(locale.getCountry()) ? FEET : METRES;
  }

  /** The others. */
  public Units other() {
    return this == METRES ? FEET : METRES;
  }

  /** A length of parts of a room, such as "1.25 m" or "4 ft 1 in"; inches to the nearest. */
  public String length(double metres) {
    if (this == METRES) {
      return Figures.say("%.2f m", metres);
    }
    long inches = Math.round(metres / METRES_PER_INCH);
    long feet = inches / INCHES_PER_FOOT;
    String rest = inches % INCHES_PER_FOOT + " in";
    return feet == 0 ? rest : feet + " ft " + rest;
  }

  /** A short length, such as one from lips to a microphone: "57 cm" or "1 ft 10 in". */
  public String near(double metres) {
    return this == METRES ? Figures.say("%.0f cm", 100 * metres) : length(metres);
  }

  /** Short name of the unit that fields are in. */
  public String unit() {
    return this == METRES ? "m" : "ft";
  }

  /** Short name of the unit that areas are in. */
  public String areaUnit() {
    return this == METRES ? "m²" : "ft²";
  }

  /** An area in that unit. */
  public double area(double squareMetres) {
    return this == METRES ? squareMetres : squareMetres / SQUARE_FOOT;
  }

  /** An area in that unit as square metres. */
  public double squareMetres(double area) {
    return this == METRES ? area : area * SQUARE_FOOT;
  }

  /** How lengths stand in a field. */
  public NumberField.Entry field() {
    return new NumberField.Entry(unit(), this::entry, this::parse);
  }

  /** How short lengths stand in a field: centimetres, or feet and tenths of an inch. */
  public NumberField.Entry nearField() {
    return this == FEET
        ? field()
        : new NumberField.Entry(
            "cm",
            metres -> Figures.say("%.1f", 100 * metres).replaceFirst("[.,]0$", ""),
            typed -> typed.strip().matches("[0-9.,]+") ? parse(typed) / 100 : parse(typed));
  }

  /** A length as it stands in a field: metres, or feet and tenths of an inch. */
  public String entry(double metres) {
    if (this == METRES) {
      return Figures.say("%.2f", metres);
    }
    double inches = Math.round(metres / METRES_PER_INCH * 10) / 10.0;
    int feet = (int) (inches / INCHES_PER_FOOT);
    String rest = Figures.say("%.1f", inches - feet * INCHES_PER_FOOT);
    return feet + "' " + rest.replaceFirst("[.,]0$", "") + "\"";
  }

  /**
   * A length as people type it, in metres: "1.25", "1,25 m", "125 cm", "4.1 ft", "4' 1.5\"", "4 ft
   * 1 in"; a number alone is in this unit.
   *
   * @throws NumberFormatException if it is none
   */
  public double parse(String typed) {
    String text = typed.strip().toLowerCase(Locale.ROOT).replace(',', '.');
    Matcher imperial = IMPERIAL.matcher(text);
    if (imperial.matches() && !text.isEmpty()) {
      return METRES_PER_INCH
          * (INCHES_PER_FOOT * number(imperial.group("feet")) + number(imperial.group("inches")));
    }
    if (text.endsWith("cm")) {
      return Double.parseDouble(text.substring(0, text.length() - 2)) / 100;
    }
    if (text.endsWith("m")) {
      return Double.parseDouble(text.substring(0, text.length() - 1));
    }
    return Double.parseDouble(text) * (this == METRES ? 1 : INCHES_PER_FOOT * METRES_PER_INCH);
  }

  /**
   * A text whose metric lengths, areas and volumes are said in this unit: "10 cm off the wall" as
   * "4 in off the wall", "30 m³" as "1077 ft³". The one metre at which levels are stated stays.
   */
  public String inProse(String text) {
    if (this == METRES || !text.contains("m")) {
      return text;
    }
    return METRIC
        .matcher(text)
        .replaceAll(found ->
            Matcher.quoteReplacement(
                found.group().matches("(?:at|in) 1 m")
                    ? found.group()
                    : found.group(1) + measured(found.group(2), found.group(3))));
  }

  private String measured(String numbers, String unit) {
    return NUMBER
            .matcher(numbers)
            .replaceAll(n -> {
              double metric = Double.parseDouble(n.group().replace(',', '.'));
              return Matcher.quoteReplacement(
                  switch (unit) {
                    case "cm" -> length(metric / 100);
                    case "m" -> length(metric);
                    case "m²" -> Figures.say("%.0f", metric / SQUARE_FOOT);
                    default -> Figures.say("%.0f", metric / CUBIC_FOOT);
                  });
            })
        + switch (unit) {
          case "cm", "m" -> "";
          case "m²" -> " ft²";
          default -> " ft³";
        };
  }

  private static double number(@Nullable String text) {
    return text == null ? 0 : Double.parseDouble(text);
  }
}
