package nullroom.core.predict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import nullroom.core.Progress;
import nullroom.core.TestRooms;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Cloth;
import nullroom.core.acoustics.Octave;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Outline;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Screen;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ScreensTest {
  private static final Cloth BOARD = new Cloth.Stated(Bands.all(0), Bands.all(0));
  private static final Cloth AIR = new Cloth.Stated(Bands.all(0), Bands.all(1));
  private static final Cloth DUVET = new Cloth.Sheet(1.5, 800);

  private static Room hall(Screen... screens) {
    Room hall = TestRooms.of(Outline.box(40, 40), new Ceiling.Flat(20), 0.5);
    return hall.with(hall.contents().withScreens(List.of(screens)));
  }

  private static Screen across(double x, double top, Cloth cloth) {
    return new Screen("screen", new Point(x, 0.1, 0), new Point(x, 39.9, 0), 0, top, cloth);
  }

  @ParameterizedTest
  @DisplayName("Maekawa's chart: a long barrier shields 13 dB at N = 1, 16 at N = 2, 23 at N = 10")
  @CsvSource({"1, 13.6", "2, 16.3", "10, 23.1"})
  void maekawa(double n, double chartDb) {
    int b = 4;
    double wave = hall().air().speedOfSound() / Octave.exactHz(b);
    double detour = n * wave / 2;
    // source and receiver 4 m off the barrier on both sides: the way over is 2 sqrt(16 + h^2)
    double h = Math.sqrt(Math.pow(4 + detour / 2, 2) - 16);
    Room room = hall(across(20, 1.5 + h, BOARD));
    double gain = Screens.gainDb(room, new Point(16, 20, 1.5), new Point(24, 20, 1.5)).get(b);
    assertThat(-gain).isCloseTo(chartDb, within(1.0));
  }

  @Test
  @DisplayName("at its edge a screen shields 5 dB (chart), and comes in without a step")
  void edge() {
    Point from = new Point(16, 20, 1.5);
    Point to = new Point(24, 20, 1.5);
    double below = Screens.gainDb(hall(across(20, 1.4999, BOARD)), from, to).get(4);
    double above = Screens.gainDb(hall(across(20, 1.5001, BOARD)), from, to).get(4);
    assertThat(-above).isCloseTo(4.8, within(0.3));
    assertThat(above).isCloseTo(below, within(0.05));
    assertThat(Screens.gainDb(hall(across(20, 0.3, BOARD)), from, to).get(7)).isZero();
    assertThat(Screens.gainDb(hall(across(20, 1.4999, DUVET)), from, to).get(4))
        .as("cloth, too")
        .isCloseTo(Screens.gainDb(hall(across(20, 1.5001, DUVET)), from, to).get(4), within(0.05));
    assertThat(Screens.gainDb(hall(across(20, 1.4999, AIR)), from, to).get(4))
        .as("air shields nothing, at its edge neither")
        .isCloseTo(0, within(1e-9));
  }

  @Test
  @DisplayName("through cloth that closes the way goes what the sheet lets through")
  void through() {
    Room room = hall(across(20, 19.99, DUVET));
    Bands gain = Screens.gainDb(room, new Point(16, 20, 1.5), new Point(24, 20, 1.5));
    for (int b = 3; b < Octave.COUNT; b++) {
      double by = 10 * Math.log10(DUVET.transmission(b, 1));
      assertThat(gain.get(b)).isCloseTo(by, within(0.25)); // a little bends round both ends
    }
  }

  @Test
  @DisplayName("cloth as good as air changes nothing: not the mirrors, not the late sound")
  void air() {
    Room box = TestRooms.box(0.2);
    Screen none = new Screen("air", new Point(2.2, 0.5, 0), new Point(2.2, 3, 0), 0, 2, AIR);
    Screen tiny = new Screen("air", new Point(4.0, 3.2, 0), new Point(4.1, 3.2, 0), 0, 0.06, AIR);
    Room with = box.with(box.contents().withScreens(List.of(none)));
    Room hardly = box.with(box.contents().withScreens(List.of(tiny))); // no plain box either
    RoomResponse a = RoomResponse.of(hardly, Refinement.SEED, Progress.NONE);
    RoomResponse b = RoomResponse.of(with, Refinement.SEED, Progress.NONE);
    for (int i = 2; i < Octave.COUNT; i++) {
      double late = 10 * Math.log10(a.lateEnergy().get(i) / b.lateEnergy().get(i));
      assertThat(late).isCloseTo(0, within(0.4));
      double early = 10 * Math.log10(a.earlyEnergy().get(i) / b.earlyEnergy().get(i));
      assertThat(early).isCloseTo(0, within(0.3));
    }
    assertThat(Heard.of(with).directDbSpl()).isEqualTo(Heard.of(box).directDbSpl());
    assertThat(b.arrivals())
        .as("what sends nothing back is no mirror")
        .noneMatch(arrival -> arrival.surfaces().contains("air"));
  }

  @Test
  @DisplayName("traced decay with absorbing cloth falls as statistics say: both faces count")
  void statistics() {
    Room box = TestRooms.box(0.15);
    Cloth felt = new Cloth.Stated(Bands.all(0.8), Bands.all(0.1));
    Screen felted =
        new Screen("felt", new Point(2.4, 0.7, 0), new Point(3.4, 2.7, 0), 0, 2.2, felt);
    Room with = box.with(box.contents().withScreens(List.of(felted)));
    double before = Statistics.of(box).seconds().get(4);
    double after = Statistics.of(with).seconds().get(4);
    assertThat(after).isLessThan(0.85 * before);
    double traced =
        RoomResponse.of(with, Refinement.SEED, Progress.NONE).t20Seconds(4).orElseThrow();
    double open = RoomResponse.of(box, Refinement.SEED, Progress.NONE).t20Seconds(4).orElseThrow();
    assertThat(traced / open).isCloseTo(after / before, within(0.12));
  }

  @Test
  @DisplayName("a board between is heard round, no longer straight; a camera sees through no cloth")
  void between() {
    Room box = TestRooms.box(0.2);
    Screen board =
        new Screen("board", new Point(1.35, 0.6, 0), new Point(1.35, 2.4, 0), 0, 2, BOARD);
    Room with = box.with(box.contents().withScreens(List.of(board)));
    Heard open = Heard.of(box);
    Heard shut = Heard.of(with);
    assertThat(shut.directDbSpl().get(6)).isLessThan(open.directDbSpl().get(6) - 12);
    assertThat(shut.directDbSpl().get(0)).isGreaterThan(open.directDbSpl().get(0) - 12);
    RayGeometry geometry = new RayGeometry(with);
    Point lips = with.requireTalker().at();
    Point ears = with.requireMicrophone().at();
    assertThat(geometry.sees(lips, ears)).isTrue();
    assertThat(geometry.clear(lips.x(), lips.y(), lips.z(), ears)).isFalse();
    ReturnMap map = ReturnMap.of(with, Refinement.SEED, Progress.NONE);
    assertThat(map.pieces()).isEmpty();
  }

  @Test
  void refusesWhatReachesOut() {
    Room box = TestRooms.box(0.2);
    Screen tall = new Screen("rail", new Point(1, 1, 0), new Point(2, 1, 0), 0, 2.6, DUVET);
    assertThatThrownBy(() -> box.with(box.contents().withScreens(List.of(tall))))
        .isInstanceOfSatisfying(
            Trouble.BadField.class, e -> assertThat(e.place()).isEqualTo("screens[0]"))
        .hasMessageContaining("'rail' reaches out of the room");
    assertThatThrownBy(
            () -> new Screen("thin", new Point(1, 1, 0), new Point(1, 1.01, 0), 0, 2, DUVET))
        .hasMessageContaining("5 cm wide");
  }
}
