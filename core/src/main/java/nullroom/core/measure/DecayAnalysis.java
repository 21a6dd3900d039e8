package nullroom.core.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import nullroom.core.acoustics.Decibels;
import nullroom.core.signal.Band;
import nullroom.core.signal.Samples;

/**
 * Reverberation from claps, pops or a measured impulse response: finds the impulses, evaluates each
 * band, averages over the impulses by adding energies.
 *
 * <p>Source: ISO 3382-1:2009, ISO 3382-2:2008 (evaluation ranges, 5.3; impulse to noise ratios of
 * 35 and 45 dB for T20 and T30, time-reversed filtering with B T > 4, 7.3).
 */
public final class DecayAnalysis {
  /** Levels over the noise that a time needs. */
  static final double INR_EDT_DB = 20;

  static final double INR_T20_DB = 35;
  static final double INR_T30_DB = 45;

  /** No home room rings longer than this lets see. */
  private static final double LONGEST_SECONDS = 12;

  /** Sound before an impulse that may hold its direct sound's filtered energy. */
  private static final double LEAD_SECONDS = 0.08;

  /** What is left free before the next impulse. */
  private static final double GUARD_SECONDS = 0.03;

  private static final double DIRECT_SECONDS = 0.0025;

  /** Broadband rise of an impulse over what follows; under it, it was no impulse. */
  private static final double LEAST_RANGE_DB = 10;

  private DecayAnalysis() {}

  /**
   * Evaluates a recording of one or more impulses.
   *
   * @param sound one channel
   * @param wanted bands to evaluate; those that the sampling rate cannot carry are left out
   */
  public static DecayReport ofImpulses(Samples sound, List<Band> wanted) {
    List<Band> bands = Band.within(wanted, sound.sampleRateHz());
    double[] x = sound.toArray();
    double mean = Arrays.stream(x).average().orElse(0);
    for (int i = 0; i < x.length; i++) {
      x[i] -= mean;
    }
    if (sound.seconds() < NoiseMeter.SHORTEST_SECONDS) {
      return nothing(
          sound,
          bands,
          "The sound is shorter than 0.4 s; record each clap with a second of silence after it.");
    }
    if (Arrays.stream(sound.toArray()).allMatch(v -> v == 0)) {
      return nothing(sound, bands, "The file holds digital silence; is the microphone muted?");
    }
    List<Integer> onsets = Onsets.find(x, sound.sampleRateHz());
    List<double[]> takes = cut(x, onsets, sound.sampleRateHz());
    if (takes.isEmpty()) {
      return nothing(
          sound,
          bands,
          "No clap or other sudden sound stands out; clap once, sharply, and wait two seconds in silence.");
    }
    return evaluate(sound, bands, onsets, takes);
  }

  private static DecayReport nothing(Samples sound, List<Band> bands, String why) {
    return new DecayReport(
        sound.sampleRateHz(),
        OptionalDouble.empty(),
        0,
        bands.stream()
            .map(b -> DecayReport.BandDecay.unknown(b.nominalHz(), OptionalDouble.empty()))
            .toList(),
        OptionalDouble.empty(),
        List.of(why));
  }

  private static DecayReport evaluate(
      Samples sound, List<Band> bands, List<Integer> onsets, List<double[]> takes) {
    double rate = sound.sampleRateHz();
    int lead = (int) (LEAD_SECONDS * rate);
    List<String> warnings = new ArrayList<>();
    List<DecayReport.BandDecay> decays = new ArrayList<>();
    for (Band band : bands) {
      DecayReport.BandDecay decay = new BandEvaluation(band, rate, takes, lead).evaluate();
      decays.add(decay);
      explain(band, decay, warnings);
    }
    if (onsets.size() > takes.size()) {
      warnings.add(
          (onsets.size() - takes.size())
              + " claps came too close to the next one and were left out.");
    }
    DecayReport report =
        new DecayReport(
            rate,
            OptionalDouble.of(onsets.getFirst() / rate),
            takes.size(),
            decays,
            directToReverberant(takes, lead, rate),
            warnings);
    if (report.tMidSeconds().isEmpty()) {
      warnings.add("There is no mid-frequency time: the T20 of 500 Hz or 1 kHz is missing.");
    }
    return new DecayReport(
        rate,
        report.directArrivalSeconds(),
        takes.size(),
        decays,
        report.directToReverberantDb(),
        warnings);
  }

  private static void explain(Band band, DecayReport.BandDecay decay, List<String> warnings) {
    double inr = decay.inrDb().orElse(0);
    String name = bandName(band);
    if (decay.t20Seconds().isEmpty()) {
      warnings.add(
          inr < INR_T20_DB
              ? String.format(
                  Locale.ROOT,
                  "%s: the claps stand only %.0f dB over the noise, T20 needs 35; clap louder, come closer, or wait for a"
                      + " quieter hour.",
                  name,
                  inr)
              : name + ": the decay is no falling line that could be fitted.");
      return;
    }
    double bandwidthTime = band.widthHz() * decay.t20Seconds().getAsDouble();
    if (bandwidthTime < 4) {
      warnings.add(
          String.format(
              Locale.ROOT,
              "%s: %.2f s is shorter than the band filter can show (B T = %.1f, under 4).",
              name,
              decay.t20Seconds().getAsDouble(),
              bandwidthTime));
    }
    if (decay.edtSeconds().isEmpty() && inr >= INR_EDT_DB && bandwidthTime >= 4) {
      warnings.add(
          name + ": an early decay this short is lost in the band filter's own build-up; no EDT.");
    }
    if (decay.nonLinearityPermille().orElse(0) > 10) {
      warnings.add(
          name
              + ": the decay is not straight (non-linearity over 10 permille); read its time with care.");
    }
  }

  private static String bandName(Band band) {
    double hz = band.nominalHz();
    return hz == Math.rint(hz) ? String.format(Locale.ROOT, "%.0f Hz", hz) : hz + " Hz";
  }

  /** One stretch per impulse, each starting {@code LEAD} before it, all of one length. */
  private static List<double[]> cut(double[] x, List<Integer> onsets, double rate) {
    int lead = (int) (LEAD_SECONDS * rate);
    List<int[]> ranges = new ArrayList<>();
    int longest = 0;
    for (int i = 0; i < onsets.size(); i++) {
      int end = i + 1 < onsets.size() ? onsets.get(i + 1) - (int) (GUARD_SECONDS * rate) : x.length;
      end = (int) Math.min(end, onsets.get(i) + LONGEST_SECONDS * rate);
      ranges.add(new int[] {onsets.get(i), end});
      longest = Math.max(longest, end - onsets.get(i));
    }
    int shortestKept = Math.max((int) (Onsets.SHORTEST_GAP_SECONDS * rate), longest / 3);
    ranges.removeIf(r -> r[1] - r[0] < shortestKept || !decays(x, r[0], r[1], rate));
    int common = ranges.stream().mapToInt(r -> r[1] - r[0]).min().orElse(0);
    List<double[]> takes = new ArrayList<>();
    for (int[] range : ranges) {
      double[] take = new double[lead + common];
      int from = Math.max(0, range[0] - lead);
      System.arraycopy(x, from, take, lead - (range[0] - from), range[0] - from + common);
      takes.add(take);
    }
    return takes;
  }

  private static boolean decays(double[] x, int from, int to, double rate) {
    int early = Math.min(to, from + (int) (0.02 * rate));
    return Decibels.ofEnergy(
            mean(x, from, early) / Math.max(1e-300, mean(x, to - (to - from) / 10, to)))
        > LEAST_RANGE_DB;
  }

  private static double mean(double[] x, int from, int to) {
    double sum = 0;
    for (int i = from; i < to; i++) {
      sum += x[i] * x[i];
    }
    return sum / Math.max(1, to - from);
  }

  private static OptionalDouble directToReverberant(List<double[]> takes, int lead, double rate) {
    double[] squared = new double[takes.getFirst().length - lead];
    for (double[] take : takes) {
      for (int i = 0; i < squared.length; i++) {
        squared[i] += take[lead + i] * take[lead + i];
      }
    }
    Lundeby noise = Lundeby.of(squared, rate);
    double direct = 0;
    double rest = 0;
    int split = (int) Math.ceil(DIRECT_SECONDS * rate);
    for (int i = 0; i < noise.crossing(); i++) {
      if (i < split) {
        direct += squared[i] - noise.noise();
      } else {
        rest += squared[i] - noise.noise();
      }
    }
    return direct > 0 && rest > 0
        ? OptionalDouble.of(Decibels.ofEnergy(direct / rest))
        : OptionalDouble.empty();
  }
}
