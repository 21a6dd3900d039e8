package nullroom.core.room;

import nullroom.core.Trouble;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Directivity;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.acoustics.VocalEffort;

/**
 * The room a new book starts from: an ordinary bedroom, 4 by 3 by 2.4 m, to be changed to the
 * user's own.
 */
public final class FirstRoom {
  private static final double LENGTH_METRES = 4;
  private static final double WIDTH_METRES = 3;
  private static final double HEIGHT_METRES = 2.4;

  private FirstRoom() {}

  /** The room. */
  public static Room room() {
    Point lips = new Point(1.4, 1.5, 1.3);
    Point capsule = new Point(1.9, 1.5, 1.3);
    MicrophoneType type = MicrophoneType.ALL.get(2);
    Capture chain = new Capture(type.pattern(), 16, 130, -38, -125, 34, 20, 24);
    return empty("My room", LENGTH_METRES, WIDTH_METRES, HEIGHT_METRES)
        .with(
            SetUp.of(
                new Talker(lips, new Aim(0, 0), VocalEffort.NORMAL, Directivity.VOICE),
                new PlacedMicrophone(capsule, Aim.along(lips.minus(capsule)), type.on(chain))));
  }

  /**
   * The same of other sizes, with nobody in it.
   *
   * @throws Trouble.BadField where no room is that large
   */
  public static Room empty(
      String name, double lengthMetres, double widthMetres, double heightMetres) {
    try {
      return Room.empty(
          name,
          Outline.box(lengthMetres, widthMetres),
          new Ceiling.Flat(heightMetres),
          Finishes.of(
              Finish.of("laminate_floating"),
              Finish.of("gypsum_on_studs"),
              Finish.of("plaster_on_brick")));
    } catch (IllegalArgumentException e) {
      throw new Trouble.BadField("size", String.valueOf(e.getMessage()));
    }
  }
}
