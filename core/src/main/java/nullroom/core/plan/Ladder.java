package nullroom.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;

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
   * @param why where it comes from
   */
  public record Rung(String label, double dbfs, Group group, Why why) {
    /** How it was come by. */
    public nullroom.core.predict.Origin.Kind origin() {
      return why.inputs().getFirst().origin().kind();
    }
  }

  /**
   * One margin between two levels.
   *
   * @param margin its figure and word
   * @param fromDbfs upper end
   * @param toDbfs lower end
   * @param why where it comes from
   */
  public record Bracket(Margin margin, double fromDbfs, double toDbfs, Why why) {}

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
    rungs.add(new Rung("full scale", 0, Group.LIMIT, reasons.fullScale()));
    double capsule = heard.dbfs(heard.capture().maxDbSpl());
    rungs.add(new Rung("capsule limit", capsule, Group.LIMIT, reasons.capsule()));
    rungs.add(new Rung("loudest peak", heard.dbfs(heard.peakDbSpl()), Group.VOICE, reasons.peak()));
    rungs.add(new Rung("peak target", -targets.safeDb(), Group.TARGET, reasons.target()));
    rungs.add(new Rung("voice", voice, Group.VOICE, reasons.voice()));
    if (heard.hasLate()) {
      rungs.add(new Rung("late room", late, Group.ROOM, reasons.late()));
    }
    for (Reasons.Noise noise : reasons.noises()) {
      rungs.add(new Rung(noise.label(), heard.dbfs(noise.dbSplA()), Group.NOISE, noise.why()));
    }
    List<Bracket> brackets =
        List.of(
            bracket(verdicts.quiet(), voice, heard.dbfs(heard.noiseDbSplA()), reasons),
            bracket(verdicts.clear(), voice, late, reasons),
            bracket(
                verdicts.safe(),
                heard.dbfs(heard.capture().overloadDbSpl()),
                heard.dbfs(heard.peakDbSpl()),
                reasons));
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
    return new Bracket(margin, from, to, reasons.margin(margin));
  }
}
