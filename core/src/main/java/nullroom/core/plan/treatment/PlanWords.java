package nullroom.core.plan.treatment;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import nullroom.core.Figures;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Materials;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.Goal;
import nullroom.core.book.TreatmentPiece;
import nullroom.core.predict.Statistics;
import nullroom.core.room.Patch;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;

/** What is to be said of a plan: what can go wrong, and what it does not do. */
final class PlanWords {
  /** Less bought by a piece is not worth its minutes. */
  private static final double LITTLE_DB = 0.3;

  private static final double NOTHING_SECONDS = 0.005;

  /** The octave under the voice: what is left there is said. */
  private static final int BASS = 1;

  private static final int TREBLE = 6;

  /** So much longer than the middle is heard as a boom (common practice). */
  private static final double BOOMY = 1.6;

  /** What takes up bass in so little depth as people have. */
  private static final String THICK = "fibre_calc_100_gap_100";

  private PlanWords() {}

  /** Cautions that belong to what is put up; none where nothing is. */
  static List<String> cautions(List<Placement> placements) {
    Set<String> all = new LinkedHashSet<>();
    double kilograms = 0;
    for (Placement p : placements) {
      Optional<Surface> on = p.patch().map(Patch::surface);
      if (on.isEmpty()) {
        continue;
      }
      if (on.get() instanceof Surface.Ceiling) {
        all.add(
            "What hangs overhead must hold several times its weight; have somebody hold the ladder, and mind wires in the ceiling.");
      } else if (on.get().isWall()) {
        all.add("Weigh stands down with sandbags and fix what leans, so that nothing can fall.");
        all.add("Keep cloth off lamps, heaters and sockets, and exits and detectors free.");
      } else {
        all.add("Lay rugs so that nobody trips over their edge.");
      }
      TreatmentPiece piece = p.piece().orElseThrow();
      boolean fixed =
          piece.hold() == TreatmentPiece.Hold.DRILL || piece.hold() == TreatmentPiece.Hold.HOOK;
      if (fixed) {
        kilograms += piece.weightKg().orElse(0);
        all.add("Look for wires and pipes in the wall before you drill or screw.");
      }
    }
    if (kilograms > 0) {
      all.add(
          Figures.say(
              "Hooks and screws carry %.0f kg together: choose such as are made for more than that, in what the wall is made of.",
              Math.ceil(kilograms)));
    }
    if (!all.isEmpty()) {
      all.add(
          "Ask before you fix anything to a wall that is not yours; local codes and your landlord come first.");
    }
    return List.copyOf(all);
  }

  /** Of a plan as it comes out. */
  static List<String> notes(
      Goal goal, Room room, List<TreatmentPlan.Step> steps, TreatmentPlan.Figures after) {
    List<String> notes = new ArrayList<>();
    if (steps.isEmpty()) {
      notes.add(
          after.offDb() < Standing.SAME_DB
              ? "Hang nothing more: the room is as the goal wants it."
              : "Nothing at hand brings this room nearer to the goal: hang nothing more.");
    }
    for (TreatmentPlan.Step step : steps) {
      if (step.patch().isPresent() && Math.abs(step.aloneClearDb()) < LITTLE_DB) {
        notes.add(
            Figures.say(
                "The %s alone moves Clear by %.1f dB only.", step.name(), step.aloneClearDb()));
      }
    }
    Bands seconds = after.decaySeconds();
    double mid = (seconds.get(Octave.HZ_1000 - 1) + seconds.get(Octave.HZ_1000)) / 2;
    double bass = seconds.get(BASS);
    if (bass > BOOMY * mid && bass > goal.longestSeconds()) {
      notes.add(boom(goal, room, bass, seconds.get(TREBLE)));
    }
    if (mid < goal.shortestSeconds() - NOTHING_SECONDS) {
      notes.add(
          Figures.say(
              "With %.2f s the middle is drier than the %.2f s that the goal begins with: the voice will sound boxy, boxed in.",
              mid, goal.shortestSeconds()));
    }
    return notes;
  }

  private static String boom(Goal goal, Room room, double bass, double treble) {
    double wanted = Math.max(goal.longestSeconds(), 1e-3);
    double missing = Statistics.areaFor(room, wanted) - Statistics.areaFor(room, bass);
    double taken = Materials.get(THICK).absorption().get(BASS);
    return Figures.say(
        "The bass stays: %.2f s at 125 Hz against %.2f s at 4 kHz. Cloth does not reach it; it would take about %.0f m² of 10 cm wool 10 cm off"
            + " the wall, best across corners.",
        bass, treble, Math.max(1, missing / taken));
  }
}
