package nullroom.io.book;

import java.util.List;
import java.util.Optional;
import nullroom.core.book.HumTest;
import nullroom.core.book.Listening;
import nullroom.core.book.SurveyNote;
import nullroom.core.book.Suspect;
import nullroom.core.measure.noise.Calibration;
import nullroom.core.measure.noise.MainsHum;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What is known about the noise as JSON: members of the book. */
final class ListeningJson {
  /** Before, whatever was recorded counted as made with the microphone described. */
  private static final int CHAINS_SINCE = 3;

  private ListeningJson() {}

  static Listening read(Field f, int version) {
    return new Listening(
        f.optional("noise").map(version == 1 ? NoiseJson::readFirstVersion : NoiseJson::read),
        f.optional("calibration").map(ListeningJson::calibration).orElse(Calibration.BY_DATA),
        f.elements("suspects").stream().map(ListeningJson::suspect).toList(),
        f.elements("spots").stream().map(NoiseJson::read).toList(),
        f.elements("surveys").stream().map(ListeningJson::survey).toList(),
        f.optional("humTest").map(ListeningJson::humTest),
        f.optional("chainKnown").map(Field::flag).orElse(version < CHAINS_SINCE));
  }

  private static Calibration calibration(Field f) {
    String methods =
        String.join(", ", List.of(Calibration.Method.values()).stream().map(m -> m.id()).toList());
    return new Calibration(
        f.required("method").oneOf(Calibration.Method::find, methods),
        f.number("overDataDb", 0),
        f.number("uncertaintyDb", Calibration.DATA_UNCERTAINTY_DB),
        f.number("sensitivityDbvPerPascal", 0));
  }

  private static Suspect suspect(Field f) {
    return new Suspect(
        f.required("name").text(),
        f.optional("needed").map(Field::flag).orElse(false),
        f.optional("on").map(ListeningJson::heard),
        f.optional("off").map(ListeningJson::heard),
        f.optional("switchedOff").map(Field::flag).orElse(false),
        f.optional("owed").map(Field::flag).orElse(false),
        f.optional("source").map(PlacedJson::source));
  }

  private static Suspect.Heard heard(Field f) {
    return new Suspect.Heard(
        f.required("sound").soundName(),
        f.required("octaveDbfs").bands(),
        f.optional("chain").map(PlacedJson::capture));
  }

  private static SurveyNote survey(Field f) {
    return new SurveyNote(
        f.required("file").soundName(),
        f.required("started").text(),
        f.optional("simulated").map(Field::flag).orElse(false),
        f.optional("chain").map(PlacedJson::capture),
        f.optional("scale").map(NoiseJson::scale),
        f.optional("ended").map(Field::flag).orElse(true));
  }

  private static HumTest humTest(Field f) {
    return new HumTest(
        f.required("way")
            .oneOf(
                key ->
                    List.of(HumTest.Way.values()).stream()
                        .filter(w -> key(w).equals(key))
                        .findFirst(),
                "terminated, covered"),
        f.optional("open").map(ListeningJson::hum),
        f.optional("closed").map(ListeningJson::hum));
  }

  private static String key(HumTest.Way way) {
    return way.name().toLowerCase(java.util.Locale.ROOT);
  }

  private static MainsHum hum(Field f) {
    return new MainsHum(
        f.required("fundamentalHz").number(),
        f.elements("harmonicsHz").stream().map(Field::number).toList(),
        f.required("levelDbfs").number(),
        f.required("prominenceDb").number());
  }

  static void write(Listening listening, ObjectNode out) {
    listening.noise().ifPresent(n -> NoiseJson.write(n, out.putObject("noise")));
    Calibration c = listening.calibration();
    out.putObject("calibration")
        .put("method", c.method().id())
        .put("overDataDb", c.overDataDb())
        .put("uncertaintyDb", c.uncertaintyDb())
        .put("sensitivityDbvPerPascal", c.sensitivityDbvPerPascal());
    ArrayNode suspects = out.putArray("suspects");
    listening.suspects().forEach(s -> write(s, suspects.addObject()));
    ArrayNode spots = out.putArray("spots");
    listening.spots().forEach(s -> NoiseJson.write(s, spots.addObject()));
    ArrayNode surveys = out.putArray("surveys");
    listening.surveys().forEach(s -> write(s, surveys.addObject()));
    listening.humTest().ifPresent(t -> write(t, out.putObject("humTest")));
    out.put("chainKnown", listening.chainKnown());
  }

  private static void write(Suspect s, ObjectNode out) {
    out.put("name", s.name()).put("needed", s.needed());
    write(s.on(), "on", out);
    write(s.off(), "off", out);
    out.put("switchedOff", s.switchedOff()).put("owed", s.owed());
    s.source().ifPresent(source -> PlacedJson.write(source, out.putObject("source")));
  }

  private static void write(Optional<Suspect.Heard> heard, String name, ObjectNode out) {
    heard.ifPresent(h -> {
      ObjectNode node = out.putObject(name).put("sound", h.sound());
      node.set("octaveDbfs", RoomJson.numbers(h.octaveDbfs().toArray()));
      h.chain().ifPresent(c -> PlacedJson.write(c, node.putObject("chain")));
    });
  }

  private static void write(SurveyNote s, ObjectNode out) {
    out.put("file", s.file()).put("started", s.started()).put("simulated", s.simulated());
    s.chain().ifPresent(c -> PlacedJson.write(c, out.putObject("chain")));
    s.scale().ifPresent(scale -> NoiseJson.write(scale, out.putObject("scale")));
    out.put("ended", s.ended());
  }

  private static void write(HumTest t, ObjectNode out) {
    out.put("way", key(t.way()));
    t.open().ifPresent(h -> write(h, out.putObject("open")));
    t.closed().ifPresent(h -> write(h, out.putObject("closed")));
  }

  private static void write(MainsHum h, ObjectNode out) {
    out.put("fundamentalHz", h.fundamentalHz());
    ArrayNode harmonics = out.putArray("harmonicsHz");
    h.harmonicsHz().forEach(harmonics::add);
    out.put("levelDbfs", h.levelDbfs()).put("prominenceDb", h.prominenceDb());
  }
}
