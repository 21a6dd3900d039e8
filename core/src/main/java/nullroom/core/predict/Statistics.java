package nullroom.core.predict;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.Keyed;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.room.Face;
import nullroom.core.room.Room;

/**
 * Reverberation of a room by the five usual formulas, with air absorption 4 m V.
 *
 * <p>T = k V / A with k = 24 ln 10 / c (0.161 s/m at 20 C). Sources: W. C. Sabine 1900; C. F.
 * Eyring, J. Acoust. Soc. Am. 1 (1930) 217; G. Millington, ibid. 4 (1932) 69; D. Fitzroy, ibid. 31
 * (1959) 893; H. Arau-Puchades, Acustica 65 (1988) 163. Loose objects count in the
 * floor-and-ceiling pair for the last two, which hold for boxes only. Below the Schroeder frequency
 * none of them means much.
 *
 * @param volume cubic metres
 * @param surface square metres
 * @param absorptionArea surface areas times coefficients plus objects, without air
 * @param formulaSeconds times by formula
 * @param unevenWeight per octave how far the times go from Eyring's to those of Arau-Puchades, 0 to
 *     1 of the way in logarithms
 * @param why a sentence for that
 */
public record Statistics(
    double volume,
    double surface,
    Bands absorptionArea,
    Map<Formula, Bands> formulaSeconds,
    Bands unevenWeight,
    String why) {

  /** A reverberation formula. */
  public enum Formula implements Keyed {
    SABINE,
    EYRING,
    MILLINGTON,
    FITZROY,
    ARAU_PUCHADES
  }

  /**
   * Coefficients of 1 and more have no logarithm; a face that perfect leaves nothing to compute.
   */
  private static final double HIGHEST_COEFFICIENT = 0.999;

  /** Formulas that differ by less than a tenth need no blending. */
  private static final double EVEN = Math.log(1.1);

  /** So much beyond, they share by halves: a quarter longer (common practice). */
  private static final double HALF = Math.log(1.25);

  /** Times without end, such as those of a room that absorbs nothing, are shown as this. */
  static final double LONGEST_SECONDS = 1000;

  /** Computes all formulas of a room. */
  public static Statistics of(Room room) {
    List<Face> faces = room.faces();
    double volume = room.volume();
    double surface = faces.stream().mapToDouble(Face::areaSquareMetres).sum();
    Bands objects = room.objectArea();
    Bands area = Bands.from(i -> total(faces, f -> f.absorption().get(i)) + objects.get(i));
    Bands air = room.air().energyAttenuation().map(m -> 4 * m * volume);
    double k = 24 * Math.log(10) / room.air().speedOfSound();
    EnumMap<Formula, Bands> times = new EnumMap<>(Formula.class);
    times.put(Formula.SABINE, Bands.from(i -> time(k * volume, area.get(i) + air.get(i))));
    times.put(
        Formula.EYRING,
        Bands.from(i -> time(k * volume, surface * exponent(area.get(i) / surface) + air.get(i))));
    times.put(
        Formula.MILLINGTON,
        Bands.from(i ->
            time(
                k * volume,
                total(faces, f -> exponent(f.absorption().get(i))) + objects.get(i) + air.get(i))));
    if (room.isBox()) {
      times.put(
          Formula.FITZROY,
          Bands.from(i -> pairs(faces, objects, i, k * volume, air.get(i), false)));
      times.put(
          Formula.ARAU_PUCHADES,
          Bands.from(i -> pairs(faces, objects, i, k * volume, air.get(i), true)));
    }
    return choose(volume, surface, area, times);
  }

  /**
   * Where absorption is even, Eyring; the more uneven it is, the more of Arau-Puchades. Unevenness
   * is D = ln(T_A / T_E), nought where all pairs of surfaces absorb alike, and the time is T_E
   * e^phi(D) with phi = d^2 / (d + {@link #HALF}), d what D has over {@link #EVEN}. The slope of
   * phi lies between 0 and 1, so that the blend is in every direction between the two formulas,
   * both of which fall wherever absorption is added: nothing soft ever lengthens a time, in any
   * octave.
   */
  /** Absorption with which a room's reverberation lasts so long, after Sabine, square metres. */
  public static double areaFor(Room room, double seconds) {
    return 24 * Math.log(10) / room.air().speedOfSound() * room.volume() / seconds;
  }

  private static Statistics choose(
      double volume, double surface, Bands area, Map<Formula, Bands> times) {
    Bands eyring = Objects.requireNonNull(times.get(Formula.EYRING));
    Bands arau = times.get(Formula.ARAU_PUCHADES);
    if (arau == null) {
      return new Statistics(
          volume,
          surface,
          area,
          times,
          Bands.all(0),
          "Eyring; the formulas for uneven absorption hold for boxes only.");
    }
    Bands weight = eyring.with(arau, Statistics::unevenWeight);
    return new Statistics(volume, surface, area, times, weight, why(weight));
  }

  /** How far a time goes from an even room's to an uneven one's. */
  static double unevenWeight(double even, double uneven) {
    double apart = Math.log(uneven / even);
    double over = Math.max(0, apart - EVEN);
    return over == 0 ? 0 : over * over / (over + HALF) / apart;
  }

  private static String why(Bands weight) {
    double most = Arrays.stream(weight.toArray()).max().orElse(0);
    return most == 0
        ? "Eyring, since absorption is spread evenly enough for sound to mix."
        : Figures.say(
            "Between Eyring and Arau-Puchades, since opposite pairs of surfaces absorb unequally and sound lives on between the hard ones: "
                + "%.0f %% of the latter at 1 kHz, %.0f to %.0f %% over all octaves.",
            100 * weight.get(Octave.HZ_1000),
            100 * Arrays.stream(weight.toArray()).min().orElse(0),
            100 * most);
  }

  static double time(double kv, double area) {
    return Math.min(LONGEST_SECONDS, kv / Math.max(area, 1e-9));
  }

  static double exponent(double alpha) {
    return -Math.log(1 - Math.min(alpha, HIGHEST_COEFFICIENT));
  }

  private static double total(List<Face> faces, ToDoubleFunction<Face> perArea) {
    return faces.stream().mapToDouble(f -> f.areaSquareMetres() * perArea.applyAsDouble(f)).sum();
  }

  private static double pairArea(List<Face> faces, int pair) {
    return faces.stream().filter(f -> f.pair() == pair).mapToDouble(Face::areaSquareMetres).sum();
  }

  private static double pairMean(List<Face> faces, Bands objects, int pair, int octave) {
    List<Face> own = faces.stream().filter(f -> f.pair() == pair).toList();
    double area =
        total(own, f -> f.absorption().get(octave)) + (pair == 2 ? objects.get(octave) : 0);
    return area / Math.max(1e-9, pairArea(faces, pair));
  }

  private static double pairs(
      List<Face> faces, Bands objects, int octave, double kv, double air, boolean geometric) {
    double surface = faces.stream().mapToDouble(Face::areaSquareMetres).sum();
    double mean = 0;
    for (int pair = 0; pair < 3; pair++) {
      double share = pairArea(faces, pair) / surface;
      double t = time(kv, surface * exponent(pairMean(faces, objects, pair, octave)) + air);
      mean += share * (geometric ? Math.log(t) : t);
    }
    return geometric ? Math.exp(mean) : mean;
  }

  /** Times that the room is judged by. */
  public Bands seconds() {
    Bands eyring = Objects.requireNonNull(formulaSeconds.get(Formula.EYRING));
    return Bands.from(b -> {
      double uneven = formulaSeconds.getOrDefault(Formula.ARAU_PUCHADES, eyring).get(b);
      return eyring.get(b) * Math.pow(uneven / eyring.get(b), unevenWeight.get(b));
    });
  }

  /** Key of what they come from: that of Eyring's formula, or "blend". */
  public String chosenId() {
    return Arrays.stream(unevenWeight.toArray()).allMatch(w -> w == 0)
        ? Formula.EYRING.id()
        : "blend";
  }

  /** Times by one formula; empty where it does not apply. */
  public Optional<Bands> seconds(Formula formula) {
    return Optional.ofNullable(formulaSeconds.get(formula));
  }

  /** Mean of the 500 and 1000 Hz times that the room is judged by. */
  public double midSeconds() {
    return (seconds().get(Octave.HZ_500) + seconds().get(Octave.HZ_1000)) / 2;
  }

  /** 2000 sqrt(T/V): below it single modes rule. */
  public double schroederHz() {
    return 2000 * Math.sqrt(midSeconds() / volume);
  }

  /**
   * How far a source must at least be from the microphone for the room to be measured, 2 sqrt(V/(c
   * T)) in metres: ISO 3382-2:2008, 4.3 (from memory).
   */
  public double leastSourceDistance(double speedOfSound) {
    return 2 * Math.sqrt(volume / (speedOfSound * midSeconds()));
  }

  /** 4V/S in metres. */
  public double meanFreePath() {
    return 4 * volume / surface;
  }

  /**
   * Distance at which direct and reverberant sound are equal: sqrt(Q g A / 16 pi), with the
   * talker's directivity factor Q on axis, g one over the pattern's random energy efficiency, and A
   * with air.
   *
   * @return metres; for an omni talker or microphone where the room names none
   */
  public double criticalDistance(Room room, int octave) {
    double q =
        room.talker()
            .map(t -> Decibels.toEnergy(t.directivity().indexDb().get(octave)))
            .orElse(1.0);
    double g =
        room.microphone().map(m -> 1 / m.capture().pattern().randomEnergyEfficiency()).orElse(1.0);
    double area =
        absorptionArea.get(octave) + 4 * room.air().energyAttenuation().get(octave) * volume;
    return Math.sqrt(q * g * area / (16 * Math.PI));
  }
}
