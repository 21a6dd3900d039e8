package nullroom.core.room;

import java.util.Optional;
import java.util.stream.Stream;

/** How a talker holds themselves, by the usual height of the lips (common practice). */
public enum Posture {
  SITTING("sits", 1.2),
  STANDING("stands", 1.55);

  private static final double NEAR_METRES = 0.12;

  private final String label;
  private final double lipsMetres;

  Posture(String label, double lipsMetres) {
    this.label = label;
    this.lipsMetres = lipsMetres;
  }

  /** For people. */
  public String label() {
    return label;
  }

  /** Usual height of the lips over the floor. */
  public double lipsMetres() {
    return lipsMetres;
  }

  /** What lips at a height tell; empty where neither. */
  public static Optional<Posture> of(double lipsMetres) {
    return Stream.of(values())
        .filter(p -> Math.abs(p.lipsMetres - lipsMetres) <= NEAR_METRES)
        .findFirst();
  }
}
