package nullroom.core.book;

import java.util.List;
import java.util.Optional;
import nullroom.core.acoustics.Capture;
import nullroom.core.measure.noise.Scale;
import nullroom.core.room.Finish;
import nullroom.core.room.Room;

/**
 * The whole document: what is known about one room and one voice. Immutable; an edit is a function
 * from book to book.
 *
 * @param name for people
 * @param goal what the recording is for
 * @param room the room with talker and microphone
 * @param listening all that is known about the noise
 * @param decays all that is known about the decay
 * @param spots places to record from
 * @param materials of the user's own, by name
 * @param levels all that is known about the level
 */
public record RoomBook(
    String name,
    Goal goal,
    Room room,
    Listening listening,
    Decays decays,
    List<Spot> spots,
    List<Finish.Stated> materials,
    Levels levels) {
  public RoomBook {
    materials = List.copyOf(materials);
    spots = List.copyOf(spots);
  }

  /** A book in which nothing was measured yet. */
  public RoomBook(String name, Goal goal, Room room) {
    this(name, goal, room, Listening.NOTHING, Decays.NOTHING, List.of(), List.of(), Levels.NOTHING);
  }

  /** The decay measured last. */
  public Optional<DecayMeasurement> decay() {
    return decays.last();
  }

  /** The noise measured last. */
  public Optional<NoiseMeasurement> noise() {
    return listening.noise();
  }

  /** What digital levels mean with the microphone and gain of now, where that is known. */
  public Optional<Scale> scale() {
    return listening.calibration().scale(room.requireMicrophone().capture());
  }

  /**
   * The chain that a recording is made with now; empty where nobody said that it is the one
   * described.
   *
   * @param simulated whether an acted room is heard
   */
  public Optional<Capture> chain(boolean simulated) {
    return listening.chain(room.requireMicrophone().capture(), simulated);
  }

  /** With another room. */
  public RoomBook with(Room other) {
    return new RoomBook(name, goal, other, listening, decays, spots, materials, levels);
  }

  /**
   * With the room's description changed to what was there all along: what was measured stays as it
   * is, and what the model says of it moves.
   */
  public RoomBook describedAs(Room other) {
    return with(other).with(decays.describedAnew(room, other));
  }

  /** With another goal. */
  public RoomBook with(Goal other) {
    return new RoomBook(name, other, room, listening, decays, spots, materials, levels);
  }

  /** With other knowledge of the noise. */
  public RoomBook with(Listening other) {
    return new RoomBook(name, goal, room, other, decays, spots, materials, levels);
  }

  /** With a new noise measurement; a simulated one never takes the place of a real one. */
  public RoomBook with(NoiseMeasurement measured) {
    boolean displaces = measured.simulated() && noise().filter(n -> !n.simulated()).isPresent();
    return displaces ? this : with(listening.withNoise(measured));
  }

  /** With other knowledge of the decay. */
  public RoomBook with(Decays other) {
    return new RoomBook(name, goal, room, listening, other, spots, materials, levels);
  }

  /** With a new decay measurement; those before are kept to compare with. */
  public RoomBook with(DecayMeasurement measured) {
    return with(decays.with(measured));
  }

  /** With other places to record from. */
  public RoomBook withSpots(List<Spot> others) {
    return new RoomBook(name, goal, room, listening, decays, others, materials, levels);
  }

  /** With other materials of the user's own. */
  public RoomBook withMaterials(List<Finish.Stated> others) {
    return new RoomBook(name, goal, room, listening, decays, spots, others, levels);
  }

  /** With other knowledge of the level. */
  public RoomBook with(Levels other) {
    return new RoomBook(name, goal, room, listening, decays, spots, materials, other);
  }
}
