package nullroom.app;

import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nullroom.app.shell.BookSession;
import nullroom.app.shell.Desk;
import nullroom.app.shell.Inputs;
import nullroom.app.shell.Work;
import nullroom.core.acoustics.Air;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Directivity;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.acoustics.Pattern;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.predict.Goal;
import nullroom.core.predict.Heard;
import nullroom.core.room.Aim;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Finish;
import nullroom.core.room.Outline;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Talker;
import nullroom.io.book.BookFolder;
import nullroom.io.book.RoomBook;
import nullroom.io.device.SimulatedDevice;

/**
 * Books and desks to test the stations with; saving and work happen at once, on the calling thread.
 */
public final class TestBooks {
  private static final Clock CLOCK =
      Clock.fixed(Instant.parse("2026-05-04T18:30:20Z"), ZoneOffset.UTC);

  private TestBooks() {}

  /** A bare plastered bedroom, a small condenser half a metre from the lips. */
  public static RoomBook bedroom() {
    Point lips = new Point(1.4, 1.5, 1.3);
    Point capsule = new Point(1.9, 1.5, 1.3);
    Capture chain =
        MicrophoneType.ALL.get(2).on(new Capture(Pattern.OMNI, 0, 100, -38, -125, 34, 20, 24));
    Room room =
        new Room(
            "bedroom",
            Outline.box(4, 3),
            new Ceiling.Flat(2.4),
            Air.ROOM,
            Map.of(
                "floor", Finish.of("laminate_floating"),
                "ceiling", Finish.of("gypsum_on_studs"),
                "walls", Finish.of("plaster_on_brick")),
            List.of(),
            List.of(),
            Optional.of(new Talker(lips, new Aim(0, 0), VocalEffort.NORMAL, Directivity.VOICE)),
            Optional.of(new PlacedMicrophone(capsule, Aim.along(lips.minus(capsule)), chain)),
            Optional.empty());
    return new RoomBook("bedroom", Goal.SPOKEN_ON_CAMERA, room, Optional.empty(), Optional.empty());
  }

  /** A session that saves at once and throws what goes wrong into a list. */
  public static BookSession session(Path folder, RoomBook book, List<String> troubles) {
    return new BookSession(new BookFolder(folder), book, Runnable::run, troubles::add);
  }

  /** A desk on that book in a folder; needs the toolkit. */
  public static Desk desk(Path folder, RoomBook book) {
    BookSession session = session(folder, book, new ArrayList<>());
    return new Desk(
        session,
        new Work(Runnable::run),
        new Inputs(() -> new SimulatedDevice(Heard.of(session.book().room()), 343.2, 3)),
        CLOCK);
  }
}
