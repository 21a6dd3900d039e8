package nullroom.io.book;

import nullroom.core.book.DecayEstimate;
import nullroom.core.book.MeasuredAt;
import nullroom.core.measure.decay.BlindDecay;
import nullroom.core.measure.decay.DecayReport;
import nullroom.core.measure.decay.Excitation;
import tools.jackson.databind.node.ObjectNode;

/** A decay in the book. */
final class DecayJson {
  private DecayJson() {}

  /** Books before sweeps knew only claps. */
  static DecayReport read(Field f) {
    ObjectNode node = ((ObjectNode) f.node()).deepCopy();
    if (!node.has("excitation")) {
      node.put("excitation", Excitation.IMPULSE.id());
    }
    return Records.read(new Field(f.path(), node), DecayReport.class);
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

  static DecayEstimate readEstimate(Field f) {
    return new DecayEstimate(
        f.required("sound").soundName(),
        f.required("taken").text(),
        Records.read(f, BlindDecay.class));
  }

  static void write(DecayEstimate estimate, ObjectNode out) {
    out.put("sound", estimate.sound()).put("taken", estimate.taken());
    out.setAll(Records.tree(estimate.decay()));
  }

  static void write(DecayReport r, ObjectNode out) {
    out.setAll(Records.tree(r));
  }
}
