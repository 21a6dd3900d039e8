package nullroom.core.plan.treatment;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import nullroom.core.Figures;
import nullroom.core.acoustics.Octave;
import nullroom.core.plan.Quantity;
import nullroom.core.plan.Why;
import nullroom.core.plan.Why.Input;
import nullroom.core.predict.Origin;

/** Why the figures of a plan are what they are. */
public final class PlanReasons {
  private static final Origin SAID = Origin.assumed("from what you said is at hand");
  private static final Origin MODEL = Origin.predicted("from the room with the plan");

  private static final Origin BOTH = Origin.predicted("from both measurements");

  private PlanReasons() {}

  /** How far a plan is from the goal. */
  public static Why off(TreatmentPlan plan) {
    TreatmentPlan.Figures f = plan.after();
    List<Input> inputs = new ArrayList<>();
    inputs.add(new Input("Clear", db(f.margins().clearDb()), MODEL));
    for (int b = Octave.FIRST_VOICE; b < Octave.COUNT - 1; b++) {
      inputs.add(
          new Input(
              Figures.say("time at %.0f Hz", Octave.nominalHz(b)),
              Figures.say("%.2f s", f.decaySeconds().get(b)),
              MODEL));
    }
    inputs.add(new Input("no plan comes under", Figures.say("%.2f dB", plan.boundOffDb()), MODEL));
    return why(Quantity.PLAN_OFF, "", Figures.say("%.2f dB", f.offDb()), inputs);
  }

  /** Clear with all of a plan up, by the quick answer or traced. */
  public static Why clear(TreatmentPlan plan, boolean traced) {
    TreatmentPlan.Figures f = traced ? plan.traced() : plan.after();
    List<Input> inputs = new ArrayList<>();
    for (TreatmentPlan.Step step : plan.steps()) {
      inputs.add(new Input(step.name(), "adds " + signed(step.addsClearDb()), MODEL));
    }
    return why(
        traced ? Quantity.PLAN_TRACED : Quantity.PLAN_CLEAR, "", db(f.margins().clearDb()), inputs);
  }

  /** What is to be paid for a plan. */
  public static Why price(TreatmentPlan plan) {
    List<Input> inputs =
        plan.steps().stream()
            .map(s -> new Input(s.name(), Figures.money(s.price()), SAID))
            .toList();
    return why(Quantity.PLAN_PRICE, "", Figures.money(plan.price()), inputs);
  }

  /** How long a plan takes to put up. */
  public static Why minutes(TreatmentPlan plan) {
    List<Input> inputs =
        plan.steps().stream()
            .map(s -> new Input(s.name(), Figures.say("%.0f min", s.minutes()), SAID))
            .toList();
    return why(Quantity.PLAN_MINUTES, "", Figures.say("%.0f min", plan.minutes()), inputs);
  }

  /** What a step buys at its turn, or alone. */
  public static Why step(TreatmentPlan.Step step, boolean alone) {
    double db = alone ? step.aloneClearDb() : step.addsClearDb();
    List<Input> inputs = new ArrayList<>();
    step.piece()
        .ifPresent(p ->
            inputs.add(
                new Input(
                    "share taken up at 1 kHz",
                    Figures.say("%.2f", p.finish().absorption().get(Octave.HZ_1000)),
                    SAID)));
    inputs.add(new Input("Clear then", db(step.then().margins().clearDb()), MODEL));
    return why(
        alone ? Quantity.STEP_ALONE : Quantity.STEP_ADDS, " of " + step.name(), signed(db), inputs);
  }

  /** A time before or after something was hung. */
  public static Why measured(Achieved.InOctave o, double seconds, Origin heard) {
    return why(
        Quantity.MEASURED_CHANGE,
        at(o),
        seconds(seconds),
        List.of(new Input("mean of the places", seconds(seconds), heard)));
  }

  /** What was foretold of an octave. */
  public static Why foretold(Achieved.InOctave o, Origin heard) {
    return why(
        Quantity.FORETOLD_TIME,
        at(o),
        seconds(o.predictedSeconds()),
        List.of(new Input("measured before", seconds(o.change().beforeSeconds()), heard)));
  }

  /** How far the difference of two times may be chance. */
  public static Why doubt(Achieved.InOctave o) {
    return why(
        Quantity.CHANGE_DOUBT,
        at(o),
        seconds(o.change().uncertaintySeconds()),
        List.of(new Input("difference", seconds(o.change().differenceSeconds()), BOTH)));
  }

  private static String at(Achieved.InOctave o) {
    return Figures.say(" at %.0f Hz", o.change().centreHz());
  }

  private static String seconds(double seconds) {
    return Figures.say("%.2f s", seconds);
  }

  private static String db(double db) {
    return Figures.say("%.1f dB", db);
  }

  private static String signed(double db) {
    return Figures.say("%+.1f dB", db);
  }

  private static Why why(Quantity quantity, String where, String figure, List<Input> inputs) {
    return quantity.why(where, figure, inputs, OptionalDouble.empty());
  }
}
