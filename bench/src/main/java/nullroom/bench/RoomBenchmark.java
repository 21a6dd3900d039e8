package nullroom.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import nullroom.core.Progress;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Directivity;
import nullroom.core.acoustics.Pattern;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.predict.Heard;
import nullroom.core.predict.ReturnMap;
import nullroom.core.predict.RoomResponse;
import nullroom.core.room.Aim;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Finish;
import nullroom.core.room.Finishes;
import nullroom.core.room.Furniture;
import nullroom.core.room.Outline;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.SetUp;
import nullroom.core.room.Talker;
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

/** What tracing a room costs, and how that grows with its facets. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx512m")
@Warmup(iterations = 2, time = 3)
@Measurement(iterations = 4, time = 3)
public class RoomBenchmark {
  /** Where rows of ten pieces stand. */
  private static final double[] ROWS = {2.9, 0.05, 0.45, 0.78, 2.2, 2.55};

  /** Pieces of furniture of six or five facets each, beside the six of the box. */
  @Param({"0", "2", "5", "10", "20"})
  int furniture;

  private Room room = room(0);

  /** A furnished box of 36 m³. */
  static Room room(int pieces) {
    Finish finish = new Finish.Stated(Bands.all(0.2), Bands.all(0.2));
    Point lips = new Point(1.1, 1.4, 1.3);
    Point capsule = new Point(1.6, 1.5, 1.35);
    Capture chain = new Capture(Pattern.CARDIOID, 16, 130, -38, -125, 40, 20, 24);
    List<Furniture> furniture = new ArrayList<>();
    for (int k = 0; k < pieces; k++) {
      furniture.add(
          new Furniture(
              "shelf " + k,
              new Point(0.4 * (k % 10) + 0.05, ROWS[k / 10], 0),
              0.25,
              0.3,
              1 + 0.1 * (k % 10),
              0,
              finish));
    }
    return Room.empty(
            "bench",
            Outline.box(4.2, 3.4),
            new Ceiling.Flat(2.5),
            Finishes.of(finish, finish, finish))
        .with(
            SetUp.of(
                new Talker(lips, new Aim(0, 0), VocalEffort.NORMAL, Directivity.VOICE),
                new PlacedMicrophone(capsule, Aim.along(lips.minus(capsule)), chain)))
        .withNoise(Bands.all(20))
        .withFurniture(furniture);
  }

  /** Builds the room. */
  @Setup
  public void setUp() {
    room = room(furniture);
  }

  /**
   * Mirrors with pattern and directivity in eight bands: a lattice in the bare box, else a tree.
   */
  @Benchmark
  public int mirrors() {
    return RoomResponse.quick(room).arrivals().size();
  }

  /** Statistics and first-order paths: what is shown at once. */
  @Benchmark
  public double quickAnswer() {
    return Heard.of(room).margins().clearDb();
  }

  /** A fixed number of rays over a fixed time: what each patch sends back. */
  @Benchmark
  public int fixedRays() {
    return ReturnMap.of(room, 1, Progress.NONE).surfaces().size();
  }

  /** Mirrors and rays until the late level is known well enough. */
  @Benchmark
  public double refined() {
    return RoomResponse.of(room, 1, Progress.NONE).standardErrorDb();
  }
}
