package nullroom.core.book;

import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nullroom.core.room.Furniture;
import nullroom.core.room.LooseObject;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Screen;

/**
 * Where and in what a decay was measured.
 *
 * @param source name of the source's place, such as A
 * @param microphone name of the microphone's place, such as 1
 * @param present what was in the room, in words; measurements of the same are averaged
 * @param talkerAt where the talker stood in the room's description; empty where that had none
 * @param microphoneAt where the microphone stood
 */
public record MeasuredAt(
    String source,
    String microphone,
    String present,
    Optional<Point> talkerAt,
    Optional<Point> microphoneAt) {

  /** The usual places in a room as it is described now. */
  public static MeasuredAt in(Room room) {
    return in(room, "A", "1", inventory(room));
  }

  /** Named places in a room as it is described now. */
  public static MeasuredAt in(Room room, String source, String microphone, String present) {
    return new MeasuredAt(
        source,
        microphone,
        present,
        room.talker().map(t -> t.at()),
        room.microphone().map(m -> m.at()));
  }

  /** What the description puts into a room, in words. */
  public static String inventory(Room room) {
    String all =
        Stream.of(
                room.furniture().stream().map(Furniture::name),
                room.objects().stream().map(LooseObject::name),
                room.patches().stream().map(Patch::name),
                room.screens().stream().map(Screen::name))
            .flatMap(names -> names)
            .collect(Collectors.joining(", "));
    return all.isEmpty() ? "nothing" : all;
  }

  /** The same with what the description had left out. */
  MeasuredAt describedAnew(Room before, Room now) {
    return present.equals(inventory(before))
        ? new MeasuredAt(source, microphone, inventory(now), talkerAt, microphoneAt)
        : this;
  }

  /** The room with talker and microphone where they were then, as far as they fit it now. */
  public Room placed(Room now) {
    Room room = now;
    if (talkerAt.isPresent() && room.talker().isPresent() && room.holds(talkerAt.get())) {
      room = room.withTalker(room.talker().get().movedTo(talkerAt.get()));
    }
    if (microphoneAt.isPresent()
        && room.microphone().isPresent()
        && room.holds(microphoneAt.get())) {
      var microphone = room.microphone().get();
      room = room.withMicrophone(microphone.movedBy(microphoneAt.get().minus(microphone.at())));
    }
    return room;
  }

  /** Both places' names. */
  public String pair() {
    return source + microphone;
  }
}
