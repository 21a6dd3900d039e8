package nullroom.io.book;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import nullroom.core.Trouble;
import nullroom.core.measure.DecayReport;
import nullroom.core.measure.Intrusion;
import nullroom.core.measure.Tone;
import nullroom.core.predict.Goal;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The room book as JSON, documented in docs/book-format.md. */
final class BookJson {
  /** Raised with every change that an older program could not read. */
  static final int SCHEMA_VERSION = 1;

  private static final JsonMapper JSON = JsonMapper.shared();

  private BookJson() {}

  static RoomBook read(JsonNode node) {
    Field f = new Field("", node).object();
    double version = f.required("schemaVersion").number();
    if (version != SCHEMA_VERSION) {
      throw new Trouble.BadField(
          "schemaVersion",
          "is "
              + (int) version
              + "; this program reads version "
              + SCHEMA_VERSION
              + ". Use a newer one");
    }
    String goals = String.join(", ", List.of(Goal.values()).stream().map(Goal::id).toList());
    return new RoomBook(
        f.required("name").text(),
        f.required("goal").oneOf(Goal::find, goals),
        RoomJson.read(f.required("room").object()),
        f.optional("noise").map(BookJson::noise),
        f.optional("decay").map(BookJson::decay));
  }

  private static String soundName(Field f) {
    String name = f.text();
    if (!name.matches("[\\w. -]+") || name.contains("..")) {
      throw new Trouble.BadField(f.path(), "must be a plain file name under sound/");
    }
    return name;
  }

  private static NoiseMeasurement noise(Field f) {
    return new NoiseMeasurement(
        soundName(f.required("sound")),
        f.required("taken").text(),
        f.required("laeqDbSpl").number(),
        f.required("octaveDbSpl").bands(),
        (int) f.required("nc").number(),
        f.required("ncBandHz").number(),
        f.elements("tones").stream().map(BookJson::tone).toList(),
        f.elements("intrusions").stream().map(BookJson::intrusion).toList());
  }

  private static Tone tone(Field f) {
    return new Tone(
        f.required("frequencyHz").number(),
        f.required("levelDbfs").number(),
        f.required("prominenceDb").number(),
        f.required("kind")
            .oneOf(
                k -> Optional.of(k.equals("mains")).filter(m -> m || k.equals("tone")),
                "mains, tone"));
  }

  private static Intrusion intrusion(Field f) {
    return new Intrusion(
        f.required("startSeconds").number(),
        f.required("durationSeconds").number(),
        f.required("peakDbfs").number(),
        f.required("riseDb").number());
  }

  private static DecayMeasurement decay(Field f) {
    DecayReport report =
        new DecayReport(
            f.required("sampleRateHz").number(),
            figure(f, "directArrivalSeconds"),
            (int) f.required("takes").number(),
            f.required("bands").elements().stream().map(BookJson::band).toList(),
            figure(f, "directToReverberantDb"),
            f.elements("warnings").stream().map(Field::text).toList());
    return new DecayMeasurement(
        soundName(f.required("sound")),
        f.required("taken").text(),
        report,
        f.required("predictedSeconds").bands());
  }

  private static OptionalDouble figure(Field f, String name) {
    Optional<Field> figure = f.optional(name);
    return figure.isPresent() ? OptionalDouble.of(figure.get().number()) : OptionalDouble.empty();
  }

  private static DecayReport.BandDecay band(Field f) {
    return new DecayReport.BandDecay(
        f.required("centreHz").number(),
        figure(f, "edtSeconds"),
        figure(f, "t20Seconds"),
        figure(f, "t30Seconds"),
        figure(f, "c50Db"),
        figure(f, "c80Db"),
        figure(f, "d50Percent"),
        figure(f, "centreTimeSeconds"),
        figure(f, "inrDb"),
        figure(f, "nonLinearityPermille"),
        f.elements("curveDb").stream().map(Field::number).toList());
  }

  static ObjectNode write(RoomBook book) {
    ObjectNode out = JSON.createObjectNode();
    out.put("schemaVersion", SCHEMA_VERSION).put("name", book.name()).put("goal", book.goal().id());
    out.set("room", RoomJson.write(book.room()));
    book.noise().ifPresent(n -> write(n, out.putObject("noise")));
    book.decay().ifPresent(d -> write(d, out.putObject("decay")));
    return out;
  }

  private static void write(NoiseMeasurement n, ObjectNode out) {
    out.put("sound", n.sound()).put("taken", n.taken()).put("laeqDbSpl", n.laeqDbSpl());
    out.set("octaveDbSpl", RoomJson.numbers(n.octaveDbSpl().toArray()));
    out.put("nc", n.nc()).put("ncBandHz", n.ncBandHz());
    ArrayNode tones = out.putArray("tones");
    for (Tone t : n.tones()) {
      tones
          .addObject()
          .put("frequencyHz", t.frequencyHz())
          .put("levelDbfs", t.levelDbfs())
          .put("prominenceDb", t.prominenceDb())
          .put("kind", t.mains() ? "mains" : "tone");
    }
    ArrayNode intrusions = out.putArray("intrusions");
    for (Intrusion i : n.intrusions()) {
      intrusions
          .addObject()
          .put("startSeconds", i.startSeconds())
          .put("durationSeconds", i.durationSeconds())
          .put("peakDbfs", i.peakDbfs())
          .put("riseDb", i.riseDb());
    }
  }

  private static void write(DecayMeasurement d, ObjectNode out) {
    DecayReport r = d.report();
    out.put("sound", d.sound()).put("taken", d.taken());
    out.set("predictedSeconds", RoomJson.numbers(d.predictedSeconds().toArray()));
    out.put("sampleRateHz", r.sampleRateHz()).put("takes", r.takes());
    put(out, "directArrivalSeconds", r.directArrivalSeconds());
    put(out, "directToReverberantDb", r.directToReverberantDb());
    ArrayNode bands = out.putArray("bands");
    r.bands().forEach(b -> write(b, bands.addObject()));
    ArrayNode warnings = out.putArray("warnings");
    r.warnings().forEach(warnings::add);
  }

  private static void write(DecayReport.BandDecay b, ObjectNode out) {
    out.put("centreHz", b.centreHz());
    put(out, "edtSeconds", b.edtSeconds());
    put(out, "t20Seconds", b.t20Seconds());
    put(out, "t30Seconds", b.t30Seconds());
    put(out, "c50Db", b.c50Db());
    put(out, "c80Db", b.c80Db());
    put(out, "d50Percent", b.d50Percent());
    put(out, "centreTimeSeconds", b.centreTimeSeconds());
    put(out, "inrDb", b.inrDb());
    put(out, "nonLinearityPermille", b.nonLinearityPermille());
    out.set(
        "curveDb", RoomJson.numbers(b.curve().stream().mapToDouble(Double::doubleValue).toArray()));
  }

  private static void put(ObjectNode out, String name, OptionalDouble figure) {
    figure.ifPresent(number -> out.put(name, number));
  }

  /** Reads what a text holds; {@code place} turns a line and column into a sentence. */
  static JsonNode parse(byte[] text, Function<String, Trouble> place) {
    try {
      return JSON.readTree(text);
    } catch (tools.jackson.core.JacksonException e) {
      var at = e.getLocation();
      String where =
          at == null ? "" : " at line " + at.getLineNr() + ", column " + at.getColumnNr();
      throw place.apply("is damaged" + where + ": it is no complete JSON");
    }
  }
}
