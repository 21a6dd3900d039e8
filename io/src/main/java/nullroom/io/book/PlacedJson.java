package nullroom.io.book;

import java.util.List;
import java.util.Optional;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Directivity;
import nullroom.core.acoustics.OwnVoice;
import nullroom.core.acoustics.Pattern;
import nullroom.core.acoustics.Stage;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.room.Aim;
import nullroom.core.room.Camera;
import nullroom.core.room.Movement;
import nullroom.core.room.NoiseSource;
import nullroom.core.room.PlacedLoudspeaker;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Ride;
import nullroom.core.room.Talker;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Who and what is in a room at a place of its own, pointing somewhere or making noise. */
final class PlacedJson {
  private PlacedJson() {}

  static List<NoiseSource> sources(Field noise) {
    return noise.elements("sources").stream().map(PlacedJson::source).toList();
  }

  static NoiseSource source(Field f) {
    return new NoiseSource(
        f.required("name").text(),
        RoomJson.point(f.required("at")),
        f.required("octaveDbSplAtMetre").bands());
  }

  static void write(NoiseSource source, ObjectNode out) {
    out.put("name", source.name());
    out.set("at", RoomJson.numbers(source.at()));
    out.set("octaveDbSplAtMetre", RoomJson.numbers(source.dbSplAtMetre().toArray()));
  }

  static void writeNoise(Bands diffuse, List<NoiseSource> sources, ObjectNode out) {
    out.set("octaveDbSpl", RoomJson.numbers(diffuse.toArray()));
    if (!sources.isEmpty()) {
      ArrayNode all = out.putArray("sources");
      sources.forEach(s -> write(s, all.addObject()));
    }
  }

  private static Aim aim(Field f) {
    return f.checked(() -> new Aim(f.number("azimuthDegrees", 0), f.number("elevationDegrees", 0)));
  }

  static Talker talker(Field f) {
    f.object();
    VocalEffort effort =
        f.optional("effort").map(e -> e.oneOf(VocalEffort.class)).orElse(VocalEffort.NORMAL);
    Directivity directivity =
        f.optional("directivity").map(d -> d.oneOf(Directivity.class)).orElse(Directivity.VOICE);
    Movement movement =
        f.checked(() -> new Movement(f.number("leanMetres", 0), f.number("turnDegrees", 0)));
    return new Talker(
        RoomJson.point(f.required("at")),
        aim(f),
        effort,
        directivity,
        movement,
        f.optional("own").map(o -> Records.read(o, OwnVoice.class)));
  }

  /**
   * A microphone.
   *
   * @param seat where it is and points to if it does not say so
   */
  static PlacedMicrophone microphone(Field f, Optional<Ride.Seat> seat) {
    f.object();
    if (seat.isPresent() && f.optional("at").isEmpty()) {
      return new PlacedMicrophone(seat.get().at(), seat.get().aim(), capture(f));
    }
    return new PlacedMicrophone(RoomJson.point(f.required("at")), aim(f), capture(f));
  }

  static Capture capture(Field f) {
    List<Stage> stages = f.object().elements("stages").stream().map(PlacedJson::stage).toList();
    Capture bare = bare(f);
    return f.checked(() -> bare.withStages(stages));
  }

  private static Stage stage(Field f) {
    String name = f.object().required("name").text();
    return f.checked(() ->
        new Stage(
            name,
            f.number("gainDb", 0),
            f.number("einDbu", Stage.NO_NOISE_DBU),
            f.number("limitDbu", Stage.NO_LIMIT_DBU),
            f.optional("automatic").map(Field::flag).orElse(false)));
  }

  private static Capture bare(Field f) {
    Pattern pattern =
        f.optional("pattern").map(p -> p.oneOf(Pattern.class)).orElse(Pattern.CARDIOID);
    Optional<Field> digits = f.optional("dbfsAt94DbSpl");
    if (digits.isPresent()) {
      return f.checked(() ->
          Capture.digital(
              pattern,
              f.number("selfNoiseDbA", 28),
              f.number("maxDbSpl", 94 - digits.get().number()),
              digits.get().number(),
              (int) f.number("bits", 24)));
    }
    return f.checked(() ->
        new Capture(
            pattern,
            f.number("selfNoiseDbA", 16),
            f.number("maxDbSpl", 130),
            f.number("sensitivityDbvPerPascal", -38),
            f.number("preampEinDbu", -125),
            f.number("gainDb", 40),
            f.number("fullScaleDbu", 20),
            (int) f.number("bits", 24)));
  }

  static Camera camera(Field f) {
    f.object();
    return f.checked(() ->
        new Camera(
            RoomJson.point(f.required("at")),
            aim(f),
            f.required("focalMillimetres").number(),
            f.number("aspectRatio", Camera.WIDE)));
  }

  static PlacedLoudspeaker loudspeaker(Field f) {
    f.object();
    Directivity directivity =
        f.optional("directivity").map(d -> d.oneOf(Directivity.class)).orElse(Directivity.OMNI);
    return new PlacedLoudspeaker(
        RoomJson.point(f.required("at")),
        aim(f),
        f.required("octaveDbSplAtMetre").bands(),
        directivity);
  }

  static void write(PlacedLoudspeaker loudspeaker, ObjectNode out) {
    write(loudspeaker.at(), loudspeaker.aim(), out);
    out.set("octaveDbSplAtMetre", RoomJson.numbers(loudspeaker.dbSplAtMetre().toArray()));
    out.put("directivity", loudspeaker.directivity().id());
  }

  static void write(Camera camera, ObjectNode out) {
    write(camera.at(), camera.aim(), out);
    out.put("focalMillimetres", camera.focalMillimetres()).put("aspectRatio", camera.aspectRatio());
  }

  private static void write(Point at, Aim aim, ObjectNode out) {
    out.set("at", RoomJson.numbers(at));
    out.put("azimuthDegrees", aim.azimuthDegrees()).put("elevationDegrees", aim.elevationDegrees());
  }

  static void write(Talker talker, ObjectNode out) {
    write(talker.at(), talker.aim(), out);
    out.put("effort", talker.effort().id()).put("directivity", talker.directivity().id());
    if (!talker.movement().equals(Movement.NONE)) {
      out.put("leanMetres", talker.movement().leanMetres())
          .put("turnDegrees", talker.movement().turnDegrees());
    }
    talker.own().ifPresent(o -> out.set("own", Records.tree(o)));
  }

  static void write(PlacedMicrophone microphone, ObjectNode out) {
    write(microphone.at(), microphone.aim(), out);
    write(microphone.capture(), out);
  }

  static void write(Capture c, ObjectNode out) {
    out.put("pattern", c.pattern().id())
        .put("selfNoiseDbA", c.selfNoiseDbA())
        .put("maxDbSpl", c.maxDbSpl());
    if (!c.stages().isEmpty()) {
      ArrayNode row = out.putArray("stages");
      c.stages().forEach(s -> write(s, row.addObject()));
    }
    if (!c.preamp()) {
      out.put("dbfsAt94DbSpl", c.dbfsAt94DbSpl()).put("bits", c.bits());
      return;
    }
    out.put("sensitivityDbvPerPascal", c.sensitivityDbvPerPascal())
        .put("preampEinDbu", c.preampEinDbu())
        .put("gainDb", c.gainDb())
        .put("fullScaleDbu", c.fullScaleDbu())
        .put("bits", c.bits());
  }

  private static void write(Stage s, ObjectNode out) {
    out.put("name", s.name()).put("gainDb", s.gainDb()).put("einDbu", s.einDbu());
    out.put("limitDbu", s.limitDbu()).put("automatic", s.automatic());
  }
}
