package nullroom.core.room;

import java.util.Optional;
import nullroom.core.Trouble;

/**
 * Who speaks, what listens and what films.
 *
 * @param talker who speaks, where known
 * @param microphone what listens, where known
 * @param camera that films the talker, where there is one
 */
public record SetUp(
    Optional<Talker> talker, Optional<PlacedMicrophone> microphone, Optional<Camera> camera) {
  /** Nobody. */
  public static final SetUp NONE = new SetUp(Optional.empty(), Optional.empty(), Optional.empty());

  /** Lips and capsule nearer than this are in one place. */
  private static final double SAME_PLACE_METRES = 0.005;

  /** A talker before a microphone, with no camera. */
  public static SetUp of(Talker talker, PlacedMicrophone microphone) {
    return new SetUp(Optional.of(talker), Optional.of(microphone), Optional.empty());
  }

  /** With another talker. */
  public SetUp with(Talker other) {
    return new SetUp(Optional.of(other), microphone, camera);
  }

  /** With another microphone. */
  public SetUp with(PlacedMicrophone other) {
    return new SetUp(talker, Optional.of(other), camera);
  }

  /** With another camera, or none. */
  public SetUp withCamera(Optional<Camera> other) {
    return new SetUp(talker, microphone, other);
  }

  /** Refuses what lies outside an enclosure, and a microphone in the mouth. */
  void check(Enclosure enclosure) {
    talker.ifPresent(t -> inside(enclosure, "talker.at", t.at()));
    microphone.ifPresent(m -> inside(enclosure, "microphone.at", m.at()));
    camera.ifPresent(c -> inside(enclosure, "camera.at", c.at()));
    if (talker.isPresent()
        && microphone.isPresent()
        && talker.get().at().distanceTo(microphone.get().at()) < SAME_PLACE_METRES) {
      throw new Trouble.BadField(
          "microphone.at", "the microphone is where the lips are; move it at least 1 cm away");
    }
  }

  static void inside(Enclosure enclosure, String field, Point at) {
    if (!enclosure.holds(at)) {
      throw new Trouble.BadField(field, "lies outside the room");
    }
  }
}
