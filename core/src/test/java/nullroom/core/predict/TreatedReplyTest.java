package nullroom.core.predict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Pattern;
import nullroom.core.room.Alternative;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Finish;
import nullroom.core.room.Furniture;
import nullroom.core.room.Outline;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.RoomItem;
import nullroom.core.room.Surface;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The sum against the quick answer worked out anew. */
class TreatedReplyTest {
  private static Room room(String kind) {
    Room bare =
        switch (kind) {
          case "box" -> TestRooms.box(0.06);
          case "uneven" ->
              TestRooms.box(0.03).withFinish(Surface.FLOOR, Finish.of("carpet_heavy_pad"));
          case "lean-to" ->
              TestRooms.of(Outline.box(4.6, 3.4), new Ceiling.LeanTo(1.15, 2.75, 1), 0.05);
          case "gable" ->
              TestRooms.of(Outline.box(4.6, 4), new Ceiling.Gable(1.2, 2.9, true), 0.05);
          case "ell" -> TestRooms.of(Outline.ell(4.5, 4), new Ceiling.Flat(2.5), 0.05);
          default -> throw new IllegalArgumentException(kind);
        };
    Furniture wardrobe =
        new Furniture(
            "wardrobe",
            new Point(0.2, 0.3, 0),
            0.6,
            0.4,
            1.2,
            0,
            Finish.of("door_hollow"),
            Optional.of(new Alternative("shut", "open", Finish.of("wardrobe_open"))));
    Patch window =
        Patch.rectangle("window", Surface.wall(1), 0.3, 0.2, 1.0, 0.8, "glass_double_10")
            .or(new Alternative("bare", "drawn", Finish.of("curtain_heavy_draped")));
    return TestRooms.with(bare.withFurniture(List.of(wardrobe)).plus(window), Pattern.CARDIOID);
  }

  @ParameterizedTest
  @ValueSource(strings = {"box", "uneven", "lean-to", "gable", "ell"})
  @DisplayName("any pieces at any places, and things turned: the same Clear and times, exactly")
  void same(String kind) {
    Room start = room(kind);
    SplittableRandom random = new SplittableRandom(7);
    String[] materials = {"duvet_100", "blanket_50", "rug_on_wood", "mattress_150", "foam_calc_50"};
    Bands slower = Bands.of(1.2, 1.1, 0.9, 1.05, 1, 0.95, 1.1, 1);
    Bands seconds = Statistics.of(start).seconds().with(slower, (t, f) -> t * f);
    TreatedReply reply = new TreatedReply(start, seconds);
    int covered = 0;
    for (int round = 0; round < 12; round++) {
      Room now = start;
      TreatedReply.State state = reply.state();
      List<TreatedReply.Change> changes = new ArrayList<>();
      for (int i = 0; i < 8; i++) {
        Surface on = now.surfaces().get(random.nextInt(now.surfaces().size()));
        double w = 0.4 + random.nextDouble() * 1.2;
        double h = 0.4 + random.nextDouble() * 0.9;
        Point at = at(reply, random, on, w, h);
        Patch piece = Patch.rectangle("p" + i, on, at.x(), at.y(), w, h, materials[i % 5]);
        if (now.hasPlaceFor(piece)) {
          now = now.plus(piece);
          changes.add(reply.change(piece));
        }
      }
      for (RoomItem item :
          List.of(new RoomItem(RoomItem.Kind.PATCH, 0), new RoomItem(RoomItem.Kind.FURNITURE, 0))) {
        if (random.nextBoolean()) {
          now = item.switched(now);
          changes.add(reply.turned(item).orElseThrow());
        }
      }
      for (TreatedReply.Change change : changes) {
        state.add(change);
        covered += change.early().get(4) < 0 ? 1 : 0;
      }
      Bands anew = Statistics.of(now).seconds().with(slower, (t, f) -> t * f);
      double[] found = new double[8];
      reply.seconds(state, found);
      for (int b = 0; b < 8; b++) {
        assertThat(found[b]).isCloseTo(anew.get(b), within(1e-9 * anew.get(b)));
      }
      assertThat(reply.clearDb(state, found))
          .isCloseTo(Heard.of(now, anew).margins().clearDb(), within(1e-6));
      double[] least = new double[8];
      reply.leastSeconds(state, least);
      assertThat(least[4]).isLessThanOrEqualTo(found[4] + 1e-12);
      assertThat(reply.clearDb(state, least)).isGreaterThanOrEqualTo(reply.clearDb(state, found));
      changes.forEach(state::remove);
    }
    assertThat(covered).as("some first reflections were covered").isPositive();
  }

  /** Over a first reflection, every other time. */
  private static Point at(
      TreatedReply reply, SplittableRandom random, Surface on, double w, double h) {
    List<Point> points = reply.reflections(on);
    if (!points.isEmpty() && random.nextBoolean()) {
      Point p = points.get(random.nextInt(points.size()));
      return new Point(p.x() - w / 2, p.y() - h / 2, 0);
    }
    return new Point(random.nextDouble() * 3.5, random.nextDouble() * 2, 0);
  }
}
