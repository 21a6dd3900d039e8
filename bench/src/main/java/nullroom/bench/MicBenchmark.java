package nullroom.bench;

import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import nullroom.core.Progress;
import nullroom.core.book.Goal;
import nullroom.core.book.RoomBook;
import nullroom.core.book.Shelf;
import nullroom.core.plan.mic.MicMap;
import nullroom.core.plan.mic.MicPlanner;
import nullroom.core.room.Camera;
import nullroom.core.room.Room;
import nullroom.io.book.BookFolder;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** What it costs to rank all classes of microphones over their places, and to map one. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class MicBenchmark {
  private RoomBook book = book();
  private MicPlanner.Ranked first = first(book);

  private static RoomBook book() {
    Room room = BookFolder.readRoom(Path.of(System.getProperty("room", "bench/room.json")));
    Room filmed =
        room.camera().isPresent() ? room : room.withCamera(Optional.of(Camera.before(room)));
    return new RoomBook("bench", Goal.SPOKEN_ON_CAMERA, filmed);
  }

  private static MicPlanner.Ranked first(RoomBook book) {
    return MicPlanner.rank(book, Shelf.EMPTY, Progress.NONE).ranking().getFirst();
  }

  /** Reads the room. */
  @Setup
  public void setUp() {
    book = book();
    first = first(book);
  }

  /** Twenty classes over all their places. */
  @Benchmark
  public double rank() {
    return MicPlanner.rank(book, Shelf.EMPTY, Progress.NONE).ranking().getFirst().shortDb();
  }

  /** 40 by 60 points of one. */
  @Benchmark
  public double map() {
    return MicMap.of(book, Shelf.EMPTY, first).shortDb()[20][30];
  }
}
