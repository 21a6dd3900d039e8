package nullroom.io.book;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nullroom.core.book.DecayMeasurement;
import nullroom.core.book.NoiseMeasurement;
import nullroom.core.measure.noise.Intrusion;
import nullroom.core.measure.noise.NoiseReport;
import nullroom.core.measure.noise.Scale;
import nullroom.core.measure.noise.Tone;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A noise measurement as JSON. */
final class NoiseJson {
  private NoiseJson() {}

  static NoiseMeasurement read(Field f) {
    return new NoiseMeasurement(
        f.required("sound").soundName(),
        f.required("taken").text(),
        f.optional("simulated").map(Field::flag).orElse(false),
        f.optional("spot").map(Field::text).orElse(""),
        report(f),
        f.optional("chain").map(PlacedJson::capture),
        f.optional("scale").map(NoiseJson::scale),
        f.optional("octaveDbSpl").map(Field::bands),
        f.elements("without").stream().map(Field::text).toList());
  }

  /**
   * As schema version 1 had it: octaves in dB SPL alone, and whether it was simulated in the
   * sound's name.
   */
  static NoiseMeasurement readFirstVersion(Field f) {
    NoiseMeasurement read = read(f);
    return new NoiseMeasurement(
        read.sound(),
        read.taken(),
        DecayMeasurement.isSimulated(read.sound()),
        "",
        read.report(),
        Optional.empty(),
        Optional.empty(),
        read.roomDbSpl(),
        List.of());
  }

  private static NoiseReport report(Field f) {
    return new NoiseReport(
        f.number("seconds", 0),
        f.number("sampleRateHz", 48_000),
        f.figure("laeqDbfs"),
        f.figure("lceqDbfs"),
        f.figure("lzeqDbfs"),
        f.figure("laMaxFastDbfs"),
        f.figure("la10Dbfs"),
        f.figure("la50Dbfs"),
        f.figure("la90Dbfs"),
        f.elements("octaves").stream().map(NoiseJson::band).toList(),
        f.elements("thirds").stream().map(NoiseJson::band).toList(),
        f.number("dcOffset", 0),
        (long) f.number("clippedSamples", 0),
        f.elements("tones").stream().map(NoiseJson::tone).toList(),
        f.elements("intrusions").stream().map(NoiseJson::intrusion).toList());
  }

  static Scale scale(Field f) {
    return f.checked(() ->
        new Scale(f.required("fullScaleDbSpl").number(), f.required("uncertaintyDb").number()));
  }

  private static NoiseReport.BandLevel band(Field f) {
    return new NoiseReport.BandLevel(
        f.required("centreHz").number(), f.figure("leqDbfs"), f.figure("l90Dbfs"));
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

  static void write(NoiseMeasurement n, ObjectNode out) {
    out.put("sound", n.sound()).put("taken", n.taken()).put("simulated", n.simulated());
    out.put("spot", n.spot());
    n.chain().ifPresent(c -> PlacedJson.write(c, out.putObject("chain")));
    n.scale().ifPresent(s -> write(s, out.putObject("scale")));
    n.roomDbSpl().ifPresent(b -> out.set("octaveDbSpl", RoomJson.numbers(b.toArray())));
    ArrayNode without = out.putArray("without");
    n.without().forEach(without::add);
    write(n.report(), out);
  }

  static void write(Scale scale, ObjectNode out) {
    out.put("fullScaleDbSpl", scale.fullScaleDbSpl()).put("uncertaintyDb", scale.uncertaintyDb());
  }

  private static void write(NoiseReport r, ObjectNode out) {
    out.put("seconds", r.seconds()).put("sampleRateHz", r.sampleRateHz());
    put(out, "laeqDbfs", r.laeqDbfs());
    put(out, "lceqDbfs", r.lceqDbfs());
    put(out, "lzeqDbfs", r.lzeqDbfs());
    put(out, "laMaxFastDbfs", r.laMaxFastDbfs());
    put(out, "la10Dbfs", r.la10Dbfs());
    put(out, "la50Dbfs", r.la50Dbfs());
    put(out, "la90Dbfs", r.la90Dbfs());
    write(r.octaves(), out.putArray("octaves"));
    write(r.thirds(), out.putArray("thirds"));
    out.put("dcOffset", r.dcOffset()).put("clippedSamples", r.clippedSamples());
    ArrayNode tones = out.putArray("tones");
    for (Tone t : r.tones()) {
      tones
          .addObject()
          .put("frequencyHz", t.frequencyHz())
          .put("levelDbfs", t.levelDbfs())
          .put("prominenceDb", t.prominenceDb())
          .put("kind", t.mains() ? "mains" : "tone");
    }
    ArrayNode intrusions = out.putArray("intrusions");
    for (Intrusion i : r.intrusions()) {
      intrusions
          .addObject()
          .put("startSeconds", i.startSeconds())
          .put("durationSeconds", i.durationSeconds())
          .put("peakDbfs", i.peakDbfs())
          .put("riseDb", i.riseDb());
    }
  }

  private static void write(List<NoiseReport.BandLevel> bands, ArrayNode out) {
    for (NoiseReport.BandLevel b : bands) {
      ObjectNode band = out.addObject().put("centreHz", b.centreHz());
      put(band, "leqDbfs", b.leqDbfs());
      put(band, "l90Dbfs", b.l90Dbfs());
    }
  }

  static void put(ObjectNode out, String name, OptionalDouble figure) {
    figure.ifPresent(number -> out.put(name, number));
  }
}
