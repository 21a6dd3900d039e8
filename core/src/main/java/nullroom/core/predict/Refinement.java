package nullroom.core.predict;

import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.room.Movement;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Room;
import nullroom.core.room.Talker;

/**
 * What tracing a room found beyond its quick answer, to be kept while the room is changed a little:
 * then the quick answer of the changed room is corrected by the same decibels, until that room has
 * been traced itself. In another shape nothing is kept.
 *
 * @param room that was traced
 * @param decaySeconds times that the traced response was brought to
 * @param full what was traced
 * @param earlyDb traced over quick, up to 50 ms
 * @param lateDb the same later
 * @param standardErrorDb of the traced late level
 */
public record Refinement(
    Room room,
    Bands decaySeconds,
    ReflectedSound full,
    Bands earlyDb,
    Bands lateDb,
    double standardErrorDb) {
  /** More than this is no correction but silence on one side. */
  private static final double MOST_DB = 30;

  /** Rays are cast by this seed wherever nobody asks for another. */
  public static final long SEED = 1;

  /**
   * From a response.
   *
   * @param room that was traced
   * @param traced its response
   * @param decaySeconds times of the room, measured where they are, which the response's own are
   *     brought to
   */
  public static Refinement of(Room room, RoomResponse traced, Bands decaySeconds) {
    ReflectedSound full =
        ReflectedSound.of(traced.withDecay(Statistics.of(room).seconds(), decaySeconds));
    ReflectedSound quick = ReflectedSound.quick(room, decaySeconds);
    return new Refinement(
        room,
        decaySeconds,
        full,
        full.earlyDb().with(quick.earlyDb(), Refinement::over),
        full.lateDb().with(quick.lateDb(), Refinement::over),
        traced.standardErrorDb());
  }

  private static double over(double traced, double quick) {
    return Math.clamp(traced - quick, -MOST_DB, MOST_DB);
  }

  /**
   * Whether two rooms answer alike: they differ at most in noise, in cameras, in gain, in what else
   * listens or plays, and in how loud the talker is and moves.
   */
  public static boolean alike(Room one, Room other) {
    return one.enclosure().equals(other.enclosure())
        && one.air().equals(other.air())
        && one.finishes().equals(other.finishes())
        && one.contents().equals(other.contents())
        && one.talker().map(Refinement::still).equals(other.talker().map(Refinement::still))
        && one.microphone().map(Refinement::bare).equals(other.microphone().map(Refinement::bare));
  }

  private static Talker still(Talker talker) {
    return talker.with(VocalEffort.NORMAL).with(Movement.NONE);
  }

  private static PlacedMicrophone bare(PlacedMicrophone m) {
    return m.with(m.capture().withGainDb(0));
  }

  /** Whether it says something about a room. */
  public boolean holds(Room other) {
    return room.outline().equals(other.outline()) && room.ceiling().equals(other.ceiling());
  }

  /**
   * The answer of a room that it holds for: what was traced where it is that room, else its quick
   * answer corrected.
   *
   * @param seconds times of that room
   * @param quick its quick answer with those
   */
  public ReflectedSound of(Room other, Bands seconds, ReflectedSound quick) {
    if (alike(room, other) && seconds.equals(decaySeconds)) {
      return full;
    }
    return new ReflectedSound(
        quick.earlyDb().with(earlyDb, Double::sum),
        quick.lateDb().with(lateDb, Double::sum),
        quick.directBlocked());
  }
}
