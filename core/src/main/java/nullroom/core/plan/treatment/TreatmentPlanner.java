package nullroom.core.plan.treatment;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import nullroom.core.Progress;
import nullroom.core.acoustics.Bands;
import nullroom.core.book.AtHand;
import nullroom.core.book.Goal;
import nullroom.core.book.Hearing;
import nullroom.core.book.RoomBook;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Refinement;
import nullroom.core.predict.RoomResponse;
import nullroom.core.predict.TreatedReply;
import nullroom.core.room.Aim;
import nullroom.core.room.Outline;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.RoomItem;
import nullroom.core.room.Surface;
import nullroom.core.room.Talker;

/**
 * Plans the treatment of a book's room. What is told of a plan is worked out anew from its room, as
 * every face does.
 */
public final class TreatmentPlanner {
  /** What a surface is before, or behind: within this angle of where one looks. */
  private static final double AHEAD_DEGREES = 60;

  private final RoomBook book;
  private final AtHand hand;
  private final int most;
  private final Goal goal;
  private final Hearing hearing;
  private final Places.Found places;
  private final Problem problem;
  private final Search search;
  private final Progress progress;

  /** Schools often end in one room; each is traced once. */
  private final Map<Room, TreatmentPlan.Figures> traces = new HashMap<>();

  /**
   * The plans with what they start from.
   *
   * @param before by the quick answer
   * @param plans best first, the free one ahead
   * @param evaluations sets that were worked out
   * @param limits what keeping to each of them costs, the dearest first
   * @param warnings what could not be used, and why
   */
  public record Result(
      TreatmentPlan.Figures before,
      List<TreatmentPlan> plans,
      long evaluations,
      List<LimitPrice> limits,
      List<String> warnings) {
    public Result {
      plans = List.copyOf(plans);
      limits = List.copyOf(limits);
      warnings = List.copyOf(warnings);
    }
  }

  private TreatmentPlanner(RoomBook book, AtHand hand, int most, Progress progress) {
    this.book = book;
    this.hand = hand;
    this.most = most;
    this.progress = progress;
    goal = book.goal();
    hearing = Hearing.quick(book);
    TreatedReply reply = new TreatedReply(book.room(), hearing.decaySeconds(book.room()));
    places = Places.of(book.room(), hand, reply);
    problem = new Problem(reply, goal, hand, places.placements(), most);
    search = new Search(problem, progress);
  }

  /**
   * Plans.
   *
   * @param hand what there is, and what must be kept to
   * @param schools whose plans are asked for; the free one always is
   * @param most pieces in a plan
   * @param progress may cancel
   * @throws nullroom.core.Trouble.BadField where talker or microphone is missing
   */
  public static Result plan(
      RoomBook book, AtHand hand, Set<TreatmentSchool> schools, int most, Progress progress) {
    return new TreatmentPlanner(book, hand, most, progress).plans(schools);
  }

  private Result plans(Set<TreatmentSchool> asked) {
    Map<TreatmentSchool, Search.Chosen> found = new EnumMap<>(TreatmentSchool.class);
    for (TreatmentSchool school : TreatmentSchool.values()) {
      if (school != TreatmentSchool.FREE && asked.contains(school)) {
        found.put(school, chosen(school));
      }
    }
    Search.Chosen free = search.best(p -> true, List.copyOf(found.values()));
    Search.Bound bound = search.bound(free);
    found.put(TreatmentSchool.FREE, bound.best());
    List<TreatmentPlan> plans = new ArrayList<>();
    found.entrySet().stream()
        .sorted((a, b) -> a.getValue().standing().compareTo(b.getValue().standing()))
        .forEach(e -> plans.add(plan(e.getKey(), e.getValue(), bound)));
    plans.sort((a, b) -> Boolean.compare(isFree(b), isFree(a)));
    List<String> warnings = new ArrayList<>(places.left());
    if (places.placements().isEmpty()) {
      warnings.add("Nothing is at hand that could be put up or turned within these limits.");
    }
    TreatmentPlan best = plans.getFirst();
    pushed(best).ifPresent(p -> plans.set(0, p));
    return new Result(
        figures(book.room()), plans, problem.evaluations(), limits(bound.best()), warnings);
  }

  /** The best plan with a piece of furniture pushed elsewhere, where that brings more. */
  private Optional<TreatmentPlan> pushed(TreatmentPlan best) {
    Optional<FurnitureMove> move = Optional.empty();
    double least = best.after().offDb() - Standing.SAME_DB;
    for (FurnitureMove m : FurnitureMove.all(book.room(), hand)) {
      double off = figures(m.room().withPatches(best.room().patches())).offDb();
      if (off < least) {
        least = off;
        move = Optional.of(m);
      }
    }
    return move.flatMap(m -> after(m, best));
  }

  private Optional<TreatmentPlan> after(FurnitureMove move, TreatmentPlan best) {
    double left = hand.minutes().orElse(Double.POSITIVE_INFINITY) - FurnitureMove.MINUTES;
    if (left < 0) {
      return Optional.empty();
    }
    AtHand rest = (hand.minutes().isPresent() ? hand.withMinutes(left) : hand).withMoves(false);
    TreatmentPlanner there = new TreatmentPlanner(book.with(move.room()), rest, most, progress);
    Search.Chosen chosen = there.search.best(p -> true, List.of());
    TreatmentPlan plan =
        there.plan(TreatmentSchool.FREE, chosen, new Search.Bound(0, false, chosen));
    if (plan.after().offDb() > best.after().offDb() - Standing.SAME_DB) {
      return Optional.empty();
    }
    TreatmentPlan.Figures before = figures(book.room());
    TreatmentPlan.Figures then = figures(move.room());
    double buys = then.margins().clearDb() - before.margins().clearDb();
    List<TreatmentPlan.Step> steps = new ArrayList<>();
    steps.add(
        new TreatmentPlan.Step(
            move.name(),
            Optional.empty(),
            Optional.empty(),
            "",
            Optional.of(move.to()),
            0,
            FurnitureMove.MINUTES,
            true,
            buys,
            buys,
            then));
    steps.addAll(plan.steps());
    return Optional.of(plan.after(steps, FurnitureMove.MINUTES));
  }

  /** Nothing where the room is but too dry: no limit stands in the way of less. */
  private List<LimitPrice> limits(Search.Chosen now) {
    Bands seconds = hearing.decaySeconds(book.room());
    double clear = hearing.heard(book.room()).margins().clearDb();
    double missing =
        Standing.offDb(goal, clear, seconds.toArray(), Bands.all(goal.shortestSeconds()).toArray());
    if (now.indices().isEmpty() && missing < Standing.SAME_DB) {
      return List.of();
    }
    List<Placement> best = now.indices().stream().map(problem::place).toList();
    progress.step(0, 1);
    return Relaxed.all(book.room(), hand).parallelStream()
        .map(r -> {
          TreatmentPlanner without =
              new TreatmentPlanner(book.with(r.room()), r.hand(), most, Progress.NONE);
          Search.Chosen start = without.search.alike(best);
          double off =
              without
                  .search
                  .best(p -> true, List.of(start), Search.FEW_AT_SHAKES)
                  .standing()
                  .offDb();
          return new LimitPrice(r.limit(), Math.max(0, now.standing().offDb() - off));
        })
        .sorted(Comparator.comparingDouble(p -> -p.costsDb()))
        .toList();
  }

  private static boolean isFree(TreatmentPlan plan) {
    return plan.school() == TreatmentSchool.FREE;
  }

  private Search.Chosen chosen(TreatmentSchool school) {
    return switch (school) {
      case FREE -> search.best(p -> true, List.of());
      case VOICE, MICROPHONE -> search.best(allowedTo(school), List.of());
      case EVEN -> even();
      case FURNISHINGS -> {
        Search.Chosen first = search.best(Placement::furnishes, List.of());
        yield search.grown(first, p -> true);
      }
    };
  }

  private Predicate<Placement> allowedTo(TreatmentSchool school) {
    return switch (school) {
      case FREE, EVEN, FURNISHINGS -> p -> true;
      case VOICE -> inFrontOf(talkerLooks());
      case MICROPHONE -> inFrontOf(microphoneLooks());
    };
  }

  private record Look(Point from, Aim aim) {}

  private Look talkerLooks() {
    Talker talker = book.room().requireTalker();
    return new Look(talker.at(), talker.aim());
  }

  private Look microphoneLooks() {
    PlacedMicrophone microphone = book.room().requireMicrophone();
    return new Look(microphone.at(), microphone.aim());
  }

  /** Pieces whose middle is ahead of someone who looks somewhere. */
  private Predicate<Placement> inFrontOf(Look look) {
    return p ->
        p.patch()
            .filter(patch -> {
              Point local = Outline.centre(patch.corners());
              Point middle = book.room().enclosure().unbounded(patch.surface(), local);
              return look.aim().angleTo(middle.minus(look.from())) <= AHEAD_DEGREES;
            })
            .isPresent();
  }

  /** One piece to each surface in turn, then again, as long as it helps. */
  private Search.Chosen even() {
    List<Surface> surfaces = book.room().surfaces();
    Search.Chosen now = search.best(p -> false, List.of());
    boolean helped = true;
    while (helped) {
      helped = false;
      for (Surface surface : surfaces) {
        Search.Chosen more =
            search.plusOne(
                now, p -> p.patch().filter(q -> q.surface().equals(surface)).isPresent());
        helped |= more.indices().size() > now.indices().size();
        now = more;
      }
    }
    return now;
  }

  private TreatmentPlan.Figures figures(Room room) {
    return figures(hearing, goal, room);
  }

  /**
   * What a room is like, as plans are told.
   *
   * @param hearing of the book that it is a room of
   */
  public static TreatmentPlan.Figures figures(Hearing hearing, Goal goal, Room room) {
    return figures(hearing, goal, room, hearing.heard(room));
  }

  private static TreatmentPlan.Figures figures(Hearing hearing, Goal goal, Room room, Heard heard) {
    Bands seconds = hearing.decaySeconds(room);
    double off = Standing.offDb(goal, heard.margins().clearDb(), seconds.toArray());
    return new TreatmentPlan.Figures(heard.margins(), heard.hasLate(), seconds, off);
  }

  private TreatmentPlan plan(TreatmentSchool school, Search.Chosen found, Search.Bound bound) {
    Search.Chosen chosen = search.settled(found, allowedTo(school), school == TreatmentSchool.EVEN);
    List<TreatmentPlan.Step> steps = new ArrayList<>();
    Room room = book.room();
    TreatmentPlan.Figures before = figures(room);
    TreatmentPlan.Figures last = before;
    for (int i : search.inOrder(chosen)) {
      Placement p = places.placements().get(i);
      room = p.in(room);
      TreatmentPlan.Figures then = figures(room);
      double alone = figures(p.in(book.room())).margins().clearDb() - before.margins().clearDb();
      steps.add(
          new TreatmentPlan.Step(
              p.name(),
              p.piece(),
              p.patch(),
              p.turn().map(this::turnedTo).orElse(""),
              Optional.empty(),
              p.price(),
              p.minutes(),
              p.owned(),
              alone,
              then.margins().clearDb() - last.margins().clearDb(),
              then));
      last = then;
    }
    boolean reaches = Math.abs(last.offDb() - bound.offDb()) < Standing.SAME_DB;
    return new TreatmentPlan(
        school,
        steps,
        last,
        traced(room),
        chosen.standing().price(),
        chosen.standing().minutes(),
        Math.min(bound.offDb(), last.offDb()),
        bound.complete() && reaches,
        room,
        PlanWords.cautions(chosen.indices().stream().map(places.placements()::get).toList()),
        PlanWords.notes(goal, room, steps, last));
  }

  private String turnedTo(RoomItem item) {
    Room room = book.room();
    return switch (item.kind()) {
      case PATCH -> room.patches().get(item.index()).otherwise().orElseThrow().then();
      default -> room.furniture().get(item.index()).otherwise().orElseThrow().then();
    };
  }

  private TreatmentPlan.Figures traced(Room room) {
    return traces.computeIfAbsent(room, this::trace);
  }

  private TreatmentPlan.Figures trace(Room room) {
    RoomBook dressed = book.with(room);
    RoomResponse response = RoomResponse.of(room, Refinement.SEED, progress);
    Refinement refinement = Hearing.refinement(dressed, response);
    return figures(hearing, goal, room, Hearing.of(dressed, Optional.of(refinement)).heard());
  }
}
