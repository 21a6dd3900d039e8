package nullroom.bench;

import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import nullroom.core.book.Goal;
import nullroom.core.book.Hearing;
import nullroom.core.plan.Ladder;
import nullroom.core.room.Room;
import nullroom.io.book.BookFolder;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** What a drag costs before anything is drawn: statistics and what the microphone hears. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
public class LadderBenchmark {
  private Room room = readRoom();

  private static Room readRoom() {
    return BookFolder.readRoom(Path.of(System.getProperty("room", "bench/room.json")));
  }

  /** Reads the room. */
  @Setup
  public void setUp() {
    room = readRoom();
  }

  /** One re-stacking of the ladder. */
  @Benchmark
  public double heardAndMargins() {
    return Ladder.of(Hearing.quick(room).heard(), Goal.SPOKEN_ON_CAMERA.targets())
        .verdicts()
        .clear()
        .uncertaintyDb();
  }
}
