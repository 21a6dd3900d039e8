package nullroom.app.cli;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.book.RoomBook;
import nullroom.core.book.Shelf;
import nullroom.core.plan.mic.FrameReach;
import nullroom.core.plan.mic.MicMap;
import nullroom.core.plan.mic.MicPlanner;
import nullroom.core.plan.mic.Voices;
import nullroom.io.book.BookFolder;
import nullroom.io.book.ShelfFile;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
    name = "mic",
    mixinStandardHelpOptions = true,
    description = "microphones, each at its own best place, ranked")
final class MicCommand implements Callable<Integer> {
  @Spec CommandSpec command = CommandSpec.create();

  @Parameters(paramLabel = "BOOK|ROOM.json", description = "folder of a room book, or a room file")
  Path path = Path.of("");

  @Option(
      names = "--shelf",
      paramLabel = "SHELF.json",
      description = "what there is to record with; default: the book's, else the generic classes")
  Optional<Path> shelf = Optional.empty();

  @Option(names = "--top", paramLabel = "N", description = "the best N only")
  Optional<Integer> top = Optional.empty();

  @Option(
      names = "--map",
      paramLabel = "NAME",
      description = "with --json: what this microphone comes short of, over the plane ahead")
  Optional<String> map = Optional.empty();

  @Option(
      names = "--distances",
      paramLabel = "NAME",
      description = "the margins of this microphone against its distance")
  Optional<String> distances = Optional.empty();

  @Option(names = "--second", description = "a second pickup that does not fail with the first")
  boolean second;

  @Mixin GoalOption goal = new GoalOption();

  @Mixin PairOptions pair = new PairOptions();

  @Option(names = "--json", description = "print one JSON object")
  boolean json;

  @Override
  public Integer call() {
    RoomBook book = goal.of(command, pair.judged(BookFolder.readBook(path)));
    Shelf owned = shelf.map(MicCommand::shelf).orElse(book.shelf());
    if (top.filter(n -> n < 1).isPresent()) {
      throw new Trouble.BadField("--top", "must be 1 or more");
    }
    MicPlanner.Result all = MicPlanner.rank(book, owned, Progress.NONE);
    MicPlanner.Result found =
        top.map(n ->
                new MicPlanner.Result(all.ranking().stream().limit(n).toList(), all.warnings()))
            .orElse(all);
    Optional<MicMap> mapped = map.map(name -> MicMap.of(book, owned, named(all, "--map", name)));
    List<MicPlanner.AtDistance> along =
        distances
            .map(name -> MicPlanner.distances(book, named(all, "--distances", name)))
            .orElse(List.of());
    Optional<MicPlanner.Backup> backup =
        second ? MicPlanner.backup(all.ranking()) : Optional.empty();
    List<FrameReach> frames = FrameReach.of(MicPlanner.filmed(book.room(), owned), owned);
    if (json) {
      JsonOut out = MicJson.of(book.goal(), found);
      mapped.ifPresent(m -> out.put("map", MicJson.map(map.orElseThrow(), m)));
      if (distances.isPresent()) {
        out.put("distances", along.stream().map(MicJson::distance).toList());
      }
      if (second) {
        out.put("backup", backup.map(b -> MicJson.backup(book.goal(), b)).orElse(null));
      }
      out.put("frames", frames.stream().map(MicJson::frame).toList());
      Voices.of(book).ifPresent(v -> out.put("voices", MicJson.voices(v)));
      out.put("warnings", found.warnings()).print();
    } else {
      found.ranking().forEach(MicCommand::print);
      along.forEach(d ->
          System.out.printf(
              Locale.ROOT,
              "%4.0f cm  Quiet %5.1f  Clear %5.1f  Safe %5.1f dB%n",
              100 * d.metres(),
              d.margins().quietDb(),
              d.margins().clearDb(),
              d.margins().safeDb()));
      backup.ifPresent(b -> {
        System.out.println("as a second pickup:");
        print(b.ranked());
        b.failsDifferently().forEach(w -> System.out.println("    " + w));
      });
      frames.forEach(MicCommand::print);
      Voices.of(book).ifPresent(v -> v.advice().forEach(a -> System.out.println("voices: " + a)));
      found.warnings().forEach(w -> System.out.println("note: " + w));
    }
    return 0;
  }

  private static MicPlanner.Ranked named(MicPlanner.Result all, String option, String name) {
    return all.ranking().stream()
        .filter(r -> r.chain().microphone().equals(name))
        .findFirst()
        .orElseThrow(() ->
            new Trouble.BadField(
                option,
                "'"
                    + name
                    + "' is none of "
                    + all.ranking().stream()
                        .map(r -> r.chain().microphone())
                        .distinct()
                        .collect(Collectors.joining(", "))));
  }

  /** A shelf that was named holds a microphone at least. */
  private static Shelf shelf(Path file) {
    Shelf shelf = ShelfFile.read(file);
    if (shelf.types().isEmpty()) {
      throw new Trouble.BadFile(file.toString(), "holds no microphone");
    }
    return shelf;
  }

  private static void print(FrameReach f) {
    String shows =
        f.lips()
            ? String.format(
                Locale.ROOT,
                "%s, %.2f by %.2f m at the lips, headroom %.0f cm",
                FrameReach.words(f.shot()),
                f.widthMetres(),
                f.heightMetres(),
                100 * f.headroomMetres())
            : "without the lips";
    String boom =
        f.nearest().isPresent()
            ? String.format(Locale.ROOT, "%.0f cm", 100 * f.nearest().getAsDouble())
            : "no place";
    System.out.printf("picture of %s: %s; a boom comes to %s%n", f.camera(), shows, boom);
  }

  private static void print(MicPlanner.Ranked r) {
    System.out.printf(
        Locale.ROOT,
        "%-28s %-7s %3.0f cm  %2.0f dB gain  Quiet %5.1f  Clear %5.1f  Safe %5.1f dB; %.1f dB short, %.0f to pay%n",
        r.chain().microphone()
            + r.chain().input().map(i -> ", " + i).orElse("")
            + r.chain().booster().map(b -> ", " + b).orElse(""),
        r.mount().id(),
        100 * r.metres(),
        r.heard().capture().gainDb(),
        r.heard().margins().quietDb(),
        r.heard().margins().clearDb(),
        r.heard().margins().safeDb(),
        r.shortDb(),
        r.chain().price());
    r.chain().checks().stream()
        .filter(c -> !c.ok())
        .forEach(c -> System.out.println("    " + c.check() + ": " + c.advice()));
  }
}
