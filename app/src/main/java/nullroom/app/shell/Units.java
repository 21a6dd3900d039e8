package nullroom.app.shell;

import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** How lengths are said to the user; inside, all are in metres. */
public enum Units {
  METRES("metres"),
  FEET("feet");

  private static final double METRES_PER_INCH = 0.0254;
  private static final int INCHES_PER_FOOT = 12;

  /** Countries that measure rooms in feet. */
  private static final Set<String> IN_FEET = Set.of("US", "LR", "MM");

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
      return String.format(Locale.ROOT, "%.2f m", metres);
    }
    long inches = Math.round(metres / METRES_PER_INCH);
    long feet = inches / INCHES_PER_FOOT;
    String rest = inches % INCHES_PER_FOOT + " in";
    return feet == 0 ? rest : feet + " ft " + rest;
  }
}
