package nullroom.core.plan.mic;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nullroom.core.Figures;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Mount;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.Hearing;
import nullroom.core.book.RoomBook;
import nullroom.core.book.Shelf;
import nullroom.core.book.Staging;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.room.Aim;
import nullroom.core.room.PlacedMicrophone;
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

  /**
   * A microphone at its best place.
   *
   * @param chain it with its input and booster
   * @param mount that holds it
   * @param close whether it is made for close talk
   * @param room with it there, at the right gain
   * @param heard there
   * @param shortDb what is missing of the three targets, added
   */
  public record Ranked(
      Chain chain, Mount mount, boolean close, Room room, Heard heard, double shortDb) {}

  /**
   * A chain in words.
   *
   * @param microphone name of it
   * @param input name of it; empty where none is named
   * @param booster name of it; empty where none is needed
   * @param price still to be paid
   * @param checks what fits and what does not
   * @param why it is where it is in the ranking
   */
  public record Chain(
      String microphone,
      Optional<String> input,
      Optional<String> booster,
      double price,
      List<Check> checks,
      List<String> why) {}

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
  }

  /** With a camera for the shot, where there is none. */
  private static Room filmed(Room room, Shelf shelf) {
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
    return new MicPlanner(book, shelf).rank(progress);
  }

  private Result rank(Progress progress) {
    List<MicChain> chains = MicChain.of(shelf);
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
      if (!best.containsKey(key(chain))) {
        warnings.add(nowhere(chain));
      }
    }
    return new Result(
        best.values().stream().sorted(order()).map(this::ranked).toList(),
        warnings.stream().distinct().toList());
  }

  private String nowhere(MicChain chain) {
    boolean lens = !book.room().setUp().cameras().isEmpty();
    return "“"
        + chain.type().label()
        + "” finds no place: "
        + (chain.type().mounts().contains(Mount.BOOM) || chain.type().mounts().contains(Mount.STAND)
            ? lens
                ? "the picture leaves none within reach. Tighten the frame, or lengthen the boom."
                : "nothing is within reach."
            : "what could hold it is not in the room.");
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
    List<Heard> heard = Hearing.quick(book.with(room)).heard(captures);
    List<Trial> all = new ArrayList<>();
    for (int k = 0; k < chains.size(); k++) {
      Staging staging = chains.get(k).staging(book.levels().staging());
      Heard right = heard.get(k).withGainDb(staging.rightGainDb(heard.get(k), targets));
      all.add(new Trial(chains.get(k), place, right, shortDb(right, targets)));
    }
    return all;
  }

  /** What is missing of the targets, added. */
  static double shortDb(Heard heard, Margins targets) {
    double sum = 0;
    for (Margins.Kind kind : Margins.Kind.values()) {
      sum += Math.max(0, -heard.margins().over(targets, kind));
    }
    return sum;
  }

  private Comparator<Trial> order() {
    return Comparator.comparingLong((Trial t) -> Math.round(t.shortDb() / SAME_DB))
        .thenComparingDouble(t -> -t.over(targets))
        .thenComparingDouble(t -> t.chain().price());
  }

  private Ranked ranked(Trial trial) {
    MicChain chain = trial.chain();
    Room room = trial.place().with(book.room(), trial.heard().capture());
    Chain told =
        new Chain(
            chain.type().label(),
            chain.input().map(k -> k.name()),
            chain.booster().map(k -> k.name()),
            chain.price(),
            chain.checks(trial.heard(), targets, book.levels().staging(), shelf),
            why(trial));
    return new Ranked(
        told, trial.place().mount(), chain.close(), room, trial.heard(), trial.shortDb());
  }

  private List<String> why(Trial trial) {
    Heard heard = trial.heard();
    List<String> why = new ArrayList<>();
    double metres = trial.place().at().distanceTo(book.room().requireTalker().at());
    Margins.Kind weakest = heard.margins().weakest(targets);
    double over = heard.margins().over(targets, weakest);
    why.add(
        Figures.say(
            "%s at %.0f cm: %s is the weakest, %.1f dB %s its target.",
            Figures.capital(Figures.word(trial.place().mount())),
            100 * metres,
            Figures.word(weakest),
            Math.abs(over),
            over < 0 ? "under" : "over"));
    if (heard.margins().over(targets, Margins.Kind.CLEAR) < 0) {
      why.add(
          Figures.say(
              "At %.1f m the room is too loud beside the voice: Clear %.1f dB.",
              metres, heard.margins().clearDb()));
    }
    if (heard.margins().over(targets, Margins.Kind.QUIET) < 0) {
      why.add(
          Figures.say(
              "Quiet %.1f dB: the loudest of the noises is %s.",
              heard.margins().quietDb(), loudest(heard)));
    }
    return why;
  }

  private static String loudest(Heard heard) {
    double room = Octave.aWeightedSum(heard.placeNoiseDbSpl());
    double self = Octave.aWeightedSum(heard.selfNoiseDbSpl());
    double hiss = Octave.aWeightedSum(heard.preampNoiseDbSpl());
    if (room >= self && room >= hiss) {
      return "the room’s";
    }
    return self >= hiss ? "the microphone’s own" : "the input’s hiss";
  }

  /**
   * How a ranked microphone does nearer and further off, as far as the room goes.
   *
   * @param ranked one of the ranking of this book
   */
  public static List<AtDistance> distances(RoomBook book, Ranked ranked) {
    Point lips = ranked.room().requireTalker().at();
    PlacedMicrophone best = ranked.room().requireMicrophone();
    Point out = best.at().minus(lips);
    double metres = Math.max(LEAST_METRES, out.length());
    List<AtDistance> all = new ArrayList<>();
    for (double d = LEAST_METRES; d <= MOST_METRES; d *= DISTANCE_STEP) {
      Point at = lips.plus(out, d / metres);
      at(book, ranked, at, d).ifPresent(all::add);
    }
    return all;
  }

  private static Optional<AtDistance> at(RoomBook book, Ranked ranked, Point at, double metres) {
    return heardAt(book, ranked, at).map(h -> new AtDistance(metres, h.margins()));
  }

  /**
   * What a ranked microphone hears elsewhere, pointed at the lips, with the right gain there; empty
   * where it cannot be.
   */
  static Optional<Heard> heardAt(RoomBook book, Ranked ranked, Point at) {
    Room room = ranked.room();
    if (!room.holds(at) || room.furniture().stream().anyMatch(f -> f.holds(at))) {
      return Optional.empty();
    }
    Point lips = room.requireTalker().at();
    Capture capture = room.requireMicrophone().capture();
    MicPlaces.MicPlace place =
        new MicPlaces.MicPlace(ranked.mount(), at, Aim.along(lips.minus(at)), Optional.empty());
    Heard heard = Hearing.quick(book.with(place.with(room, capture))).heard();
    return Optional.of(
        heard.withGainDb(book.levels().staging().rightGainDb(heard, book.goal().targets())));
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
        .map(r -> new Backup(r, differences(first, r)));
  }

  private static List<String> differences(Ranked first, Ranked second) {
    return List.of(
        Figures.say(
            "The %s is held by %s, the %s by %s: a slipped clip, a knocked stand or a gust takes one of them.",
            second.chain().microphone(),
            Figures.word(second.mount()),
            first.chain().microphone(),
            Figures.word(first.mount())),
        second
            .chain()
            .input()
            .map(i -> "It goes into the " + i + ", with cells and a card of its own.")
            .orElse("It records by itself: no cable, preamp or cell is shared."));
  }
}
