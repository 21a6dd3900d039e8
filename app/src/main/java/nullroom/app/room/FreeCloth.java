package nullroom.app.room;

import nullroom.core.acoustics.Cloth;
import nullroom.core.room.Aim;
import nullroom.core.room.Point;
import nullroom.core.room.Screen;

/** Cloth and boards that stand free, in usual sizes; masses and flow resistances are typical. */
public enum FreeCloth {
  BLANKET("blanket on two stands", 2.0, 0.1, 1.9, 1.0, 500),
  DUVET("duvet on two stands", 2.0, 0.1, 2.0, 1.5, 800),
  FOLDING_SCREEN("folding screen", 1.2, 0, 1.8, 4, 100_000);

  private final String label;
  private final double width;
  private final double bottom;
  private final double top;
  private final Cloth cloth;

  FreeCloth(String label, double width, double bottom, double top, double mass, double resistance) {
    this.label = label;
    this.width = width;
    this.bottom = bottom;
    this.top = top;
    cloth = new Cloth.Sheet(mass, resistance);
  }

  /** Name for people. */
  public String label() {
    return label;
  }

  /** One of it with its middle there in plan. */
  Screen at(double x, double y, double azimuthDegrees) {
    Point middle = new Point(x, y, 0);
    Point half = new Aim(azimuthDegrees, 0).direction();
    return new Screen(
        label, middle.plus(half, -width / 2), middle.plus(half, width / 2), bottom, top, cloth);
  }
}
