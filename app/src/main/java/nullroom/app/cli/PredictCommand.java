package nullroom.app.cli;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.Goal;
import nullroom.core.book.RoomBook;
import nullroom.core.plan.Pair;
import nullroom.core.plan.Prediction;
import nullroom.core.plan.Why;
import nullroom.core.predict.Heard;
import nullroom.io.book.BookFolder;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
    name = "predict",
    mixinStandardHelpOptions = true,
    description = "reverberation, modes and what the microphone hears")
final class PredictCommand implements Callable<Integer> {
  @Spec CommandSpec command = CommandSpec.create();

  @Parameters(
      paramLabel = "BOOK|ROOM.json",
      arity = "1..*",
      description = "folders of room books, or room files")
  List<Path> paths = List.of();

  @Mixin GoalOption goal = new GoalOption();

  @Mixin PairOptions pair = new PairOptions();

  @Option(
      names = "--quick",
      description = "leave tracing out: what the ladder shows while something is dragged")
  boolean quick;

  @Option(names = "--why", description = "say of each margin and level where it comes from")
  boolean why;

  @Option(
      names = "--json",
      description = "print one JSON object, of several rooms one a line in their order")
  boolean json;

  @Override
  public Integer call() {
    Optional<Goal> asked = goal.asked(command);
    if (paths.size() == 1) {
      print(paths.getFirst(), asked);
      return 0;
    }
    int refused = 0;
    for (Path path : paths) {
      try {
        print(path, asked);
      } catch (Trouble e) { // the others are still to be answered
        refused++;
        String line = e.line().replace('\n', ' ');
        String where = line.startsWith(path.toString()) ? "" : path + ": ";
        System.err.println("nullroom: " + where + line);
        if (json) {
          new JsonOut().put("error", e.line()).put("room", path.toString()).printLine();
        }
      }
    }
    return refused == 0 ? 0 : 1;
  }

  private void print(Path path, Optional<Goal> asked) {
    RoomBook book = pair.judged(BookFolder.readBook(path));
    Prediction found = Prediction.of(book, asked.orElse(book.goal()), quick, Progress.NONE);
    if (!json) {
      if (paths.size() > 1) {
        System.out.println(path + ":");
      }
      print(found);
      return;
    }
    JsonOut out = PredictJson.of(found, why);
    if (paths.size() > 1) {
      out.printLine();
    } else {
      out.print();
    }
  }

  private void print(Prediction found) {
    Heard heard = found.heard();
    System.out.printf(
        Locale.ROOT,
        "%.1f m3, %.1f m2; %s%n",
        found.statistics().volume(),
        found.statistics().surface(),
        found.statistics().why());
    System.out.println("  band       T  direct   early    late   noise     C50");
    for (int i = 0; i < Octave.COUNT; i++) {
      System.out.printf(
          Locale.ROOT,
          "%6.0f %7.2f %7.1f %7.1f %7.1f %7.1f %7.1f%n",
          Octave.nominalHz(i),
          heard.decaySeconds().get(i),
          heard.directDbSpl().get(i),
          heard.earlyDbSpl().get(i),
          heard.lateDbSpl().get(i),
          heard.noiseDbSpl().get(i),
          heard.c50Db().get(i));
    }
    found.ladder().verdicts().all().forEach(m -> System.out.println(m.sentence()));
    found.worstOfMovement().ifPresent(m -> System.out.println(Pair.movementWords(m)));
    found.worse().ifPresent(p -> System.out.println(p.sentence() + "."));
    if (why) {
      found.ladder().whys().forEach(PredictCommand::print);
    }
    PredictJson.warnings(found).forEach(w -> System.out.println("note: " + w));
  }

  static void print(Why why) {
    System.out.println();
    why.lines().forEach(System.out::println);
  }
}
