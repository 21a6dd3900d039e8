package nullroom.io.report;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleFunction;
import java.util.function.UnaryOperator;
import nullroom.core.Figures;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.TreatmentPiece;
import nullroom.core.plan.treatment.TreatmentPlan;
import nullroom.core.plan.treatment.Whereabouts;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;

/** A plan on paper: what to buy and fetch, what goes where in which order, and what to mind. */
public final class HangingList {
  private static final double TITLE = 18;
  private static final double HEADING = 12;
  private static final double TEXT = 10;

  private HangingList() {}

  /**
   * What all lists are written with.
   *
   * @param regular typeface, as the file of it
   * @param bold the same for headings
   * @param words says a text of this program in the language of the reader
   */
  @SuppressWarnings("ArrayRecordComponent") // never compared
  public record Faces(byte[] regular, byte[] bold, UnaryOperator<String> words) {}

  /**
   * Writes one as PDF.
   *
   * @param before the room without the plan
   * @param start what it is like
   * @param plan that is written
   * @param lengths how lengths are said
   * @throws Trouble.BadFile if it cannot be written
   */
  public static void write(
      Room before,
      TreatmentPlan.Figures start,
      TreatmentPlan plan,
      DoubleFunction<String> lengths,
      Faces faces,
      Path file) {
    String title = "What to hang: " + before.name();
    try (PdfSheet sheet = new PdfSheet(faces, title)) {
      sheet.heading(title, TITLE);
      sheet.text(Figures.capital(plan.school().label()) + ". " + told(start, plan), TEXT);
      sheet.text(
          Figures.say("%.0f minutes to put up; %.0f to be paid.", plan.minutes(), plan.price()),
          TEXT);
      if (plan.steps().isEmpty()) {
        plan.notes().forEach(note -> sheet.text(note, TEXT));
      } else {
        fetched(sheet, plan, lengths);
        ordered(sheet, before, plan, lengths);
        minded(sheet, plan);
        drawn(sheet, before, plan, lengths);
        takenDown(sheet, plan);
      }
      sheet.save(file);
    } catch (IOException e) {
      throw new Trouble.BadFile(file.toString(), "cannot be written: " + e.getMessage());
    }
  }

  private static String told(TreatmentPlan.Figures start, TreatmentPlan plan) {
    TreatmentPlan.Figures after = plan.after();
    String clear =
        start.late() && after.late()
            ? Figures.say(
                "Clear goes from %.1f to %.1f dB, ",
                start.margins().clearDb(), after.margins().clearDb())
            : "";
    return clear
        + Figures.say(
            "%.2f s of reverberation at 1 kHz become %.2f s, by prediction.",
            start.decaySeconds().get(Octave.HZ_1000), after.decaySeconds().get(Octave.HZ_1000));
  }

  private static void fetched(PdfSheet sheet, TreatmentPlan plan, DoubleFunction<String> lengths) {
    Map<TreatmentPiece, Integer> count = new LinkedHashMap<>();
    plan.steps().forEach(s -> s.piece().ifPresent(p -> count.merge(p, 1, Integer::sum)));
    for (boolean owned : new boolean[] {false, true}) {
      List<String> lines = new ArrayList<>();
      count.forEach((p, n) -> {
        if (p.owned() == owned) {
          String size = lengths.apply(p.widthMetres()) + " × " + lengths.apply(p.heightMetres());
          String price = owned ? "" : Figures.say(", %.0f", n * p.price());
          lines.add(n + " × " + p.name() + ", " + size + ", " + p.hold().label() + price);
        }
      });
      if (!lines.isEmpty()) {
        sheet.heading(owned ? "From home" : "To buy or build", HEADING);
        lines.forEach(line -> sheet.tick(line, TEXT));
      }
    }
  }

  private static void ordered(
      PdfSheet sheet, Room room, TreatmentPlan plan, DoubleFunction<String> lengths) {
    sheet.heading("In this order", HEADING);
    int number = 1;
    for (TreatmentPlan.Step step : plan.steps()) {
      sheet.tick(
          number++
              + ".  "
              + Whereabouts.of(room, step, lengths)
              + Figures.say(" (%.0f min, %+.1f dB of Clear)", step.minutes(), step.addsClearDb()),
          TEXT);
    }
  }

  private static void minded(PdfSheet sheet, TreatmentPlan plan) {
    sheet.heading("Mind", HEADING);
    plan.cautions().forEach(caution -> sheet.text(caution, TEXT));
    plan.notes().forEach(note -> sheet.text(note, TEXT));
  }

  private static void drawn(
      PdfSheet sheet, Room before, TreatmentPlan plan, DoubleFunction<String> lengths) {
    List<Surface> used =
        plan.steps().stream()
            .flatMap(s -> s.patch().stream())
            .map(p -> p.surface())
            .distinct()
            .toList();
    for (Surface surface : used) {
      SurfaceDrawing.of(before, plan, surface, lengths).onto(sheet);
    }
  }

  private static void takenDown(PdfSheet sheet, TreatmentPlan plan) {
    sheet.heading("To take down afterwards, the last first", HEADING);
    for (TreatmentPlan.Step step : plan.steps().reversed()) {
      sheet.tick(
          step.name()
              + step.piece()
                  .map(p -> ": " + p.trace())
                  .orElse(step.to().isEmpty() ? ": back to its place" : ": turned back"),
          TEXT);
    }
  }
}
