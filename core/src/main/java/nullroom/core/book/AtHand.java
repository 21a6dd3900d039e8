package nullroom.core.book;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import nullroom.core.Figures;
import nullroom.core.Table;
import nullroom.core.room.Patch;

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
 * @param moves whether furniture may be moved
 */
public record AtHand(
    List<TreatmentPiece> pieces,
    OptionalDouble budget,
    OptionalDouble minutes,
    boolean drilling,
    boolean ladder,
    double reachMetres,
    boolean inPicture,
    List<KeepClear> keepClear,
    boolean states,
    boolean moves) {
  /** How far up one reaches without a ladder (common practice). */
  public static final double USUAL_REACH_METRES = 2.2;

  /** Nobody reaches higher, with whatever ladder. */
  public static final double HIGHEST_METRES = 10;

  /** More kinds than this are no list that anybody keeps. */
  private static final int MOST_KINDS = 200;

  /**
   * Pieces that one may think of, with sizes, prices and weights of the trade (common practice).
   */
  public static final List<TreatmentPiece> THINKABLE =
      Table.rows(AtHand.class, "pieces.csv").stream().map(TreatmentPiece::of).toList();

  /** What a usual household has (common practice). */
  public static final AtHand USUAL =
      new AtHand(
          THINKABLE.subList(0, 4),
          OptionalDouble.empty(),
          OptionalDouble.empty(),
          false,
          false,
          USUAL_REACH_METRES,
          false,
          List.of(),
          true,
          false);

  /**
   * A part of a surface where nothing may be.
   *
   * @param patch its outline, as that of a piece; its name says why
   */
  public record KeepClear(Patch patch) {}

  /**
   * What is at hand.
   *
   * @throws nullroom.core.Trouble.BadField naming what cannot be
   */
  public AtHand {
    pieces = List.copyOf(pieces);
    keepClear = List.copyOf(keepClear);
    TreatmentPiece.between("pieces", pieces.size(), 0, MOST_KINDS);
    TreatmentPiece.between("budget", budget.orElse(0), 0, 1_000_000);
    TreatmentPiece.between("minutes", minutes.orElse(0), 0, 1_000_000);
    TreatmentPiece.between("reachMetres", reachMetres, 0.2, HIGHEST_METRES);
  }

  private AtHand with(OptionalDouble money, OptionalDouble most) {
    return new AtHand(
        pieces, money, most, drilling, ladder, reachMetres, inPicture, keepClear, states, moves);
  }

  private AtHand with(boolean drills, boolean climbs, boolean filmed, double reach, boolean drags) {
    return new AtHand(
        pieces, budget, minutes, drills, climbs, reach, filmed, keepClear, states, drags);
  }

  private AtHand with(List<TreatmentPiece> things, List<KeepClear> clear) {
    return new AtHand(
        things, budget, minutes, drilling, ladder, reachMetres, inPicture, clear, states, moves);
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
    return with(may, ladder, inPicture, reachMetres, moves);
  }

  /** With a ladder, or without. */
  public AtHand withLadder(boolean there) {
    return with(drilling, there, inPicture, reachMetres, moves);
  }

  /** Also where a camera films, or not. */
  public AtHand withInPicture(boolean may) {
    return with(drilling, ladder, may, reachMetres, moves);
  }

  /** Reaching up to another height. */
  public AtHand withReach(double metres) {
    return with(drilling, ladder, inPicture, metres, moves);
  }

  /** With furniture that may be moved, or not. */
  public AtHand withMoves(boolean may) {
    return with(drilling, ladder, inPicture, reachMetres, may);
  }

  /** With other pieces. */
  public AtHand withPieces(List<TreatmentPiece> others) {
    return with(others, keepClear);
  }

  /** With other parts kept clear. */
  public AtHand withKeepClear(List<KeepClear> others) {
    return with(pieces, others);
  }

  /** With one more kind, under a name that is free. */
  public AtHand plus(TreatmentPiece piece) {
    List<TreatmentPiece> all = new ArrayList<>(pieces);
    all.add(
        piece.named(
            Figures.freeName(
                piece.name(),
                pieces.stream().map(TreatmentPiece::name).collect(Collectors.toSet()))));
    return withPieces(all);
  }

  /** With one kind in the place of another. */
  public AtHand with(TreatmentPiece before, TreatmentPiece now) {
    return withPieces(pieces.stream().map(p -> p.equals(before) ? now : p).toList());
  }

  /** Without a kind. */
  public AtHand without(TreatmentPiece piece) {
    return withPieces(pieces.stream().filter(p -> !p.equals(piece)).toList());
  }

  /** What all would cost that is not owned. */
  public double stillToBuy() {
    return pieces.stream().mapToDouble(p -> p.count() * p.toPay()).sum();
  }

  /** Why a piece cannot be used at all, in a sentence; empty where it can. */
  public Optional<String> cannot(TreatmentPiece piece) {
    return piece.hold() == TreatmentPiece.Hold.DRILL && !drilling
        ? Optional.of(
            "“" + piece.name() + "” would have to be drilled, and nothing may be drilled.")
        : Optional.empty();
  }
}
