package nullroom.core.plan;

import java.util.Comparator;
import java.util.List;
import nullroom.core.Figures;
import nullroom.core.predict.Margins;

/**
 * One of the three figures that decide, with its target and how far it may be off.
 *
 * @param kind which of them
 * @param db the figure
 * @param targetDb least that the goal asks for
 * @param doubts what its uncertainty is made of; independent of each other
 */
public record Margin(Margins.Kind kind, double db, double targetDb, List<Doubt> doubts) {
  /**
   * A reason why a figure may be off.
   *
   * @param term what is not known better
   * @param db standard uncertainty of the figure by it
   * @param remedy what would make it known, as an instruction
   */
  public record Doubt(String term, double db, String remedy) {}

  public Margin {
    doubts = List.copyOf(doubts);
  }

  /** What it has over its target; negative where it falls short. */
  public double overDb() {
    return db - targetDb;
  }

  /** Standard uncertainty: the root of the sum of squares of its doubts. */
  public double uncertaintyDb() {
    return Math.sqrt(doubts.stream().mapToDouble(d -> d.db() * d.db()).sum());
  }

  /** The word for it. */
  public Verdict verdict() {
    return Verdict.of(overDb(), uncertaintyDb());
  }

  /** The largest of its doubts. */
  public Doubt largestDoubt() {
    return doubts.stream().max(Comparator.comparingDouble(Doubt::db)).orElseThrow();
  }

  /** Its name for people. */
  public String name() {
    return Figures.capital(Figures.word(kind));
  }

  /** "Clear 7.5 dB, give or take 1.2, target 10: short"; with what would tell where nobody can. */
  public String sentence() {
    String line =
        Figures.say(
            "%s %.1f dB, give or take %.1f, target %.0f: %s",
            name(), db, uncertaintyDb(), targetDb, verdict().label());
    return verdict() == Verdict.CANNOT_TELL ? line + " (" + largestDoubt().remedy() + ")" : line;
  }
}
