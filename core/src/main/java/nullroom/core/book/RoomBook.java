package nullroom.core.book;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Capture;
import nullroom.core.measure.noise.Scale;
import nullroom.core.room.Finish;
import nullroom.core.room.Room;

/**
 * The whole document: what is known about the places that one records in, and about the kit.
 * Immutable; an edit is a function from book to book.
 *
 * @param name for people
 * @param goal what the recording is for
 * @param here the place of now
 * @param others the other places, in their order
 * @param at how many of them come before the place of now
 * @param materials of the user's own, by name
 * @param shelf what there is to record with
 * @param atHand what there is to dress rooms with, where that was said
 */
public record RoomBook(
    String name,
    Goal goal,
    Place here,
    List<Place> others,
    int at,
    List<Finish.Stated> materials,
    Shelf shelf,
    Optional<AtHand> atHand) {
  /** So many places at most. */
  public static final int MOST_PLACES = 12;

  /**
   * A book.
   *
   * @throws Trouble.BadField where two places have one name, or there are too many
   */
  public RoomBook {
    materials = List.copyOf(materials);
    others = List.copyOf(others);
    if (others.size() >= MOST_PLACES) {
      throw new Trouble.BadField("places", "are " + MOST_PLACES + " at most");
    }
    if (at < 0 || at > others.size()) {
      throw new Trouble.BadField("places", "the place of now is number " + at + " of them");
    }
    Set<String> names = new HashSet<>(Set.of(here.name()));
    for (Place other : others) {
      if (!names.add(other.name())) {
        throw new Trouble.BadField("places", "two are called “" + other.name() + "”");
      }
    }
  }

  /** A book of one place in which nothing was measured yet. */
  public RoomBook(String name, Goal goal, Room room) {
    this(name, goal, Place.of(room), List.of(), 0, List.of(), Shelf.EMPTY, Optional.empty());
  }

  /** The room of now. */
  public Room room() {
    return here.room();
  }

  /** All that is known about its noise. */
  public Listening listening() {
    return here.listening();
  }

  /** All that is known about its decay. */
  public Decays decays() {
    return here.decays();
  }

  /** Places in it to record from. */
  public List<Spot> spots() {
    return here.spots();
  }

  /** All that is known about the level. */
  public Levels levels() {
    return here.levels();
  }

  /** The decay measured last. */
  public Optional<DecayMeasurement> decay() {
    return decays().last();
  }

  /** The noise that is known where talker and microphone are. */
  public Optional<NoiseMeasurement> noise() {
    return here.noise();
  }

  /** What digital levels mean with the microphone and gain of now, where that is known. */
  public Optional<Scale> scale() {
    return listening().calibration().scale(room().requireMicrophone().capture());
  }

  /**
   * The chain that a recording is made with now; empty where nobody said that it is the one
   * described.
   *
   * @param simulated whether an acted room is heard
   */
  public Optional<Capture> chain(boolean simulated) {
    return listening().chain(room().requireMicrophone().capture(), simulated);
  }

  /** All places, in their order. */
  public List<Place> places() {
    List<Place> all = new ArrayList<>(others);
    all.add(at, here);
    return all;
  }

  /** With the place of now changed. */
  public RoomBook with(Place other) {
    return new RoomBook(name, goal, other, others, at, materials, shelf, atHand);
  }

  /**
   * At another place; what is planned and handed over stays.
   *
   * @throws Trouble.BadField where there is none of that name
   */
  public RoomBook goTo(String place) {
    List<Place> all = places();
    for (int i = 0; i < all.size(); i++) {
      if (all.get(i).name().equals(place)) {
        Place there = all.remove(i);
        return new RoomBook(
            name, goal, there.with(levels().at(there.levels())), all, i, materials, shelf, atHand);
      }
    }
    throw new Trouble.BadField(
        "place",
        "there is none called “"
            + place
            + "”; there are "
            + String.join(", ", all.stream().map(Place::name).toList()));
  }

  /** With one more place, after all others, and there. */
  private RoomBook plus(Place place) {
    RoomBook more =
        new RoomBook(
            name,
            goal,
            here,
            Stream.concat(others.stream(), Stream.of(place)).toList(),
            at,
            materials,
            shelf,
            atHand);
    return more.goTo(place.name());
  }

  /**
   * The same under another name.
   *
   * @throws Trouble.BadField where that is empty
   */
  public RoomBook named(String other) {
    if (other.isBlank()) {
      throw new Trouble.BadField("name", "name the book");
    }
    return new RoomBook(other.strip(), goal, here, others, at, materials, shelf, atHand);
  }

  /** With the place of now once more under another name, and there. */
  public RoomBook copied(String name) {
    return plus(here.named(name));
  }

  /** In another room with the kit of now. */
  public RoomBook moved(Room other) {
    return plus(here.elsewhere(other));
  }

  /**
   * Without the place of now, at the one before it or else after it.
   *
   * @throws Trouble.BadField where there is no other
   */
  public RoomBook withoutPlace() {
    if (others.isEmpty()) {
      throw new Trouble.BadField("place", "this is the only one");
    }
    String next = others.get(Math.max(0, at - 1)).name();
    RoomBook there = goTo(next);
    List<Place> left = there.others().stream().filter(p -> !p.name().equals(here.name())).toList();
    return new RoomBook(
        name, goal, there.here(), left, Math.max(0, at - 1), materials, shelf, atHand);
  }

  /** With another room. */
  public RoomBook with(Room other) {
    return with(here.with(other));
  }

  /**
   * With the room's description changed to what was there all along: what was measured stays as it
   * is, and what the model says of it moves.
   */
  public RoomBook describedAs(Room other) {
    return with(other).with(decays().describedAnew(room(), other));
  }

  /** With another goal. */
  public RoomBook with(Goal other) {
    return new RoomBook(name, other, here, others, at, materials, shelf, atHand);
  }

  /** With other knowledge of the noise. */
  public RoomBook with(Listening other) {
    return with(here.with(other));
  }

  /** With a new noise measurement; a simulated one never takes the place of a real one. */
  public RoomBook with(NoiseMeasurement measured) {
    boolean displaces =
        measured.simulated() && listening().noise().filter(n -> !n.simulated()).isPresent();
    return displaces ? this : with(listening().withNoise(measured));
  }

  /** With other knowledge of the decay. */
  public RoomBook with(Decays other) {
    return with(here.with(other));
  }

  /** With a new decay measurement; those before are kept to compare with. */
  public RoomBook with(DecayMeasurement measured) {
    return with(decays().with(measured));
  }

  /** With other places to record from. */
  public RoomBook withSpots(List<Spot> others) {
    return with(here.withSpots(others));
  }

  /** With other materials of the user's own. */
  public RoomBook withMaterials(List<Finish.Stated> own) {
    return new RoomBook(name, goal, here, others, at, own, shelf, atHand);
  }

  /** With other knowledge of the level. */
  public RoomBook with(Levels other) {
    return with(here.with(other));
  }

  /** With other things to record with. */
  public RoomBook with(Shelf other) {
    return new RoomBook(name, goal, here, others, at, materials, other, atHand);
  }

  /**
   * What there is to dress the room of now with: what was said, or a usual household's, with what
   * is kept clear here.
   */
  public AtHand hand() {
    return atHand.orElse(AtHand.USUAL).withKeepClear(here.keepClear());
  }

  /** With other things to dress rooms with, and other parts kept clear here. */
  public RoomBook with(AtHand other) {
    RoomBook book = with(here.withKeepClear(other.keepClear()));
    AtHand everywhere = other.withKeepClear(List.of());
    Optional<AtHand> said =
        everywhere.equals(AtHand.USUAL) ? Optional.empty() : Optional.of(everywhere);
    return new RoomBook(name, goal, book.here, others, at, materials, shelf, said);
  }
}
