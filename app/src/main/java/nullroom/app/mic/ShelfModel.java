package nullroom.app.mic;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.acoustics.Stage;
import nullroom.core.book.Kit;
import nullroom.core.book.KitField;
import nullroom.core.book.RoomBook;
import nullroom.core.book.Shelf;
import nullroom.core.room.PlacedMicrophone;
import nullroom.io.book.ShelfFile;

/** The shelf of kit: what is on it, and what of it is in use. */
public final class ShelfModel {
  private final StationContext context;
  private final ObjectProperty<String> chosen = new SimpleObjectProperty<>("");

  ShelfModel(StationContext context) {
    this.context = context;
  }

  /** The shelf of now. */
  public Shelf shelf() {
    return context.session().book().shelf();
  }

  /** Name of the thing that is looked at; empty of none. */
  public ObjectProperty<String> chosenProperty() {
    return chosen;
  }

  /** The thing that is looked at. */
  public Optional<Kit> chosen() {
    return shelf().kit().stream().filter(k -> k.name().equals(chosen.get())).findFirst();
  }

  private void edit(String name, UnaryOperator<Shelf> change) {
    context.session().edit(name, b -> b.with(change.apply(b.shelf())));
  }

  /** Puts a microphone of a class there, with the class's usual figures. */
  public void add(MicrophoneType type) {
    add(Kit.of(type, shelf().freeName(type.label())));
  }

  /** Puts a thing of a kind there. */
  public void add(Kit.Kind kind) {
    add(new Kit(kind, shelf().freeName(kind.word()), Map.of()));
  }

  private void add(Kit kit) {
    edit("Put a " + kit.kind().word() + " on the shelf", s -> s.plus(kit));
    chosen.set(kit.name());
  }

  /**
   * States a field, or leaves it to what is usual.
   *
   * @throws Trouble.BadField for what it cannot be
   */
  public void state(Kit kit, KitField field, Optional<String> text) {
    Kit other = kit.with(field, text);
    edit("Change " + kit.name(), s -> s.with(kit, other));
  }

  /**
   * Calls a thing otherwise.
   *
   * @throws Trouble.BadField for no name, or that of another
   */
  public void rename(Kit kit, String name) {
    Kit other = kit.named(name.strip());
    edit("Call " + kit.name() + " " + other.name(), s -> s.with(kit, other));
    chosen.set(other.name());
  }

  /** Takes a thing off the shelf. */
  public void remove(Kit kit) {
    edit("Take " + kit.name() + " off the shelf", s -> s.without(kit));
  }

  /** Boom and stand reach this far. */
  public void setReach(double boom, double stand) {
    edit("Change the reach", s -> s.withReach(boom, stand));
  }

  /** Whether a thing can be taken into the chain. */
  public boolean canUse(Kit kit) {
    return switch (kit.kind()) {
      case MICROPHONE -> true;
      case INPUT, RECORDER, BOOSTER, TRANSMITTER -> capture().preamp();
      case CABLE, ADAPTER, STAND -> false;
    };
  }

  /** Whether a thing is in the chain. */
  public boolean inUse(Kit kit) {
    return switch (kit.kind()) {
      case MICROPHONE -> kit.asType().isIn(capture());
      case INPUT, RECORDER -> capture().preamp() && kit.on(capture()).equals(capture());
      case BOOSTER, TRANSMITTER -> capture().stages().contains(kit.asStage());
      case CABLE, ADAPTER, STAND -> false;
    };
  }

  private Capture capture() {
    return context.session().book().room().requireMicrophone().capture();
  }

  /**
   * Takes a thing into the chain of the microphone judged.
   *
   * @throws Trouble.BadField where the chain has no room for it
   */
  public void use(Kit kit) {
    context.session().edit("Use the " + kit.name(), b -> used(b, kit));
  }

  private static RoomBook used(RoomBook b, Kit kit) {
    PlacedMicrophone m = b.room().requireMicrophone();
    Capture now = m.capture();
    return switch (kit.kind()) {
      case MICROPHONE -> with(b, m, kit.asType().on(now));
      case INPUT, RECORDER ->
          with(b, m, kit.on(now))
              .with(
                  b.levels()
                      .with(
                          b.levels()
                              .staging()
                              .withHighestGainDb(kit.number(KitField.HIGHEST_GAIN))));
      case BOOSTER, TRANSMITTER -> with(b, m, put(now, kit.asStage()));
      case CABLE, ADAPTER, STAND -> b;
    };
  }

  private static Capture put(Capture chain, Stage stage) {
    if (chain.stages().size() == Stage.MOST) {
      throw new Trouble.BadField("stages", "are " + Stage.MOST + " at most");
    }
    return chain.withStages(Stream.concat(chain.stages().stream(), Stream.of(stage)).toList());
  }

  private static RoomBook with(RoomBook b, PlacedMicrophone m, Capture chain) {
    return b.with(b.room().withMicrophone(m.with(chain)));
  }

  /**
   * Puts what a file holds on the shelf, in the place of what has the same name there.
   *
   * @throws Trouble naming what is wrong in it and where
   */
  public void read(Path file) {
    Shelf read = ShelfFile.read(file);
    List<Kit> all = new ArrayList<>(shelf().kit());
    int replaced = 0;
    for (Kit kit : read.kit()) {
      replaced += all.removeIf(k -> k.name().equals(kit.name())) ? 1 : 0;
      all.add(kit);
    }
    boolean table = read.with(List.of()).equals(Shelf.EMPTY);
    edit("Read a shelf", s -> table ? s.with(all) : read.with(all));
    context
        .work()
        .say(
            Figures.say(
                "Read: %d things from %s%s.",
                read.kit().size(),
                file.getFileName(),
                replaced == 0 ? "" : ", " + replaced + " in the place of those of the same name"));
  }

  /**
   * Writes the shelf.
   *
   * @throws Trouble if it cannot be written
   */
  public void write(Path file) {
    ShelfFile.write(shelf(), file);
    context.work().wrote(file);
  }
}
