package nullroom.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;
import nullroom.core.Figures;
import nullroom.core.plan.Why.Input;
import nullroom.core.predict.Origin;

/**
 * Why the levels of a gain plan are what they are.
 *
 * @param plan whose
 * @param ladder of what it was planned from
 */
public record GainReasons(GainPlan plan, Ladder ladder) {
  private static final Set<String> USED =
      Set.of("loudest peak", "voice", "room noise", "converter");

  /** Why the gain is what it is, then the levels that it was planned from. */
  public List<Why> all() {
    return Stream.concat(
            Stream.of(gain()),
            ladder.rungs().stream().filter(r -> USED.contains(r.label())).map(Ladder.Rung::why))
        .toList();
  }

  private Why gain() {
    Origin now = Origin.assumed("with the gain of now");
    double change = plan.changeDb();
    return new Why(
        "gain",
        Figures.say("%.0f dB (%+.0f)", plan.gainDb(), change),
        ladder.heard().capture().preamp()
            ? "Whole decibels that bring the level to where the school wants it ("
                + plan.school().label()
                + "), within what the preamp has."
            : "None can be turned: the microphone gives digits by itself.",
        "common practice",
        List.of(
            new Input("loudest peak", dbfs(plan.peakDbfs() - change), now),
            new Input("voice", dbfs(plan.activeDbfs() - change), now)),
        OptionalDouble.of(ladder.verdicts().safe().uncertaintyDb()),
        "another school, or another allowance for shouts");
  }

  /** One of its levels; empty of what it has none of. */
  public Optional<Why> of(Quantity quantity) {
    return switch (quantity) {
      case PLANNED_VOICE -> level(quantity, plan.voiceDbfsA(), "voice");
      case PLANNED_SPEECH -> level(quantity, plan.activeDbfs(), "voice");
      case PLANNED_PEAK -> level(quantity, plan.peakDbfs(), "loudest peak");
      case PLANNED_SHOUT -> level(quantity, plan.shoutDbfs(), "loudest peak");
      case PLANNED_HEADROOM -> level(quantity, plan.headroomDb(), "loudest peak");
      case PLANNED_NOISE ->
          Optional.of(
              quantity.why(
                  "",
                  dbfs(plan.noiseDbfsA()),
                  inputs(ladder.whyOf("Quiet")),
                  ladder.whyOf("room noise").uncertaintyDb()));
      default -> Optional.empty();
    };
  }

  /** All noise with a word length. */
  public Optional<Why> of(GainPlan.Word word) {
    Input length =
        new Input(
            "word", Figures.say("of %d bits", word.bits()), Origin.predicted("by definition"));
    return Optional.of(
        Quantity.PLANNED_WORD.why(
            Figures.say(" of %d bits", word.bits()),
            Figures.say("%.1f dBFS, %.1f dB of it by rounding", word.noiseDbfsA(), word.costDb()),
            length));
  }

  private Optional<Why> level(Quantity quantity, double dbfs, String rung) {
    Why from = ladder.whyOf(rung);
    return Optional.of(quantity.why("", dbfs(dbfs), inputs(from), from.uncertaintyDb()));
  }

  private List<Input> inputs(Why from) {
    List<Input> inputs = new ArrayList<>(from.inputs());
    inputs.add(
        new Input("gain", Figures.say("%.0f dB", plan.gainDb()), Origin.predicted("as planned")));
    return inputs;
  }

  private static String dbfs(double db) {
    return Figures.say("%.1f dBFS", db);
  }
}
