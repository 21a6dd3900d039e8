package nullroom.core.predict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import nullroom.core.ReferenceTable;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.Bands;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Finish;
import nullroom.core.room.Finishes;
import nullroom.core.room.LooseObject;
import nullroom.core.room.Outline;
import nullroom.core.room.Patch;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class StatisticsTest {
  private static final Map<String, String> WALLS =
      Map.of(
          "x0", "wall4", "x1", "wall2", "y0", "wall1", "y1", "wall3", "z0", "floor", "z1",
          "ceiling");
  private static final int[] OCTAVES = {125, 250, 500, 1000, 2000, 4000};

  @Test
  @DisplayName(
      "worked rooms: Sabine, Eyring, Millington, Fitzroy, Arau-Puchades at 125 Hz to 4 kHz, to the printed digits")
  void workedRooms() {
    List<CSVRecord> rooms = ReferenceTable.rows("reverberation_rooms.csv");
    int checked = 0;
    for (CSVRecord row : ReferenceTable.rows("reverberation_results.csv")) {
      Statistics s =
          Statistics.of(
              room(
                  rooms.stream()
                      .filter(r -> r.get("room_id").equals(row.get("room_id")))
                      .toList()));
      int octave = Bands.of(63, 125, 250, 500, 1000, 2000, 4000, 8000).toArray().length;
      for (int i = 0; i < OCTAVES.length; i++) {
        if (Integer.parseInt(row.get("octave_hz")) == OCTAVES[i]) {
          octave = i + 1;
        }
      }
      for (Statistics.Formula formula : Statistics.Formula.values()) {
        String column =
            formula == Statistics.Formula.ARAU_PUCHADES
                ? "t_arau_puchades_s"
                : "t_" + formula.id() + "_s";
        double expected = Double.parseDouble(row.get(column));
        assertThat(s.seconds(formula).orElseThrow().get(octave))
            .as("%s %s at %s", row.get("room_id"), formula, row.get("octave_hz"))
            .isCloseTo(expected, within(0.006 * expected)); // three printed digits
      }
      checked++;
    }
    assertThat(checked).isGreaterThan(30);
  }

  private static Room room(List<CSVRecord> rows) {
    double x = number(rows.getFirst(), "length_x_m");
    double y = number(rows.getFirst(), "width_y_m");
    double z = number(rows.getFirst(), "height_z_m");
    Map<Surface, Finish> finishes = new HashMap<>();
    List<Patch> patches = new ArrayList<>();
    List<LooseObject> objects = new ArrayList<>();
    Map<Surface, Double> used = new HashMap<>();
    for (CSVRecord row : rows) {
      double amount = number(row, "area_m2_or_count");
      Bands figures = figures(row);
      Optional<Surface> of =
          Optional.ofNullable(WALLS.get(row.get("surface"))).flatMap(Surface::find);
      if (of.isEmpty()) {
        objects.add(new LooseObject("object", figures.map(a -> a * amount)));
        continue;
      }
      Surface surface = of.get();
      Finish finish = new Finish.Stated(figures, Bands.all(0.1));
      if (finishes.putIfAbsent(surface, finish) != null) {
        double high = surface.isWall() ? z : y; // strips side by side, as high as it is
        double width = amount / high;
        double from = used.merge(surface, width, Double::sum) - width;
        Patch strip = Patch.rectangle("part", surface, from, 0, width, high, "tile_marble");
        patches.add(new Patch("part", surface, strip.corners(), finish));
      }
    }
    return Room.empty(
            "worked",
            Outline.box(x, y),
            new Ceiling.Flat(z),
            new Finishes(finishes, Optional.empty()))
        .withPatches(patches)
        .withObjects(objects);
  }

  private static Bands figures(CSVRecord row) {
    double[] all = new double[8];
    for (int i = 0; i < OCTAVES.length; i++) {
      all[i + 1] = number(row, OCTAVES[i] + "_hz");
    }
    all[0] = all[1];
    all[7] = all[6];
    return Bands.of(all);
  }

  private static double number(CSVRecord row, String column) {
    return Double.parseDouble(row.get(column));
  }

  @Test
  @DisplayName(
      "modes of 4.2 x 3.4 x 2.5 m (Rayleigh): 40.86, 50.47 and 68.64 Hz; 9 up to 100 Hz, 46 up to 200 Hz")
  void modes() {
    Room room =
        Room.empty(
            "modes",
            Outline.box(4.2, 3.4),
            new Ceiling.Flat(2.5),
            Finishes.of(
                Finish.of("tile_marble"), Finish.of("tile_marble"), Finish.of("tile_marble")));
    assertThat(Mode.of(room, 100)).hasSize(9);
    assertThat(Mode.of(room, 200)).hasSize(46);
    assertThat(Mode.of(room, 100).getFirst().frequencyHz()).isCloseTo(40.86, within(0.01));
  }

  private static Room random(SplittableRandom random) {
    Room room =
        TestRooms.of(
            Outline.box(1.5 + 4 * random.nextDouble(), 1.5 + 4 * random.nextDouble()),
            new Ceiling.Flat(2 + random.nextDouble()),
            0.1);
    for (Surface surface : room.surfaces()) {
      double most = random.nextInt(3) == 0 ? 0.7 : 0.15;
      Bands finish = Bands.from(b -> 0.01 + most * random.nextDouble());
      room = room.withFinish(surface, new Finish.Stated(finish, Bands.all(0.1)));
    }
    return room;
  }

  @Test
  @DisplayName(
      "nothing that only absorbs more lengthens a time in any octave; 600 rooms and pieces")
  void softerIsNeverLonger() {
    SplittableRandom random = new SplittableRandom(7);
    for (int k = 0; k < 600; k++) {
      Room room = random(random);
      Room softer = room;
      if (k % 3 == 0) {
        Bands sabins = Bands.from(b -> 4 * random.nextDouble());
        softer = room.withObjects(List.of(new LooseObject("coats", sabins)));
      } else {
        Surface surface = room.surfaces().get(random.nextInt(6));
        Bands bare = room.finishOf(surface).absorption();
        Bands soft = bare.map(a -> a + (1 - a) * random.nextDouble());
        Patch patch = Patch.rectangle("piece", surface, 0, 0, 1.4, 1.4, "tile_marble");
        softer =
            room.plus(
                new Patch(
                    "piece", surface, patch.corners(), new Finish.Stated(soft, Bands.all(0.1))));
      }
      Bands before = Statistics.of(room).seconds();
      Bands after = Statistics.of(softer).seconds();
      for (int b = 0; b < 8; b++) {
        assertThat(after.get(b)).as("room %d, octave %d", k, b).isLessThanOrEqualTo(before.get(b));
      }
    }
  }

  @Test
  @DisplayName(
      "times move without a step as a floor grows soft, from Eyring's, even, to near Arau-Puchades', uneven")
  void gradually() {
    Statistics last = Statistics.of(TestRooms.box(0.05));
    for (int k = 0; k <= 90; k++) {
      double soft = 0.05 + k / 100.0;
      Room room =
          TestRooms.box(0.05)
              .withFinish(Surface.FLOOR, new Finish.Stated(Bands.all(soft), Bands.all(0.1)))
              .withFinish(Surface.CEILING, new Finish.Stated(Bands.all(soft), Bands.all(0.1)));
      Statistics now = Statistics.of(room);
      assertThat(now.seconds().get(4) / last.seconds().get(4)).isBetween(0.8, 1.0);
      assertThat(now.unevenWeight().get(4) - last.unevenWeight().get(4)).isBetween(-0.01, 0.06);
      last = now;
      assertThat(now.chosenId()).isEqualTo(now.unevenWeight().get(4) == 0 ? "eyring" : "blend");
      assertThat(now.seconds().get(4))
          .isBetween(
              now.seconds(Statistics.Formula.EYRING).orElseThrow().get(4),
              now.seconds(Statistics.Formula.ARAU_PUCHADES).orElseThrow().get(4));
    }
    assertThat(last.unevenWeight().get(4)).isGreaterThan(0.6);
    assertThat(Statistics.of(TestRooms.box(0.3)).chosenId()).isEqualTo("eyring");
  }
}
