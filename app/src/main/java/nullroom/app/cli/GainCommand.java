package nullroom.app.cli;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.book.Hearing;
import nullroom.core.book.RoomBook;
import nullroom.core.book.School;
import nullroom.core.book.Staging;
import nullroom.core.plan.GainPlan;
import nullroom.core.plan.GainReasons;
import nullroom.core.plan.Ladder;
import nullroom.core.plan.Why;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.room.Room;
import nullroom.io.book.BookFolder;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
    name = "gain",
    mixinStandardHelpOptions = true,
    description = "how far to turn the gain up, and what comes of it")
final class GainCommand implements Callable<Integer> {
  @Spec CommandSpec command = CommandSpec.create();

  @Parameters(paramLabel = "BOOK|ROOM.json", description = "folder of a room book, or a room file")
  Path path = Path.of("");

  @Option(
      names = "--effort",
      paramLabel = "NAME",
      description =
          "whispered, relaxed, normal, raised, loud, veryLoud, sungSoft, sung, sungLoud, belted; default: the room's")
  Optional<String> effort = Optional.empty();

  @Option(
      names = "--school",
      paramLabel = "NAME",
      description = "peaks (at -12), average (at -18) or float; default: the book's, else peaks")
  Optional<String> school = Optional.empty();

  @Option(
      names = "--material",
      paramLabel = "NAME",
      description = "read, talk, acted or song; default: the book's, else talk")
  Optional<String> material = Optional.empty();

  @Option(
      names = "--max-gain",
      paramLabel = "DB",
      description =
          "that the preamp has; default: the book's, else " + (int) Staging.HIGHEST_GAIN_DB)
  Optional<Double> highest = Optional.empty();

  @Option(
      names = "--allowance",
      paramLabel = "DB",
      description = "for laughs and shouts over the loudest line; default: as the material asks")
  Optional<Double> allowance = Optional.empty();

  @Mixin PairOptions pair = new PairOptions();

  @Option(names = "--why", description = "say of each figure where it comes from")
  boolean why;

  @Option(names = "--json", description = "print one JSON object")
  boolean json;

  @Override
  public Integer call() {
    RoomBook book = pair.judged(BookFolder.readBook(path));
    VocalEffort voice =
        effort
            .map(e -> Named.one(command, "--effort", e, VocalEffort.class))
            .orElse(book.room().requireTalker().effort());
    Room room = book.room().withTalker(book.room().requireTalker().with(voice));
    RoomBook spoken = book.with(room);
    Heard heard = Hearing.traced(spoken).heard();
    Margins targets = book.goal().targets();
    GainPlan plan = GainPlan.of(heard, targets, staging(book.levels().staging()));
    Optional<String> dial =
        book.levels()
            .knob()
            .map(k -> k.turn(heard.capture().gainDb(), heard.capture().gainDb() + plan.changeDb()));
    List<Why> whys = why ? new GainReasons(plan, Ladder.of(heard, targets)).all() : List.of();
    if (json) {
      JsonOut out = json(voice, plan);
      if (why) {
        out.put("why", whys);
      }
      dial.ifPresent(words -> out.put("dial", words));
      out.put("warnings", List.of()).print();
    } else {
      print(voice, plan);
      dial.ifPresent(words -> System.out.println("dial: " + words));
      whys.forEach(PredictCommand::print);
    }
    return 0;
  }

  private Staging staging(Staging book) {
    Staging by =
        school.map(s -> Named.one(command, "--school", s, School.class)).map(book::by).orElse(book);
    Staging of =
        material
            .map(m -> Named.one(command, "--material", m, Staging.Material.class))
            .map(by::of)
            .orElse(by);
    return of.withAllowanceDb(allowance.orElse(of.allowanceDb()))
        .withHighestGainDb(highest.orElse(of.highestGainDb()));
  }

  private static JsonOut json(VocalEffort voice, GainPlan plan) {
    return new JsonOut()
        .put("effort", voice.id())
        .put("school", plan.school().id())
        .put("gainDb", plan.gainDb())
        .put("gainChangeDb", plan.changeDb())
        .put("activeSpeechDbfs", plan.activeDbfs())
        .put("voiceDbfsA", plan.voiceDbfsA())
        .put("peakDbfs", plan.peakDbfs())
        .put("shoutDbfs", plan.shoutDbfs())
        .put("headroomDb", plan.headroomDb())
        .put("noiseDbfsA", plan.noiseDbfsA())
        .put("words", plan.words())
        .put("limiter", plan.limiter())
        .put("safetyTrackDb", plan.safetyTrackDb())
        .put("advice", plan.advice());
  }

  private static void print(VocalEffort voice, GainPlan plan) {
    System.out.printf(
        Locale.ROOT,
        "%s, %s: %.0f dB of gain (%+.0f)%n",
        voice.id(),
        plan.school().label(),
        plan.gainDb(),
        plan.changeDb());
    System.out.printf(
        Locale.ROOT,
        "voice        %7.1f dBFS A-weighted, %.1f unweighted, while it is active%n",
        plan.voiceDbfsA(),
        plan.activeDbfs());
    System.out.printf(Locale.ROOT, "loudest line %7.1f dBFS%n", plan.peakDbfs());
    System.out.printf(
        Locale.ROOT,
        "a shout      %7.1f dBFS, %.1f dB left%n",
        plan.shoutDbfs(),
        plan.headroomDb());
    System.out.printf(Locale.ROOT, "noise        %7.1f dBFS, A-weighted%n", plan.noiseDbfsA());
    for (GainPlan.Word word : plan.words()) {
      System.out.printf(
          Locale.ROOT,
          "  %d bit %s costs %.1f dB%n",
          word.bits(),
          word.bits() == 32 ? "float" : "with dither",
          word.costDb());
    }
    plan.advice().forEach(System.out::println);
  }
}
