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
  CLOTHES_RAIL("clothes rail", 1.2, 0.5, 0, 1.6, "glass_fibre_50");

  private final String label;
  private final double length;
  private final double width;
  private final double offset;
  private final double height;
  private final String material;

  Piece(String label, double length, double width, double offset, double height, String material) {
    this.label = label;
    this.length = length;
    this.width = width;
    this.offset = offset;
    this.height = height;
    this.material = material;
  }

  /** Name for people. */
  public String label() {
    return label;
  }

  /** One of it with its corner there in plan. */
  Furniture at(double x, double y) {
    return new Furniture(
        label, new Point(x, y, offset), length, width, height, 0, Finish.of(material), otherwise());
  }

  /** Clothes take up more than the doors before them. */
  private Optional<Alternative> otherwise() {
    return this == WARDROBE
        ? Optional.of(new Alternative("shut", "open", Finish.of("glass_fibre_50")))
        : Optional.empty();
  }
}
