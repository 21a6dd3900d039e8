package nullroom.app.cli;

import java.util.List;
import nullroom.core.measure.altered.Alteration;

/** What was done to a sound after the microphone, as JSON. */
final class AlteredOut {
  private AlteredOut() {}

  static List<JsonOut> json(List<Alteration> all) {
    return all.stream().map(AlteredOut::json).toList();
  }

  private static JsonOut json(Alteration one) {
    return new JsonOut()
        .put("kind", one.kind().id())
        .put("evidence", one.evidence())
        .put("fromSeconds", one.fromSeconds())
        .put("toSeconds", one.toSeconds());
  }
}
