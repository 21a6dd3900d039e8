package nullroom.app.room;

import java.util.Optional;
import nullroom.core.room.Alternative;
import nullroom.core.room.Finish;
import nullroom.core.room.Furniture;
import nullroom.core.room.Point;

/** Furniture by kind, in usual sizes. */
public enum Piece {
  DESK("desk", 1.4, 0.7, 0.72, 0.03, "door_solid"),
  BED("bed", 2.0, 0.9, 0, 0.5, "foam_pu_25"),
  SOFA("sofa", 2.0, 0.9, 0, 0.8, "foam_pu_25"),
  SHELF("shelf", 0.8, 0.3, 0, 1.9, "door_solid"),
  WARDROBE("wardrobe", 1.0, 0.6, 0, 2.0, "door_hollow"),
  CLOTHES_RAIL("clothes rail", 1.2, 0.5, 0, 1.6, "glass_fibre_50"),
  COMPUTER_SCREEN("computer screen", 0.6, 0.08, 0, 0.45, "glass_heavy_plate", true),
  MONITOR("monitor loudspeaker", 0.22, 0.26, 0, 0.36, "door_solid", true),
  LAMP("lamp", 0.3, 0.3, 1.5, 0.3, "door_hollow"),
  SOFTBOX("softbox", 0.8, 0.4, 1.5, 0.6, "curtain_light"),
  STAND("stand", 0.08, 0.08, 0, 1.5, "door_solid"),
  TRIPOD("tripod", 0.16, 0.16, 0, 1.3, "door_solid");

  private final String label;
  private final double length;
  private final double width;
  private final double offset;
  private final double height;
  private final String material;
  private final boolean onTop;

  Piece(String label, double length, double width, double offset, double height, String material) {
    this(label, length, width, offset, height, material, false);
  }

  Piece(
      String label,
      double length,
      double width,
      double offset,
      double height,
      String material,
      boolean onTop) {
    this.label = label;
    this.length = length;
    this.width = width;
    this.offset = offset;
    this.height = height;
    this.material = material;
    this.onTop = onTop;
  }

  /** Name for people. */
  public String label() {
    return label;
  }

  /** Whether it stands on another piece, where there is one that is wide enough. */
  boolean onTop() {
    return onTop;
  }

  /** One of it with its corner there in plan. */
  Furniture at(double x, double y) {
    return at(new Point(x, y, offset));
  }

  private Furniture at(Point corner) {
    return new Furniture(label, corner, length, width, height, 0, Finish.of(material), otherwise());
  }

  /** One of it on top of another piece, at the back of its first corner, turned as that is. */
  Optional<Furniture> on(Furniture below, double along) {
    Point first = below.plan().getFirst();
    Point side = below.plan().get(1).minus(first);
    Point across = below.plan().get(3).minus(first);
    boolean fits = along + length <= below.lengthMetres() && width <= below.widthMetres();
    Point corner =
        first
            .plus(side, along / below.lengthMetres())
            .plus(across, (below.widthMetres() - width) / below.widthMetres())
            .plus(new Point(0, 0, 1), below.top());
    Furniture level = at(corner);
    return fits
        ? Optional.of(level.placed(corner, length, width, height, below.azimuthDegrees()))
        : Optional.empty();
  }

  /** Clothes take up more than the doors before them. */
  private Optional<Alternative> otherwise() {
    return this == WARDROBE
        ? Optional.of(new Alternative("shut", "open", Finish.of("glass_fibre_50")))
        : Optional.empty();
  }
}
