package nullroom.app.ring;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;
import nullroom.app.shell.Units;
import nullroom.core.Figures;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.DecayMeasurement;
import nullroom.core.book.RoomBook;
import nullroom.core.measure.decay.DecayReport;
import nullroom.core.predict.FirstArrivals;
import nullroom.core.predict.Mode;
import nullroom.core.predict.ParallelPair;
import nullroom.core.predict.RoomResponse;
import nullroom.core.room.Room;
import nullroom.core.room.Sides;

/** What of the room answers: single arrivals, flutter and low ringing, named by its description. */
final class Arrivals {
  /** A measured arrival this near a mirrored path is taken for it. */
  static final double SAME_PATH_METRES = 0.12;

  /** Of many paths by several surfaces, one this near may be it. */
  private static final double SAME_LONG_PATH = 0.04;

  /** Above this, modes lie too close to name one. */
  private static final double HIGHEST_MODE_HZ = 260;

  /** Of a mode's three orders, how they are said. */
  private static final List<String> WAYS = List.of("length", "width", "height");

  /** Of several paths that fit, so many are named. */
  static final int NAMED = 2;

  private Arrivals() {}

  /** The last measurement's arrivals, strongest first. */
  static List<RingModel.Arrival> of(RoomBook book) {
    if (book.decay().isEmpty()) {
      return List.of();
    }
    DecayMeasurement measured = book.decay().get();
    Room room = measured.at().placed(book.room());
    List<FirstArrivals.Arrival> paths = FirstArrivals.of(room);
    List<RoomResponse.Arrival> mirrored = RoomResponse.quick(room).arrivals();
    double direct = room.requireTalker().at().distanceTo(room.requireMicrophone().at());
    double speed = room.air().speedOfSound();
    List<RingModel.Arrival> all = new ArrayList<>();
    for (DecayReport.Reflection r : measured.report().reflections()) {
      double extra = r.extraPathMetres(speed);
      List<FirstArrivals.Arrival> fitting = FirstArrivals.matching(paths, extra, SAME_PATH_METRES);
      all.add(
          new RingModel.Arrival(
              1000 * r.delaySeconds(),
              r.levelDb(),
              extra,
              fitting.stream()
                  .limit(NAMED)
                  .map(p -> p.name().replaceFirst("^wall(?=\\d)", "wall "))
                  .collect(Collectors.joining(" or ")),
              fitting.isEmpty() ? further(mirrored, direct + extra) : "",
              fitting));
    }
    return all;
  }

  /** The strongest path by several surfaces that is as long; empty where there is none. */
  private static String further(List<RoomResponse.Arrival> mirrored, double metres) {
    return mirrored.stream()
        .filter(a -> a.surfaces().size() > 1 && Math.abs(a.metres() - metres) < SAME_LONG_PATH)
        .max(Comparator.comparingDouble(a -> a.energy().get(Octave.HZ_1000)))
        .map(a ->
            a.surfaces().stream()
                .map(s -> s.replaceFirst("^wall(?=\\d)", "wall "))
                .collect(Collectors.joining(", then ")))
        .orElse("");
  }

  /** A sentence on flutter, with its pair of surfaces; empty where nothing flutters. */
  static String flutter(RoomBook book, Units units) {
    Room room = book.room();
    return book.decay()
        .flatMap(d -> d.report().flutter())
        .map(f -> {
          double path = f.periodSeconds() * room.air().speedOfSound();
          return Figures.say(
              "Flutter echo every %.1f ms: %s.",
              1000 * f.periodSeconds(),
              ParallelPair.fluttering(room, path)
                  .map(p ->
                      Figures.say(
                          "between %s and %s, %s apart",
                          Sides.named(room, p.one()),
                          Sides.named(room, p.other()),
                          units.length(p.metres())))
                  .orElse("two bare surfaces " + units.length(path / 2) + " apart"));
        })
        .orElse("");
  }

  /** A sentence for each low frequency that rings on. */
  static List<String> ringing(RoomBook book) {
    List<Mode> modes = Mode.about(book.room(), HIGHEST_MODE_HZ);
    return book.decay().stream()
        .flatMap(d -> d.report().ringing().stream())
        .map(r ->
            Figures.say(
                "%.0f Hz rings on for %.1f s%s.",
                r.frequencyHz(),
                r.seconds(),
                Mode.nearest(modes, r.frequencyHz())
                    .map(m ->
                        Figures.say(
                            ": the room’s mode along its %s at %.0f Hz", ways(m), m.frequencyHz()))
                    .orElse("; no mode of the room as described is near")))
        .toList();
  }

  private static String ways(Mode mode) {
    int[] orders = {mode.nx(), mode.ny(), mode.nz()};
    List<String> moving = new ArrayList<>();
    for (int axis = 0; axis < orders.length; axis++) {
      if (orders[axis] > 0) {
        moving.add(WAYS.get(axis));
      }
    }
    return String.join(" and ", moving);
  }
}
