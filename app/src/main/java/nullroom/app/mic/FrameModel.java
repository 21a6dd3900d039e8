package nullroom.app.mic;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import javafx.beans.property.ReadOnlyObjectProperty;
import nullroom.app.shell.Fresh;
import nullroom.app.shell.StationContext;
import nullroom.core.book.RoomBook;
import nullroom.core.book.Shelf;
import nullroom.core.plan.mic.FrameReach;
import nullroom.core.plan.mic.MicPlanner;
import nullroom.core.room.Camera;
import nullroom.core.room.Room;

/** What the pictures leave to microphones, and how the chosen camera is changed. */
final class FrameModel {
  private static final long REST_MILLIS = 100;

  private final StationContext context;
  private final Fresh<List<FrameReach>> frames;

  FrameModel(StationContext context, Executor background) {
    this.context = context;
    frames = new Fresh<>(background, REST_MILLIS, context);
  }

  ReadOnlyObjectProperty<Optional<List<FrameReach>>> framesProperty() {
    return frames.valueProperty();
  }

  private RoomBook book() {
    return context.session().book();
  }

  Room room() {
    return book().room();
  }

  /** Asks for what the pictures of now leave. */
  void refresh() {
    Room filmed = MicPlanner.filmed(room(), book().shelf());
    Shelf shelf = book().shelf();
    frames.ask(MicModel.inputs(book()), progress -> FrameReach.of(filmed, shelf));
  }

  /** What the chosen camera shows; empty where there is none. */
  Optional<Shelf.Shot> shot() {
    return room().camera().map(c -> FrameReach.shotOf(room(), c));
  }

  /** Sets a camera up before the talker. */
  void setUp() {
    edit("Put a camera up", room -> Camera.before(room));
  }

  /** Turns and zooms the chosen camera so that it shows so much, the lips in its middle. */
  void show(Shelf.Shot shot) {
    edit("Film " + FrameReach.words(shot), room -> FrameReach.showing(room, camera(room), shot));
  }

  /** Tilts the chosen camera down until little is left over the head. */
  void lower() {
    edit(
        "Leave less headroom", room -> FrameReach.lowered(room, camera(room)).orElse(camera(room)));
  }

  /** Turns the chosen camera upright, or across. */
  void turn() {
    edit(
        "Turn the picture",
        room -> camera(room).with(camera(room).focalMillimetres(), 1 / camera(room).aspectRatio()));
  }

  private static Camera camera(Room room) {
    return room.camera().orElseThrow();
  }

  private interface Filming {
    Camera by(Room room);
  }

  private void edit(String name, Filming filming) {
    context.attempt(name, b -> b.with(b.room().withCamera(Optional.of(filming.by(b.room())))));
  }
}
