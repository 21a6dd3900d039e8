package nullroom.core.room;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nullroom.core.Trouble;

/**
 * What the surfaces of a room are made of.
 *
 * @param own surfaces that were named
 * @param walls all walls that were not named; empty where each has its own
 * @param tags what surfaces are to be or not to be, where anybody said
 */
public record Finishes(
    Map<Surface, Finish> own, Optional<Finish> walls, Map<Surface, SurfaceTag> tags) {
  public Finishes {
    own = Collections.unmodifiableMap(new LinkedHashMap<>(own));
    tags = Collections.unmodifiableMap(new LinkedHashMap<>(tags));
  }

  /** Without a word of what surfaces are to be. */
  public Finishes(Map<Surface, Finish> own, Optional<Finish> walls) {
    this(own, walls, Map.of());
  }

  /** One for the floor, one for the ceiling, and one for all walls. */
  public static Finishes of(Finish floor, Finish ceiling, Finish walls) {
    Map<Surface, Finish> own = new LinkedHashMap<>();
    own.put(Surface.FLOOR, floor);
    own.put(Surface.CEILING, ceiling);
    return new Finishes(own, Optional.of(walls));
  }

  /** What a surface is made of; empty where nobody said. */
  public Optional<Finish> find(Surface surface) {
    return Optional.ofNullable(own.get(surface))
        .or(() -> surface.isWall() ? walls : Optional.empty());
  }

  /** With another on one surface. */
  Finishes with(Surface surface, Finish finish) {
    Map<Surface, Finish> other = new LinkedHashMap<>(own);
    other.put(surface, finish);
    return new Finishes(other, walls, tags);
  }

  /** With a surface tagged, or not. */
  Finishes tagged(Surface surface, Optional<SurfaceTag> tag) {
    Map<Surface, SurfaceTag> other = new LinkedHashMap<>(tags);
    tag.ifPresentOrElse(t -> other.put(surface, t), () -> other.remove(surface));
    return new Finishes(own, walls, other);
  }

  /** Refuses what an enclosure has not, and surfaces of it that have no finish. */
  void check(Enclosure enclosure) {
    for (Surface surface : own.keySet()) {
      if (!enclosure.has(surface)) {
        throw new Trouble.BadField("surfaces." + surface.id(), noneOf(enclosure));
      }
    }
    for (Surface surface : tags.keySet()) {
      if (!enclosure.has(surface)) {
        throw new Trouble.BadField("tags." + surface.id(), noneOf(enclosure));
      }
    }
    for (Surface surface : enclosure.surfaces()) {
      if (find(surface).isEmpty()) {
        throw new Trouble.BadField("surfaces." + surface.id(), "has no material");
      }
    }
  }

  /** There is no such surface, with those that there are. */
  static String noneOf(Enclosure enclosure) {
    List<String> there = new ArrayList<>();
    enclosure.surfaces().forEach(s -> there.add(s.id()));
    return "there is no such surface; there are " + there;
  }
}
