package nullroom.core.predict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.SplittableRandom;
import nullroom.core.Decibels;
import nullroom.core.Progress;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.acoustics.Pattern;
import nullroom.core.room.Aim;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Finish;
import nullroom.core.room.Furniture;
import nullroom.core.room.Outline;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;
import nullroom.core.room.Talker;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RoomResponseTest {
  private static final Outline ELL =
      new Outline(
          List.of(
              new Point(0, 0, 0),
              new Point(5, 0, 0),
              new Point(5, 2, 0),
              new Point(2.2, 2, 0),
              new Point(2.2, 4.5, 0),
              new Point(0, 4.5, 0)));

  private static Finish finish(double absorption, double scattering) {
    return new Finish.Stated(Bands.all(absorption), Bands.all(scattering));
  }

  private static Room clad(Room room, double absorption, double scattering) {
    Room clad = room;
    for (Surface surface : room.surfaces()) {
      clad = clad.withFinish(surface, finish(absorption, scattering));
    }
    return clad;
  }

  private static Room placed(Room room, Point talker, Point microphone) {
    return room.withTalker(room.requireTalker().movedTo(talker))
        .withMicrophone(room.requireMicrophone().movedTo(microphone, talker));
  }

  private static RoomResponse response(Room room) {
    return RoomResponse.of(room, 3, Progress.NONE);
  }

  private static double db(double energy) {
    return Decibels.ofEnergy(energy);
  }

  @Test
  @DisplayName(
      "the tree of mirrors (Borish 1984) finds the lattice of a box (Allen and Berkley 1979) to order 4")
  void latticeAgainstTree() {
    Room room = placed(TestRooms.box(0.2), new Point(0.9, 1.3, 1.25), new Point(2.7, 2.1, 1.1));
    RayGeometry shell = new RayGeometry(room);
    Point t = room.requireTalker().at();
    Point m = room.requireMicrophone().at();
    List<ImageSources.Path> tree = ImageSources.byTree(shell, t, m, 40, 4);
    List<ImageSources.Path> lattice = ImageSources.of(room, shell, t, m, 40, 4);
    assertThat(tree).hasSameSizeAs(lattice).hasSize(128);
    for (int k = 0; k < tree.size(); k++) {
      ImageSources.Path a = tree.get(k);
      assertThat(lattice)
          .anySatisfy(b -> {
            assertThat(b.metres()).isCloseTo(a.metres(), within(1e-9));
            assertThat(b.facets()).isEqualTo(a.facets());
            for (int i = 0; i < a.order(); i++) {
              assertThat(b.points().get(i).distanceTo(a.points().get(i))).isLessThan(1e-9);
            }
          });
    }
  }

  @Test
  @DisplayName(
      "closed form of second order: path between two opposite walls, levels by (1-a)^2 (1-s)^2 / d^2")
  void closedForm() {
    Room room = clad(TestRooms.box(0.2), 0.3, 0.2);
    RoomResponse response = response(room);
    Point t = room.requireTalker().at();
    Point m = room.requireMicrophone().at();
    double size = room.size().x();
    double d = new Point(2 * size + t.x(), t.y(), t.z()).distanceTo(m); // wall2, then wall4
    RoomResponse.Arrival arrival =
        response.arrivals().stream()
            .filter(a -> Math.abs(a.metres() - d) < 1e-9)
            .findFirst()
            .orElseThrow();
    assertThat(arrival.surfaces()).isIn(List.of("wall2", "wall4"), List.of("wall4", "wall2"));
    double air = room.air().energyAttenuation().get(Octave.HZ_1000);
    double expected = Math.pow(0.7 * 0.8, 2) / (d * d) * Math.exp(-air * d);
    assertThat(db(arrival.energy().get(Octave.HZ_1000))).isCloseTo(db(expected), within(1e-6));
    assertThat(arrival.seconds()).isCloseTo(d / room.air().speedOfSound(), within(1e-12));
    assertThat(response.arrivals().getLast().seconds() - response.directSeconds()).isLessThan(0.05);
  }

  @ParameterizedTest(name = "{0}")
  @CsvSource({"box, 0.2, 0.7", "box, 0.1, 0.9", "ell, 0.2, 0.7", "gable, 0.25, 0.7"})
  @DisplayName(
      "in a diffuse room with little, even absorption the response's T20 is Eyring's within 5 % (with more, Kuttruff's spread of free paths makes it longer)")
  void eyring(String shape, double absorption, double scattering) {
    Room room =
        switch (shape) {
          case "ell" -> TestRooms.of(ELL, new Ceiling.Flat(2.4), 0.1);
          case "gable" ->
              TestRooms.of(Outline.box(4.2, 3.6), new Ceiling.Gable(1.6, 3.1, true), 0.1);
          default -> TestRooms.box(0.1);
        };
    room = clad(room, absorption, scattering);
    room = placed(room, new Point(1.1, 1.3, 1.2), new Point(1.6, 1.6, 1.4));
    RoomResponse response = response(room);
    Bands eyring = Statistics.of(room).seconds(Statistics.Formula.EYRING).orElseThrow();
    for (int b = 0; b < Octave.COUNT; b++) {
      assertThat(response.t20Seconds(b).orElseThrow())
          .as("%s, octave %d", shape, b)
          .isCloseTo(eyring.get(b), within(0.05 * eyring.get(b)));
    }
    assertThat(response.standardErrorDb()).isLessThan(0.3);
  }

  @Test
  @DisplayName("where nothing takes up sound, energy stays: 4 pi c t / V over time (diffuse field)")
  void conservation() {
    Room room = clad(TestRooms.box(0.2), 0, 0.5);
    RayGeometry shell = new RayGeometry(room);
    double c = room.air().speedOfSound();
    RayTracer tracer =
        new RayTracer(
            shell,
            new RayTracer.Setting(
                room.requireTalker().at(),
                room.requireMicrophone().at(),
                (x, y, z, gains) -> java.util.Arrays.fill(gains, 1),
                (x, y, z) -> 1,
                new double[Octave.COUNT],
                c,
                0,
                0,
                0.4));
    double[][] rays = RayTracer.mean(tracer.shoot(4000, 5, Progress.NONE).energy());
    for (int window = 1; window < 8; window++) {
      double sum = java.util.Arrays.stream(rays[3], 50 * window, 50 * window + 50).sum();
      assertThat(sum)
          .as("from %d ms", 50 * window)
          .isCloseTo(
              4 * Math.PI * c * 0.05 / room.volume(),
              within(0.02 * 4 * Math.PI * c * 0.05 / room.volume()));
    }
  }

  @Test
  @DisplayName("the mean way between two facets is 4V/S within 1 % (C. W. Kosten 1960)")
  void meanFreePath() {
    for (Room room :
        List.of(
            TestRooms.box(0.1),
            TestRooms.of(ELL, new Ceiling.Flat(2.4), 0.1),
            TestRooms.of(Outline.box(4.2, 3.6), new Ceiling.Gable(1.6, 3.1, true), 0.1))) {
      RayGeometry shell = new RayGeometry(room);
      SplittableRandom random = new SplittableRandom(4);
      RayGeometry.Hit hit = new RayGeometry.Hit();
      double way = 0;
      int count = 400_000;
      Point p = new Point(1, 1, 1);
      double[] d = {0, 0, 1};
      for (int k = 0; k < count; k++) {
        assertThat(shell.meet(p.x(), p.y(), p.z(), d[0], d[1], d[2], hit)).isTrue();
        way += hit.distance;
        p = p.plus(new Point(d[0], d[1], d[2]), hit.distance);
        Point n = shell.normal(hit.facet);
        double r = Math.sqrt(random.nextDouble()); // Lambert: a point on a disc, lifted
        double a = 2 * Math.PI * random.nextDouble();
        Point u = (Math.abs(n.x()) < 0.9 ? new Point(1, 0, 0) : new Point(0, 1, 0)).cross(n);
        u = new Point(0, 0, 0).plus(u, 1 / u.length());
        Point v = n.cross(u);
        Point to =
            new Point(0, 0, 0)
                .plus(u, r * Math.cos(a))
                .plus(v, r * Math.sin(a))
                .plus(n, Math.sqrt(1 - r * r));
        d = new double[] {to.x(), to.y(), to.z()};
      }
      double expected = Statistics.of(room).meanFreePath();
      assertThat(way / count).isCloseTo(expected, within(0.01 * expected));
    }
  }

  @Test
  @DisplayName("reciprocity: talker and microphone, alike in all directions, may change places")
  void reciprocity() {
    Room ell = clad(TestRooms.of(ELL, new Ceiling.Flat(2.4), 0.2), 0.2, 0.3);
    Room there = placed(ell, new Point(4.23, 0.97, 1.21), new Point(1.07, 3.79, 1.53));
    Room back = placed(ell, new Point(1.07, 3.79, 1.53), new Point(4.23, 0.97, 1.21));
    RoomResponse one = response(there);
    RoomResponse other = response(back);
    assertThat(one.directBlocked()).as("around the corner").isTrue();
    assertThat(other.directBlocked()).isTrue();
    assertThat(one.arrivals()).hasSameSizeAs(other.arrivals()).isNotEmpty();
    for (int k = 0; k < one.arrivals().size(); k++) {
      assertThat(other.arrivals().get(k).metres())
          .isCloseTo(one.arrivals().get(k).metres(), within(1e-9));
      assertThat(db(other.arrivals().get(k).energy().get(3)))
          .isCloseTo(db(one.arrivals().get(k).energy().get(3)), within(1e-6));
    }
    for (int b = 0; b < Octave.COUNT; b++) {
      assertThat(db(other.lateEnergy().get(b))).isCloseTo(db(one.lateEnergy().get(b)), within(0.8));
    }
  }

  @Test
  @DisplayName(
      "a wardrobe between both hides the direct sound and the paths through it, and sends its own")
  void occlusion() {
    Room room =
        placed(clad(TestRooms.box(0.2), 0.2, 0.1), new Point(1, 1.7, 1.2), new Point(3, 1.7, 1.2));
    Room hidden =
        room.withFurniture(
            List.of(
                new Furniture("wardrobe", new Point(1.8, 1, 0), 0.5, 1.4, 2, 0, finish(0.1, 0.1))));
    RoomResponse open = response(room);
    RoomResponse shut = response(hidden);
    assertThat(open.directBlocked()).isFalse();
    assertThat(shut.directBlocked()).isTrue();
    assertThat(shut.arrivals()).noneMatch(a -> a.surfaces().equals(List.of("floor")));
    assertThat(shut.arrivals()).anyMatch(a -> a.surfaces().equals(List.of("ceiling")));
    assertThat(shut.arrivals()).anyMatch(a -> a.surfaces().contains("wardrobe"));
    Heard heard = Heard.of(hidden, Statistics.of(hidden).seconds(), ReflectedSound.of(shut));
    Heard bare = Heard.of(room, Statistics.of(room).seconds(), ReflectedSound.of(open));
    assertThat(bare.directDbSpl()).isEqualTo(Heard.of(room).directDbSpl());
    assertThat(heard.margins().clearDb()).isLessThan(bare.margins().clearDb() - 1);
  }

  @Test
  @DisplayName(
      "behind a cardioid the mirrors lose what the pattern says; behind a talker his shadow")
  void patterns() {
    Room room = clad(TestRooms.box(0.2), 0.2, 0.1);
    Room cardioid = TestRooms.with(room, Pattern.CARDIOID);
    RoomResponse.Arrival omni = wall2(response(room));
    RoomResponse.Arrival less = wall2(response(cardioid));
    Point m = room.requireMicrophone().at();
    double angle = room.requireMicrophone().aim().angleTo(omni.points().getFirst().minus(m));
    assertThat(db(less.energy().get(4)) - db(omni.energy().get(4)))
        .isCloseTo(Pattern.CARDIOID.gainDb(angle), within(1e-9));
    Talker t = room.requireTalker();
    Room away =
        room.withTalker(
            new Talker(
                t.at(), new Aim(180, 0), t.effort(), nullroom.core.acoustics.Directivity.VOICE));
    double off = away.requireTalker().aim().angleTo(omni.points().getFirst().minus(t.at()));
    assertThat(db(wall2(response(away)).energy().get(6)) - db(omni.energy().get(6)))
        .isCloseTo(nullroom.core.acoustics.Directivity.VOICE.gainDb(6, off), within(1e-9));
  }

  private static RoomResponse.Arrival wall2(RoomResponse response) {
    return response.arrivals().stream()
        .filter(a -> a.surfaces().equals(List.of("wall2")))
        .findFirst()
        .orElseThrow();
  }

  @Test
  @DisplayName(
      "the response as sound has the times of what it was made from, and its clarity but for interference")
  void audible() {
    Room room = clad(TestRooms.box(0.2), 0.2, 0.3);
    RoomResponse response = response(room);
    double[] sound = ResponseSound.of(response, 48_000, 1.2, 4);
    int direct = (int) Math.round(response.directSeconds() * 48_000);
    assertThat(sound[direct]).isCloseTo(1 / 0.3, within(0.35));
    double[] lead = new double[4800 + sound.length];
    System.arraycopy(sound, 0, lead, 4800, sound.length);
    var report =
        nullroom.core.measure.decay.DecayAnalysis.ofImpulses(new Samples(lead, 48_000), Octave.ALL);
    for (int b = 3; b < Octave.COUNT; b++) {
      var band = report.band(Octave.nominalHz(b)).orElseThrow();
      double t20 = response.t20Seconds(b).orElseThrow();
      assertThat(band.t20Seconds().orElseThrow())
          .as("T20 %d", b)
          .isCloseTo(t20, within(0.12 * t20));
      double c50 =
          db(
              (response.directEnergy().get(b) + response.earlyEnergy().get(b))
                  / response.lateEnergy().get(b));
      assertThat(band.c50Db().orElseThrow()).as("C50 %d", b).isCloseTo(c50, within(2.0));
    }
    assertThat(ResponseSound.of(response, 48_000, 1.2, 4)).isEqualTo(sound);
  }

  @Test
  @DisplayName("the same seed gives the same rays; another is within the error")
  void seeded() {
    Room room = clad(TestRooms.box(0.2), 0.25, 0.2);
    assertThat(response(room).lateEnergy()).isEqualTo(response(room).lateEnergy());
    assertThat(db(RoomResponse.of(room, 9, Progress.NONE).lateEnergy().get(4)))
        .isCloseTo(db(response(room).lateEnergy().get(4)), within(1.0));
  }
}
