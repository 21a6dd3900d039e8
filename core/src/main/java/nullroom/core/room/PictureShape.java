package nullroom.core.room;

import java.util.Optional;
import java.util.stream.Stream;

/** Usual shapes of pictures, of films and of stills. */
public enum PictureShape {
  FILM("film, 16:9", Camera.WIDE),
  FILM_UPRIGHT("film, upright 9:16", 1 / Camera.WIDE),
  STILLS("stills, 3:2", 1.5),
  STILLS_UPRIGHT("stills, upright 2:3", 1 / 1.5),
  FOUR_THREE("4:3", 4.0 / 3),
  SQUARE("square", 1);

  private static final double ALIKE = 0.01;

  private final String label;
  private final double ratio;

  PictureShape(String label, double ratio) {
    this.label = label;
    this.ratio = ratio;
  }

  /** For people. */
  public String label() {
    return label;
  }

  /** Width over height. */
  public double ratio() {
    return ratio;
  }

  /** The one of a ratio; empty where none is. */
  public static Optional<PictureShape> of(double ratio) {
    return Stream.of(values()).filter(s -> Math.abs(s.ratio - ratio) < ALIKE).findFirst();
  }
}
