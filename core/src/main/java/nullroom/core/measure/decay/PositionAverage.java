package nullroom.core.measure.decay;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Reverberation times of a room out of measurements at several places: the mean over all pairs of
 * source and microphone, with its spread.
 *
 * <p>Source: ISO 3382-2:2008, 8 and Annex A.
 *
 * @param bands ascending; those for which at least one pair has a T20
 * @param pairs of a source's and a microphone's place that were measured
 * @param sources places of the source
 * @param microphones places of the microphone
 * @param grade the best method of the standard that so many pairs are enough for
 */
public record PositionAverage(
    List<Averaged> bands, int pairs, int sources, int microphones, Optional<Grade> grade) {

  /** Methods of ISO 3382-2:2008, Table 1 (from memory), by what each needs at least. */
  public enum Grade {
    SURVEY("survey", 2, 1, 2, 1),
    ENGINEERING("engineering", 6, 2, 2, 2),
    PRECISION("precision", 12, 2, 3, 3);

    private final String label;
    private final int pairs;
    private final int sources;
    private final int microphones;
    private final int decays;

    Grade(String label, int pairs, int sources, int microphones, int decays) {
      this.label = label;
      this.pairs = pairs;
      this.sources = sources;
      this.microphones = microphones;
      this.decays = decays;
    }

    /** Name for people. */
    public String label() {
      return label;
    }

    /** Pairs of source and microphone it needs. */
    public int pairs() {
      return pairs;
    }

    /** Places of the source it needs. */
    public int sources() {
      return sources;
    }

    /** Places of the microphone it needs. */
    public int microphones() {
      return microphones;
    }

    private boolean metBy(int pairCount, int sourceCount, int microphoneCount, int fewestDecays) {
      return pairCount >= pairs
          && sourceCount >= sources
          && microphoneCount >= microphones
          && fewestDecays >= decays;
    }
  }

  /**
   * One measurement.
   *
   * @param source name of the source's place
   * @param microphone name of the microphone's place
   * @param report what was measured there
   */
  public record At(String source, String microphone, DecayReport report) {}

  /**
   * One band.
   *
   * @param centreHz nominal
   * @param seconds mean T20
   * @param spreadSeconds standard deviation from place to place; empty for one pair
   * @param deviationSeconds standard deviation of the mean: by chance alone, or by the spread where
   *     that says more
   * @param pairs that have a T20 here
   */
  public record Averaged(
      double centreHz,
      double seconds,
      OptionalDouble spreadSeconds,
      double deviationSeconds,
      int pairs) {}

  public PositionAverage {
    bands = List.copyOf(bands);
  }

  /** The average of one measurement alone. */
  public static PositionAverage of(DecayReport report) {
    return of(List.of(new At("", "", report)));
  }

  /**
   * Averages.
   *
   * @param measurements at least one; each pair of places once
   */
  public static PositionAverage of(List<At> measurements) {
    List<Averaged> bands = new ArrayList<>();
    for (DecayReport.BandDecay band : measurements.getFirst().report().bands()) {
      double[] times = new double[measurements.size()];
      int count = 0;
      double squares = 0;
      for (At at : measurements) {
        Optional<DecayReport.BandDecay> here =
            at.report().band(band.centreHz()).filter(b -> b.t20Seconds().isPresent());
        if (here.isPresent()) {
          times[count++] = here.get().t20Seconds().orElseThrow();
          squares += Math.pow(here.get().t20DeviationSeconds().orElse(0), 2);
        }
      }
      if (count > 0) {
        bands.add(averaged(band.centreHz(), Arrays.copyOf(times, count), Math.sqrt(squares)));
      }
    }
    int sources = places(measurements.stream().map(At::source).toList());
    int microphones = places(measurements.stream().map(At::microphone).toList());
    int decays = measurements.stream().mapToInt(at -> decays(at.report())).min().orElseThrow();
    Optional<Grade> grade =
        Arrays.stream(Grade.values())
            .filter(g -> g.metBy(measurements.size(), sources, microphones, decays))
            .reduce((one, better) -> better);
    return new PositionAverage(bands, measurements.size(), sources, microphones, grade);
  }

  private static Averaged averaged(double hz, double[] times, double chance) {
    int n = times.length;
    double mean = Arrays.stream(times).average().orElseThrow();
    double byChance = chance / n;
    if (n == 1) {
      return new Averaged(hz, mean, OptionalDouble.empty(), byChance, n);
    }
    double squares = Arrays.stream(times).map(t -> (t - mean) * (t - mean)).sum();
    double spread = Math.sqrt(squares / (n - 1));
    return new Averaged(
        hz, mean, OptionalDouble.of(spread), Math.max(byChance, spread / Math.sqrt(n)), n);
  }

  private static int places(List<String> names) {
    return (int) names.stream().distinct().count();
  }

  /** Interrupted decays at that place, or what a response is worth. */
  private static int decays(DecayReport report) {
    return report.excitation().filter(e -> e == Excitation.NOISE).isPresent()
        ? report.takes()
        : DecayDeviation.RESPONSE_DECAYS;
  }

  /** One band's mean; empty where no pair has a T20. */
  public Optional<Averaged> band(double centreHz) {
    return bands.stream().filter(b -> b.centreHz() == centreHz).findFirst();
  }

  /** Mean of the 500 and 1000 Hz times; empty where one is missing. */
  public OptionalDouble tMidSeconds() {
    Optional<Averaged> low = band(500);
    Optional<Averaged> high = band(1000);
    return low.isPresent() && high.isPresent()
        ? OptionalDouble.of((low.get().seconds() + high.get().seconds()) / 2)
        : OptionalDouble.empty();
  }
}
