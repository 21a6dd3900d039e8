package nullroom.core.book;

import java.util.OptionalDouble;
import java.util.Set;
import nullroom.core.Keyed;
import nullroom.core.Table;
import nullroom.core.Trouble;
import nullroom.core.room.Finish;
import nullroom.core.room.Surface;
import org.apache.commons.csv.CSVRecord;

/**
 * A piece of which there are one or more alike.
 *
 * @param name for people
 * @param count how many
 * @param owned whether it costs nothing
 * @param price of one, where it is to be bought
 * @param minutes to put one up
 * @param widthMetres as it hangs
 * @param heightMetres as it hangs
 * @param turnable whether it may hang the other way
 * @param finish of it
 * @param hold how it is held
 * @param on keys of surfaces, or "walls", that it is for; empty for all that its hold allows
 * @param weightKg of one; empty where nobody said
 * @param coloured whether it would tint the light that falls on it
 */
public record TreatmentPiece(
    String name,
    int count,
    boolean owned,
    double price,
    double minutes,
    double widthMetres,
    double heightMetres,
    boolean turnable,
    Finish finish,
    Hold hold,
    Set<String> on,
    OptionalDouble weightKg,
    boolean coloured) {
  private static final int MOST_OF_ONE = 50;

  /** How a piece is held. */
  public enum Hold implements Keyed {
    STAND("two stands and a bar", true, false, false),
    RAIL("its rail", true, false, false),
    DOOR("a door", true, false, false),
    LEAN("leaning", true, false, false),
    LAY("lying", false, true, false),
    HOOK("hooks", true, false, true),
    DRILL("screws", true, false, true);

    private final String label;
    private final boolean walls;
    private final boolean floor;
    private final boolean ceiling;

    Hold(String label, boolean walls, boolean floor, boolean ceiling) {
      this.label = label;
      this.walls = walls;
      this.floor = floor;
      this.ceiling = ceiling;
    }

    /** For people: what holds it. */
    public String label() {
      return label;
    }

    /** Whether it holds a piece on a surface. */
    public boolean on(Surface surface) {
      return surface.isWall() ? walls : surface instanceof Surface.Floor ? floor : ceiling;
    }

    /** Whether it keeps the piece at the floor, wherever else it reaches. */
    public boolean fromFloor() {
      return this == STAND || this == LEAN || this == DOOR;
    }
  }

  /** All walls, where surfaces are named. */
  public static final String WALLS = "walls";

  /** One of unknown weight that does no harm to light. */
  public TreatmentPiece(
      String name,
      int count,
      boolean owned,
      double price,
      double minutes,
      double widthMetres,
      double heightMetres,
      boolean turnable,
      Finish finish,
      Hold hold,
      Set<String> on) {
    this(
        name,
        count,
        owned,
        price,
        minutes,
        widthMetres,
        heightMetres,
        turnable,
        finish,
        hold,
        on,
        OptionalDouble.empty(),
        false);
  }

  /**
   * A piece.
   *
   * @throws Trouble.BadField naming what cannot be
   */
  public TreatmentPiece {
    on = Set.copyOf(on);
    if (name.isBlank()) {
      throw new Trouble.BadField("name", "is missing");
    }
    between("count", count, 1, MOST_OF_ONE);
    between("price", price, 0, 1e6);
    between("minutes", minutes, 0, 10_000);
    between("widthMetres", widthMetres, 0.05, 20);
    between("heightMetres", heightMetres, 0.05, 20);
    between("weightKg", weightKg.orElse(0), 0, 1000);
    for (String key : on) {
      boolean fits =
          key.equals(WALLS)
              ? hold.on(Surface.wall(1))
              : Surface.find(key).map(hold::on).orElseThrow(() -> noSurface(key));
      if (!fits) {
        throw new Trouble.BadField(
            "on", "“" + key + "” and hold “" + hold.id() + "” go against each other");
      }
    }
  }

  static void between(String field, double figure, double low, double high) {
    if (!(figure >= low && figure <= high)) {
      throw new Trouble.BadField(
          field,
          "must lie between "
              + KitField.said(low)
              + " and "
              + KitField.said(high)
              + ", not "
              + KitField.said(figure));
    }
  }

  private static Trouble.BadField noSurface(String key) {
    return new Trouble.BadField("on", "there is no surface “" + key + "”");
  }

  /** Whether it is for a surface. */
  public boolean isFor(Surface surface) {
    return hold.on(surface)
        && (on.isEmpty() || on.contains(surface.id()) || surface.isWall() && on.contains(WALLS));
  }

  /** What one costs still. */
  public double toPay() {
    return owned ? 0 : price;
  }

  /** What putting it up leaves behind: nothing, a mark at most, or holes. */
  public String trace() {
    return switch (hold) {
      case DRILL -> "leaves holes";
      case HOOK -> "may leave a mark";
      default -> "comes down without a trace";
    };
  }

  /** The same under another name. */
  public TreatmentPiece named(String other) {
    return new TreatmentPiece(
        other,
        count,
        owned,
        price,
        minutes,
        widthMetres,
        heightMetres,
        turnable,
        finish,
        hold,
        on,
        weightKg,
        coloured);
  }

  static TreatmentPiece of(CSVRecord row) {
    return new TreatmentPiece(
        row.get("name"),
        (int) Table.number(row, "count"),
        row.get("owned").equals("yes"),
        Table.number(row, "price"),
        Table.number(row, "minutes"),
        Table.number(row, "width_m"),
        Table.number(row, "height_m"),
        row.get("turnable").equals("yes"),
        Finish.of(row.get("material")),
        Keyed.find(Hold.class, row.get("hold")).orElseThrow(),
        Set.of(),
        Table.optional(row, "weight_kg"),
        false);
  }
}
