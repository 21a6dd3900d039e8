package nullroom.io.book;

import nullroom.core.acoustics.Cloth;
import nullroom.core.room.Screen;
import tools.jackson.databind.node.ObjectNode;

/** Cloth that stands free in a room. */
final class ScreenJson {
  private ScreenJson() {}

  static Screen read(Field f) {
    String name = f.object().optional("name").map(Field::text).orElse("screen");
    return f.checked(() ->
        new Screen(
            name,
            RoomJson.planPoint(f.required("from")),
            RoomJson.planPoint(f.required("to")),
            f.number("bottomMetres", 0),
            f.required("topMetres").number(),
            cloth(f)));
  }

  private static Cloth cloth(Field f) {
    return f.optional("absorption").isPresent()
        ? new Cloth.Stated(f.required("absorption").bands(), f.required("transmission").bands())
        : new Cloth.Sheet(
            f.required("massKgPerSquareMetre").number(),
            f.required("flowResistancePascalSecondsPerMetre").number());
  }

  static void write(Screen screen, ObjectNode out) {
    out.put("name", screen.name());
    out.set("from", RoomJson.pair(screen.from()));
    out.set("to", RoomJson.pair(screen.to()));
    out.put("bottomMetres", screen.bottomMetres()).put("topMetres", screen.topMetres());
    switch (screen.cloth()) {
      case Cloth.Sheet sheet ->
          out.put("massKgPerSquareMetre", sheet.massKgPerSquareMetre())
              .put("flowResistancePascalSecondsPerMetre", sheet.flowResistance());
      case Cloth.Stated stated -> {
        out.set("absorption", RoomJson.numbers(stated.absorption().toArray()));
        out.set("transmission", RoomJson.numbers(stated.transmission().toArray()));
      }
    }
  }
}
