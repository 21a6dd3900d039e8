package nullroom.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Function;
import nullroom.core.Figures;
import nullroom.core.Progress;
import nullroom.core.book.Staging;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.room.Member;
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

  /** A move that brings it less near is none. */
  private static final double MOST_OF_THE_WAY = 0.95;

  private static final double STEP_METRES = 0.05;

  private Adviser() {}

  /**
   * The moves worth making, best first.
   *
   * @param staging what gain is planned for
   * @param hear what the microphone hears in a changed room
   * @param progress told of each move that was tried; may cancel
   */
  public static List<Move> moves(
      Room room, Margins targets, Staging staging, Function<Room, Heard> hear, Progress progress) {
    Heard now = hear.apply(room);
    Margins.Kind weakest = now.margins().weakest(targets);
    List<Move> moves = new ArrayList<>();
    List<Candidate> candidates = candidates(room, staging.rightGainDb(now, targets));
    for (int i = 0; i < candidates.size(); i++) {
      Candidate candidate = candidates.get(i);
      progress.step(i, candidates.size());
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

  private static List<Candidate> candidates(Room room, double rightGainDb) {
    List<Candidate> all = new ArrayList<>();
    for (Surface surface : room.surfaces()) {
      for (Hanging hanging : Hanging.values()) {
        hanging
            .patchOn(room, surface)
            .ifPresent(patch -> all.add(hang(room, hanging, surface, patch)));
      }
    }
    room.talker().ifPresent(t -> room.microphone().ifPresent(m -> nearer(room, t, m, all)));
    room.microphone().ifPresent(m -> gain(room, m, rightGainDb, all));
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
    if (room.setUp().listener().flatMap(Member::ride).isPresent()) {
      return; // where it sits is given by what it rides on
    }
    Point away = microphone.at().minus(talker.at());
    double distance = away.length();
    for (double nearer = Math.max(NEAREST_METRES, distance / 2);
        nearer < MOST_OF_THE_WAY * distance;
        nearer += STEP_METRES) {
      Point place = talker.at().plus(away, nearer / distance);
      if (room.holds(place) && !entersPicture(room, microphone.at(), place)) {
        all.add(
            new Candidate(
                Figures.say("Bring the microphone to %.0f cm", nearer * 100),
                "mic",
                room.withMicrophone(microphone.movedTo(place, talker.at())),
                0,
                3));
        return;
      }
    }
  }

  /** Whether the camera would see a microphone that it does not see now. */
  private static boolean entersPicture(Room room, Point now, Point then) {
    return room.camera().filter(c -> c.frames(then) && !c.frames(now)).isPresent();
  }

  private static void gain(
      Room room, PlacedMicrophone microphone, double gain, List<Candidate> all) {
    if (gain != microphone.capture().gainDb()) {
      all.add(
          new Candidate(
              Figures.say("Set the gain to %.0f dB", gain),
              "level",
              room.withMicrophone(microphone.with(microphone.capture().withGainDb(gain))),
              0,
              1));
    }
  }
}
