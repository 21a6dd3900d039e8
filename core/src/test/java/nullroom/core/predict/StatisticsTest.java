package nullroom.core.predict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nullroom.core.ReferenceTable;
import nullroom.core.acoustics.Air;
import nullroom.core.acoustics.Bands;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Finish;
import nullroom.core.room.LooseObject;
import nullroom.core.room.Outline;
import nullroom.core.room.Patch;
import nullroom.core.room.Room;
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
    Map<String, Finish> finishes = new HashMap<>();
    List<Patch> patches = new ArrayList<>();
    List<LooseObject> objects = new ArrayList<>();
    Map<String, Double> used = new HashMap<>();
    for (CSVRecord row : rows) {
      double amount = number(row, "area_m2_or_count");
      Bands figures = figures(row);
      String surface = WALLS.get(row.get("surface"));
      if (surface == null) {
        objects.add(new LooseObject("object", figures.map(a -> a * amount)));
        continue;
      }
      Finish finish = new Finish.Stated(figures, Bands.all(0.1));
      if (finishes.putIfAbsent(surface, finish) != null) {
        double from = used.merge(surface, 0.0, Double::sum);
        Patch strip = Patch.rectangle("part", surface, from, 0, amount, 1, "tile_marble");
        patches.add(new Patch("part", surface, strip.corners(), finish));
      }
    }
    return new Room(
        "worked",
        Outline.box(x, y),
        new Ceiling.Flat(z),
        Air.ROOM,
        finishes,
        patches,
        objects,
        Optional.empty(),
        Optional.empty(),
        Optional.empty());
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
        new Room(
            "modes",
            Outline.box(4.2, 3.4),
            new Ceiling.Flat(2.5),
            Air.ROOM,
            Map.of(
                "floor",
                Finish.of("tile_marble"),
                "ceiling",
                Finish.of("tile_marble"),
                "walls",
                Finish.of("tile_marble")),
            List.of(),
            List.of(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty());
    assertThat(Mode.of(room, 100)).hasSize(9);
    assertThat(Mode.of(room, 200)).hasSize(46);
    assertThat(Mode.of(room, 100).getFirst().frequencyHz()).isCloseTo(40.86, within(0.01));
  }
}
