package nullroom.app.room;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Directivity;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.acoustics.OwnVoice;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.room.Aim;
import nullroom.core.room.Camera;
import nullroom.core.room.FreePlace;
import nullroom.core.room.Furniture;
import nullroom.core.room.Member;
import nullroom.core.room.Movement;
import nullroom.core.room.Placed;
import nullroom.core.room.PlacedLoudspeaker;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Posture;
import nullroom.core.room.Ride;
import nullroom.core.room.Room;
import nullroom.core.room.RoomItem;
import nullroom.core.room.SetUp;
import nullroom.core.room.SharedSpace;
import nullroom.core.room.Talker;

/** Who speaks, what listens, films and plays, what rides on what, and who is judged. */
public final class SetUpModel {
  /** A backing as one speaks over it (common practice). */
  private static final double BACKING_DBA = 60;

  private static final double PERSON_METRES = 0.8;
  private static final double THING_METRES = 0.4;

  /** A microphone on a desk stands so high over it (common practice). */
  private static final double OVER_TOP_METRES = 0.25;

  private final StationContext context;

  SetUpModel(StationContext context) {
    this.context = context;
  }

  private Room room() {
    return context.session().book().room();
  }

  /** The set-up of now. */
  public SetUp setUp() {
    return room().setUp();
  }

  /** Microphones to choose from: those on the shelf, then the generic classes. */
  public List<MicrophoneType> types() {
    return context.session().book().shelf().known();
  }

  /** All members, as they are listed. */
  public List<RoomItem> items() {
    return RoomItem.of(room()).stream()
        .filter(i -> i.member(room()).isPresent())
        .sorted(
            (a, b) -> a.kind() == b.kind() ? a.index() - b.index() : a.kind().compareTo(b.kind()))
        .toList();
  }

  /** The member behind an item. */
  public Member<?> member(RoomItem item) {
    return item.member(room()).orElseThrow();
  }

  private void edit(String name, UnaryOperator<SetUp> change) {
    context.session().edit(name, b -> b.with(b.room().with(change.apply(b.room().setUp()))));
  }

  /**
   * Brings one more.
   *
   * @throws Trouble.BadField where there is no place left, or there are too many
   */
  public void add(RoomItem.Kind kind) {
    SetUp s = setUp();
    switch (kind) {
      case TALKER -> {
        Point at = FreePlace.near(room(), PERSON_METRES);
        Aim aim = s.talker().map(t -> Aim.along(t.at().minus(at))).orElse(new Aim(0, 0));
        Talker talker = new Talker(at, aim, VocalEffort.NORMAL, Directivity.VOICE);
        String name = s.free(SetUp.TALKER);
        edit("Bring a talker", now -> now.withTalkers(plus(now.talkers(), name, talker)));
      }
      case MICROPHONE -> {
        Point at = FreePlace.near(room(), THING_METRES);
        PlacedMicrophone like = room().requireMicrophone();
        PlacedMicrophone m = like.movedTo(at, room().requireTalker().at());
        String name = s.free(SetUp.MICROPHONE);
        edit("Put up a microphone", now -> now.withMicrophones(plus(now.microphones(), name, m)));
      }
      case CAMERA -> {
        Camera camera = Camera.before(room());
        Point at = s.cameras().isEmpty() ? camera.at() : FreePlace.near(room(), PERSON_METRES);
        Camera there = camera.movedTo(at, room().requireTalker().at());
        String name = s.free(SetUp.CAMERA);
        edit("Put up a camera", now -> now.withCameras(plus(now.cameras(), name, there)));
      }
      case LOUDSPEAKER -> {
        Point at = FreePlace.near(room(), PERSON_METRES);
        Aim aim = Aim.along(room().requireTalker().at().minus(at));
        PlacedLoudspeaker l = PlacedLoudspeaker.flat(at, aim, BACKING_DBA, Directivity.VOICE);
        String name = s.free("loudspeaker");
        edit(
            "Put up a loudspeaker", now -> now.withLoudspeakers(plus(now.loudspeakers(), name, l)));
      }
      default -> throw new IllegalArgumentException("no member of a set-up: " + kind);
    }
  }

  private static <T extends Placed<T>> List<Member<T>> plus(
      List<Member<T>> all, String name, T it) {
    List<Member<T>> more = new ArrayList<>(all);
    more.add(new Member<>(name, it));
    return more;
  }

  /**
   * Puts one higher or lower; what rides on it follows.
   *
   * @throws Trouble.BadField where it does not fit there
   */
  public void height(RoomItem item, double metres) {
    Point at = member(item).it().at();
    context
        .session()
        .edit(
            "Put " + item.name(room()) + " at another height",
            b -> b.with(item.moved(b.room(), new Point(at.x(), at.y(), metres))));
  }

  /**
   * Puts one so far from the floor's first corner, at its height; what rides on it follows.
   *
   * @throws Trouble.BadField where it does not fit there
   */
  public void place(RoomItem item, double x, double y) {
    Point at = member(item).it().at();
    context
        .session()
        .edit(
            "Move the " + item.name(room()),
            b -> b.with(item.moved(b.room(), new Point(x, y, at.z()))));
  }

  /** Whether it is the last of its kind, without which nothing can be judged. */
  public boolean needed(RoomItem item) {
    return item.without(room()).equals(room());
  }

  /** Takes one out. */
  public void remove(RoomItem item) {
    String name = item.name(room());
    context.session().edit("Take " + name + " out", b -> b.with(item.without(b.room())));
  }

  /**
   * Calls one otherwise.
   *
   * @throws Trouble.BadField for no name, or that of another
   */
  public void rename(RoomItem item, String name) {
    String now = name.strip();
    String before = item.name(room());
    if (!now.equals(before)) {
      edit("Call " + before + " " + now, s -> s.renamed(before, now));
    }
  }

  /** Judges this voice, this microphone, or by the picture of this camera. */
  public void judge(RoomItem item) {
    edit(
        "Judge " + item.name(room()),
        s -> {
          SetUp.Judged j = s.judged();
          return s.with(
              switch (item.kind()) {
                case TALKER -> new SetUp.Judged(item.index(), j.microphone(), j.camera());
                case MICROPHONE -> new SetUp.Judged(j.voice(), item.index(), j.camera());
                case CAMERA -> new SetUp.Judged(j.voice(), j.microphone(), item.index());
                default -> j;
              });
        });
  }

  /** Whether it is judged. */
  public boolean judged(RoomItem item) {
    return item.equals(RoomItem.talker(room()))
        || item.equals(RoomItem.microphone(room()))
        || item.equals(RoomItem.camera(room()));
  }

  /** What a member may ride on, by itself first. */
  public List<Optional<Ride>> rides(RoomItem item) {
    String own = member(item).name();
    Stream<Optional<Ride>> persons =
        item.kind() == RoomItem.Kind.MICROPHONE
            ? setUp().talkers().stream()
                .flatMap(t ->
                    Stream.of(
                            Ride.Part.CHEST, Ride.Part.UNDER_CLOTH, Ride.Part.HEAD, Ride.Part.HAND)
                        .map(part -> Optional.of(new Ride(t.name(), part))))
            : Stream.empty();
    Stream<Optional<Ride>> things =
        Stream.concat(setUp().cameras().stream(), setUp().microphones().stream())
            .filter(m -> !m.name().equals(own))
            .map(m -> Optional.of(new Ride(m.name(), Ride.Part.TOP)));
    Stream<Optional<Ride>> furniture =
        room().furniture().stream()
            .map(Furniture::name)
            .distinct()
            .map(name -> Optional.of(new Ride(name, Ride.Part.TOP)));
    return Stream.of(Stream.of(Optional.<Ride>empty()), persons, things, furniture)
        .flatMap(s -> s)
        .toList();
  }

  /** For people. */
  public static String words(Optional<Ride> ride) {
    return ride.map(r ->
            switch (r.part()) {
              case CHEST -> "clipped to " + r.what();
              case UNDER_CLOTH -> "under the shirt of " + r.what();
              case HEAD -> "worn by " + r.what();
              case HAND -> "held by " + r.what();
              case TOP -> "on " + r.what();
            })
        .orElse("stands by itself");
  }

  /**
   * Puts it onto something, or by itself.
   *
   * @throws Trouble.BadField where it would ride in a circle, or find no place
   */
  public void ride(RoomItem item, Optional<Ride> ride) {
    Optional<Furniture> piece =
        ride.flatMap(
                r -> room().furniture().stream().filter(f -> f.name().equals(r.what())).findFirst())
            .filter(f -> f.distanceTo(member(item).it().at()) > SetUp.CARRIED_METRES);
    String name = item.name(room());
    if (piece.isPresent()) {
      onto(item, piece.get(), ride);
    } else {
      edit(
          Figures.capital(name) + " " + words(ride).replace("stands", "to stand"),
          s -> s.riding(name, ride));
    }
  }

  /** From far off it is put on the middle of a piece, and rides on it there. */
  private void onto(RoomItem item, Furniture piece, Optional<Ride> ride) {
    List<Point> plan = piece.plan();
    Point middle = plan.get(0).plus(plan.get(2).minus(plan.get(0)), 0.5);
    Point at = new Point(middle.x(), middle.y(), piece.top() + OVER_TOP_METRES);
    String name = item.name(room());
    context
        .session()
        .edit(
            "Put " + name + " on the " + piece.name(),
            b -> {
              Room there = item.moved(b.room(), at);
              return b.with(there.with(there.setUp().riding(name, ride)));
            });
  }

  /** How loud a talker is. */
  public void effort(RoomItem item, VocalEffort effort) {
    edit(
        "Change the voice",
        s -> s.withTalker(item.index(), s.talkers().get(item.index()).it().with(effort)));
  }

  /** The voices that a talker can have: the table's, and those that were measured. */
  public List<Optional<OwnVoice>> voices() {
    return Stream.concat(
            Stream.of(Optional.<OwnVoice>empty()),
            context.session().book().levels().voices().stream().map(Optional::of))
        .toList();
  }

  /** Whose voice a talker has. */
  public void voice(RoomItem item, Optional<OwnVoice> voice) {
    edit(
        "Choose the voice",
        s -> s.withTalker(item.index(), s.talkers().get(item.index()).it().with(voice)));
  }

  /** How far a talker moves. */
  public void movement(RoomItem item, Movement movement) {
    edit(
        "Lean and turn",
        s -> s.withTalker(item.index(), s.talkers().get(item.index()).it().with(movement)));
  }

  /** What comes too near to a lamp or stands where it should not, for people. */
  public List<String> cautions() {
    return SharedSpace.of(room());
  }

  /** Sits down or gets up; what rides along does so, too. */
  public void posture(RoomItem item, Posture posture) {
    height(item, posture.lipsMetres());
  }

  /** Another lens, or another shape of picture. */
  public void lens(RoomItem item, double focalMillimetres, double aspectRatio) {
    edit(
        "Change the lens",
        s ->
            s.withCamera(
                item.index(),
                s.cameras().get(item.index()).it().with(focalMillimetres, aspectRatio)));
  }

  /** Another type of microphone. */
  public void type(RoomItem item, MicrophoneType type) {
    edit(
        "Take the " + type.label(),
        s -> {
          PlacedMicrophone m = s.microphones().get(item.index()).it();
          return s.withMicrophone(item.index(), m.with(type.on(m.capture())));
        });
  }

  /** Level of a loudspeaker at 1 m on its axis, dBA. */
  public double level(RoomItem item) {
    return setUp().loudspeakers().get(item.index()).it().levelDbA();
  }

  /** Plays louder or softer. */
  public void level(RoomItem item, double dba) {
    edit(
        "Change the backing",
        s ->
            s.withLoudspeaker(
                item.index(), s.loudspeakers().get(item.index()).it().withLevelDbA(dba)));
  }
}
