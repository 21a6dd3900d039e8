package nullroom.app.mic;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import nullroom.app.shell.Fresh;
import nullroom.app.shell.StationContext;
import nullroom.core.book.RoomBook;
import nullroom.core.plan.mic.Backing;
import nullroom.core.plan.mic.BackingClip;
import nullroom.core.plan.mic.SharedMicrophone;
import nullroom.core.plan.mic.Voices;
import nullroom.core.room.Room;
import nullroom.io.audio.SoundFile;

/** Several voices before several microphones, and a voice beside a loudspeaker. */
final class VoicesModel {
  private static final long REST_MILLIS = 150;
  private static final double USUAL_SIDE_METRES = 1.5;
  private static final double USUAL_UNDER_DB = 6;

  private final StationContext context;
  private final Fresh<Among> among;
  private final Fresh<Backing> backing;
  private final ObjectProperty<Optional<BackingClip>> clip =
      new SimpleObjectProperty<>(Optional.empty());
  private double sideMetres = USUAL_SIDE_METRES;
  private double underDb = USUAL_UNDER_DB;

  /**
   * Several voices.
   *
   * @param voices who is heard where; empty for one voice
   * @param shared one microphone for all, the best pattern first
   */
  record Among(Optional<Voices> voices, List<SharedMicrophone> shared) {}

  VoicesModel(StationContext context, Executor background) {
    this.context = context;
    among = new Fresh<>(background, REST_MILLIS, context);
    backing = new Fresh<>(background, REST_MILLIS, context);
  }

  Fresh<Among> among() {
    return among;
  }

  Fresh<Backing> backing() {
    return backing;
  }

  ObjectProperty<Optional<BackingClip>> clipProperty() {
    return clip;
  }

  double sideMetres() {
    return sideMetres;
  }

  double underDb() {
    return underDb;
  }

  /** Another side of the triangle. */
  void setSide(double metres) {
    sideMetres = metres;
    refresh();
  }

  /** The backing further under the voice, or less. */
  void setUnder(double db) {
    underDb = db;
    refresh();
  }

  /** Asks for all of it as it is now. */
  void refresh() {
    RoomBook book = context.session().book();
    List<Object> inputs = inputs();
    among.ask(inputs, progress -> new Among(Voices.of(book), SharedMicrophone.of(book)));
    double side = sideMetres;
    double under = underDb;
    backing.ask(List.of(inputs, side, under), progress -> Backing.triangle(book, side, under));
  }

  /** Puts one microphone amid the voices, where it was worked out for those of now. */
  void share(SharedMicrophone one) {
    among
        .of(inputs())
        .filter(a -> a.shared().contains(one))
        .ifPresent(a -> setUp("Put one microphone amid the voices", one.room()));
  }

  /** Sets the triangle up, where it was worked out for what is there now. */
  void setTriangleUp() {
    backing
        .of(List.of(inputs(), sideMetres, underDb))
        .ifPresent(b -> setUp("Set the triangle up", b.room()));
  }

  private List<Object> inputs() {
    RoomBook book = context.session().book();
    return List.of(MicModel.inputs(book), book.room().setUp());
  }

  private void setUp(String name, Room there) {
    context.attempt(name, b -> b.with(b.room().with(there.setUp())));
  }

  /** Measures a test clip, off the FX thread. */
  void check(Path file) {
    context
        .work()
        .start(
            "Measuring the test clip",
            progress ->
                BackingClip.of(String.valueOf(file.getFileName()), SoundFile.readChannel(file, 0)),
            found -> clip.set(Optional.of(found)));
  }
}
