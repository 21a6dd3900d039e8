package nullroom.app.dress;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Materials;
import nullroom.core.book.AtHand;
import nullroom.core.book.TreatmentPiece;
import nullroom.core.room.Finish;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Surface;
import nullroom.io.book.PiecesFile;

/** What is at hand to dress rooms with, as the book keeps it. */
public final class HandModel {
  private final StationContext context;
  private final ObjectProperty<String> chosen = new SimpleObjectProperty<>("");

  HandModel(StationContext context) {
    this.context = context;
  }

  /** What is at hand, and what must be kept to. */
  public AtHand hand() {
    return context.session().book().hand();
  }

  /** Name of the piece that is looked at; empty of none. */
  public ObjectProperty<String> chosenProperty() {
    return chosen;
  }

  /** The piece that is looked at. */
  public Optional<TreatmentPiece> chosen() {
    return hand().pieces().stream().filter(p -> p.name().equals(chosen.get())).findFirst();
  }

  /**
   * Keeps to something else.
   *
   * @param name of the edit, for undo
   * @throws Trouble.BadField for what cannot be
   */
  public void edit(String name, UnaryOperator<AtHand> change) {
    context.session().edit(name, b -> b.with(change.apply(b.hand())));
  }

  /** Puts one more kind of piece into the list. */
  public void add(TreatmentPiece piece) {
    edit("Add " + piece.name(), hand -> hand.plus(piece));
    chosen.set(hand().pieces().getLast().name());
  }

  /** Takes a kind of piece out of the list. */
  public void remove(TreatmentPiece piece) {
    edit("Take out " + piece.name(), hand -> hand.without(piece));
  }

  /**
   * Says a piece otherwise.
   *
   * @throws Trouble.BadField for what it cannot be, or the name of another
   */
  public void change(TreatmentPiece before, TreatmentPiece now) {
    boolean taken =
        hand().pieces().stream().anyMatch(p -> !p.equals(before) && p.name().equals(now.name()));
    if (taken) {
      throw new Trouble.BadField("name", "another piece is called “" + now.name() + "” already");
    }
    edit("Change " + before.name(), hand -> hand.with(before, now));
    chosen.set(now.name());
  }

  /** What a piece can be made of: cloth, wool and the like of the table, and the user's own. */
  public List<Finish> finishes() {
    Stream<Finish> listed =
        Materials.all().stream()
            .filter(m -> !m.category().equals("opening") && !m.category().equals("people"))
            .map(m -> Finish.of(m.id()));
    return Stream.concat(context.session().book().materials().stream(), listed).toList();
  }

  /** What a finish is called. */
  public static String nameOf(Finish finish) {
    return switch (finish) {
      case Finish.Listed listed -> Materials.get(listed.materialId()).name();
      case Finish.Stated stated -> stated.name().isEmpty() ? "figures of its own" : stated.name();
      case Finish.Porous porous ->
          Figures.say(
              "a layer of %.0f cm, %.0f cm off the wall",
              100 * porous.layer().thicknessMetres(), 100 * porous.layer().gapMetres());
    };
  }

  /**
   * Keeps a rectangle of a surface clear.
   *
   * @throws Trouble.BadField where it is none, or not on that surface
   */
  public void keepClear(
      String why, Surface surface, double from, double up, double width, double height) {
    if (!(width > 0 && height > 0)) {
      throw new Trouble.BadField("what is kept clear", "must have a width and a height");
    }
    Patch patch =
        new Patch(
            why.isBlank() ? "kept clear" : why.strip(),
            surface,
            List.of(
                new Point(from, up, 0),
                new Point(from + width, up, 0),
                new Point(from + width, up + height, 0),
                new Point(from, up + height, 0)),
            new Finish.Stated(Bands.all(0), Bands.all(0)));
    if (!context.session().book().room().carries(patch)) {
      throw new Trouble.BadField(surface.spoken(), "does not reach so far");
    }
    edit(
        "Keep clear: " + patch.name(),
        hand -> {
          List<AtHand.KeepClear> all = new ArrayList<>(hand.keepClear());
          all.add(new AtHand.KeepClear(patch));
          return hand.withKeepClear(all);
        });
  }

  /** Lets a part of a surface be used again. */
  public void free(AtHand.KeepClear clear) {
    edit(
        "Use again: " + clear.patch().name(),
        hand -> {
          List<AtHand.KeepClear> all = new ArrayList<>(hand.keepClear());
          all.remove(clear);
          return hand.withKeepClear(all);
        });
  }

  /**
   * Takes what is at hand from a file.
   *
   * @throws Trouble naming what is wrong in it and where
   */
  public void read(Path file) {
    AtHand read = PiecesFile.read(file);
    edit("Read what is at hand", hand -> read);
    context
        .work()
        .say(
            Figures.say(
                "Read: %d kinds of pieces from %s.", read.pieces().size(), file.getFileName()));
  }

  /**
   * Writes what is at hand.
   *
   * @throws Trouble if it cannot be written
   */
  public void write(Path file) {
    PiecesFile.write(hand(), file);
    context.work().wrote(file);
  }
}
