package nullroom.core.measure.decay;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BiPredicate;
import nullroom.core.Figures;
import nullroom.core.signal.Band;

/** Why bands have no time, or a doubtful one, and how to get it. */
final class DecayWords {
  /** Edges of bands and sweeps need not meet exactly. */
  private static final double NEARLY_ALL_PLAYED = 0.9;

  private DecayWords() {}

  /** A sentence for each band without a time, and one for each doubt with its bands. */
  static List<String> explain(
      Excitation excitation, Takes takes, List<Band> bands, List<DecayReport.BandDecay> decays) {
    List<String> sentences = new ArrayList<>();
    together(
        bands,
        decays,
        (band, d) -> takes.played(band) < Takes.LEAST_PLAYED,
        ": the sweep did not play it; no figure.",
        sentences);
    together(
        bands,
        decays,
        (band, d) ->
            takes.played(band) >= Takes.LEAST_PLAYED && takes.played(band) < NEARLY_ALL_PLAYED,
        ": the sweep covers only part of the band, and its figures stand for that part.",
        sentences);
    missing(excitation, takes, bands, decays, sentences);
    together(
        bands,
        decays,
        (band, d) ->
            d.edtSeconds().isEmpty()
                && d.inrDb().orElse(0) >= DecayAnalysis.INR_EDT_DB
                && bandwidthTime(band, d) >= 4,
        ": an early decay this short is lost in the band filter's own build-up; no EDT.",
        sentences);
    together(
        bands,
        decays,
        (band, d) -> excitation != Excitation.NOISE && d.nonLinearityPermille().orElse(0) > 10,
        ": the decay is not straight (non-linearity over 10 permille); read its time with care.",
        sentences);
    together(
        bands,
        decays,
        (band, d) -> excitation != Excitation.NOISE && d.curvaturePercent().orElse(0) > 10,
        ": the decay bends (T30 over 10 % longer than T20): two rooms, a ringing corner, or noise in it.",
        sentences);
    return sentences;
  }

  /** Each band without a T20, and why; and each whose T20 its filter cannot show. */
  private static void missing(
      Excitation excitation,
      Takes takes,
      List<Band> bands,
      List<DecayReport.BandDecay> decays,
      List<String> sentences) {
    for (int i = 0; i < bands.size(); i++) {
      DecayReport.BandDecay decay = decays.get(i);
      if (takes.played(bands.get(i)) < Takes.LEAST_PLAYED) {
        continue;
      }
      double inr = decay.inrDb().orElse(0);
      if (decay.t20Seconds().isEmpty()) {
        sentences.add(
            inr < DecayAnalysis.INR_T20_DB
                ? Figures.say(
                    "%s: the %s only %.0f dB over the noise, T20 needs 35; %s, or wait for a quieter hour.",
                    name(bands.get(i)), stands(excitation), inr, advice(excitation, bands.get(i)))
                : name(bands.get(i)) + ": the decay is no falling line that could be fitted.");
      } else if (bandwidthTime(bands.get(i), decay) < 4) {
        sentences.add(
            Figures.say(
                "%s: %.2f s is shorter than the band filter can show (B T = %.1f, under 4).",
                name(bands.get(i)),
                decay.t20Seconds().getAsDouble(),
                bandwidthTime(bands.get(i), decay)));
      }
    }
  }

  private static void together(
      List<Band> bands,
      List<DecayReport.BandDecay> decays,
      BiPredicate<Band, DecayReport.BandDecay> which,
      String what,
      List<String> sentences) {
    List<String> names = new ArrayList<>();
    for (int i = 0; i < bands.size(); i++) {
      if (which.test(bands.get(i), decays.get(i))) {
        names.add(name(bands.get(i)));
      }
    }
    if (!names.isEmpty()) {
      sentences.add(String.join(", ", names) + what);
    }
  }

  private static double bandwidthTime(Band band, DecayReport.BandDecay decay) {
    return band.widthHz() * decay.t20Seconds().orElse(0);
  }

  private static String stands(Excitation excitation) {
    return switch (excitation) {
      case IMPULSE -> "claps stand";
      case SWEEP -> "sweep stands";
      case NOISE -> "noise stands";
    };
  }

  private static String advice(Excitation excitation, Band band) {
    boolean low = band.centreHz() < 200;
    return switch (excitation) {
      case IMPULSE ->
          low
              ? "claps are weak down here: clap louder, pop a paper bag or play a sweep"
              : "clap louder, come closer";
      case SWEEP ->
          low
              ? "a small loudspeaker gives little down here: play it longer, repeat it, or take a larger one"
              : "play it longer or louder, repeat it";
      case NOISE -> "play it louder";
    };
  }

  private static String name(Band band) {
    double hz = band.nominalHz();
    return hz == Math.rint(hz) ? Figures.say("%.0f Hz", hz) : hz + " Hz";
  }
}
