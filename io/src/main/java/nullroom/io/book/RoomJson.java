package nullroom.io.book;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nullroom.core.Keyed;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Air;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Contents;
import nullroom.core.room.Enclosure;
import nullroom.core.room.Finish;
import nullroom.core.room.Finishes;
import nullroom.core.room.Furniture;
import nullroom.core.room.LooseObject;
import nullroom.core.room.Outline;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.RoomNoise;
import nullroom.core.room.Surface;
import nullroom.core.room.SurfaceTag;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Rooms in their open JSON form, documented in docs/book-format.md. */
public final class RoomJson {
  private static final JsonMapper JSON = JsonMapper.shared();

  /** Stands for all walls that are not named. */
  private static final String ALL_WALLS = "walls";

  private enum Axis implements Keyed {
    X,
    Y
  }

  private RoomJson() {}

  /**
   * Reads a room.
   *
   * @throws Trouble.BadField naming the place that is wrong
   */
  public static Room read(JsonNode node) {
    return read(new Field("", node).object());
  }

  static Room read(Field f) {
    try {
      return room(f);
    } catch (Trouble.BadField e) { // a room knows its own fields, not what holds it
      throw e.place().startsWith(f.path())
          ? e
          : new Trouble.BadField(f.path() + "." + e.place(), String.valueOf(e.getMessage()));
    }
  }

  private static Room room(Field f) {
    Outline outline = outline(f);
    Field ceiling = f.required("ceiling").object();
    return new Room(
        f.optional("name").map(Field::text).orElse("room"),
        new Enclosure(outline, ceiling.checked(() -> ceiling(ceiling))),
        new Air(f.number("temperatureC", 20), f.number("humidityPercent", 50)),
        finishes(f.required("surfaces"), f.optional("tags")),
        new Contents(
            f.elements("patches").stream().map(RoomJson::patch).toList(),
            f.elements("objects").stream().map(RoomJson::object).toList(),
            f.elements("furniture").stream().map(RoomJson::furniture).toList(),
            f.elements("screens").stream().map(ScreenJson::read).toList()),
        SetUpJson.read(f),
        new RoomNoise(
            f.optional("noise").map(n -> n.object().required("octaveDbSpl").bands()),
            f.optional("noise").map(PlacedJson::sources).orElse(List.of())));
  }

  private static Outline outline(Field f) {
    Optional<Field> corners = f.optional("outline");
    if (corners.isPresent()) {
      List<Point> points = corners.get().elements().stream().map(RoomJson::planPoint).toList();
      return corners.get().checked(() -> new Outline(points));
    }
    Field length = f.required("lengthMetres");
    Field width = f.required("widthMetres");
    for (Field side : List.of(length, width)) {
      if (!(side.number() >= 0.5 && side.number() <= Outline.MAX_METRES)) {
        throw new Trouble.BadField(
            side.path(), "must lie between 0.5 and 100 m, not " + side.number());
      }
    }
    return Outline.box(length.number(), width.number());
  }

  static Point planPoint(Field f) {
    double[] xy = f.numbers(2);
    return new Point(xy[0], xy[1], 0);
  }

  static Point point(Field f) {
    double[] xyz = f.numbers(3);
    return new Point(xyz[0], xyz[1], xyz[2]);
  }

  private static Ceiling ceiling(Field f) {
    Field kind = f.required("kind");
    return switch (kind.text()) {
      case "flat" -> new Ceiling.Flat(f.required("heightMetres").number());
      case "leanTo" -> leanTo(f);
      case "gable" ->
          new Ceiling.Gable(
              f.required("kneeMetres").number(),
              f.required("ridgeMetres").number(),
              f.required("ridgeAlong").oneOf(Axis.class) == Axis.X);
      default ->
          throw new Trouble.BadField(
              kind.path(), "'" + kind.text() + "' is none of flat, leanTo, gable");
    };
  }

  private static Ceiling leanTo(Field f) {
    Field wall = f.required("lowWall");
    if (surface(wall.text(), wall.path()) instanceof Surface.Wall low) {
      return new Ceiling.LeanTo(
          f.required("lowMetres").number(), f.required("highMetres").number(), low.number());
    }
    throw new Trouble.BadField(wall.path(), "must name a wall, such as wall1");
  }

  private static Finishes finishes(Field f, Optional<Field> tagged) {
    Map<Surface, Finish> own = new LinkedHashMap<>();
    Optional<Finish> walls = Optional.empty();
    for (Field surface : f.members()) {
      Finish finish = FinishJson.read(surface.object());
      if (surface.name().equals(ALL_WALLS)) {
        walls = Optional.of(finish);
      } else {
        own.put(surface(surface.name(), surface.path()), finish);
      }
    }
    Map<Surface, SurfaceTag> tags = new LinkedHashMap<>();
    for (Field tag : tagged.map(Field::members).orElse(List.of())) {
      tags.put(surface(tag.name(), tag.path()), tag.oneOf(SurfaceTag.class));
    }
    return new Finishes(own, walls, tags);
  }

  private static Surface surface(String id, String path) {
    return Surface.find(id)
        .orElseThrow(() ->
            new Trouble.BadField(
                path,
                "there is no surface '" + id + "'; there are floor, ceiling, wall1, wall2, ..."));
  }

  private static Patch patch(Field f) {
    f.object();
    List<Point> corners =
        f.required("corners").elements().stream().map(RoomJson::planPoint).toList();
    String name = f.optional("name").map(Field::text).orElse("patch");
    return f.checked(() ->
        new Patch(
            name,
            surface(f.required("surface").text(), f.required("surface").path()),
            corners,
            FinishJson.read(f),
            FinishJson.otherwise(f)));
  }

  private static LooseObject object(Field f) {
    String name = f.object().optional("name").map(Field::text).orElse("object");
    return f.checked(() -> new LooseObject(name, f.required("absorptionArea").bands()));
  }

  private static Furniture furniture(Field f) {
    String name = f.object().optional("name").map(Field::text).orElse("furniture");
    return f.checked(() ->
        new Furniture(
            name,
            point(f.required("at")),
            f.required("lengthMetres").number(),
            f.required("widthMetres").number(),
            f.required("heightMetres").number(),
            f.number("azimuthDegrees", 0),
            FinishJson.read(f),
            FinishJson.otherwise(f)));
  }

  private static void write(Furniture piece, ObjectNode out) {
    Point at = piece.corner();
    out.put("name", piece.name());
    out.set("at", numbers(at));
    out.put("lengthMetres", piece.lengthMetres())
        .put("widthMetres", piece.widthMetres())
        .put("heightMetres", piece.heightMetres())
        .put("azimuthDegrees", piece.azimuthDegrees());
    FinishJson.write(piece.finish(), out);
    FinishJson.write(piece.otherwise(), out);
  }

  /** Writes a room so that {@link #read} gives the same again. */
  public static ObjectNode write(Room room) {
    ObjectNode out = JSON.createObjectNode();
    out.put("name", room.name());
    ArrayNode outline = out.putArray("outline");
    room.outline().corners().forEach(c -> outline.add(pair(c)));
    out.set("ceiling", ceiling(room.ceiling()));
    out.put("temperatureC", room.air().temperatureC());
    out.put("humidityPercent", room.air().humidityPercent());
    ObjectNode surfaces = out.putObject("surfaces");
    Finishes finishes = room.finishes();
    finishes
        .own()
        .forEach((surface, finish) -> FinishJson.write(finish, surfaces.putObject(surface.id())));
    finishes.walls().ifPresent(f -> FinishJson.write(f, surfaces.putObject(ALL_WALLS)));
    if (!finishes.tags().isEmpty()) {
      ObjectNode tags = out.putObject("tags");
      finishes.tags().forEach((surface, tag) -> tags.put(surface.id(), tag.id()));
    }
    ArrayNode patches = out.putArray("patches");
    for (Patch patch : room.patches()) {
      ObjectNode p = patches.addObject();
      p.put("name", patch.name()).put("surface", patch.surface().id());
      ArrayNode corners = p.putArray("corners");
      patch.corners().forEach(c -> corners.add(pair(c)));
      FinishJson.write(patch.finish(), p);
      FinishJson.write(patch.otherwise(), p);
    }
    ArrayNode objects = out.putArray("objects");
    for (LooseObject object : room.objects()) {
      objects
          .addObject()
          .put("name", object.name())
          .set("absorptionArea", numbers(object.absorptionArea().toArray()));
    }
    if (!room.furniture().isEmpty()) {
      ArrayNode furniture = out.putArray("furniture");
      room.furniture().forEach(piece -> write(piece, furniture.addObject()));
    }
    if (!room.screens().isEmpty()) {
      ArrayNode screens = out.putArray("screens");
      room.screens().forEach(s -> ScreenJson.write(s, screens.addObject()));
    }
    SetUpJson.write(room.setUp(), out);
    room.noiseDbSpl()
        .ifPresent(n -> PlacedJson.writeNoise(n, room.sources(), out.putObject("noise")));
    return out;
  }

  static ArrayNode numbers(double... numbers) {
    ArrayNode array = JSON.createArrayNode();
    for (double n : numbers) {
      array.add(n);
    }
    return array;
  }

  static ArrayNode numbers(Point p) {
    return numbers(p.x(), p.y(), p.z());
  }

  static ArrayNode pair(Point p) {
    return numbers(p.x(), p.y());
  }

  private static ObjectNode ceiling(Ceiling ceiling) {
    ObjectNode out = JSON.createObjectNode();
    return switch (ceiling) {
      case Ceiling.Flat flat -> out.put("kind", "flat").put("heightMetres", flat.heightMetres());
      case Ceiling.LeanTo lean ->
          out.put("kind", "leanTo")
              .put("lowMetres", lean.lowMetres())
              .put("highMetres", lean.highMetres())
              .put("lowWall", Surface.wall(lean.lowWall()).id());
      case Ceiling.Gable gable ->
          out.put("kind", "gable")
              .put("kneeMetres", gable.kneeMetres())
              .put("ridgeMetres", gable.ridgeMetres())
              .put("ridgeAlong", (gable.alongX() ? Axis.X : Axis.Y).id());
    };
  }
}
