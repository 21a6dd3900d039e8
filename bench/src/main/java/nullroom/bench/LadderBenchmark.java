package nullroom.bench;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import nullroom.core.acoustics.Cloth;
import nullroom.core.book.Goal;
import nullroom.core.book.Hearing;
import nullroom.core.plan.Ladder;
import nullroom.core.room.Member;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Ride;
import nullroom.core.room.Room;
import nullroom.core.room.RoomItem;
import nullroom.core.room.Screen;
import nullroom.core.room.SetUp;
import nullroom.core.room.Talker;
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
  private static final Point STEP = new Point(0.01, 0, 0);

  private Room room = readRoom();
  private Room crowd = crowded(room);

  private static Room readRoom() {
    return BookFolder.readRoom(Path.of(System.getProperty("room", "bench/room.json")));
  }

  /** Reads the room. */
  @Setup
  public void setUp() {
    room = readRoom();
    crowd = crowded(room);
  }

  /** One re-stacking of the ladder. */
  @Benchmark
  public double heardAndMargins() {
    return Ladder.of(Hearing.quick(room).heard(), Goal.SPOKEN_ON_CAMERA.targets())
        .verdicts()
        .clear()
        .uncertaintyDb();
  }

  /** The same with six talkers, eight microphones and twenty pieces of cloth on stands. */
  @Benchmark
  public double crowded() {
    return Ladder.of(Hearing.quick(crowd).heard(), Goal.SPOKEN_ON_CAMERA.targets())
        .verdicts()
        .clear()
        .uncertaintyDb();
  }

  /** A drag of the talker in it, with the clips that follow. */
  @Benchmark
  public double draggedInACrowd() {
    Room moved = RoomItem.TALKER.moved(crowd, crowd.requireTalker().at().plus(STEP, 1));
    return Ladder.of(Hearing.quick(moved).heard(), Goal.SPOKEN_ON_CAMERA.targets())
        .verdicts()
        .clear()
        .uncertaintyDb();
  }

  private static Room crowded(Room room) {
    Talker first = room.requireTalker();
    PlacedMicrophone like = room.requireMicrophone();
    List<Member<Talker>> talkers = new ArrayList<>();
    List<Member<PlacedMicrophone>> microphones = new ArrayList<>();
    for (int i = 0; i < 8; i++) {
      Point aside = new Point(0.11 * i, 0.07 * i, 0);
      if (i < 6) {
        talkers.add(new Member<>("t" + i, first.movedTo(first.at().plus(aside, 1))));
      }
      Optional<Ride> ride = i < 2 ? Optional.of(new Ride("t0", Ride.Part.CHEST)) : Optional.empty();
      microphones.add(
          new Member<>("m" + i, like.movedTo(like.at().plus(aside, 1), first.at()), ride));
    }
    List<Screen> cloth = new ArrayList<>();
    double[] xs = room.outline().span(0);
    double[] ys = room.outline().span(1);
    for (int i = 0; i < 20; i++) {
      double x = xs[0] + (xs[1] - xs[0]) * (i + 0.5) / 20;
      double y = (ys[0] + ys[1]) / 2;
      cloth.add(
          new Screen(
              "cloth " + i,
              new Point(x, y - 0.4, 0),
              new Point(x, y + 0.4, 0),
              0.1,
              1.1,
              new Cloth.Sheet(1.5, 800)));
    }
    SetUp several =
        new SetUp(talkers, microphones, room.setUp().cameras(), List.of(), SetUp.Judged.FIRST);
    return room.with(room.contents().withScreens(cloth)).with(several);
  }
}
