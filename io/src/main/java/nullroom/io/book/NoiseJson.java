package nullroom.io.book;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import nullroom.core.book.DecayMeasurement;
import nullroom.core.book.NoiseMeasurement;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.measure.noise.NoiseReport;
import nullroom.core.measure.noise.Scale;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A noise measurement as JSON. */
final class NoiseJson {
  private static final Map<String, Double> SINCE_FIRST_VERSION =
      Map.of("seconds", 0.0, "sampleRateHz", 48_000.0, "dcOffset", 0.0, "clippedSamples", 0.0);

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
        f.elements("without").stream().map(Field::text).toList(),
        altered(f),
        f.optional("byVoice").map(Field::flag).orElse(false));
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
        List.of(),
        List.of(),
        false);
  }

  /** Books of the first version kept less. */
  private static NoiseReport report(Field f) {
    ObjectNode node = ((ObjectNode) f.node()).deepCopy();
    SINCE_FIRST_VERSION.forEach((name, otherwise) -> {
      if (!node.has(name)) {
        node.put(name, otherwise);
      }
    });
    return Records.read(new Field(f.path(), node), NoiseReport.class);
  }

  static List<Alteration> altered(Field f) {
    return f.elements("altered").stream().map(a -> Records.read(a, Alteration.class)).toList();
  }

  static void write(List<Alteration> altered, ObjectNode out) {
    if (!altered.isEmpty()) {
      ArrayNode all = out.putArray("altered");
      altered.forEach(a -> all.add(Records.tree(a)));
    }
  }

  static Scale scale(Field f) {
    return Records.read(f, Scale.class);
  }

  static void write(NoiseMeasurement n, ObjectNode out) {
    out.put("sound", n.sound()).put("taken", n.taken()).put("simulated", n.simulated());
    out.put("spot", n.spot());
    n.chain().ifPresent(c -> PlacedJson.write(c, out.putObject("chain")));
    n.scale().ifPresent(s -> out.set("scale", Records.tree(s)));
    n.roomDbSpl().ifPresent(b -> out.set("octaveDbSpl", RoomJson.numbers(b.toArray())));
    ArrayNode without = out.putArray("without");
    n.without().forEach(without::add);
    write(n.altered(), out);
    if (n.byVoice()) {
      out.put("byVoice", true);
    }
    out.setAll(Records.tree(n.report()));
  }
}
