package nullroom.core.room;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import nullroom.core.Figures;
import nullroom.core.Trouble;

/**
 * Who speaks, what listens, what films and what plays, and which voice, microphone and camera are
 * judged. What rides on something follows it.
 *
 * @param talkers who speaks
 * @param microphones what listens
 * @param cameras that film
 * @param loudspeakers that play a backing
 * @param judged which of them are judged
 */
public record SetUp(
    List<Member<Talker>> talkers,
    List<Member<PlacedMicrophone>> microphones,
    List<Member<Camera>> cameras,
    List<Member<PlacedLoudspeaker>> loudspeakers,
    Judged judged) {
  /** Name of the only talker where nobody gave one. */
  public static final String TALKER = "talker";

  /** Name of the only microphone where nobody gave one. */
  public static final String MICROPHONE = "microphone";

  /** Further than this from its carrier a thing was put down. */
  public static final double CARRIED_METRES = 0.5;

  /** Name of the only camera where nobody gave one. */
  public static final String CAMERA = "camera";

  /**
   * Which of a set-up are judged, by their index.
   *
   * @param voice of the talkers
   * @param microphone of the microphones
   * @param camera of the cameras
   */
  public record Judged(int voice, int microphone, int camera) {
    /** The first of each. */
    public static final Judged FIRST = new Judged(0, 0, 0);
  }

  /** Nobody. */
  public static final SetUp NONE =
      new SetUp(List.of(), List.of(), List.of(), List.of(), Judged.FIRST);

  public SetUp {
    talkers = List.copyOf(talkers);
    microphones = List.copyOf(microphones);
    cameras = List.copyOf(cameras);
    loudspeakers = List.copyOf(loudspeakers);
  }

  /** One of each at most, without names. */
  public static SetUp of(
      Optional<Talker> talker, Optional<PlacedMicrophone> microphone, Optional<Camera> camera) {
    return new SetUp(
        alone(TALKER, talker),
        alone(MICROPHONE, microphone),
        alone(CAMERA, camera),
        List.of(),
        Judged.FIRST);
  }

  private static <T extends Placed<T>> List<Member<T>> alone(String name, Optional<T> it) {
    return it.stream().map(i -> new Member<>(name, i)).toList();
  }

  /** A talker before a microphone, with no camera. */
  public static SetUp of(Talker talker, PlacedMicrophone microphone) {
    return of(Optional.of(talker), Optional.of(microphone), Optional.empty());
  }

  private static <T> Optional<T> at(List<T> all, int index) {
    return index >= 0 && index < all.size() ? Optional.of(all.get(index)) : Optional.empty();
  }

  /** The voice that is judged. */
  public Optional<Member<Talker>> voice() {
    return at(talkers, judged.voice);
  }

  /** The microphone that is judged. */
  public Optional<Member<PlacedMicrophone>> listener() {
    return at(microphones, judged.microphone);
  }

  /** Who speaks, of the voices the one that is judged. */
  public Optional<Talker> talker() {
    return voice().map(Member::it);
  }

  /** What listens, of the microphones the one that is judged. */
  public Optional<PlacedMicrophone> microphone() {
    return listener().map(Member::it);
  }

  /** What films, of the cameras the chosen one. */
  public Optional<Camera> camera() {
    return at(cameras, judged.camera).map(Member::it);
  }

  /** Whether any camera has a point in its picture, were nothing before it. */
  public boolean films(Point p) {
    for (Member<Camera> camera : cameras) { // asked thousands of times
      if (camera.it().frames(p)) {
        return true;
      }
    }
    return false;
  }

  /** With other ones judged. */
  public SetUp with(Judged others) {
    return new SetUp(talkers, microphones, cameras, loudspeakers, others);
  }

  /**
   * With a voice and a microphone judged by their names.
   *
   * @throws Trouble.BadField where there is none of that name
   */
  public SetUp judging(Optional<String> voice, Optional<String> microphone) {
    return with(
        new Judged(
            voice.map(v -> index("talkers", talkers, v)).orElse(judged.voice),
            microphone.map(m -> index("microphones", microphones, m)).orElse(judged.microphone),
            judged.camera));
  }

  /** Index of a member by its name. */
  public static <T extends Placed<T>> int index(String field, List<Member<T>> all, String name) {
    for (int i = 0; i < all.size(); i++) {
      if (all.get(i).name().equals(name)) {
        return i;
      }
    }
    throw new Trouble.BadField(
        field, "holds none named '" + name + "', but " + all.stream().map(Member::name).toList());
  }

  /** With another talker in place of the one that is judged; what rides on them follows. */
  public SetUp with(Talker other) {
    return talkers.isEmpty()
        ? new SetUp(
            List.of(new Member<>(TALKER, other)), microphones, cameras, loudspeakers, judged)
        : withTalker(judged.voice, other);
  }

  /** With another microphone in place of the one that is judged; what rides on it follows. */
  public SetUp with(PlacedMicrophone other) {
    return microphones.isEmpty()
        ? new SetUp(
            talkers, List.of(new Member<>(MICROPHONE, other)), cameras, loudspeakers, judged)
        : withMicrophone(judged.microphone, other);
  }

  /** With another camera in place of the chosen one, or without that. */
  public SetUp withCamera(Optional<Camera> other) {
    if (other.isEmpty()) {
      return cameras.isEmpty() ? this : withoutCamera(judged.camera);
    }
    return cameras.isEmpty()
        ? new SetUp(
            talkers, microphones, List.of(new Member<>(CAMERA, other.get())), loudspeakers, judged)
        : withCamera(judged.camera, other.get());
  }

  /** With another talker in place of one; what rides on them follows. */
  public SetUp withTalker(int index, Talker other) {
    return new SetUp(set(talkers, index, other), microphones, cameras, loudspeakers, judged)
        .carried(talkers.get(index), other);
  }

  /** With another microphone in place of one; what rides on it follows. */
  public SetUp withMicrophone(int index, PlacedMicrophone other) {
    return new SetUp(talkers, set(microphones, index, other), cameras, loudspeakers, judged)
        .carried(microphones.get(index), other);
  }

  /** With another camera in place of one; what rides on it follows. */
  public SetUp withCamera(int index, Camera other) {
    return new SetUp(talkers, microphones, set(cameras, index, other), loudspeakers, judged)
        .carried(cameras.get(index), other);
  }

  /** With another loudspeaker in place of one; what rides on it follows. */
  public SetUp withLoudspeaker(int index, PlacedLoudspeaker other) {
    return new SetUp(talkers, microphones, cameras, set(loudspeakers, index, other), judged)
        .carried(loudspeakers.get(index), other);
  }

  /** With one replaced; what was taken far off its carrier was put down. */
  private <T extends Placed<T>> List<Member<T>> set(List<Member<T>> all, int index, T other) {
    List<Member<T>> changed = new ArrayList<>(all);
    Member<T> now = changed.get(index).with(other);
    boolean off =
        now.ride()
            .filter(r -> !other.at().equals(all.get(index).it().at()))
            .flatMap(r -> all().filter(m -> m.name().equals(r.what())).findFirst())
            .filter(c -> c.it().at().distanceTo(other.at()) > CARRIED_METRES)
            .isPresent();
    changed.set(index, off ? now.riding(Optional.empty()) : now);
    return changed;
  }

  /** With other microphones; the one judged stays that of its name, where it is there still. */
  public SetUp withMicrophones(List<Member<PlacedMicrophone>> others) {
    int same = same(microphones, judged.microphone, others);
    return new SetUp(talkers, others, cameras, loudspeakers, judged)
        .putDown(this)
        .with(new Judged(judged.voice, same, judged.camera));
  }

  /** With other talkers; the one judged stays that of its name, where it is there still. */
  public SetUp withTalkers(List<Member<Talker>> others) {
    int same = same(talkers, judged.voice, others);
    return new SetUp(others, microphones, cameras, loudspeakers, judged)
        .putDown(this)
        .with(new Judged(same, judged.microphone, judged.camera));
  }

  /** With other cameras; the chosen one stays that of its name, where it is there still. */
  public SetUp withCameras(List<Member<Camera>> others) {
    int same = same(cameras, judged.camera, others);
    return new SetUp(talkers, microphones, others, loudspeakers, judged)
        .putDown(this)
        .with(new Judged(judged.voice, judged.microphone, same));
  }

  /** With other loudspeakers. */
  public SetUp withLoudspeakers(List<Member<PlacedLoudspeaker>> others) {
    return new SetUp(talkers, microphones, cameras, others, judged).putDown(this);
  }

  /** With a member called otherwise; what rides on it still does. */
  public SetUp renamed(String before, String now) {
    return mapped(
        new Carried.Change() {
          @Override
          public <T extends Placed<T>> Member<T> of(Member<T> m) {
            Optional<Ride> ride =
                m.ride().map(r -> r.what().equals(before) ? new Ride(now, r.part()) : r);
            return new Member<>(m.name().equals(before) ? now : m.name(), m.it(), ride);
          }
        });
  }

  /**
   * With a member put onto another, where such a thing usually sits, or standing by itself. On a
   * piece of furniture it stays where it is.
   *
   * @throws Trouble.BadField where there is no member of that name
   */
  public SetUp riding(String name, Optional<Ride> ride) {
    Optional<Ride.Seat> seat =
        ride.flatMap(r ->
            all()
                .filter(m -> m.name().equals(r.what()))
                .findFirst()
                .map(carrier -> r.seat(carrier.it())));
    Member<?> before = find(name);
    SetUp put =
        mapped(
            new Carried.Change() {
              @Override
              public <T extends Placed<T>> Member<T> of(Member<T> m) {
                Member<T> free = m.riding(ride);
                return !m.name().equals(name)
                    ? m
                    : seat.map(s -> free.with(m.it().placed(s.at(), s.aim()))).orElse(free);
              }
            });
    return put.carried(before, put.find(name).it());
  }

  /**
   * The member of a name.
   *
   * @throws Trouble.BadField where there is none
   */
  public Member<?> find(String name) {
    return all()
        .filter(m -> m.name().equals(name))
        .findFirst()
        .orElseThrow(() -> new Trouble.BadField("set-up", "holds none named '" + name + "'"));
  }

  private SetUp withoutCamera(int index) {
    List<Member<Camera>> fewer = new ArrayList<>(cameras);
    fewer.remove(index);
    return withCameras(fewer);
  }

  private static <T extends Placed<T>> int same(
      List<Member<T>> before, int index, List<Member<T>> now) {
    if (index < before.size()) {
      for (int i = 0; i < now.size(); i++) {
        if (now.get(i).name().equals(before.get(index).name())) {
          return i;
        }
      }
    }
    return 0;
  }

  /** All of them, of whatever kind. */
  public Stream<Member<?>> all() {
    return Stream.of(talkers, microphones, cameras, loudspeakers).flatMap(List::stream);
  }

  /** What was carried by one who was there before and is gone stands by itself. */
  private SetUp putDown(SetUp before) {
    Set<String> gone = new HashSet<>(before.all().map(Member::name).toList());
    all().forEach(m -> gone.remove(m.name()));
    return Carried.putDown(this, gone);
  }

  SetUp mapped(Carried.Change change) {
    return new SetUp(
        talkers.stream().map(change::of).toList(),
        microphones.stream().map(change::of).toList(),
        cameras.stream().map(change::of).toList(),
        loudspeakers.stream().map(change::of).toList(),
        judged);
  }

  /** With every place changed alike; all keep where they point. */
  SetUp moved(UnaryOperator<Point> place) {
    return mapped(
        new Carried.Change() {
          @Override
          public <T extends Placed<T>> Member<T> of(Member<T> m) {
            return m.with(m.it().placed(place.apply(m.it().at()), m.it().aim()));
          }
        });
  }

  /** With what rides on a member where it comes to by that member's moving. */
  private SetUp carried(Member<?> from, Placed<?> to) {
    boolean still =
        from.it().at().equals(to.at())
            && from.it().aim().azimuthDegrees() == to.aim().azimuthDegrees();
    return still ? this : Carried.along(this, from.name(), from.it(), to);
  }

  /**
   * At a moment of its talker's moving: what is worn goes with the head, what is clipped on not.
   */
  public SetUp at(Movement.Moment moment) {
    return Carried.at(this, moment);
  }

  /** The part of the voice judged that the microphone judged rides on; empty where on none. */
  public Optional<Ride.Part> worn() {
    return listener()
        .flatMap(Member::ride)
        .filter(r -> voice().map(Member::name).filter(r.what()::equals).isPresent())
        .map(Ride::part);
  }

  /** A name like one that no member has yet. */
  public String free(String like) {
    return Figures.freeName(like, new HashSet<>(all().map(Member::name).toList()));
  }
}
