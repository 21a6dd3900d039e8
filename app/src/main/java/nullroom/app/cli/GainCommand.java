package nullroom.app.cli;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nullroom.core.Trouble;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.book.RoomBook;
import nullroom.core.book.School;
import nullroom.core.book.Staging;
import nullroom.core.plan.Adviser;
import nullroom.core.plan.GainPlan;
import nullroom.core.predict.Refinement;
import nullroom.core.room.Room;
import nullroom.io.book.BookFolder;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
    name = "gain",
    mixinStandardHelpOptions = true,
    description = "how far to turn the gain up, and what comes of it")
final class GainCommand implements Callable<Integer> {
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
      defaultValue = "peaks",
      description = "peaks (at -12), average (at -18) or float; default ${DEFAULT-VALUE}")
  String school = "peaks";

  @Option(
      names = "--material",
      paramLabel = "NAME",
      description = "read, talk, acted or song; default: the book's, else talk")
  Optional<String> material = Optional.empty();

  @Option(
      names = "--max-gain",
      paramLabel = "DB",
      description =
          "that the preamp has; default: the book's, else " + (int) Adviser.HIGHEST_GAIN_DB)
  Optional<Double> highest = Optional.empty();

  @Option(
      names = "--allowance",
      paramLabel = "DB",
      description = "for laughs and shouts over the loudest line; default: as the material asks")
  Optional<Double> allowance = Optional.empty();

  @Option(names = "--json", description = "print one JSON object")
  boolean json;

  @Override
  public Integer call() {
    RoomBook book = BookFolder.readBook(path);
    VocalEffort voice =
        effort
            .map(e ->
                one(
                    "--effort",
                    e,
                    VocalEffort::find,
                    Stream.of(VocalEffort.values()).map(VocalEffort::id)))
            .orElse(book.room().requireTalker().effort());
    School by = one("--school", school, School::find, Stream.of(School.values()).map(School::id));
    Room room = book.room().withTalker(book.room().requireTalker().with(voice));
    Optional<Refinement> traced = Optional.of(Refinement.of(room, book.decaySeconds(room)));
    GainPlan plan =
        GainPlan.of(
            book.heard(room, traced), book.goal().targets(), by, staging(book.levels().staging()));
    if (json) {
      json(voice, plan).print();
    } else {
      print(voice, plan);
    }
    return 0;
  }

  private Staging staging(Staging book) {
    Staging of =
        material
            .map(m ->
                book.of(
                    one(
                        "--material",
                        m,
                        Staging.Material::find,
                        Stream.of(Staging.Material.values()).map(Staging.Material::id))))
            .orElse(book);
    return new Staging(
        of.material(), allowance.orElse(of.allowanceDb()), highest.orElse(of.highestGainDb()));
  }

  private static <T> T one(
      String option, String key, Function<String, Optional<T>> find, Stream<String> keys) {
    return find.apply(key)
        .orElseThrow(() ->
            new Trouble.BadField(
                option, "'" + key + "' is none of " + keys.collect(Collectors.joining(", "))));
  }

  private static JsonOut json(VocalEffort voice, GainPlan plan) {
    JsonOut out = new JsonOut();
    out.text("effort", voice.id());
    out.text("school", plan.school().id());
    out.put("gainDb", plan.gainDb());
    out.put("gainChangeDb", plan.changeDb());
    out.put("activeSpeechDbfs", plan.activeDbfs());
    out.put("peakDbfs", plan.peakDbfs());
    out.put("shoutDbfs", plan.shoutDbfs());
    out.put("headroomDb", plan.headroomDb());
    out.put("noiseDbfsA", plan.noiseDbfsA());
    out.array("words", plan.words().stream().map(GainCommand::word).toList());
    out.put("limiter", plan.limiter());
    out.put("safetyTrackDb", plan.safetyTrackDb());
    out.texts("advice", plan.advice());
    out.texts("warnings", List.of());
    return out;
  }

  private static JsonOut word(GainPlan.Word word) {
    JsonOut out = new JsonOut();
    out.put("bits", word.bits());
    out.put("noiseDbfsA", word.noiseDbfsA());
    out.put("costDb", word.costDb());
    return out;
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
        Locale.ROOT, "voice        %7.1f dBFS while it is active%n", plan.activeDbfs());
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
