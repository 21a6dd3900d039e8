package nullroom.core.room;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** How what rides on something follows it. */
final class Carried {
  private Carried() {}

  /** What is done to every member. */
  interface Change {
    <T extends Placed<T>> Member<T> of(Member<T> member);
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
