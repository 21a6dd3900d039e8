package nullroom.core.measure.noise;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import nullroom.core.Figures;

/** Places and hours to record in, compared by their noise: best first, each with the reason. */
public final class Spots {
  /** Under this two places sound alike. */
  private static final double ALIKE_DB = 1;

  /** A hum or tone that stands out by this is heard in pauses. */
  private static final double PLAIN_TONE_DB = 6;

  private Spots() {}

  /**
   * A place as it was heard.
   *
   * @param name of place and hour
   * @param laeqDb its A-weighted level, all candidates in the same unit
   * @param report what was measured there
   */
  public record Candidate(String name, double laeqDb, NoiseReport report) {}

  /**
   * A place in the order.
   *
   * @param candidate as it was heard
   * @param reason in words
   */
  public record Ranked(Candidate candidate, String reason) {}

  /**
   * The candidates, best first: by level, and where that is alike by what breaks in or stands out.
   */
  public static List<Ranked> rank(List<Candidate> candidates) {
    double quietest = candidates.stream().mapToDouble(Candidate::laeqDb).min().orElse(0);
    List<Candidate> order = new ArrayList<>(candidates);
    order.sort(
        Comparator.<Candidate>comparingDouble(c -> Math.floor((c.laeqDb() - quietest) / ALIKE_DB))
            .thenComparingDouble(c -> nuisance(c.report()))
            .thenComparingDouble(Candidate::laeqDb));
    List<Ranked> ranked = new ArrayList<>();
    for (Candidate c : order) {
      ranked.add(new Ranked(c, reason(c, c.laeqDb() - quietest)));
    }
    return ranked;
  }

  private static double nuisance(NoiseReport r) {
    return r.intrusions().size() + plainTones(r);
  }

  private static long plainTones(NoiseReport r) {
    return r.tones().stream().filter(t -> t.prominenceDb() >= PLAIN_TONE_DB).count();
  }

  private static String reason(Candidate c, double overBestDb) {
    NoiseReport r = c.report();
    List<String> parts = new ArrayList<>();
    parts.add(
        overBestDb < ALIKE_DB
            ? overBestDb == 0 ? "the quietest" : "as quiet as any"
            : Figures.say("%.0f dB louder than the quietest", overBestDb));
    r.mains().ifPresent(m -> parts.add(Figures.say("hums at %.0f Hz", m.fundamentalHz())));
    long tones = r.tones().stream().filter(t -> !t.mains()).count();
    if (tones > 0) {
      parts.add(tones == 1 ? "one tone" : tones + " tones");
    }
    if (!r.intrusions().isEmpty()) {
      parts.add(
          r.intrusions().size() == 1
              ? "one sound broke in"
              : r.intrusions().size() + " sounds broke in");
    } else {
      parts.add("nothing broke in");
    }
    if (r.rumbles()) {
      parts.add("rumbles");
    }
    return String.join(", ", parts);
  }
}
