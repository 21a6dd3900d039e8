package nullroom.io.book;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Supplier;
import nullroom.core.Trouble;
import nullroom.core.acoustics.OwnVoice;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.book.Brief;
import nullroom.core.book.Handover;
import nullroom.core.book.Knob;
import nullroom.core.book.Levels;
import nullroom.core.book.School;
import nullroom.core.book.Staging;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What is known about the level, in a book. */
final class LevelsJson {
  private LevelsJson() {}

  static Levels read(Field f) {
    return f.optional("levels")
        .map(l ->
            new Levels(
                l.object().optional("locked").map(LevelsJson::locked),
                l.optional("brief").map(LevelsJson::key).orElse(""),
                l.optional("ownBrief").map(LevelsJson::brief),
                l.optional("staging").map(LevelsJson::staging).orElse(Staging.USUAL),
                l.optional("loudest").map(LevelsJson::loudest),
                l.optional("take").map(Field::soundName).orElse(""),
                l.optional("dial").map(LevelsJson::knob),
                l.elements("voices").stream().map(v -> Records.read(v, OwnVoice.class)).toList()))
        .orElse(Levels.NOTHING);
  }

  /** The key of a brief, some of which were once called otherwise. */
  private static String key(Field f) {
    return f.isText("audition") ? "casting" : f.text();
  }

  private static Levels.Locked locked(Field f) {
    return new Levels.Locked(
        f.object().required("taken").text(),
        RoomJson.point(f.required("talkerAt")),
        PlacedJson.microphone(f.required("microphone"), Optional.empty()),
        f.required("peakDbfs").number());
  }

  private static Levels.LoudestLine loudest(Field f) {
    return new Levels.LoudestLine(
        f.object().optional("simulated").map(Field::flag).orElse(false),
        f.required("effort").oneOf(VocalEffort.class),
        locked(f));
  }

  private static void write(Levels.Locked locked, ObjectNode l) {
    l.put("taken", locked.taken()).put("peakDbfs", locked.peakDbfs());
    l.set("talkerAt", RoomJson.numbers(locked.talkerAt()));
    PlacedJson.write(locked.microphone(), l.putObject("microphone"));
  }

  private static Knob knob(Field f) {
    return named(
        f,
        () ->
            new Knob(
                f.object().required("marks").oneOf(Knob.Marks.class),
                f.required("mark").number(),
                f.required("gainDb").number(),
                f.required("dbPerMark").number()));
  }

  private static Staging staging(Field f) {
    return named(
        f,
        () -> {
          return new Staging(
              f.optional("school").map(s -> s.oneOf(School.class)).orElse(School.PEAKS),
              f.object().required("material").oneOf(Staging.Material.class),
              f.required("allowanceDb").number(),
              f.required("highestGainDb").number());
        });
  }

  private static Brief brief(Field f) {
    return named(
        f,
        () ->
            Brief.own(
                    f.object().required("use").text(),
                    f.required("integratedLufs").number(),
                    f.required("toleranceLu").number(),
                    f.required("truePeakDbtp").number(),
                    maybe(f, "floorDbfs"),
                    new Handover(
                        f.required("format").oneOf(Handover.Format.class),
                        (int) f.required("bits").number(),
                        maybe(f, "rateHz"),
                        maybe(f, "shortestSeconds"),
                        maybe(f, "longestSeconds"),
                        f.required("namePattern").text(),
                        f.optional("due").map(LevelsJson::day).orElse("")))
                .withChannels(channels(f)));
  }

  private static OptionalInt channels(Field f) {
    OptionalDouble count = f.figure("channels");
    return count.isPresent() ? OptionalInt.of((int) count.getAsDouble()) : OptionalInt.empty();
  }

  /** Reads a part; what cannot be in it is said with the place in the book. */
  private static <T> T named(Field f, Supplier<T> read) {
    try {
      return read.get();
    } catch (Trouble.BadField e) {
      throw e.place().startsWith(f.path())
          ? e
          : new Trouble.BadField(f.path(), e.place() + " " + e.getMessage());
    }
  }

  private static OptionalDouble maybe(Field f, String name) {
    return f.optional(name).map(n -> OptionalDouble.of(n.number())).orElse(OptionalDouble.empty());
  }

  private static String day(Field f) {
    try {
      return LocalDate.parse(f.text()).toString();
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
    if (!levels.staging().equals(Staging.USUAL)) {
      node.putObject("staging")
          .put("school", levels.staging().school().id())
          .put("material", levels.staging().material().id())
          .put("allowanceDb", levels.staging().allowanceDb())
          .put("highestGainDb", levels.staging().highestGainDb());
    }
    levels.locked().ifPresent(locked -> write(locked, node.putObject("locked")));
    levels
        .loudest()
        .ifPresent(line -> {
          ObjectNode l = node.putObject("loudest");
          l.put("simulated", line.simulated()).put("effort", line.effort().id());
          write(line.heard(), l);
        });
    levels
        .knob()
        .ifPresent(k ->
            node.putObject("dial")
                .put("marks", k.marks().id())
                .put("mark", k.mark())
                .put("gainDb", k.gainDb())
                .put("dbPerMark", k.dbPerMark()));
    if (!levels.take().isEmpty()) {
      node.put("take", levels.take());
    }
    if (!levels.voices().isEmpty()) {
      ArrayNode voices = node.putArray("voices");
      levels.voices().forEach(v -> voices.add(Records.tree(v)));
    }
  }

  private static void write(Brief own, ObjectNode out) {
    out.put("use", own.use());
    put(out, "integratedLufs", own.integratedLufs());
    put(out, "toleranceLu", own.toleranceLu());
    put(out, "truePeakDbtp", own.truePeakDbtp());
    put(out, "floorDbfs", own.floorDbfs());
    own.channels().ifPresent(count -> out.put("channels", count));
    Handover file = own.handover();
    out.put("format", file.format().id()).put("bits", file.bits());
    put(out, "rateHz", file.rateHz());
    put(out, "shortestSeconds", file.shortestSeconds());
    put(out, "longestSeconds", file.longestSeconds());
    out.put("namePattern", file.namePattern());
    if (!file.due().isEmpty()) {
      out.put("due", file.due());
    }
  }

  private static void put(ObjectNode out, String name, OptionalDouble value) {
    value.ifPresent(v -> out.put(name, v));
  }
}
