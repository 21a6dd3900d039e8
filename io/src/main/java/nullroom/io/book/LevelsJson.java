package nullroom.io.book;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.Arrays;
import java.util.OptionalDouble;
import nullroom.core.Trouble;
import nullroom.core.plan.Brief;
import nullroom.core.plan.Handover;
import tools.jackson.databind.node.ObjectNode;

/** What is known about the level, in a book. */
final class LevelsJson {
  private LevelsJson() {}

  static Levels read(Field f) {
    return f.optional("levels")
        .map(l ->
            new Levels(
                l.object().optional("locked").map(LevelsJson::locked),
                l.optional("brief").map(Field::text).orElse(""),
                l.optional("ownBrief").map(LevelsJson::brief)))
        .orElse(Levels.NOTHING);
  }

  private static Levels.Locked locked(Field f) {
    return new Levels.Locked(
        f.object().required("taken").text(),
        RoomJson.point(f.required("talkerAt")),
        PlacedJson.microphone(f.required("microphone")),
        f.required("peakDbfs").number());
  }

  private static Brief brief(Field f) {
    try {
      return Brief.own(
          f.object().required("use").text(),
          f.required("integratedLufs").number(),
          f.required("toleranceLu").number(),
          f.required("truePeakDbtp").number(),
          maybe(f, "floorDbfs"),
          new Handover(
              format(f.required("format")),
              (int) f.required("bits").number(),
              maybe(f, "rateHz"),
              maybe(f, "shortestSeconds"),
              maybe(f, "longestSeconds"),
              f.required("namePattern").text(),
              f.optional("due").map(LevelsJson::day)));
    } catch (Trouble.BadField e) {
      throw e.place().startsWith(f.path())
          ? e
          : new Trouble.BadField(f.path(), e.place() + " " + e.getMessage());
    }
  }

  private static OptionalDouble maybe(Field f, String name) {
    return f.optional(name).map(n -> OptionalDouble.of(n.number())).orElse(OptionalDouble.empty());
  }

  private static Handover.Format format(Field f) {
    String id = f.text();
    return Arrays.stream(Handover.Format.values())
        .filter(format -> format.id().equals(id))
        .findFirst()
        .orElseThrow(() -> new Trouble.BadField(f.path(), "must be wav or flac, not “" + id + "”"));
  }

  private static LocalDate day(Field f) {
    try {
      return LocalDate.parse(f.text());
    } catch (DateTimeParseException e) {
      throw new Trouble.BadField(f.path(), "must be a day such as 2026-12-24");
    }
  }

  static void write(Levels levels, ObjectNode out) {
    if (levels.equals(Levels.NOTHING)) {
      return;
    }
    ObjectNode node = out.putObject("levels");
    if (!levels.brief().isEmpty()) {
      node.put("brief", levels.brief());
    }
    levels.own().ifPresent(own -> write(own, node.putObject("ownBrief")));
    levels
        .locked()
        .ifPresent(locked -> {
          ObjectNode l = node.putObject("locked");
          l.put("taken", locked.taken()).put("peakDbfs", locked.peakDbfs());
          l.set("talkerAt", RoomJson.numbers(locked.talkerAt()));
          PlacedJson.write(locked.microphone(), l.putObject("microphone"));
        });
  }

  private static void write(Brief own, ObjectNode out) {
    out.put("use", own.use());
    put(out, "integratedLufs", own.integratedLufs());
    put(out, "toleranceLu", own.toleranceLu());
    put(out, "truePeakDbtp", own.truePeakDbtp());
    put(out, "floorDbfs", own.floorDbfs());
    Handover file = own.handover();
    out.put("format", file.format().id()).put("bits", file.bits());
    put(out, "rateHz", file.rateHz());
    put(out, "shortestSeconds", file.shortestSeconds());
    put(out, "longestSeconds", file.longestSeconds());
    out.put("namePattern", file.namePattern());
    file.due().ifPresent(day -> out.put("due", day.toString()));
  }

  private static void put(ObjectNode out, String name, OptionalDouble value) {
    value.ifPresent(v -> out.put(name, v));
  }
}
