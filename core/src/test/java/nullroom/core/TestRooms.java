package nullroom.core;

import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Directivity;
import nullroom.core.acoustics.Pattern;
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

/** Plain rooms to test with. */
public final class TestRooms {
  public static final Capture OMNI_CHAIN =
      new Capture(Pattern.OMNI, 16, 130, -38, -125, 40, 20, 24);

  private TestRooms() {}

  /** 4.2 x 3.4 x 2.5 m with one absorption everywhere, an omni talker and an omni microphone. */
  public static Room box(double absorption) {
    return of(Outline.box(4.2, 3.4), new Ceiling.Flat(2.5), absorption);
  }

  public static Room of(Outline outline, Ceiling ceiling, double absorption) {
    Finish finish = new Finish.Stated(Bands.all(absorption), Bands.all(0.1));
    Point lips = new Point(1.2, 1.5, 1.2);
    Point capsule = new Point(1.5, 1.5, 1.2);
    return Room.empty("test", outline, ceiling, Finishes.of(finish, finish, finish))
        .with(
            SetUp.of(
                new Talker(lips, new Aim(0, 0), VocalEffort.NORMAL, Directivity.OMNI),
                new PlacedMicrophone(capsule, Aim.along(lips.minus(capsule)), OMNI_CHAIN)))
        .withNoise(Bands.of(40, 34, 28, 23, 19, 15, 12, 10));
  }

  /** The same room with another pattern. */
  public static Room with(Room room, Pattern pattern) {
    PlacedMicrophone m = room.requireMicrophone();
    Capture c = m.capture();
    return room.withMicrophone(
        m.with(
            new Capture(
                pattern,
                c.selfNoiseDbA(),
                c.maxDbSpl(),
                c.sensitivityDbvPerPascal(),
                c.preampEinDbu(),
                c.gainDb(),
                c.fullScaleDbu(),
                c.bits())));
  }
}
