package nullroom.core.predict;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import nullroom.core.Figures;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.room.Face;
import nullroom.core.room.Finish;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;

/**
 * The description of a room brought to what was measured in it. In each octave the absorption area
 * that the measured time asks for (Eyring, with air) is shared out over the surfaces: each
 * surface's coefficient is changed in proportion to itself and as little as can be (least squares
 * of the relative changes, weighted by area: regularised to the table), never below zero, never
 * above one, and by no more than a factor of {@link #MOST}. What is then still missing is blamed on
 * something that the description does not hold.
 *
 * @param absorption by surface, tuned; surfaces whose octaves could not be judged keep theirs
 * @param change by surface, tuned over described
 * @param missingArea absorption area per octave that the surfaces cannot account for, square
 *     metres; negative where there is too much
 * @param tunedSeconds times of the tuned room by Eyring's formula
 * @param blame a sentence where a large part is missing or too much
 */
public record Tuning(
    Map<Surface, Bands> absorption,
    Map<Surface, Bands> change,
    Bands missingArea,
    Bands tunedSeconds,
    Optional<String> blame) {
  /** A coefficient of the table is not further off than this (common practice). */
  public static final double MOST = 2.5;

  /** Less than this missing is the table's own uncertainty. */
  private static final double NOTABLE_SQUARE_METRES = 0.8;

  private static final double NOTABLE_RATIO = 1.35;
  private static final double HIGHEST = 0.99;
  private static final int ROUNDS = 60;

  public Tuning {
    absorption = Map.copyOf(absorption);
    change = Map.copyOf(change);
  }

  /**
   * Tunes.
   *
   * @param measured T20 per octave, each where there is one
   */
  public static Tuning of(Room room, List<OptionalDouble> measured) {
    Map<Surface, double[]> areas = areas(room);
    double surface = areas.values().stream().mapToDouble(a -> a[Octave.COUNT]).sum();
    double[][] factors = new double[Octave.COUNT][];
    double[] missing = new double[Octave.COUNT];
    double[] untuned = new double[Octave.COUNT];
    Bands objects = room.objectArea();
    Bands air = room.air().energyAttenuation();
    double k = 24 * Math.log(10) / room.air().speedOfSound() * room.volume();
    Statistics statistics = Statistics.of(room);
    // what is judged by lies over Eyring's times by this where absorption is uneven
    Bands overEyring =
        statistics
            .seconds()
            .with(statistics.seconds(Statistics.Formula.EYRING).orElseThrow(), (t, e) -> t / e);
    List<double[]> each = new ArrayList<>(areas.values());
    for (int b = 0; b < Octave.COUNT; b++) {
      factors[b] = new double[each.size()];
      java.util.Arrays.fill(factors[b], 1);
      if (measured.get(b).isPresent()) {
        double exponent =
            (k * overEyring.get(b) / measured.get(b).getAsDouble() - 4 * air.get(b) * room.volume())
                / surface;
        double wanted = surface * (1 - Math.exp(-Math.max(0, exponent))) - objects.get(b);
        untuned[b] = wanted - described(each, b);
        factors[b] = shared(each, b, wanted);
        missing[b] = wanted - tuned(each, b, factors[b]);
      }
    }
    Map<Surface, Bands> absorption = new LinkedHashMap<>();
    Map<Surface, Bands> change = new LinkedHashMap<>();
    int s = 0;
    for (Map.Entry<Surface, double[]> entry : areas.entrySet()) {
      int which = s++;
      double[] area = entry.getValue();
      Bands factor = Bands.from(b -> factors[b][which]);
      change.put(entry.getKey(), factor);
      absorption.put(entry.getKey(), Bands.from(b -> factor.get(b) * area[b] / area[Octave.COUNT]));
    }
    Bands times =
        Bands.from(b -> {
          double mean = (tuned(each, b, factors[b]) + objects.get(b)) / surface;
          double taken = -Math.log(1 - Math.min(0.999, mean));
          return overEyring.get(b)
              * k
              / Math.max(1e-9, surface * taken + 4 * air.get(b) * room.volume());
        });
    return new Tuning(
        absorption,
        change,
        Bands.of(missing),
        times,
        blame(each, measured, untuned, missing, statistics.seconds()));
  }

  /** By surface: its absorption area per octave, and behind them its area. */
  private static Map<Surface, double[]> areas(Room room) {
    Map<Surface, double[]> areas = new LinkedHashMap<>();
    for (Face face : room.faces()) {
      double[] sum = areas.computeIfAbsent(face.surface(), s -> new double[Octave.COUNT + 1]);
      sum[Octave.COUNT] += face.areaSquareMetres();
      for (int b = 0; b < Octave.COUNT; b++) {
        sum[b] += face.areaSquareMetres() * Math.min(1, face.absorption().get(b));
      }
    }
    return areas;
  }

  /** By how much a surface's coefficients are changed. */
  public Bands changeOf(Surface surface) {
    return java.util.Objects.requireNonNull(change.get(surface));
  }

  /** The room with the tuned coefficients; pieces on surfaces and furniture keep theirs. */
  public Room applied(Room room) {
    Room tuned = room;
    for (Surface surface : room.surfaces()) {
      Finish now = room.finishOf(surface);
      Bands changed =
          now.absorption().with(changeOf(surface), (a, factor) -> Math.clamp(a * factor, 0, 1));
      tuned = tuned.withFinish(surface, new Finish.Stated(changed, now.scattering()));
    }
    return tuned;
  }

  private static double described(List<double[]> surfaces, int b) {
    return surfaces.stream().mapToDouble(a -> a[b]).sum();
  }

  private static double tuned(List<double[]> surfaces, int b, double[] factors) {
    double sum = 0;
    for (int s = 0; s < factors.length; s++) {
      sum += factors[s] * surfaces.get(s)[b];
    }
    return sum;
  }

  /**
   * Factors f of the surfaces that give a wanted area: the least sum of S (f - 1)^2 is f = 1 + m a,
   * with the coefficient a and one number m for all, found by halving; held within bounds.
   */
  private static double[] shared(List<double[]> surfaces, int b, double wanted) {
    double low = -1e3;
    double high = 1e3;
    double[] factors = new double[surfaces.size()];
    for (int round = 0; round < ROUNDS; round++) {
      double m = (low + high) / 2;
      for (int s = 0; s < factors.length; s++) {
        double[] area = surfaces.get(s);
        double coefficient = area[b] / area[Octave.COUNT];
        double most = coefficient > 0 ? Math.max(1, Math.min(MOST, HIGHEST / coefficient)) : 1;
        factors[s] = Math.clamp(1 + m * coefficient, 1 / MOST, most);
      }
      if (tuned(surfaces, b, factors) < wanted) {
        low = m;
      } else {
        high = m;
      }
    }
    return factors;
  }

  /** What could be in the room, or not be in it, from how the error lies over the octaves. */
  private static Optional<String> blame(
      List<double[]> surfaces,
      List<OptionalDouble> measured,
      double[] off,
      double[] missing,
      Bands describedSeconds) {
    int worst = -1;
    for (int b = 1; b < Octave.COUNT; b++) {
      if (measured.get(b).isPresent()
          && (worst < 0 || Math.abs(missing[b]) > Math.abs(missing[worst]))) {
        worst = b;
      }
    }
    if (worst < 0) {
      return Optional.empty();
    }
    int at = Math.abs(missing[worst]) >= NOTABLE_SQUARE_METRES ? worst : largest(measured, off);
    double here = described(surfaces, at);
    double ratio = (here + off[at]) / Math.max(1e-9, here);
    if (Math.abs(off[at]) < NOTABLE_SQUARE_METRES
        || ratio < NOTABLE_RATIO && ratio > 1 / NOTABLE_RATIO) {
      return Optional.empty();
    }
    String times =
        Figures.say(
            "At %.0f Hz the room as described would ring for %.2f s, and %.2f s were measured",
            Octave.nominalHz(at), describedSeconds.get(at), measured.get(at).orElseThrow());
    return Optional.of(
        off[at] > 0
            ? Figures.say(
                "%s: %.1f m² of absorption are missing: %s", times, off[at], more(measured, off))
            : Figures.say(
                "%s: it holds %.1f m² of absorption too much: %s",
                times,
                -off[at],
                "is something soft in the description that is not in the room, or thinner than it says?"));
  }

  private static int largest(List<OptionalDouble> measured, double[] off) {
    int at = -1;
    for (int b = 1; b < off.length; b++) {
      boolean larger = at < 0 || Math.abs(off[b]) > Math.abs(off[at]);
      at = measured.get(b).isPresent() && larger ? b : at;
    }
    return at;
  }

  /** Bass takers, treble takers, or a hole in the wall. */
  private static String more(List<OptionalDouble> measured, double[] off) {
    double bass = mean(measured, off, 1, 2);
    double treble = mean(measured, off, 5, 7);
    if (bass > 2 * treble) {
      return "is a wall hollow, a floor on joists, a large window or a wardrobe left out?";
    }
    return treble > 2 * bass
        ? "is there a carpet, a curtain, a bed or clothes that the description leaves out?"
        : "does a door stand open, or is there something thick and soft that the description leaves out?";
  }

  private static double mean(List<OptionalDouble> measured, double[] off, int from, int to) {
    double sum = 0;
    int count = 0;
    for (int b = from; b <= to; b++) {
      if (measured.get(b).isPresent()) {
        sum += Math.max(0, off[b]);
        count++;
      }
    }
    return count == 0 ? 0 : sum / count;
  }
}
