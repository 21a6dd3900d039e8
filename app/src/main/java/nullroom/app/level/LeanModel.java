package nullroom.app.level;

import java.nio.file.Path;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import nullroom.app.shell.StationContext;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.book.Hearing;
import nullroom.core.book.RoomBook;
import nullroom.core.measure.take.TakeChannel;
import nullroom.core.measure.voice.LeanReport;
import nullroom.core.measure.voice.LeanTest;
import nullroom.core.plan.Leaning;
import nullroom.core.room.Movement;
import nullroom.core.room.Room;
import nullroom.core.room.Talker;
import nullroom.io.device.AudioDevice;

/** The lean test: twenty seconds of speaking, five of them still, and what moving does. */
public final class LeanModel {
  private static final double SECONDS = 20;

  private final StationContext context;
  private final ReadOnlyObjectWrapper<Optional<Heard>> heard =
      new ReadOnlyObjectWrapper<>(Optional.empty());

  LeanModel(StationContext context) {
    this.context = context;
  }

  /**
   * A lean test that was made.
   *
   * @param simulated whether an acted voice was heard, which does not move
   * @param taken when
   * @param report of it
   * @param frames mean squares of tenths of a second
   */
  @SuppressWarnings("ArrayRecordComponent") // never compared
  public record Heard(boolean simulated, String taken, LeanReport report, double[] frames) {}

  /** The last one. */
  public ReadOnlyObjectProperty<Optional<Heard>> heardProperty() {
    return heard.getReadOnlyProperty();
  }

  /** Records one. */
  public void record() {
    context.record(
        "Five seconds still, fifteen as you move",
        AudioDevice.Prompt.VOICE,
        SECONDS,
        "lean",
        this::measured,
        found -> heard.set(Optional.of(found)));
  }

  /** Takes one from a file that begins with five seconds of sitting still. */
  public void open(Path file) {
    context.open(
        "Listening to " + file.getFileName(),
        file,
        "lean",
        this::measured,
        found -> heard.set(Optional.of(found)));
  }

  private Heard measured(StationContext.Kept sound, Progress progress) {
    LeanReport report =
        LeanTest.measure(sound.samples())
            .orElseThrow(() ->
                new Trouble.BadSound(
                    sound.name(),
                    "holds too little talk: speak on for five seconds still and fifteen while you move"));
    return new Heard(
        sound.simulated(),
        context.now(),
        report,
        sound.samples().meanSquares(TakeChannel.FRAME_SECONDS));
  }

  /** The last one against the geometry of now. */
  public Optional<Leaning> leaning() {
    return heard
        .get()
        .map(h ->
            Leaning.of(
                h.report(),
                Hearing.quick(context.session().book())::heard,
                context.session().book().room()));
  }

  /** Describes the talker as leaning as far as was heard; how far they turn stays as it was. */
  public void describe() {
    leaning().ifPresent(l -> context.session().edit("Lean as heard", b -> b.with(leant(b, l))));
  }

  private static Room leant(RoomBook book, Leaning heard) {
    Talker talker = book.room().requireTalker();
    return book.room()
        .withTalker(talker.with(new Movement(heard.leanMetres(), talker.movement().turnDegrees())));
  }
}
