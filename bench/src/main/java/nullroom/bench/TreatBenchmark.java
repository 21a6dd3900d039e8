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
}
