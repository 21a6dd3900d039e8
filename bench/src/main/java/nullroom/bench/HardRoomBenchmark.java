package nullroom.bench;

import java.util.concurrent.TimeUnit;
import nullroom.core.Progress;
import nullroom.core.acoustics.Bands;
import nullroom.core.predict.RoomResponse;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Finish;
import nullroom.core.room.Outline;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** What refining costs in rooms far from the usual; compare with the plain one of the same run. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx512m")
@Warmup(iterations = 2, time = 3)
@Measurement(iterations = 4, time = 3)
public class HardRoomBenchmark {
  private static final Bands TREATED = Bands.of(0.05, 0.06, 0.12, 0.5, 0.85, 0.9, 0.92, 0.95);
  private static final Bands BOOTH = Bands.of(0.01, 0.01, 0.1, 0.6, 0.9, 0.95, 0.98, 0.98);
  private static final Bands STONE = Bands.of(0.01, 0.01, 0.01, 0.02, 0.02, 0.02, 0.03, 0.03);

  /** The rooms. */
  public enum Kind {
    PLAIN,
    TREATED,
    BOOTH,
    GABLE,
    STONE,
    HALL,
    FULL
  }

  /** Which room. */
  @Param Kind kind = Kind.PLAIN;

  private Room room = RoomBenchmark.room(0);

  private static Room clad(Room room, Bands absorption) {
    Room clad = room;
    for (Surface surface : room.surfaces()) {
      clad = clad.withFinish(surface, new Finish.Stated(absorption, Bands.all(0.1)));
    }
    return clad;
  }

  /** Builds the room. */
  @Setup
  public void setUp() {
    Room plain = RoomBenchmark.room(0);
    room =
        switch (kind) {
          case PLAIN -> plain;
          case TREATED -> clad(plain, TREATED);
          case BOOTH -> clad(plain.reshaped(Outline.box(2.0, 1.8), new Ceiling.Flat(2.0)), BOOTH);
          case GABLE ->
              clad(
                  plain.reshaped(Outline.box(4.2, 3.6), new Ceiling.Gable(1.2, 3.1, true)),
                  TREATED);
          case STONE -> clad(plain, STONE);
          case HALL -> clad(plain.reshaped(Outline.box(28, 20), new Ceiling.Flat(9)), STONE);
          case FULL -> RoomBenchmark.room(60);
        };
  }

  /** Mirrors and rays until the late level is known well enough, or the budget is used. */
  @Benchmark
  public double refined() {
    return RoomResponse.of(room, 1, Progress.NONE).standardErrorDb();
  }
}
