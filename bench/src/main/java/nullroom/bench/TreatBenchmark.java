package nullroom.bench;

import java.nio.file.Path;
import java.util.EnumSet;
import java.util.concurrent.TimeUnit;
import nullroom.core.Progress;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.AtHand;
import nullroom.core.book.Goal;
import nullroom.core.book.RoomBook;
import nullroom.core.plan.treatment.TreatmentPlanner;
import nullroom.core.plan.treatment.TreatmentSchool;
import nullroom.core.predict.Statistics;
import nullroom.core.predict.TreatedReply;
import nullroom.core.room.Patch;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;
import nullroom.io.book.BookFolder;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** What it costs to try one piece more, and to plan. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
public class TreatBenchmark {
  private Room room = readRoom();
  private TreatedReply reply = reply(room);
  private TreatedReply.State state = reply.state();
  private TreatedReply.Change change = change(reply);
  private final double[] seconds = new double[Octave.COUNT];

  private static Room readRoom() {
    return BookFolder.readRoom(Path.of(System.getProperty("room", "bench/room.json")));
  }

  private static TreatedReply reply(Room room) {
    return new TreatedReply(room, Statistics.of(room).seconds());
  }

  private static TreatedReply.Change change(TreatedReply reply) {
    return reply.change(Patch.rectangle("duvet", Surface.wall(2), 0.2, 0, 1.2, 1.9, "duvet_100"));
  }

  /** Reads the room. */
  @Setup
  public void setUp() {
    room = readRoom();
    reply = reply(room);
    state = reply.state();
    change = change(reply);
  }

  /** A piece put up, times and Clear worked out, and the piece taken down. */
  @Benchmark
  public double onePieceMore() {
    state.add(change);
    reply.seconds(state, seconds);
    double clear = reply.clearDb(state, seconds);
    state.remove(change);
    return clear;
  }

  /** The free plan of a usual household's pieces, its proof or bound, and its tracing. */
  @Benchmark
  public double plan() {
    return TreatmentPlanner.plan(
            new RoomBook("bench", Goal.SPOKEN_ON_CAMERA, room),
            AtHand.USUAL,
            EnumSet.of(TreatmentSchool.FREE),
            12,
            Progress.NONE)
        .plans()
        .getFirst()
        .after()
        .offDb();
  }

  /** A household that grows, of whose pieces twelve may be used. */
  @State(Scope.Benchmark)
  public static class Household {
    /** Kinds of pieces at hand. */
    @Param({"4", "8", "12"})
    int kinds;

    /** Every so many metres another window takes a place on the walls: more edges, more places. */
    @Param({"0", "3"})
    int windows;

    private Room room = readRoom();

    /** Puts small windows into the walls. */
    @Setup
    public void setUp() {
      room = readRoom();
      for (int k = 0; k < windows; k++) {
        Patch window =
            Patch.rectangle(
                "window " + k, Surface.wall(1 + k), 0.3 + 0.4 * k, 1.3, 0.3, 0.4, "glass_window");
        room = room.hasPlaceFor(window) ? room.plus(window) : room;
      }
    }
  }

  /** The free plan and its limits' prices as a household grows; the result is traced, too. */
  @Benchmark
  public long grown(Household household) {
    return TreatmentPlanner.plan(
            new RoomBook("bench", Goal.SPOKEN_ON_CAMERA, household.room),
            AtHand.USUAL
                .withPieces(AtHand.THINKABLE.subList(0, household.kinds))
                .withDrilling(true)
                .withLadder(true),
            EnumSet.of(TreatmentSchool.FREE),
            12,
            Progress.NONE)
        .evaluations();
  }
}
