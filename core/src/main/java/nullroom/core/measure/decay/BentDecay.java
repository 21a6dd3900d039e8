package nullroom.core.measure.decay;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import nullroom.core.Figures;
import nullroom.core.Quantile;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.signal.Samples;
import org.apache.commons.statistics.descriptive.StandardDeviation;

/**
 * A gain that comes up while a room dies away; or, where next to nothing is left behind it, a gate
 * that shuts, or a reduction that takes away the noise of each band: the decay begins slower than
 * it goes on, in all bands. Rooms do the opposite where they bend at all (what dies slowly is left
 * at the end). Cannot see a gain that comes up all the way down: that decay is straight, and only
 * too long.
 */
final class BentDecay {
  private static final double FROM_DB = -5;

  /**
   * Points of a curve. Beside the microphone the direct sound is much of all, and for a moment
   * nothing follows; by then what the room throws back dies away.
   */
  static final int SETTLED = (int) (0.03 / DecayReport.BandDecay.CURVE_STEP_SECONDS);

  /** Each of the two parts. */
  private static final double PART_DB = 10;

  /** So far over the noise the second must end. */
  private static final double OVER_NOISE_DB = 5;

  private static final int FEWEST_BANDS = 3;

  /** The second ten decibels fall faster by this much and more; natural logarithm. */
  private static final double FASTER = 0.12;

  /**
   * Ten decibels of a decay that is shorter than this last no longer than it takes until a room
   * throws back the same from everywhere: it begins slower, by up to so much for each second less.
   */
  private static final double LATE_UNDER_SECONDS = 0.4;

  private static final double LATE_PER_SECOND = 1.8;

  /** So many standard deviations of what noise-like decays do by chance. */
  private static final double SURE = 3.5;

  /** Where it is looked for at several places. */
  private static final double SURE_LOWER = 4.5;

  /** Single claps under a slanted ceiling bend by 0.13 somewhere. */
  private static final double FASTER_LOWER = 0.15;

  /** A room as dead as less answers with a few reflections, each of which may bend a decay. */
  private static final double SHORTEST_SECONDS = 0.17;

  /** What is hit once, and rings itself, bends by 0.26 somewhere behind its beginning. */
  private static final double FASTER_ONCE = 0.3;

  /** Where some band does not bend, most must by this much. */
  private static final double FASTER_MOST = 0.4;

  /**
   * Nothing that was recorded stands so far over its noise; what was worked out stops somewhere.
   */
  private static final double NO_NOISE_DB = 92;

  private static final double LOWEST_WITHOUT_DB = -45;

  private static final double LOWER_DB = 5;
  private static final int LOWER_STEPS = 6;

  /** Of the moments at which bands bend: standard deviation over mean. */
  private static final double APART = 0.1;

  private static final double LOWEST_OF_MOMENTS_HZ = 400;

  /**
   * Standard deviation of the logarithm of one stretch's time, times the root of bandwidth and
   * time: from the factors of ISO 3382-2:2008, 7.1 for 20 and 30 dB, carried on to 10 dB.
   */
  static final double ONE_SPREAD = 2;

  /** The same of one band's bend, that is of two stretches. */
  private static final double SPREAD = ONE_SPREAD * Math.sqrt(2);

  private static final double MOST_OF_THEM = 0.7;
  static final double LOWEST_HZ = 200;
  private static final int FEWEST_POINTS = 4;

  /**
   * A gain that comes up brings the noise nearer; where it is farther than this a gate took it.
   * What is held down far and yet lies so far over the noise is taken for shut. Common practice:
   * claps in quiet rooms stand 30 to 55 dB over the noise of an octave.
   */
  private static final double SHUT_INR_DB = 48;

  /** Nothing but zeros for so long, so often between sounds. */
  private static final double SILENT_SECONDS = 0.02;

  private static final int FEWEST_SILENCES = 3;

  private BentDecay() {}

  /**
   * What the decays of a report speak for.
   *
   * @param sound of which it is
   * @param fewestBands in which they must be heard
   */
  static List<Alteration> of(DecayReport report, Samples sound, int fewestBands) {
    return IntStream.rangeClosed(0, LOWER_STEPS)
        .mapToObj(k -> bend(report, LOWER_DB * k))
        .filter(bend -> bend.bands() >= fewestBands && bend.isSure(report.takes() == 1))
        .max(Comparator.comparingDouble(Bend::sure))
        .map(b -> told(b, report, sound))
        .orElse(List.of());
  }

  /**
   * Of the decays of most bands.
   *
   * @param lowerDb than where decays begin to be read
   * @param mean natural logarithm of how much faster they go on
   * @param sure the same in standard deviations of what they do by chance
   * @param faster so many bands
   * @param bands of so many
   * @param seconds reverberation time by the second part of each, on average
   */
  private record Bend(
      double lowerDb, double mean, double sure, int faster, int bands, double seconds) {
    private boolean isSure(boolean once) {
      double lower = once ? FASTER_ONCE : FASTER_LOWER;
      double late = LATE_PER_SECOND * Math.max(0, LATE_UNDER_SECONDS - seconds);
      return faster >= MOST_OF_THEM * bands
          && (lowerDb > 0
              ? sure > SURE_LOWER && mean > (faster < bands ? FASTER_MOST : lower) + late
              : sure > SURE && mean > FASTER + late);
    }
  }

  private static Bend bend(DecayReport report, double lowerDb) {
    double weights = 0;
    double sum = 0;
    double seconds = 0;
    int bands = 0;
    int faster = 0;
    for (DecayReport.BandDecay band : report.bands()) {
      Parts parts = Parts.of(band, fromDb(band, lowerDb));
      if (band.centreHz() > LOWEST_HZ && parts.secondSeconds() > SHORTEST_SECONDS) {
        double weight = band.centreHz() / Math.sqrt(2) * parts.firstSeconds();
        weights += weight;
        sum += weight * parts.bend();
        seconds += parts.secondSeconds();
        bands++;
        faster += parts.bend() > 0 ? 1 : 0;
      }
    }
    double mean = sum / weights;
    return new Bend(
        lowerDb, mean, mean * Math.sqrt(weights) / SPREAD, faster, bands, seconds / bands);
  }

  /**
   * Reverberation times of ten decibels of a decay and of the ten behind; not numbers where it does
   * not reach so far.
   */
  private record Parts(double firstSeconds, double secondSeconds) {
    private static Parts of(DecayReport.BandDecay band, double from) {
      return new Parts(seconds(band, from), seconds(band, from - PART_DB));
    }

    private static double seconds(DecayReport.BandDecay band, double from) {
      return -60
          * DecayReport.BandDecay.CURVE_STEP_SECONDS
          / slope(band.curveDb(), from, from - PART_DB);
    }

    /** How much faster the second falls; natural logarithm. */
    private double bend() {
      return Math.log(firstSeconds / secondSeconds);
    }
  }

  /** Time of the first ten decibels, carried on to sixty; not a number where they are not there. */
  static double firstSeconds(DecayReport.BandDecay band) {
    return Parts.of(band, fromDb(band, 0, PART_DB)).firstSeconds();
  }

  /**
   * Whether bands bend each at a moment of its own: a reduction takes away what has come down to
   * the noise of its band, and a gate all at once.
   */
  static boolean eachByItself(DecayReport report) {
    double[] points =
        report.bands().stream()
            .filter(band -> band.centreHz() > LOWEST_OF_MOMENTS_HZ)
            .mapToDouble(BentDecay::bendsAt)
            .filter(Double::isFinite)
            .toArray();
    return points.length >= FEWEST_BANDS
        && StandardDeviation.of(points).setBiased(true).getAsDouble()
            > APART * Arrays.stream(points).average().orElseThrow();
  }

  /** Point of a curve at which it bends most; not a number where it hardly does. */
  private static double bendsAt(DecayReport.BandDecay band) {
    double at = Double.NaN;
    double most = FASTER;
    for (int k = 0; k <= 2 * LOWER_STEPS; k++) {
      double from = fromDb(band, LOWER_DB / 2 * k);
      double bend = Parts.of(band, from).bend();
      if (bend > most) {
        most = bend;
        at = at(band.curveDb(), from - PART_DB);
      }
    }
    return at;
  }

  private static double medianInr(DecayReport report) {
    return Quantile.median(
        report.bands().stream()
            .filter(band -> band.centreHz() > LOWEST_HZ)
            .mapToDouble(band -> band.inrDb().orElse(0))
            .toArray());
  }

  private static List<Alteration> told(Bend bend, DecayReport report, Samples sound) {
    double percent = 100 * Math.expm1(bend.mean());
    int faster = bend.faster();
    int bands = bend.bands();
    double inrDb = medianInr(report);
    if (endsInSilence(sound)) {
      return throughout(
          Alteration.Kind.GATE,
          Figures.say(
              "the decay goes on %.0f %% steeper than it begins, in %d of %d bands, and then nothing is left: no room does that, a gate that shuts does",
              percent, faster, bands),
          sound);
    }
    if (inrDb <= SHUT_INR_DB) {
      return Alteration.either(
          Alteration.Kind.AUTOMATIC_GAIN,
          Alteration.Kind.GATE,
          Figures.say(
              "the decay goes on %.0f %% steeper than it begins, in %d of %d bands: no room does that, a gain that comes up again does, or a gate that shuts",
              percent, faster, bands),
          0,
          sound.seconds());
    }
    return eachByItself(report)
        ? throughout(
            Alteration.Kind.NOISE_REDUCTION,
            Figures.say(
                "the decay goes on %.0f %% steeper than it begins, in %d of %d bands and in each at another moment: no room does that, what takes away the noise of each band does",
                percent, faster, bands),
            sound)
        : throughout(
            Alteration.Kind.GATE,
            Figures.say(
                "the decay goes on %.0f %% steeper than it begins, in %d of %d bands, down to a noise %.0f dB under it: no room does that, a gate that shuts does",
                percent, faster, bands, inrDb),
            sound);
  }

  private static List<Alteration> throughout(Alteration.Kind kind, String evidence, Samples sound) {
    return List.of(new Alteration(kind, evidence, 0, sound.seconds()));
  }

  /**
   * Whether digital silence comes again and again; the noise under a raised gain would be heard.
   */
  private static boolean endsInSilence(Samples sound) {
    int least = (int) Math.ceil(SILENT_SECONDS * sound.sampleRateHz());
    int silences = 0;
    int zeros = -sound.count(); // what is before the first sound is not between sounds
    for (double sample : sound.toArray()) {
      silences += sample != 0 && zeros >= least ? 1 : 0;
      zeros = sample == 0 ? zeros + 1 : 0;
    }
    return silences >= FEWEST_SILENCES;
  }

  /** Where the first part begins; not a number where the noise would reach into the second. */
  private static double fromDb(DecayReport.BandDecay band, double lowerDb) {
    return fromDb(band, lowerDb, 2 * PART_DB);
  }

  private static double fromDb(DecayReport.BandDecay band, double lowerDb, double rangeDb) {
    double from =
        band.curveDb().size() > SETTLED
            ? Math.min(FROM_DB, band.curveDb().get(SETTLED)) - lowerDb
            : Double.NaN;
    return from - rangeDb > lowestDb(band, OVER_NOISE_DB) ? from : Double.NaN;
  }

  /** How far down a decay is that of a room, so far over the noise. */
  static double lowestDb(DecayReport.BandDecay band, double overNoiseDb) {
    double inrDb = band.inrDb().orElse(0);
    return inrDb > NO_NOISE_DB ? LOWEST_WITHOUT_DB : overNoiseDb - inrDb;
  }

  /** Of the straight line through a part of a curve, dB a point; not a number where too short. */
  private static double slope(List<Double> curve, double from, double to) {
    int first = at(curve, from);
    int last = at(curve, to);
    int n = last - first + 1;
    if (last >= curve.size() || n < FEWEST_POINTS) {
      return Double.NaN;
    }
    double middle = (first + last) / 2.0;
    double up = 0;
    double square = 0;
    for (int k = first; k <= last; k++) {
      up += (k - middle) * curve.get(k);
      square += (k - middle) * (k - middle);
    }
    return up / square;
  }

  /** The first point no higher than a level; behind the last where there is none. */
  private static int at(List<Double> curve, double level) {
    int k = 0;
    while (k < curve.size() && !(curve.get(k) <= level)) {
      k++;
    }
    return k;
  }
}
