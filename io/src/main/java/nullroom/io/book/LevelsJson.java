package nullroom.io.book;

import tools.jackson.databind.node.ObjectNode;

/** What is known about the level, in a book. */
final class LevelsJson {
  private LevelsJson() {}

  static Levels read(Field f) {
    return f.optional("levels")
        .map(l ->
            new Levels(
                l.object().optional("locked").map(LevelsJson::locked),
                l.optional("brief").map(Field::text).orElse("")))
        .orElse(Levels.NOTHING);
  }

  private static Levels.Locked locked(Field f) {
    return new Levels.Locked(
        f.object().required("taken").text(),
        RoomJson.point(f.required("talkerAt")),
        PlacedJson.microphone(f.required("microphone")),
        f.required("peakDbfs").number());
  }

  static void write(Levels levels, ObjectNode out) {
    if (levels.equals(Levels.NOTHING)) {
      return;
    }
    ObjectNode node = out.putObject("levels");
    if (!levels.brief().isEmpty()) {
      node.put("brief", levels.brief());
    }
    levels
        .locked()
        .ifPresent(locked -> {
          ObjectNode l = node.putObject("locked");
          l.put("taken", locked.taken()).put("peakDbfs", locked.peakDbfs());
          l.set("talkerAt", RoomJson.numbers(locked.talkerAt()));
          PlacedJson.write(locked.microphone(), l.putObject("microphone"));
        });
  }
}
