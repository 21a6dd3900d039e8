package nullroom.io.book;

import java.util.List;
import java.util.Optional;
import nullroom.core.book.DecayEstimate;
import nullroom.core.book.MeasuredAt;
import nullroom.core.measure.decay.BlindDecay;
import nullroom.core.measure.decay.DecayReport;
import nullroom.core.measure.decay.Excitation;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A decay in the book. */
final class DecayJson {
  private DecayJson() {}

  static DecayReport read(Field f) {
    return new DecayReport(
        f.optional("excitation")
            .map(e -> e.oneOf(Excitation::find, "impulse, sweep, noise"))
            .or(() -> Optional.of(Excitation.IMPULSE)), // books before sweeps knew only claps
        f.required("sampleRateHz").number(),
        f.figure("directArrivalSeconds"),
        (int) f.required("takes").number(),
        f.required("bands").elements().stream().map(DecayJson::band).toList(),
        f.elements("thirdOctaveBands").stream().map(DecayJson::band).toList(),
        f.figure("directToReverberantDb"),
        f.elements("modulation").stream()
            .map(row -> row.elements().stream().map(Field::number).toList())
            .toList(),
        f.elements("reflections").stream()
            .map(r ->
                new DecayReport.Reflection(
                    r.required("delaySeconds").number(), r.required("levelDb").number()))
            .toList(),
        f.optional("flutter")
            .map(r ->
                new DecayReport.Flutter(
                    r.required("periodSeconds").number(), r.required("strengthDb").number())),
        f.elements("ringing").stream()
            .map(r ->
                new DecayReport.Ringing(
                    r.required("frequencyHz").number(), r.required("seconds").number()))
            .toList(),
        f.figure("harmonicDistortionPercent"),
        f.elements("warnings").stream().map(Field::text).toList());
  }

  /** Books before positions knew only one place. */
  static MeasuredAt readPlace(Field f) {
    return new MeasuredAt(
        f.optional("sourcePlace").map(Field::text).orElse("A"),
        f.optional("microphonePlace").map(Field::text).orElse("1"),
        f.optional("present").map(Field::text).orElse(""),
        f.optional("talkerAt").map(RoomJson::point),
        f.optional("microphoneAt").map(RoomJson::point));
  }

  static void write(MeasuredAt at, ObjectNode out) {
    out.put("sourcePlace", at.source()).put("microphonePlace", at.microphone());
    out.put("present", at.present());
    at.talkerAt().ifPresent(p -> out.set("talkerAt", RoomJson.numbers(p)));
    at.microphoneAt().ifPresent(p -> out.set("microphoneAt", RoomJson.numbers(p)));
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
        f.figure("t20DeviationSeconds"),
        f.elements("curveDb").stream().map(Field::number).toList());
  }

  static DecayEstimate readEstimate(Field f) {
    return new DecayEstimate(
        f.required("sound").soundName(),
        f.required("taken").text(),
        new BlindDecay(
            f.required("bands").elements().stream()
                .map(b ->
                    new BlindDecay.Estimate(
                        b.required("centreHz").number(),
                        b.required("seconds").number(),
                        b.required("spreadSeconds").number(),
                        (int) b.required("decays").number()))
                .toList()));
  }

  static void write(DecayEstimate estimate, ObjectNode out) {
    out.put("sound", estimate.sound()).put("taken", estimate.taken());
    ArrayNode bands = out.putArray("bands");
    estimate
        .decay()
        .bands()
        .forEach(b ->
            bands
                .addObject()
                .put("centreHz", b.centreHz())
                .put("seconds", b.seconds())
                .put("spreadSeconds", b.spreadSeconds())
                .put("decays", b.decays()));
  }

  static void write(DecayReport r, ObjectNode out) {
    r.excitation().ifPresent(e -> out.put("excitation", e.id()));
    out.put("sampleRateHz", r.sampleRateHz()).put("takes", r.takes());
    NoiseJson.put(out, "directArrivalSeconds", r.directArrivalSeconds());
    NoiseJson.put(out, "directToReverberantDb", r.directToReverberantDb());
    NoiseJson.put(out, "harmonicDistortionPercent", r.harmonicDistortionPercent());
    ArrayNode bands = out.putArray("bands");
    r.bands().forEach(b -> write(b, bands.addObject()));
    if (!r.moreBands().isEmpty()) {
      ArrayNode thirds = out.putArray("thirdOctaveBands");
      r.moreBands().forEach(b -> write(b, thirds.addObject()));
    }
    ArrayNode modulation = out.putArray("modulation");
    for (List<Double> row : r.modulation()) {
      modulation.add(RoomJson.numbers(row.stream().mapToDouble(Double::doubleValue).toArray()));
    }
    ArrayNode reflections = out.putArray("reflections");
    r.reflections()
        .forEach(one ->
            reflections
                .addObject()
                .put("delaySeconds", one.delaySeconds())
                .put("levelDb", one.levelDb()));
    r.flutter()
        .ifPresent(one ->
            out.putObject("flutter")
                .put("periodSeconds", one.periodSeconds())
                .put("strengthDb", one.strengthDb()));
    if (!r.ringing().isEmpty()) {
      ArrayNode ringing = out.putArray("ringing");
      r.ringing()
          .forEach(one ->
              ringing
                  .addObject()
                  .put("frequencyHz", one.frequencyHz())
                  .put("seconds", one.seconds()));
    }
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
    NoiseJson.put(out, "t20DeviationSeconds", b.t20DeviationSeconds());
    out.set(
        "curveDb", RoomJson.numbers(b.curve().stream().mapToDouble(Double::doubleValue).toArray()));
  }
}
