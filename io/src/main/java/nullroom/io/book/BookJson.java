package nullroom.io.book;

import java.util.List;
import java.util.function.Function;
import nullroom.core.Trouble;
import nullroom.core.measure.DecayReport;
import nullroom.core.predict.Goal;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The room book as JSON, documented in docs/book-format.md. */
final class BookJson {
  /** Raised with every change that an older program could not read. */
  static final int SCHEMA_VERSION = 2;

  private static final JsonMapper JSON = JsonMapper.shared();

  private BookJson() {}

  static RoomBook read(JsonNode node) {
    Field f = new Field("", node).object();
    double version = f.required("schemaVersion").number();
    if (version != SCHEMA_VERSION && version != 1) {
      throw new Trouble.BadField(
          "schemaVersion",
          "is "
              + (int) version
              + "; this program reads versions 1 to "
              + SCHEMA_VERSION
              + ". Use a newer one");
    }
    String goals = String.join(", ", List.of(Goal.values()).stream().map(Goal::id).toList());
    return new RoomBook(
        f.required("name").text(),
        f.required("goal").oneOf(Goal::find, goals),
        RoomJson.read(f.required("room").object()),
        ListeningJson.read(f, (int) version),
        f.optional("decay").map(BookJson::decay));
  }

  private static DecayMeasurement decay(Field f) {
    DecayReport report =
        new DecayReport(
            f.required("sampleRateHz").number(),
            f.figure("directArrivalSeconds"),
            (int) f.required("takes").number(),
            f.required("bands").elements().stream().map(BookJson::band).toList(),
            f.figure("directToReverberantDb"),
            f.elements("warnings").stream().map(Field::text).toList());
    return new DecayMeasurement(
        f.required("sound").soundName(),
        f.required("taken").text(),
        report,
        f.required("predictedSeconds").bands());
  }

  private static DecayReport.BandDecay band(Field f) {
    return new DecayReport.BandDecay(
        f.required("centreHz").number(),
        f.figure("edtSeconds"),
        f.figure("t20Seconds"),
        f.figure("t30Seconds"),
        f.figure("c50Db"),
        f.figure("c80Db"),
        f.figure("d50Percent"),
        f.figure("centreTimeSeconds"),
        f.figure("inrDb"),
        f.figure("nonLinearityPermille"),
        f.elements("curveDb").stream().map(Field::number).toList());
  }

  static ObjectNode write(RoomBook book) {
    ObjectNode out = JSON.createObjectNode();
    out.put("schemaVersion", SCHEMA_VERSION).put("name", book.name()).put("goal", book.goal().id());
    out.set("room", RoomJson.write(book.room()));
    ListeningJson.write(book.listening(), out);
    book.decay().ifPresent(d -> write(d, out.putObject("decay")));
    return out;
  }

  private static void write(DecayMeasurement d, ObjectNode out) {
    DecayReport r = d.report();
    out.put("sound", d.sound()).put("taken", d.taken());
    out.set("predictedSeconds", RoomJson.numbers(d.predictedSeconds().toArray()));
    out.put("sampleRateHz", r.sampleRateHz()).put("takes", r.takes());
    NoiseJson.put(out, "directArrivalSeconds", r.directArrivalSeconds());
    NoiseJson.put(out, "directToReverberantDb", r.directToReverberantDb());
    ArrayNode bands = out.putArray("bands");
    r.bands().forEach(b -> write(b, bands.addObject()));
    ArrayNode warnings = out.putArray("warnings");
    r.warnings().forEach(warnings::add);
  }

  private static void write(DecayReport.BandDecay b, ObjectNode out) {
    out.put("centreHz", b.centreHz());
    NoiseJson.put(out, "edtSeconds", b.edtSeconds());
    NoiseJson.put(out, "t20Seconds", b.t20Seconds());
    NoiseJson.put(out, "t30Seconds", b.t30Seconds());
    NoiseJson.put(out, "c50Db", b.c50Db());
    NoiseJson.put(out, "c80Db", b.c80Db());
    NoiseJson.put(out, "d50Percent", b.d50Percent());
    NoiseJson.put(out, "centreTimeSeconds", b.centreTimeSeconds());
    NoiseJson.put(out, "inrDb", b.inrDb());
    NoiseJson.put(out, "nonLinearityPermille", b.nonLinearityPermille());
    out.set(
        "curveDb", RoomJson.numbers(b.curve().stream().mapToDouble(Double::doubleValue).toArray()));
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
