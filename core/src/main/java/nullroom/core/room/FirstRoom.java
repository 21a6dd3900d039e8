package nullroom.core.room;

import java.util.List;
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
  /** Its length, width and height, metres. */
  public static final List<Double> METRES = List.of(4.0, 3.0, 2.4);

  private FirstRoom() {}

  /** The room. */
  public static Room room() {
    Point lips = new Point(1.4, 1.5, 1.3);
    Point capsule = new Point(1.9, 1.5, 1.3);
    MicrophoneType type = MicrophoneType.ALL.get(2);
    Capture chain = new Capture(type.pattern(), 16, 130, -38, -125, 34, 20, 24);
    return empty("My room", METRES.get(0), METRES.get(1), METRES.get(2))
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
