package nullroom.core.plan.mic;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.acoustics.Mount;
import nullroom.core.book.Hearing;
import nullroom.core.book.RoomBook;
import nullroom.core.book.Shelf;
import nullroom.core.book.Staging;
import nullroom.core.plan.Sway;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.predict.QuickReplies;
import nullroom.core.room.Point;
import nullroom.core.room.Room;

/** Every microphone at its own best place, ranked. */
public final class MicPlanner {
  private static final double LEAST_METRES = 0.05;
  private static final double MOST_METRES = 3;
  private static final double DISTANCE_STEP = Math.pow(2, 0.25);

  /** Shortfalls that differ by less are alike. */
  private static final double SAME_DB = 0.1;

  private final RoomBook book;
  private final Shelf shelf;
  private final Margins targets;
  private final MicPlaces places;
  private final Capture now;
  private final Hearing hearing;
  private final QuickReplies replies;

  /**
   * A microphone at its best place.
   *
   * @param type of microphone
   * @param chain it with its input and booster
   * @param mount that holds it
   * @param room with it there, at the right gain
   * @param heard there
   * @param shortDb what is missing of the three targets, added
   * @param sway what leaning and turning cost there
   * @param staging with the gain that its input has
   */
  public record Ranked(
      MicrophoneType type,
      Chain chain,
      Mount mount,
      Room room,
      Heard heard,
      double shortDb,
      Sway sway,
      Staging staging) {
    /** From the lips to the capsule. */
    public double metres() {
      return room.requireMicrophone().at().distanceTo(room.requireTalker().at());
    }
  }

  /**
   * A chain in words.
   *
   * @param microphone name of it
   * @param input name of it; empty where none is named
   * @param booster name of it; empty where none is needed
   * @param needs all that it takes, with what is still to be paid for each
   * @param checks what fits and what does not
   * @param why it is where it is in the ranking
   */
  public record Chain(
      String microphone,
      Optional<String> input,
      Optional<String> booster,
      List<Need> needs,
      List<Check> checks,
      List<String> why) {
    /** Still to be paid. */
    public double price() {
      return needs.stream().mapToDouble(Need::price).sum();
    }
  }

  /**
   * One thing that must fit.
   *
   * @param check what: connector, power, gain, overload, cable, level
   * @param ok whether it does
   * @param advice what to do, or what was found
   */
  public record Check(String check, boolean ok, String advice) {}

  /**
   * The ranking.
   *
   * @param ranking best first
   * @param warnings what finds no place, and why
   */
  public record Result(List<Ranked> ranking, List<String> warnings) {}

  /**
   * Margins at a distance, with the right gain there.
   *
   * @param metres from the lips, in the direction of the best place
   * @param margins there
   */
  public record AtDistance(double metres, Margins margins) {}

  /**
   * A second pickup that does not fail with the first.
   *
   * @param ranked it
   * @param failsDifferently why
   */
  public record Backup(Ranked ranked, List<String> failsDifferently) {}

  private record Trial(MicChain chain, MicPlaces.MicPlace place, Heard heard, double shortDb) {
    double over(Margins targets) {
      Margins m = heard.margins();
      return m.over(targets, m.weakest(targets));
    }
  }

  private MicPlanner(RoomBook book, Shelf shelf) {
    Room filmed = filmed(book.room(), shelf);
    this.book = book.with(filmed);
    this.shelf = shelf;
    targets = book.goal().targets();
    places = new MicPlaces(filmed, shelf);
    now = filmed.requireMicrophone().capture();
    hearing = Hearing.quick(this.book);
    replies = hearing.replies();
  }

  /** A room with a camera for the shelf's shot, where there is none. */
  public static Room filmed(Room room, Shelf shelf) {
    return shelf.shot().isPresent() && room.setUp().cameras().isEmpty()
        ? room.withCamera(Optional.of(Shot.camera(room, shelf.shot().get())))
        : room;
  }

  /**
   * Ranks.
   *
   * @param progress may cancel
   * @throws Trouble.BadField where talker or microphone is missing
   */
  public static Result rank(RoomBook book, Shelf shelf, Progress progress) {
    return new MicPlanner(book, shelf).rank(MicChain.of(shelf), progress);
  }

  /**
   * The same microphone otherwise: by each mount that it has, and its capsule with each other
   * pattern, each at its best place; best first.
   *
   * @param microphone name of one that is ranked
   */
  public static List<Ranked> otherwise(RoomBook book, Shelf shelf, String microphone) {
    List<MicChain> all =
        MicChain.of(shelf).stream()
            .filter(c -> c.type().label().equals(microphone))
            .flatMap(chain -> chain.otherwise().stream())
            .toList();
    return new MicPlanner(book, shelf).rank(all, Progress.NONE).ranking();
  }

  private Result rank(List<MicChain> chains, Progress progress) {
    Map<MicPlaces.MicPlace, List<MicChain>> there = new LinkedHashMap<>();
    for (MicChain chain : chains) {
      for (Mount mount : chain.type().mounts()) {
        List<MicPlaces.MicPlace> all =
            mount == Mount.CLIP && chain.hidden()
                ? places.hidden()
                : places.of(mount, chain.close());
        all.forEach(p -> there.computeIfAbsent(p, k -> new ArrayList<>()).add(chain));
      }
    }
    Map<String, Trial> best = new LinkedHashMap<>();
    int done = 0;
    for (Map.Entry<MicPlaces.MicPlace, List<MicChain>> entry : there.entrySet()) {
      progress.step(done++, there.size());
      for (Trial trial : trials(entry.getKey(), entry.getValue())) {
        best.merge(key(trial.chain()), trial, (a, b) -> order().compare(b, a) < 0 ? b : a);
      }
    }
    List<String> warnings = new ArrayList<>();
    for (MicChain chain : chains) {
      MicWords.doubt(chain).ifPresent(warnings::add);
      if (!best.containsKey(key(chain))) {
        warnings.add(NoPlace.words(chain, book.room(), shelf));
      }
    }
    return new Result(
        best.values().stream().sorted(order()).map(this::ranked).toList(),
        warnings.stream().distinct().toList());
  }

  /** One entry for each microphone and input. */
  private static String key(MicChain chain) {
    return chain.type().label()
        + "\n"
        + chain.kit().map(k -> k.name()).orElse("")
        + "\n"
        + chain.input().map(k -> k.name()).orElse("");
  }

  private List<Trial> trials(MicPlaces.MicPlace place, List<MicChain> chains) {
    List<Capture> captures = chains.stream().map(c -> c.capture(now)).toList();
    Room room;
    try {
      room = place.with(book.room(), captures.getFirst());
    } catch (Trouble.BadField _) { // somebody else is there
      return List.of();
    }
    List<Heard> heard = hearing.heard(room, captures, replies);
    List<Trial> all = new ArrayList<>();
    for (int k = 0; k < chains.size(); k++) {
      Staging staging = chains.get(k).staging(book.levels().staging());
      Heard right = heard.get(k).withGainDb(staging.rightGainDb(heard.get(k), targets));
      all.add(new Trial(chains.get(k), place, right, shortDb(right.margins(), targets)));
    }
    return all;
  }

  /** What is missing of the targets, added. */
  public static double shortDb(Margins margins, Margins targets) {
    double sum = 0;
    for (Margins.Kind kind : Margins.Kind.values()) {
      sum += Math.max(0, -margins.over(targets, kind));
    }
    return sum;
  }

  private Comparator<Trial> order() {
    return Comparator.comparingLong((Trial t) -> Math.round(t.shortDb() / SAME_DB))
        .thenComparingDouble(t -> -t.over(targets))
        .thenComparingDouble(t -> t.chain().price(t.place().mount(), shelf, now));
  }

  private Ranked ranked(Trial trial) {
    MicChain chain = trial.chain();
    Mount mount = trial.place().mount();
    Room room = trial.place().with(book.room(), trial.heard().capture());
    Heard heard = Hearing.quick(book.with(room)).heard();
    Sway sway =
        Sway.of(
            moved ->
                hearing
                    .heard(moved, List.of(moved.requireMicrophone().capture()), replies)
                    .getFirst(),
            room);
    Chain told =
        new Chain(
            chain.type().label(),
            chain.input().map(k -> k.name()),
            chain.booster().map(k -> k.name()),
            Need.of(chain, mount, shelf, now),
            chain.checks(heard, targets, book.levels().staging(), shelf),
            MicWords.why(
                room, heard, targets, chain, mount, sway, places.framed(trial.place().at())));
    return new Ranked(
        chain.type(),
        told,
        mount,
        room,
        heard,
        trial.shortDb(),
        sway,
        chain.staging(book.levels().staging()));
  }

  /**
   * How a ranked microphone does nearer and further off, as far as the room goes.
   *
   * @param ranked one of the ranking of this book
   */
  public static List<AtDistance> distances(RoomBook book, Ranked ranked) {
    Point lips = ranked.room().requireTalker().at();
    Point out = ranked.room().requireMicrophone().at().minus(lips);
    double metres = Math.max(LEAST_METRES, out.length());
    MicField field = new MicField(book, ranked.room(), ranked.staging());
    List<AtDistance> all = new ArrayList<>();
    for (double d = LEAST_METRES; d <= MOST_METRES; d *= DISTANCE_STEP) {
      double at = d;
      field
          .at(lips.plus(out, d / metres))
          .ifPresent(heard -> all.add(new AtDistance(at, heard.margins())));
    }
    return all;
  }

  /**
   * The best of a ranking that goes through another input or none, and is held by something else:
   * what makes the first fail leaves it alone.
   */
  public static Optional<Backup> backup(List<Ranked> ranking) {
    if (ranking.isEmpty()) {
      return Optional.empty();
    }
    Ranked first = ranking.getFirst();
    return ranking.stream()
        .skip(1)
        .filter(r -> r.mount() != first.mount())
        .filter(
            r -> r.chain().input().isEmpty() || !r.chain().input().equals(first.chain().input()))
        .findFirst()
        .map(r -> new Backup(r, MicWords.differences(first, r)));
  }
}
