package nullroom.io.book;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.book.AtHand;
import nullroom.core.book.TreatmentPiece;
import nullroom.core.room.Finish;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Surface;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What is at hand to dress a room, as JSON. */
final class PiecesJson {
  private static final double USUAL_MINUTES = 10;

  private PiecesJson() {}

  static AtHand read(Field f) {
    List<TreatmentPiece> pieces = new ArrayList<>();
    f.elements("pieces").forEach(p -> pieces.add(piece(p.object())));
    return new AtHand(
        pieces,
        f.figure("budget"),
        f.figure("minutes"),
        flag(f, "drilling", false),
        flag(f, "ladder", false),
        f.number("reachMetres", AtHand.USUAL_REACH_METRES),
        f.optional("inPicture").map(PiecesJson::inPicture).orElse(false),
        f.elements("keepClear").stream().map(PiecesJson::keepClear).toList(),
        flag(f, "states", true),
        flag(f, "moves", false));
  }

  private static boolean flag(Field f, String name, boolean otherwise) {
    return f.optional(name).map(Field::flag).orElse(otherwise);
  }

  private static boolean inPicture(Field f) {
    return switch (f.text()) {
      case "allowed" -> true;
      case "avoid" -> false;
      default -> throw new Trouble.BadField(f.path(), "must be “avoid” or “allowed”");
    };
  }

  private static TreatmentPiece piece(Field f) {
    String name = f.required("name").text();
    double count = f.number("count", 1);
    if (count != Math.rint(count)) {
      throw new Trouble.BadField(f.path() + ".count", "must be a whole number");
    }
    double price = f.number("price", 0);
    Set<String> on = new HashSet<>();
    f.elements("on").forEach(s -> on.add(s.text()));
    TreatmentPiece.Hold hold = f.required("hold").oneOf(TreatmentPiece.Hold.class);
    Finish finish = FinishJson.read(f);
    return f.named(() ->
        new TreatmentPiece(
            name,
            (int) Math.clamp(count, -1, Integer.MAX_VALUE),
            flag(f, "owned", price == 0),
            price,
            f.number("minutes", USUAL_MINUTES),
            f.required("widthMetres").number(),
            f.required("heightMetres").number(),
            flag(f, "turnable", false),
            finish,
            hold,
            on,
            f.figure("weightKg"),
            flag(f, "coloured", false)));
  }

  static AtHand.KeepClear keepClear(Field f) {
    Field surface = f.object().required("surface");
    Surface on =
        Surface.find(surface.text())
            .orElseThrow(() -> new Trouble.BadField(surface.path(), "there is no such surface"));
    List<Point> corners =
        f.required("corners").elements().stream()
            .map(c -> c.numbers(2))
            .map(c -> new Point(c[0], c[1], 0))
            .toList();
    String why = f.optional("why").map(Field::text).orElse("kept clear");
    Finish none = new Finish.Stated(Bands.all(0), Bands.all(0));
    return f.checked(() -> new AtHand.KeepClear(new Patch(why, on, corners, none)));
  }

  static ObjectNode write(AtHand hand, ObjectNode out) {
    ArrayNode pieces = out.putArray("pieces");
    hand.pieces().forEach(p -> write(p, pieces.addObject()));
    hand.budget().ifPresent(money -> out.put("budget", money));
    hand.minutes().ifPresent(minutes -> out.put("minutes", minutes));
    out.put("drilling", hand.drilling())
        .put("ladder", hand.ladder())
        .put("reachMetres", hand.reachMetres())
        .put("inPicture", hand.inPicture() ? "allowed" : "avoid")
        .put("states", hand.states())
        .put("moves", hand.moves());
    write(hand.keepClear(), out);
    return out;
  }

  /** Nothing where nothing is kept clear. */
  static void write(List<AtHand.KeepClear> keepClear, ObjectNode out) {
    if (keepClear.isEmpty()) {
      return;
    }
    ArrayNode all = out.putArray("keepClear");
    for (AtHand.KeepClear clear : keepClear) {
      Patch patch = clear.patch();
      ObjectNode one = all.addObject().put("surface", patch.surface().id());
      ArrayNode corners = one.putArray("corners");
      patch.corners().forEach(c -> corners.addArray().add(c.x()).add(c.y()));
      one.put("why", patch.name());
    }
  }

  private static void write(TreatmentPiece piece, ObjectNode out) {
    out.put("name", piece.name())
        .put("count", piece.count())
        .put("owned", piece.owned())
        .put("price", piece.price())
        .put("minutes", piece.minutes())
        .put("widthMetres", piece.widthMetres())
        .put("heightMetres", piece.heightMetres())
        .put("turnable", piece.turnable())
        .put("hold", piece.hold().id())
        .put("coloured", piece.coloured());
    piece.weightKg().ifPresent(kg -> out.put("weightKg", kg));
    if (!piece.on().isEmpty()) {
      ArrayNode on = out.putArray("on");
      new TreeSet<>(piece.on()).forEach(on::add);
    }
    FinishJson.write(piece.finish(), out);
  }
}
