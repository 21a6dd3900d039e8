package nullroom.io.book;

import nullroom.core.book.HumTest;
import nullroom.core.book.Listening;
import nullroom.core.book.SurveyNote;
import nullroom.core.book.Suspect;
import nullroom.core.measure.noise.Calibration;
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
        f.optional("humTest").map(h -> Records.read(h, HumTest.class)),
        f.optional("chainKnown").map(Field::flag).orElse(version < CHAINS_SINCE));
  }

  private static Calibration calibration(Field f) {
    return new Calibration(
        f.required("method").oneOf(Calibration.Method.class),
        f.number("overDataDb", 0),
        f.number("uncertaintyDb", Calibration.DATA_UNCERTAINTY_DB),
        f.number("sensitivityDbvPerPascal", 0));
  }

  private static Suspect suspect(Field f) {
    f.required("name");
    f.optional("on").ifPresent(heard -> heard.required("sound").soundName());
    f.optional("off").ifPresent(heard -> heard.required("sound").soundName());
    return Records.read(f, Suspect.class);
  }

  /** A survey of which nothing else is said has ended. */
  private static SurveyNote survey(Field f) {
    f.required("file").soundName();
    SurveyNote note = Records.read(f, SurveyNote.class);
    return f.optional("ended").isPresent() ? note : note.asEnded();
  }

  static void write(Listening listening, ObjectNode out) {
    listening.noise().ifPresent(n -> NoiseJson.write(n, out.putObject("noise")));
    out.set("calibration", Records.tree(listening.calibration()));
    ArrayNode suspects = out.putArray("suspects");
    listening.suspects().forEach(s -> suspects.add(Records.tree(s)));
    ArrayNode spots = out.putArray("spots");
    listening.spots().forEach(s -> NoiseJson.write(s, spots.addObject()));
    ArrayNode surveys = out.putArray("surveys");
    listening.surveys().forEach(s -> surveys.add(Records.tree(s)));
    listening.humTest().ifPresent(t -> out.set("humTest", Records.tree(t)));
    out.put("chainKnown", listening.chainKnown());
  }
}
