package nullroom.core.room;

import java.util.Optional;

/**
 * One of a set-up.
 *
 * @param name that no other of the set-up has
 * @param it what it is, and where
 * @param ride what it follows; empty where it stands by itself
 */
public record Member<T extends Placed<T>>(String name, T it, Optional<Ride> ride) {
  /** One that stands by itself. */
  public Member(String name, T it) {
    this(name, it, Optional.empty());
  }

  /** The same member with something else in its place. */
  Member<T> with(T other) {
    return new Member<>(name, other, ride);
  }

  /** The same member on something else, or on nothing. */
  public Member<T> riding(Optional<Ride> other) {
    return new Member<>(name, it, other);
  }

  /** Whether it follows a carrier of that name. */
  boolean rides(String carrier) {
    return ride.filter(r -> r.what().equals(carrier)).isPresent();
  }

  /**
   * Where it comes to when its carrier goes from one place and direction to another: it is turned
   * about the carrier in the plan.
   */
  Member<T> carried(Placed<?> from, Placed<?> to) {
    double turn = to.aim().azimuthDegrees() - from.aim().azimuthDegrees();
    double cos = Math.cos(Math.toRadians(turn));
    double sin = Math.sin(Math.toRadians(turn));
    Point off = it.at().minus(from.at());
    Point turned =
        turn == 0
            ? off
            : new Point(cos * off.x() - sin * off.y(), sin * off.x() + cos * off.y(), off.z());
    double azimuth = it.aim().azimuthDegrees() + turn;
    return with(
        it.placed(
            to.at().plus(turned, 1),
            new Aim(Math.IEEEremainder(azimuth, 360), it.aim().elevationDegrees())));
  }
}
