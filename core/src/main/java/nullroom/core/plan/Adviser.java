package nullroom.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import nullroom.core.book.School;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.room.Patch;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;
import nullroom.core.room.Talker;

/**
 * Finds the next move: tries what a person could do with what is at hand, computes each, and ranks
 * them by what they buy on the weakest margin for their cost and minutes.
 */
public final class Adviser {
  /** Moves that buy less than this on the weakest margin are not worth saying. */
  static final double LEAST_GAIN_DB = 0.3;

  /**
   * What a minute of work and a unit of money weigh against each other (common practice: an hour
   * for about 20).
   */
  private static final double COST_PER_MINUTE = 0.33;

  /**
   * A microphone is not asked nearer than this: breath and lips get in its way (common practice).
   */
  private static final double NEAREST_METRES = 0.15;

  /** Gain that inputs of home equipment have at most. */
  public static final double HIGHEST_GAIN_DB = 75;

  private Adviser() {}

  /** The moves worth making, best first. */
  public static List<Move> moves(Room room, Margins targets, Function<Room, Heard> hear) {
    Heard now = hear.apply(room);
    Margins.Kind weakest = now.margins().weakest(targets);
    List<Move> moves = new ArrayList<>();
    for (Candidate candidate : candidates(room, now, targets)) {
      Heard after = hear.apply(candidate.room());
      double gain = after.margins().get(weakest) - now.margins().get(weakest);
      if (gain >= LEAST_GAIN_DB) {
        moves.add(
            new Move(
                candidate.name(),
                candidate.station(),
                candidate.room(),
                after,
                gain,
                candidate.cost(),
                candidate.minutes()));
      }
    }
    moves.sort(Comparator.comparingDouble(Adviser::worth).reversed());
    return moves;
  }

  private static double worth(Move move) {
    return move.gainDb() / (5 + move.cost() + COST_PER_MINUTE * move.minutes());
  }

  private record Candidate(String name, String station, Room room, int cost, int minutes) {}

  private static List<Candidate> candidates(Room room, Heard now, Margins targets) {
    List<Candidate> all = new ArrayList<>();
    for (Surface surface : room.surfaces()) {
      for (Hanging hanging : Hanging.values()) {
        hanging
            .patchOn(room, surface)
            .ifPresent(patch -> all.add(hang(room, hanging, surface, patch)));
      }
    }
    room.talker().ifPresent(t -> room.microphone().ifPresent(m -> nearer(room, t, m, all)));
    room.microphone().ifPresent(m -> gain(room, m, now, targets, all));
    return all;
  }

  private static Candidate hang(Room room, Hanging hanging, Surface surface, Patch patch) {
    return new Candidate(
        hanging.verb() + " " + surface.spoken(),
        "dress",
        room.plus(patch),
        hanging.cost(),
        hanging.minutes());
  }

  private static void nearer(
      Room room, Talker talker, PlacedMicrophone microphone, List<Candidate> all) {
    Point away = microphone.at().minus(talker.at());
    double distance = away.length();
    double half = Math.max(NEAREST_METRES, distance / 2);
    if (half < distance * 0.95) {
      Point place = talker.at().plus(away, half / distance);
      all.add(
          new Candidate(
              String.format(java.util.Locale.ROOT, "Bring the microphone to %.0f cm", half * 100),
              "mic",
              room.withMicrophone(microphone.movedTo(place, talker.at())),
              0,
              3));
    }
  }

  private static void gain(
      Room room, PlacedMicrophone microphone, Heard now, Margins targets, List<Candidate> all) {
    double gain = rightGainDb(now, targets);
    if (gain != microphone.capture().gainDb()) {
      all.add(
          new Candidate(
              String.format(java.util.Locale.ROOT, "Set the gain to %.0f dB", gain),
              "level",
              room.withMicrophone(microphone.with(microphone.capture().withGainDb(gain))),
              0,
              1));
    }
  }

  /**
   * The gain, in whole decibels, that brings the loudest expected peak to its target under full
   * scale, within what inputs have.
   */
  public static double rightGainDb(Heard heard, Margins targets) {
    return Math.clamp(School.PEAKS.gainDb(heard, targets, 0), 0, HIGHEST_GAIN_DB);
  }

  /** Things at hand that can be hung or laid. */
  public enum Hanging {
    BLANKET(
        "Hang a blanket on",
        "Blanket 1.5 × 2.0 m, 10 cm off the wall",
        "blanket_100",
        1.5,
        2.0,
        15,
        15),
    DUVET(
        "Hang a duvet on",
        "Duvet 1.35 × 2.0 m, 10 cm off the wall",
        "duvet_100",
        1.35,
        2.0,
        25,
        15),
    RUG("Lay a rug on", "Rug 1.6 × 2.3 m", "rug_on_wood", 1.6, 2.3, 40, 5);

    private final String verb;
    private final String label;
    private final String materialId;
    private final double width;
    private final double height;
    private final int cost;
    private final int minutes;

    Hanging(
        String verb,
        String label,
        String materialId,
        double width,
        double height,
        int cost,
        int minutes) {
      this.verb = verb;
      this.label = label;
      this.materialId = materialId;
      this.width = width;
      this.height = height;
      this.cost = cost;
      this.minutes = minutes;
    }

    String verb() {
      return verb;
    }

    /** Name with size for people. */
    public String label() {
      return label;
    }

    /** Material in the table. */
    public String materialId() {
      return materialId;
    }

    /** Guessed price. */
    public int cost() {
      return cost;
    }

    /** Minutes to put it up. */
    public int minutes() {
      return minutes;
    }

    /**
     * The piece in the middle of a surface, cut down to what fits; empty where it does not belong
     * there or would lie on what is there already.
     */
    public Optional<Patch> patchOn(Room room, Surface surface) {
      boolean floor = surface instanceof Surface.Floor;
      if (floor != (this == RUG)
          || room.patches().stream().anyMatch(p -> p.surface().equals(surface))) {
        return Optional.empty();
      }
      double[] extent = extent(room, surface);
      double w = Math.min(width, extent[2] - 0.1);
      double h = Math.min(height, extent[3] - 0.1);
      if (w < 0.3 || h < 0.3 || w * h > 0.95 * room.areaOf(surface)) {
        return Optional.empty();
      }
      double x = extent[0] + (extent[2] - w) / 2;
      double y = surface.isWall() ? extent[3] - h - 0.05 : extent[1] + (extent[3] - h) / 2;
      String name = label.substring(0, label.indexOf(' ')).toLowerCase(java.util.Locale.ROOT);
      return Optional.of(Patch.rectangle(name, surface, x, y, w, h, materialId))
          .filter(room::hasPlaceFor);
    }

    /** Least x, least y, width and height that a piece can use in a surface's own axes. */
    private static double[] extent(Room room, Surface surface) {
      double[] us = room.enclosure().span(surface, 0);
      if (!(surface instanceof Surface.Wall wall)) {
        double[] vs = room.enclosure().span(surface, 1);
        return new double[] {us[0], vs[0], us[1] - us[0], vs[1] - vs[0]};
      }
      Point a = room.enclosure().unbounded(wall, new Point(0, 0, 0));
      Point b = room.enclosure().unbounded(wall, new Point(us[1], 0, 0));
      double top = Math.min(room.heightAt(a), room.heightAt(b));
      return new double[] {0, 0, us[1], top};
    }
  }
}
