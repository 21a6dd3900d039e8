package nullroom.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Stream;
import nullroom.core.predict.Basis;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.predict.Origin;

/**
 * Everything that decides a recording on one ruler in dBFS, with the three margins between: what
 * every face draws or prints.
 *
 * @param heard what it is made from
 * @param rungs in no order
 * @param brackets the three margins
 * @param verdicts the same with their targets, uncertainties and words
 */
public record Ladder(Heard heard, List<Rung> rungs, List<Bracket> brackets, Verdicts verdicts) {
  /** Kinds of rungs; decides how they are drawn. */
  public enum Group {
    LIMIT,
    VOICE,
    TARGET,
    ROOM,
    NOISE
  }

  /**
   * One level.
   *
   * @param label for people
   * @param dbfs where it stands
   * @param group what kind it is
   * @param origin how it was come by
   * @param reason where it comes from, put into words when it is asked
   */
  public record Rung(
      String label, double dbfs, Group group, Origin.Kind origin, Supplier<Why> reason) {
    /** Where it comes from. */
    public Why why() {
      return reason.get();
    }
  }

  /**
   * One margin between two levels.
   *
   * @param margin its figure and word
   * @param fromDbfs upper end
   * @param toDbfs lower end
   * @param reason where it comes from, put into words when it is asked
   */
  public record Bracket(Margin margin, double fromDbfs, double toDbfs, Supplier<Why> reason) {
    /** Where it comes from. */
    public Why why() {
      return reason.get();
    }
  }

  public Ladder {
    rungs = List.copyOf(rungs);
    brackets = List.copyOf(brackets);
  }

  /** The ladder of what is heard, for a goal's targets. */
  public static Ladder of(Heard heard, Margins targets) {
    Reasons reasons = new Reasons(heard, targets);
    Verdicts verdicts = Verdicts.of(heard, targets);
    double voice = heard.dbfs(heard.voiceDbSplA());
    double late = voice - heard.margins().clearDb();
    List<Rung> rungs = new ArrayList<>();
    Basis basis = heard.basis();
    Origin.Kind chain = basis.chain().origin().kind();
    double capsule = heard.dbfs(heard.capture().maxDbSpl());
    double peak = heard.dbfs(heard.peakDbSpl());
    rungs.add(new Rung("full scale", 0, Group.LIMIT, chain, reasons::fullScale));
    rungs.add(new Rung("capsule limit", capsule, Group.LIMIT, chain, reasons::capsule));
    reasons
        .stageLimit()
        .ifPresent(why ->
            rungs.add(
                new Rung(
                    why.of(),
                    heard.dbfs(heard.capture().limitDbSpl()),
                    Group.LIMIT,
                    chain,
                    () -> why)));
    rungs.add(
        new Rung("loudest peak", peak, Group.VOICE, basis.peak().origin().kind(), reasons::peak));
    rungs.add(
        new Rung(
            "peak target", -targets.safeDb(), Group.TARGET, Origin.Kind.ASSUMED, reasons::target));
    Origin.Kind spoken = basis.voice().origin().kind();
    rungs.add(
        new Rung(
            spoken == Origin.Kind.ASSUMED ? "voice" : "your voice",
            voice,
            Group.VOICE,
            spoken,
            reasons::voice));
    if (heard.hasLate()) {
      rungs.add(new Rung("late room", late, Group.ROOM, basis.decay().kind(), reasons::late));
    }
    for (Reasons.Noise noise : reasons.noises()) {
      rungs.add(
          new Rung(
              noise.label(),
              heard.dbfs(noise.dbSplA()),
              Group.NOISE,
              noise.origin().kind(),
              noise::why));
    }
    List<Bracket> brackets =
        List.of(
            bracket(verdicts.quiet(), voice, heard.dbfs(heard.noiseDbSplA()), reasons),
            bracket(verdicts.clear(), voice, late, reasons),
            bracket(verdicts.safe(), heard.dbfs(heard.capture().overloadDbSpl()), peak, reasons));
    return new Ladder(heard, rungs, brackets, verdicts);
  }

  /** All reasons, those of the margins first. */
  public List<Why> whys() {
    return Stream.concat(brackets.stream().map(Bracket::why), rungs.stream().map(Rung::why))
        .toList();
  }

  /** The reason of a rung, or of a margin by its name; empty where there is none of that name. */
  public Optional<Why> findWhy(String name) {
    return whys().stream().filter(w -> w.of().equals(name)).findFirst();
  }

  /** The reason of what stands on every ladder. */
  public Why whyOf(String name) {
    return findWhy(name).orElseThrow();
  }

  private static Bracket bracket(Margin margin, double from, double to, Reasons reasons) {
    return new Bracket(margin, from, to, () -> reasons.margin(margin));
  }
}
