package nullroom.app.room;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.beans.property.ReadOnlyLongProperty;
import javafx.beans.property.ReadOnlyLongWrapper;
import nullroom.app.shell.BookSession;
import nullroom.app.shell.Newest;
import nullroom.app.shell.StationContext;
import nullroom.core.Trouble;
import nullroom.core.book.Hearing;
import nullroom.core.book.Place;
import nullroom.core.book.RoomBook;
import nullroom.core.plan.Compared;
import nullroom.core.plan.Why;
import nullroom.core.predict.Margins;
import nullroom.core.predict.Refinement;
import nullroom.core.predict.RoomResponse;
import nullroom.core.room.FirstRoom;
import nullroom.core.room.Room;

/** The places of the book side by side: gone to, copied, begun anew, taken out. */
public final class PlacesModel {
  private final StationContext context;
  private final Newest tracing;
  private final Map<Room, Refinement> traced = new HashMap<>();
  private final ReadOnlyLongWrapper found = new ReadOnlyLongWrapper();

  PlacesModel(StationContext context, Newest tracing) {
    this.context = context;
    this.tracing = tracing;
  }

  private BookSession session() {
    return context.session();
  }

  private RoomBook book() {
    return session().book();
  }

  /** Counts up when another place was traced. */
  public ReadOnlyLongProperty foundProperty() {
    return found.getReadOnlyProperty();
  }

  /** Names of all places, in their order. */
  public List<String> names() {
    return book().places().stream().map(Place::name).toList();
  }

  /** All places and their spots, that with the largest weakest margin first. */
  public List<Compared> all() {
    List<Compared> all = new ArrayList<>();
    for (String name : names()) {
      all.addAll(Compared.of(book().goTo(name), refinement(name)));
    }
    all.sort(Comparator.comparingDouble(Compared::overDb).reversed());
    return all;
  }

  private Optional<Refinement> refinement(String place) {
    return place.equals(book().here().name())
        ? session().refinement()
        : Optional.ofNullable(traced.get(book().goTo(place).room()));
  }

  /** Whether that place is shown by the quick answer only, so far. */
  public boolean quick(String place) {
    return !place.equals(book().here().name()) && refinement(place).isEmpty();
  }

  /** Traces those of the other places that were not traced yet, one after the other. */
  public void trace() {
    List<RoomBook> left =
        names().stream().filter(this::quick).map(name -> book().goTo(name)).toList();
    if (left.isEmpty()) {
      return;
    }
    tracing.ask(request -> {
      for (RoomBook there : left) {
        RoomResponse response = RoomResponse.of(there.room(), Refinement.SEED, request);
        Refinement refinement = Hearing.refinement(there, response);
        request.tell(() -> {
          traced.put(there.room(), refinement);
          found.set(found.get() + 1);
        });
      }
    });
  }

  /** Stops that. */
  public void leave() {
    tracing.cancel();
  }

  /** Why a margin is what it is there; empty where nothing fits, or the place is gone. */
  public Optional<Why> why(Compared row, Margins.Kind kind) {
    return all().stream()
        .filter(c -> c.place().equals(row.place()) && c.spot().equals(row.spot()))
        .findFirst()
        .flatMap(Compared::ladder)
        .flatMap(l -> l.findWhy(l.verdicts().get(kind).name()));
  }

  /**
   * Goes to a place, and to a spot there.
   *
   * @throws Trouble.BadField while something is heard, or where the spot no longer fits
   */
  public void go(String place, String spot) {
    context.goTo(place);
    book().spots().stream()
        .filter(s -> s.name().equals(spot))
        .findFirst()
        .ifPresent(s -> session().edit("Go to " + place, b -> b.with(s.in(b.room()))));
  }

  /**
   * Begins with a bare room and the kit of now.
   *
   * @throws Trouble.BadField for a name that is taken, or a size that cannot be
   */
  public void begin(String name, double length, double width, double height) {
    String stripped = named(name);
    context.elsewhere(
        "Take the kit to " + stripped,
        b -> b.moved(FirstRoom.empty(stripped, length, width, height).withSetUpOf(b.room())));
  }

  /**
   * Copies the place of now with all that is known of it.
   *
   * @throws Trouble.BadField for a name that is taken
   */
  public void copy(String name) {
    String stripped = named(name);
    context.elsewhere("Copy to " + stripped, b -> b.copied(stripped));
  }

  /**
   * Calls the place of now otherwise.
   *
   * @throws Trouble.BadField for a name that is taken
   */
  public void rename(String name) {
    String stripped = named(name);
    session().edit("Call this place " + stripped, b -> b.with(b.here().named(stripped)));
  }

  /**
   * Takes the place of now out of the book; its recordings stay in the folder.
   *
   * @throws Trouble.BadField where it is the only one
   */
  public void remove() {
    context.elsewhere("Take " + book().here().name() + " out", RoomBook::withoutPlace);
  }

  private static String named(String name) {
    if (name.isBlank()) {
      throw new Trouble.BadField("place", "needs a name, such as “bedroom” or “wardrobe”");
    }
    return name.strip();
  }
}
