package nullroom.core.room;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** How what rides on something follows it. */
final class Carried {
  private Carried() {}

  /** What is done to every member. */
  interface Change {
    <T extends Placed<T>> Member<T> of(Member<T> member);
  }

  /** A piece of furniture as what carries, with the corner that it is turned about. */
  private record Standing(Point at, Aim aim) implements Placed<Standing> {
    @Override
    public Standing placed(Point place, Aim direction) {
      return new Standing(place, direction);
    }

    static Standing of(Furniture piece) {
      return new Standing(piece.corner(), new Aim(piece.azimuthDegrees(), 0));
    }
  }

  /** A set-up after a piece of furniture was moved or turned: what rides on it follows. */
  static SetUp along(SetUp setUp, Furniture from, Furniture to) {
    return along(setUp, from.name(), Standing.of(from), Standing.of(to));
  }

  /** A set-up whose carrier went from one place and direction to another. */
  static SetUp along(SetUp setUp, String carrier, Placed<?> from, Placed<?> to) {
    return along(setUp, carrier, from, to, new HashSet<>());
  }

  /**
   * The same.
   *
   * @param carried has carried already, and does so once only: what rides in a circle is refused by
   *     the room, not here
   */
  private static SetUp along(
      SetUp setUp, String carrier, Placed<?> from, Placed<?> to, Set<String> carried) {
    if (!carried.add(carrier)) {
      return setUp;
    }
    List<Member<?>> riders = setUp.all().filter(m -> m.rides(carrier)).toList();
    SetUp there =
        setUp.mapped(
            new Change() {
              @Override
              public <T extends Placed<T>> Member<T> of(Member<T> m) {
                return m.rides(carrier) ? m.carried(from, to) : m;
              }
            });
    for (Member<?> rider : riders) {
      there = along(there, rider.name(), rider.it(), rider.carried(from, to).it(), carried);
    }
    return there;
  }

  /** What rides on something of these names stands by itself. */
  static SetUp putDown(SetUp setUp, Set<String> gone) {
    return gone.isEmpty()
        ? setUp
        : setUp.mapped(
            new Change() {
              @Override
              public <T extends Placed<T>> Member<T> of(Member<T> m) {
                return m.ride().filter(r -> gone.contains(r.what())).isPresent()
                    ? m.riding(Optional.empty())
                    : m;
              }
            });
  }

  /** A set-up in which members ride on these carriers as they did in another. */
  static SetUp ridingAs(SetUp setUp, SetUp before, Set<String> carriers) {
    Map<String, Ride> rides = new HashMap<>();
    before
        .all()
        .forEach(m ->
            m.ride()
                .filter(r -> carriers.contains(r.what()))
                .ifPresent(r -> rides.put(m.name(), r)));
    return setUp.mapped(
        new Change() {
          @Override
          public <T extends Placed<T>> Member<T> of(Member<T> m) {
            return Optional.ofNullable(rides.get(m.name()))
                .map(ride -> m.riding(Optional.of(ride)))
                .orElse(m);
          }
        });
  }

  /** A set-up in which a member that was taken far off its piece of furniture is put down. */
  static SetUp offFurniture(SetUp setUp, List<Furniture> furniture, Member<?> member, Point to) {
    boolean off =
        member
            .ride()
            .flatMap(r -> furniture.stream().filter(f -> f.name().equals(r.what())).findFirst())
            .filter(f -> f.distanceTo(to) > SetUp.CARRIED_METRES)
            .isPresent();
    return off ? setUp.riding(member.name(), Optional.empty()) : setUp;
  }

  /** A set-up at a moment of its judged talker's moving. */
  static SetUp at(SetUp setUp, Movement.Moment moment) {
    Member<Talker> voice = setUp.voice().orElseThrow();
    Talker still = voice.it();
    Point ahead = new Aim(still.aim().azimuthDegrees(), 0).direction();
    Point left = new Point(-ahead.y(), ahead.x(), 0);
    Talker leant = still.movedTo(still.at().plus(ahead, moment.ahead()).plus(left, moment.left()));
    Talker turned = leant.turnedTo(still.aim().azimuthDegrees() + moment.turnDegrees());
    SetUp worn =
        setUp
            .with(leant)
            .mapped(
                new Change() {
                  @Override
                  public <T extends Placed<T>> Member<T> of(Member<T> m) {
                    boolean onHead = m.ride().filter(r -> r.part() == Ride.Part.HEAD).isPresent();
                    return onHead && m.rides(voice.name()) ? m.carried(leant, turned) : m;
                  }
                });
    List<Member<Talker>> talkers = new ArrayList<>(worn.talkers());
    talkers.set(setUp.judged().voice(), voice.with(turned));
    return worn.withTalkers(talkers);
  }
}
