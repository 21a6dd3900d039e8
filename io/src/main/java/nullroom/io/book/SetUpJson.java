package nullroom.io.book;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Function;
import java.util.stream.Stream;
import nullroom.core.Trouble;
import nullroom.core.room.Camera;
import nullroom.core.room.Member;
import nullroom.core.room.Placed;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Ride;
import nullroom.core.room.SetUp;
import nullroom.core.room.Talker;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Who speaks, what listens, films and plays: one of a kind under its own name, several in a list
 * where each has a name and may ride on another.
 */
final class SetUpJson {
  private SetUpJson() {}

  static SetUp read(Field f) {
    List<Member<Talker>> talkers = members(f, SetUp.TALKER, PlacedJson::talker);
    List<Member<Camera>> cameras = members(f, SetUp.CAMERA, PlacedJson::camera);
    List<Member<PlacedMicrophone>> microphones =
        members(f, SetUp.MICROPHONE, m -> PlacedJson.microphone(m, seat(m, talkers, cameras)));
    SetUp all =
        new SetUp(
            talkers,
            microphones,
            cameras,
            members(f, "loudspeaker", PlacedJson::loudspeaker),
            SetUp.Judged.FIRST);
    return f.optional("judged").map(j -> judged(j.object(), all)).orElse(all);
  }

  /** Where one that rides on a talker or a camera sits, unless it says so itself. */
  private static Optional<Ride.Seat> seat(
      Field f, List<Member<Talker>> talkers, List<Member<Camera>> cameras) {
    return f.optional("ridesOn")
        .map(SetUpJson::ride)
        .flatMap(ride ->
            Stream.concat(talkers.stream(), cameras.stream())
                .filter(m -> m.name().equals(ride.what()))
                .findFirst()
                .map(m -> ride.seat(m.it())));
  }

  private static SetUp judged(Field f, SetUp all) {
    return all.with(
        new SetUp.Judged(
            index(f, "voice", all.talkers()),
            index(f, SetUp.MICROPHONE, all.microphones()),
            index(f, SetUp.CAMERA, all.cameras())));
  }

  private static <T extends Placed<T>> int index(Field f, String which, List<Member<T>> all) {
    return f.optional(which).map(n -> SetUp.index(n.path(), all, n.text())).orElse(0);
  }

  private static <T extends Placed<T>> List<Member<T>> members(
      Field f, String single, Function<Field, T> read) {
    Optional<Field> one = f.optional(single);
    List<Field> several = f.elements(single + "s");
    if (one.isPresent() && !several.isEmpty()) {
      throw new Trouble.BadField(
          several.getFirst().path(), "stands beside '" + single + "': give one or the other");
    }
    if (one.isPresent()) {
      return List.of(member(one.get(), single, read));
    }
    List<Member<T>> all = new ArrayList<>();
    for (int i = 0; i < several.size(); i++) {
      String otherwise = i == 0 ? single : single + " " + (i + 1);
      all.add(member(several.get(i), otherwise, read));
    }
    return all;
  }

  private static <T extends Placed<T>> Member<T> member(
      Field f, String otherwise, Function<Field, T> read) {
    String name = f.object().optional("name").map(Field::text).orElse(otherwise);
    return new Member<>(name, read.apply(f), f.optional("ridesOn").map(SetUpJson::ride));
  }

  static Ride ride(Field f) {
    return new Ride(f.object().required("what").text(), f.required("part").oneOf(Ride.Part.class));
  }

  static void write(SetUp setUp, ObjectNode out) {
    write(SetUp.TALKER, setUp.talkers(), PlacedJson::write, out);
    write(SetUp.MICROPHONE, setUp.microphones(), PlacedJson::write, out);
    write(SetUp.CAMERA, setUp.cameras(), PlacedJson::write, out);
    write("loudspeaker", setUp.loudspeakers(), PlacedJson::write, out);
    if (!setUp.judged().equals(SetUp.Judged.FIRST)) {
      ObjectNode judged = out.putObject("judged");
      setUp.voice().ifPresent(v -> judged.put("voice", v.name()));
      setUp.listener().ifPresent(m -> judged.put(SetUp.MICROPHONE, m.name()));
      if (!setUp.cameras().isEmpty()) {
        judged.put(SetUp.CAMERA, setUp.cameras().get(setUp.judged().camera()).name());
      }
    }
  }

  private static <T extends Placed<T>> void write(
      String single, List<Member<T>> all, BiConsumer<T, ObjectNode> write, ObjectNode out) {
    boolean alone =
        all.size() == 1 && all.getFirst().name().equals(single) && all.getFirst().ride().isEmpty();
    if (alone) {
      write.accept(all.getFirst().it(), out.putObject(single));
    } else if (!all.isEmpty()) {
      ArrayNode list = out.putArray(single + "s");
      all.forEach(m -> {
        ObjectNode one = list.addObject().put("name", m.name());
        write.accept(m.it(), one);
        m.ride()
            .ifPresent(
                r -> one.putObject("ridesOn").put("what", r.what()).put("part", r.part().id()));
      });
    }
  }
}
