package nullroom.app.desktop;

import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Directivity;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.room.Aim;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Finish;
import nullroom.core.room.Finishes;
import nullroom.core.room.Outline;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.SetUp;
import nullroom.core.room.Talker;

/**
 * The room a new book starts from: an ordinary bedroom, 4 by 3 by 2.4 m, to be changed to the
 * user's own.
 */
public final class FirstRoom {
  private FirstRoom() {}

  /** The room. */
  public static Room room() {
    Point lips = new Point(1.4, 1.5, 1.3);
    Point capsule = new Point(1.9, 1.5, 1.3);
    MicrophoneType type = MicrophoneType.ALL.get(2);
    Capture chain = new Capture(type.pattern(), 16, 130, -38, -125, 34, 20, 24);
    return Room.empty(
            "My room",
            Outline.box(4.0, 3.0),
            new Ceiling.Flat(2.4),
            Finishes.of(
                Finish.of("laminate_floating"),
                Finish.of("gypsum_on_studs"),
                Finish.of("plaster_on_brick")))
        .with(
            SetUp.of(
                new Talker(lips, new Aim(0, 0), VocalEffort.NORMAL, Directivity.VOICE),
                new PlacedMicrophone(capsule, Aim.along(lips.minus(capsule)), type.on(chain))));
  }
}
