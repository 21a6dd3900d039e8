package nullroom.core.plan.treatment;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import nullroom.core.Figures;
import nullroom.core.Progress;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
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

  /** Less bought by a piece is not worth a sentence. */
  private static final double NOTHING_DB = 0.005;

  /** Octaves under the voice: what is left there is said. */
  private static final int BASS = 1;

  private final RoomBook book;
  private final Goal goal;
  private final Hearing hearing;
  private final Places.Found places;
  private final Search search;
  private final Progress progress;

  /**
   * The plans with what they start from.
   *
   * @param before by the quick answer
   * @param plans best first, the free one ahead
   * @param evaluations sets that were worked out
   * @param warnings what could not be used, and why
   */
  public record Result(
      TreatmentPlan.Figures before,
      List<TreatmentPlan> plans,
      long evaluations,
      List<String> warnings) {
    public Result {
      plans = List.copyOf(plans);
      warnings = List.copyOf(warnings);
    }
  }

  private TreatmentPlanner(RoomBook book, AtHand hand, int most, Progress progress) {
    this.book = book;
    this.progress = progress;
    goal = book.goal();
    hearing = Hearing.quick(book);
    TreatedReply reply = new TreatedReply(book.room(), hearing.decaySeconds(book.room()));
    places = Places.of(book.room(), hand, reply);
    search = new Search(reply, goal, hand, places.placements(), most, progress);
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
    return new Result(figures(book.room()), plans, search.evaluations(), warnings);
  }

  private static boolean isFree(TreatmentPlan plan) {
    return plan.school() == TreatmentSchool.FREE;
  }

  private Search.Chosen chosen(TreatmentSchool school) {
    return switch (school) {
      case FREE -> search.best(p -> true, List.of());
      case VOICE -> search.best(inFrontOf(talkerLooks()), List.of());
      case MICROPHONE -> search.best(inFrontOf(microphoneLooks()), List.of());
      case EVEN -> even();
      case FURNISHINGS -> {
        Search.Chosen first = search.best(Placement::furnishes, List.of());
        yield search.grown(first, p -> true);
      }
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
    return figures(room, hearing.heard(room));
  }

  private TreatmentPlan.Figures figures(Room room, Heard heard) {
    Bands seconds = hearing.decaySeconds(room);
    double off = Standing.offDb(goal, heard.margins().clearDb(), seconds.toArray());
    return new TreatmentPlan.Figures(heard.margins(), heard.hasLate(), seconds, off);
  }

  private TreatmentPlan plan(TreatmentSchool school, Search.Chosen chosen, Search.Bound bound) {
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
              p.patch(),
              p.turn().map(this::turnedTo).orElse(""),
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
        cautions(chosen),
        notes(chosen, last));
  }

  private String turnedTo(RoomItem item) {
    Room room = book.room();
    return switch (item.kind()) {
      case PATCH -> room.patches().get(item.index()).otherwise().orElseThrow().then();
      default -> room.furniture().get(item.index()).otherwise().orElseThrow().then();
    };
  }

  private TreatmentPlan.Figures traced(Room room) {
    RoomBook dressed = book.with(room);
    RoomResponse response = RoomResponse.of(room, Refinement.SEED, progress);
    Refinement refinement = Hearing.refinement(dressed, response);
    return figures(room, Hearing.of(dressed, Optional.of(refinement)).heard());
  }

  private List<String> cautions(Search.Chosen chosen) {
    Set<String> all = new LinkedHashSet<>();
    for (int i : chosen.indices()) {
      places
          .placements()
          .get(i)
          .patch()
          .ifPresent(patch -> {
            if (patch.surface() instanceof Surface.Ceiling) {
              all.add(
                  "What hangs overhead must hold several times its weight; have somebody hold the ladder.");
            } else if (patch.surface().isWall()) {
              all.add("Weigh stands down and fix what leans, so that nothing can fall.");
              all.add("Keep cloth off lamps, heaters and sockets, and exits free.");
            } else {
              all.add("Lay rugs so that nobody trips over their edge.");
            }
          });
    }
    if (!all.isEmpty()) {
      all.add("Ask before you fix anything to a wall that is not yours; local codes come first.");
    }
    return List.copyOf(all);
  }

  private List<String> notes(Search.Chosen chosen, TreatmentPlan.Figures after) {
    List<String> notes = new ArrayList<>();
    if (chosen.indices().isEmpty()) {
      notes.add(
          after.offDb() < Standing.SAME_DB
              ? "Hang nothing more: the room is as the goal wants it."
              : "Nothing at hand brings this room nearer to the goal.");
    }
    double bass = after.decaySeconds().get(BASS);
    double mid = after.decaySeconds().get(Octave.HZ_1000);
    if (bass > 2 * mid && bass > goal.longestSeconds()) {
      notes.add(
          Figures.say(
              "At 125 Hz it goes on ringing for %.2f s: that takes depth, 10 cm and more, best in corners.",
              bass));
    }
    if (mid < goal.shortestSeconds() - NOTHING_DB) {
      notes.add("The middle is drier than the goal wants: the voice will sound boxed in.");
    }
    return notes;
  }
}
