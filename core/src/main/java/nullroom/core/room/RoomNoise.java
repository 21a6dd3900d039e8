package nullroom.core.room;

import java.util.List;
import java.util.Optional;
import nullroom.core.acoustics.Bands;

/**
 * What a room sounds like when nobody speaks.
 *
 * @param diffuseDbSpl from everywhere, in octaves, where known
 * @param sources what makes noise in a place of its own
 */
public record RoomNoise(Optional<Bands> diffuseDbSpl, List<NoiseSource> sources) {
  /** Nobody knows. */
  public static final RoomNoise UNKNOWN = new RoomNoise(Optional.empty(), List.of());

  public RoomNoise {
    sources = List.copyOf(sources);
  }

  /** From everywhere alone. */
  public static RoomNoise of(Bands diffuseDbSpl) {
    return new RoomNoise(Optional.of(diffuseDbSpl), List.of());
  }

  /** Refuses sources outside an enclosure. */
  void check(Enclosure enclosure) {
    for (int i = 0; i < sources.size(); i++) {
      enclosure.requireInside("noise.sources[" + i + "].at", sources.get(i).at());
    }
  }
}
