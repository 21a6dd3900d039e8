package nullroom.app.room;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nullroom.app.shell.StationContext;
import nullroom.core.Trouble;
import nullroom.core.book.RoomBook;
import nullroom.core.book.Spot;
import nullroom.core.plan.Compared;
import nullroom.core.plan.Ladder;
import nullroom.core.plan.Verdicts;
import nullroom.core.plan.Why;
import nullroom.core.predict.Margins;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.RoomItem;

/** Places to record from, each with what the microphone would hear there. */
public final class SpotsModel {
  /**
   * A spot and its margins.
   *
   * @param spot kept
   * @param margins there; empty where talker or microphone no longer fit
   * @param here whether talker and microphone are there now
   */
  public record Judged(Spot spot, Optional<Verdicts> verdicts, boolean here) {}

  private final StationContext context;

  SpotsModel(StationContext context) {
    this.context = context;
  }

  private RoomBook book() {
    return context.session().book();
  }

  /** All, that with the largest weakest margin first. */
  public List<Judged> all() {
    List<Judged> all = new ArrayList<>();
    for (Spot spot : book().spots()) {
      all.add(new Judged(spot, ladder(spot).map(Ladder::verdicts), spot.isIn(book().room())));
    }
    all.sort(
        Comparator.comparingDouble((Judged j) ->
                j.verdicts().map(v -> v.weakest().overDb()).orElse(Double.NEGATIVE_INFINITY))
            .reversed());
    return all;
  }

  private Optional<Ladder> ladder(Spot spot) {
    return Compared.ladder(book(), spot, context.session().refinement());
  }

  /**
   * What the microphone would hear at any point, pointing at the lips; nothing is moved.
   *
   * @throws Trouble.BadField outside the room
   */
  public Verdicts at(Point point) {
    return verdicts(RoomItem.microphone(book().room()).moved(book().room(), point));
  }

  /** Why a margin is what it is at a spot; empty where the spot no longer fits. */
  public Optional<Why> why(Spot spot, Margins.Kind kind) {
    return ladder(spot).flatMap(l -> l.findWhy(l.verdicts().get(kind).name()));
  }

  private Verdicts verdicts(Room room) {
    return Verdicts.of(context.session().heard(room), book().goal().targets());
  }

  /**
   * Keeps where talker and microphone are now.
   *
   * @throws Trouble.BadField without a name, or with one that is taken
   */
  public void keep(String name) {
    String stripped = name.strip();
    if (stripped.isEmpty()) {
      throw new Trouble.BadField("spot", "needs a name, such as “gable” or “by the bed”");
    }
    if (book().spots().stream().anyMatch(s -> s.name().equals(stripped))) {
      throw new Trouble.BadField("spot", "there is a spot “" + stripped + "” already");
    }
    List<Spot> more = new ArrayList<>(book().spots());
    more.add(Spot.of(stripped, book().room()));
    context.session().edit("Keep the spot " + stripped, book -> book.withSpots(more));
  }

  /**
   * Moves talker and microphone to a spot.
   *
   * @throws Trouble.BadField where they no longer fit
   */
  public void go(Spot spot) {
    Room there = spot.in(book().room());
    context.session().edit("Go to " + spot.name(), book -> book.with(there));
  }

  /** Forgets a spot. */
  public void remove(Spot spot) {
    List<Spot> fewer = new ArrayList<>(book().spots());
    fewer.remove(spot);
    context.session().edit("Forget the spot " + spot.name(), book -> book.withSpots(fewer));
  }
}
