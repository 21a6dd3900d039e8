package nullroom.app.cli;

import java.nio.file.Path;
import java.util.EnumSet;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import nullroom.app.control.Typefaces;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.AtHand;
import nullroom.core.book.RoomBook;
import nullroom.core.plan.treatment.TreatmentPlan;
import nullroom.core.plan.treatment.TreatmentPlanner;
import nullroom.core.plan.treatment.TreatmentSchool;
import nullroom.core.plan.treatment.Whereabouts;
import nullroom.core.room.Room;
import nullroom.io.book.BookFolder;
import nullroom.io.book.PiecesFile;
import nullroom.io.report.HangingList;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
    name = "treat",
    mixinStandardHelpOptions = true,
    description = "what to hang where, in which order, for how much")
final class TreatCommand implements Callable<Integer> {
  private static final int MOST = 12;
  private static final String ALL = "all";
  private static final double WORTH_SAYING_DB = 0.05;

  @Spec CommandSpec command = CommandSpec.create();

  @Parameters(paramLabel = "BOOK|ROOM.json", description = "folder of a room book, or a room file")
  Path path = Path.of("");

  @Option(
      names = "--at-hand",
      paramLabel = "PIECES.json",
      description =
          "what there is to hang, and what must be kept to; default: the book's, else a usual household's")
  Optional<Path> atHand = Optional.empty();

  @Option(names = "--budget", paramLabel = "N", description = "money to spend at most")
  Optional<Double> budget = Optional.empty();

  @Option(names = "--minutes", paramLabel = "N", description = "to put all up, at most")
  Optional<Double> minutes = Optional.empty();

  @Option(
      names = "--school",
      paramLabel = "NAME",
      description = "free, voice, microphone, even, furnishings or all (default)")
  String school = ALL;

  @Option(
      names = "--most",
      paramLabel = "N",
      description = "pieces in a plan, at most; default: " + MOST)
  int most = MOST;

  @Mixin GoalOption goal = new GoalOption();

  @Option(
      names = "--list",
      paramLabel = "OUT.pdf",
      description = "write the free plan's hanging list: what to buy, what goes where, drawings")
  Optional<Path> list = Optional.empty();

  @Mixin PairOptions pair = new PairOptions();

  @Option(names = "--json", description = "print one JSON object")
  boolean json;

  @Override
  public Integer call() {
    RoomBook book = goal.of(command, pair.judged(BookFolder.readBook(path)));
    Set<TreatmentSchool> schools =
        school.equals(ALL)
            ? EnumSet.allOf(TreatmentSchool.class)
            : EnumSet.of(Named.one(command, "--school", school, TreatmentSchool.class));
    if (most < 0) {
      throw new Trouble.BadField("--most", "must not be less than nought");
    }
    TreatmentPlanner.Result found =
        TreatmentPlanner.plan(book, hand(book), schools, most, Progress.NONE);
    list.ifPresent(file ->
        HangingList.write(
            book.room(),
            found.before(),
            found.plans().getFirst(),
            m -> String.format(Locale.ROOT, "%.2f m", m),
            Typefaces.get(),
            file));
    if (json) {
      TreatJson.of(book.goal(), found).print();
    } else {
      print(found, book.room());
    }
    return 0;
  }

  private AtHand hand(RoomBook book) {
    AtHand hand = atHand.map(PiecesFile::read).orElseGet(book::hand);
    AtHand within = budget.map(hand::withBudget).orElse(hand);
    return minutes.map(within::withMinutes).orElse(within);
  }

  private static void print(TreatmentPlanner.Result found, Room room) {
    print("now", found.before());
    found.limits().stream()
        .filter(l -> l.costsDb() >= WORTH_SAYING_DB)
        .forEach(l ->
            System.out.printf(Locale.ROOT, "limit   %s costs %.1f dB%n", l.limit(), l.costsDb()));
    for (TreatmentPlan plan : found.plans()) {
      System.out.println();
      System.out.printf(
          Locale.ROOT,
          "%s: %.0f in money, %.0f minutes%n",
          plan.school().label(),
          plan.price(),
          plan.minutes());
      int number = 1;
      for (TreatmentPlan.Step step : plan.steps()) {
        System.out.printf(
            Locale.ROOT,
            "%2d  %-70s %+5.1f dB of Clear, alone %+5.1f; %.0f min, %.0f%n",
            number++,
            Whereabouts.of(room, step, m -> String.format(Locale.ROOT, "%.2f m", m)),
            step.addsClearDb(),
            step.aloneClearDb(),
            step.minutes(),
            step.price());
      }
      print("then", plan.after());
      print("traced", plan.traced());
      System.out.println("bound   " + plan.boundInWords(found.before()));
      plan.notes().forEach(n -> System.out.println("note: " + n));
      plan.cautions().forEach(c -> System.out.println("caution: " + c));
    }
    found.warnings().forEach(w -> System.out.println("note: " + w));
  }

  private static void print(String when, TreatmentPlan.Figures figures) {
    System.out.printf(
        Locale.ROOT,
        "%-7s Clear %s dB, Quiet %.1f dB, %.2f s at 1 kHz; %.2f dB off the goal%n",
        when,
        figures.late() ? String.format(Locale.ROOT, "%.1f", figures.margins().clearDb()) : "–",
        figures.margins().quietDb(),
        figures.decaySeconds().get(Octave.HZ_1000),
        figures.offDb());
  }
}
