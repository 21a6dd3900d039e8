package nullroom.io.book;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.book.AtHand;
import nullroom.core.book.TreatmentPiece;
import nullroom.core.room.Finish;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Surface;

/** What is at hand to dress a room, as a file of its own: PIECES.json. */
public final class PiecesFile {
  private static final double USUAL_MINUTES = 10;

  private PiecesFile() {}

  /**
   * Reads what is at hand.
   *
   * @throws Trouble.BadFile naming what is wrong, with line and column
   */
  public static AtHand read(Path file) {
    byte[] bytes = JsonPlace.bytes(file);
    Field document =
        new Field("", BookJson.parse(bytes, s -> new Trouble.BadFile(file.toString(), s)));
    try {
      return read(document.object());
    } catch (Trouble.BadField e) {
      throw new Trouble.BadFile(
          file.toString(), e.place() + JsonPlace.where(bytes, e.place()) + " " + e.getMessage());
    }
  }

  private static AtHand read(Field f) {
    List<TreatmentPiece> pieces = new ArrayList<>();
    f.elements("pieces").forEach(p -> pieces.add(piece(p.object())));
    return new AtHand(
        pieces,
        f.figure("budget"),
        f.figure("minutes"),
        flag(f, "drilling", false),
        flag(f, "ladder", false),
        f.number("reachMetres", AtHand.USUAL_REACH_METRES),
        f.optional("inPicture").map(PiecesFile::inPicture).orElse(false),
        f.elements("keepClear").stream().map(PiecesFile::keepClear).toList(),
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

  private static AtHand.KeepClear keepClear(Field f) {
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
}
