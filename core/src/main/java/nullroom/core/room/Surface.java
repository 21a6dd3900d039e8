package nullroom.core.room;

import java.util.Optional;

/** A surface of a room's enclosure: the floor, the ceiling with all its slopes, or a wall. */
public sealed interface Surface {
  /** The floor. */
  Surface FLOOR = new Floor();

  /** The ceiling. */
  Surface CEILING = new Ceiling();

  /** What one stands on. */
  record Floor() implements Surface {
    @Override
    public String toString() {
      return id();
    }
  }

  /** What closes a room above. */
  record Ceiling() implements Surface {
    @Override
    public String toString() {
      return id();
    }
  }

  /**
   * A wall.
   *
   * @param number from 1: it runs from that corner of the outline to the next
   */
  record Wall(int number) implements Surface {
    public Wall {
      if (number < 1) {
        throw new IllegalArgumentException("walls count from 1, not " + number);
      }
    }

    @Override
    public String toString() {
      return id();
    }
  }

  /** The wall of a number. */
  static Surface wall(int number) {
    return new Wall(number);
  }

  /** The surface of a key in room files: floor, ceiling, wall1, wall2, ... */
  static Optional<Surface> find(String id) {
    if (id.matches(Id.WALL + "[1-9][0-9]{0,3}")) {
      return Optional.of(wall(Integer.parseInt(id.substring(Id.WALL.length()))));
    }
    return id.equals(FLOOR.id())
        ? Optional.of(FLOOR)
        : Optional.of(CEILING).filter(c -> c.id().equals(id));
  }

  /** Its key in room files. */
  default String id() {
    return switch (this) {
      case Floor floor -> "floor";
      case Ceiling ceiling -> "ceiling";
      case Wall wall -> Id.WALL + wall.number();
    };
  }

  /** Its name in a list: "floor", "wall 2". */
  default String label() {
    return this instanceof Wall wall ? "wall " + wall.number() : id();
  }

  /** Its name in a sentence: "the floor", "wall 2". */
  default String spoken() {
    return isWall() ? label() : "the " + label();
  }

  /** Whether it stands upright. */
  default boolean isWall() {
    return this instanceof Wall;
  }

  /** How keys begin. */
  final class Id {
    private static final String WALL = "wall";

    private Id() {}
  }
}
