package nullroom.core.book;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import nullroom.core.Keyed;
import nullroom.core.Trouble;
import nullroom.core.room.Finish;
import nullroom.core.room.Patch;
import nullroom.core.room.Surface;

/**
 * What there is to dress a room with, and what must be kept to.
 *
 * @param pieces owned, or to be bought
 * @param budget money; empty where that does not matter
 * @param minutes to put all up; empty where that does not matter
 * @param drilling whether walls and ceiling may be drilled
 * @param ladder whether there is one, without which nothing goes to the ceiling
 * @param reachMetres upper edge of what hangs on a wall
 * @param inPicture whether pieces may be where a camera films
 * @param keepClear where nothing may be
 * @param states whether what can be turned may be
 */
public record AtHand(
    List<Piece> pieces,
    OptionalDouble budget,
    OptionalDouble minutes,
    boolean drilling,
    boolean ladder,
    double reachMetres,
    boolean inPicture,
    List<KeepClear> keepClear,
    boolean states) {
  /** How far up one reaches without a ladder (common practice). */
  public static final double USUAL_REACH_METRES = 2.2;

  private static final double HIGHEST_METRES = 10;
  private static final int MOST_OF_ONE = 50;

  /** How a piece is held. */
  public enum Hold implements Keyed {
    STAND(true, false, false),
    RAIL(true, false, false),
    DOOR(true, false, false),
    LEAN(true, false, false),
    LAY(false, true, false),
    HOOK(true, false, true),
    DRILL(true, false, true);

    private final boolean walls;
    private final boolean floor;
    private final boolean ceiling;

    Hold(boolean walls, boolean floor, boolean ceiling) {
      this.walls = walls;
      this.floor = floor;
      this.ceiling = ceiling;
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
   */
  public record Piece(
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
    /** All walls, where surfaces are named. */
    public static final String WALLS = "walls";

    /**
     * A piece.
     *
     * @throws Trouble.BadField naming what cannot be
     */
    public Piece {
      on = Set.copyOf(on);
      if (name.isBlank()) {
        throw new Trouble.BadField("name", "is missing");
      }
      between("count", count, 1, MOST_OF_ONE);
      between("price", price, 0, 1e6);
      between("minutes", minutes, 0, 10_000);
      between("widthMetres", widthMetres, 0.05, 20);
      between("heightMetres", heightMetres, 0.05, 20);
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
  }

  /**
   * A part of a surface where nothing may be.
   *
   * @param patch its outline, as that of a piece
   */
  public record KeepClear(Patch patch) {}

  /**
   * What is at hand.
   *
   * @throws Trouble.BadField naming what cannot be
   */
  public AtHand {
    pieces = List.copyOf(pieces);
    keepClear = List.copyOf(keepClear);
    between("budget", budget.orElse(0), 0, 1e9);
    between("minutes", minutes.orElse(0), 0, 1e6);
    between("reachMetres", reachMetres, 0.2, HIGHEST_METRES);
  }

  private static void between(String field, double figure, double low, double high) {
    if (!(figure >= low && figure <= high)) {
      throw new Trouble.BadField(
          field, "must lie between " + said(low) + " and " + said(high) + ", not " + said(figure));
    }
  }

  private static String said(double figure) {
    return KitField.said(figure);
  }

  private AtHand with(OptionalDouble money, OptionalDouble most) {
    return new AtHand(
        pieces, money, most, drilling, ladder, reachMetres, inPicture, keepClear, states);
  }

  private AtHand with(boolean drills, boolean climbs, boolean filmed) {
    return new AtHand(
        pieces, budget, minutes, drills, climbs, reachMetres, filmed, keepClear, states);
  }

  /** Within another budget. */
  public AtHand withBudget(double money) {
    return with(OptionalDouble.of(money), minutes);
  }

  /** Whatever it costs. */
  public AtHand withoutBudget() {
    return with(OptionalDouble.empty(), minutes);
  }

  /** Within other minutes. */
  public AtHand withMinutes(double most) {
    return with(budget, OptionalDouble.of(most));
  }

  /** However long it takes. */
  public AtHand withoutMinutes() {
    return with(budget, OptionalDouble.empty());
  }

  /** With a drill, or without. */
  public AtHand withDrilling(boolean may) {
    return with(may, ladder, inPicture);
  }

  /** With a ladder, or without. */
  public AtHand withLadder(boolean there) {
    return with(drilling, there, inPicture);
  }

  /** Also where a camera films, or not. */
  public AtHand withInPicture(boolean may) {
    return with(drilling, ladder, may);
  }

  private static Piece usual(
      String name, int count, double width, double height, String material, Hold hold) {
    return new Piece(
        name, count, true, 0, 10, width, height, true, Finish.of(material), hold, Set.of());
  }

  /** What a usual household has (common practice). */
  public static final AtHand USUAL =
      new AtHand(
          List.of(
              usual("duvet", 2, 1.35, 2.0, "duvet_100", Hold.STAND),
              usual("blanket", 2, 1.5, 2.0, "blanket_100", Hold.STAND),
              usual("rug", 1, 2.0, 1.4, "rug_on_wood", Hold.LAY),
              usual("mattress", 1, 0.9, 2.0, "mattress_150", Hold.LEAN)),
          OptionalDouble.empty(),
          OptionalDouble.empty(),
          false,
          false,
          USUAL_REACH_METRES,
          false,
          List.of(),
          true);

  /** Why a piece cannot be used at all, in a sentence; empty where it can. */
  public Optional<String> cannot(Piece piece) {
    return piece.hold() == Hold.DRILL && !drilling
        ? Optional.of(
            "“" + piece.name() + "” would have to be drilled, and nothing may be drilled.")
        : Optional.empty();
  }
}
