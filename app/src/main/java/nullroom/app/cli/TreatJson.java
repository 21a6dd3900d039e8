package nullroom.app.cli;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import nullroom.core.book.Goal;
import nullroom.core.plan.treatment.TreatmentPlan;
import nullroom.core.plan.treatment.TreatmentPlanner;
import nullroom.core.room.Point;
import nullroom.io.book.BookFolder;

/** Treatment plans as JSON. */
final class TreatJson {
  private TreatJson() {}

  static JsonOut of(Goal goal, TreatmentPlanner.Result found) {
    return new JsonOut()
        .put("goal", goal.id())
        .put("targets", PredictJson.targets(goal))
        .put("before", figures(found.before()))
        .put("plans", found.plans().stream().map(p -> plan(p, found)).toList())
        .put("evaluations", found.evaluations())
        .put(
            "limits",
            found.limits().stream()
                .map(l -> Map.of("limit", l.limit(), "costsDb", l.costsDb()))
                .toList())
        .put("warnings", found.warnings());
  }

  private static Map<String, Object> figures(TreatmentPlan.Figures f) {
    Map<String, Object> out = new LinkedHashMap<>();
    out.put("clearDb", clear(f));
    out.put("quietDb", f.margins().quietDb());
    out.put("safeDb", f.margins().safeDb());
    out.put("decaySeconds", f.decaySeconds().toArray());
    out.put("offDb", f.offDb());
    return out;
  }

  /** Nothing where the room sends nothing back late. */
  private static double clear(TreatmentPlan.Figures f) {
    return f.late() ? f.margins().clearDb() : Double.NaN;
  }

  private static Map<String, Object> plan(TreatmentPlan plan, TreatmentPlanner.Result found) {
    Map<String, Object> out = new LinkedHashMap<>();
    out.put("school", plan.school().id());
    out.put("pieces", plan.steps().stream().map(TreatJson::step).toList());
    out.put("after", figures(plan.after()));
    out.put("traced", figures(plan.traced()));
    out.put("price", plan.price());
    out.put("minutes", plan.minutes());
    out.put("boundOffDb", plan.boundOffDb());
    out.put("proved", plan.proved());
    out.put("gapPercent", 100 * plan.gap(found.before().offDb()));
    out.put("room", BookFolder.tree(plan.room()));
    out.put("cautions", plan.cautions());
    out.put("notes", plan.notes());
    return out;
  }

  private static Map<String, Object> step(TreatmentPlan.Step step) {
    Map<String, Object> out = new LinkedHashMap<>();
    step.patch()
        .ifPresentOrElse(
            p -> {
              out.put("name", step.name());
              out.put("surface", p.surface().id());
              List<double[]> corners = new ArrayList<>();
              for (Point c : p.corners()) {
                corners.add(new double[] {c.x(), c.y()});
              }
              out.put("corners", corners);
            },
            () -> {
              out.put(step.pushedTo().isPresent() ? "move" : "turn", step.name());
              out.put(
                  "to",
                  step.pushedTo().<Object>map(p -> new double[] {p.x(), p.y()}).orElse(step.to()));
            });
    out.put("price", step.price());
    out.put("minutes", step.minutes());
    out.put("owned", step.owned());
    out.put("aloneClearDb", step.aloneClearDb());
    out.put("addsClearDb", step.addsClearDb());
    out.put("clearDb", clear(step.then()));
    out.put("offDb", step.then().offDb());
    out.put("decaySeconds", step.then().decaySeconds().toArray());
    return out;
  }
}
