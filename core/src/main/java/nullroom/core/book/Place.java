package nullroom.core.book;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nullroom.core.predict.Origin;
import nullroom.core.room.Room;

/**
 * A room to record in, with all that is known of it.
 *
 * @param room with who and what is in it; its name is the place's
 * @param listening all that is known about the noise
 * @param decays all that is known about the decay
 * @param spots places to record from
 * @param levels all that is known about the level
 * @param keepClear parts of its surfaces where nothing may hang or lie
 * @param described whether somebody said how large it is; else it is taken to be an ordinary one
 */
public record Place(
    Room room,
    Listening listening,
    Decays decays,
    List<Spot> spots,
    Levels levels,
    List<AtHand.KeepClear> keepClear,
    boolean described) {
  public Place {
    keepClear = List.copyOf(keepClear);
    spots = List.copyOf(spots);
  }

  /** A room of which nothing was measured yet. */
  public static Place of(Room room) {
    return new Place(
        room, Listening.NOTHING, Decays.NOTHING, List.of(), Levels.NOTHING, List.of(), true);
  }

  /**
   * Another room with the kit of this one: its calibration and what is planned for stay, whatever
   * was heard here does not.
   */
  Place elsewhere(Room other) {
    Listening kit =
        Listening.NOTHING
            .withCalibration(listening.calibration())
            .withChainKnown(listening.chainKnown());
    return new Place(other, kit, Decays.NOTHING, List.of(), levels.elsewhere(), List.of(), true);
  }

  /** Name for people; no other place of the book has it. */
  public String name() {
    return room.name();
  }

  /**
   * The noise that is known where talker and microphone are: that of the spot of this name that was
   * listened to, unless the room was listened to since. A real one counts before a simulated one.
   */
  public Optional<NoiseMeasurement> noise() {
    Set<String> here =
        spots.stream().filter(s -> s.isIn(room)).map(Spot::name).collect(Collectors.toSet());
    return Stream.concat(
            listening.noise().stream(),
            listening.spots().stream()
                .filter(n -> here.contains(n.spot()) && n.roomDbSpl().isPresent()))
        .max(
            Comparator.comparing((NoiseMeasurement n) -> !n.simulated())
                .thenComparing(NoiseMeasurement::taken));
  }

  /** The same under another name. */
  public Place named(String other) {
    return with(room.named(other));
  }

  /** With another room; who gives it another shape or size describes it. */
  public Place with(Room other) {
    boolean said = described || !other.enclosure().equals(room.enclosure());
    return new Place(other, listening, decays, spots, levels, keepClear, said);
  }

  /** How what follows from the room's description alone is come by. */
  public Origin.Kind byDescription() {
    return described ? Origin.Kind.PREDICTED : Origin.Kind.ASSUMED;
  }

  /** The same, its room described or taken to be an ordinary one. */
  public Place described(boolean said) {
    return new Place(room, listening, decays, spots, levels, keepClear, said);
  }

  /** With other knowledge of the noise. */
  public Place with(Listening other) {
    return new Place(room, other, decays, spots, levels, keepClear, described);
  }

  /** With other knowledge of the decay. */
  public Place with(Decays other) {
    return new Place(room, listening, other, spots, levels, keepClear, described);
  }

  /** With other places to record from. */
  public Place withSpots(List<Spot> others) {
    return new Place(room, listening, decays, others, levels, keepClear, described);
  }

  /** With other knowledge of the level. */
  public Place with(Levels other) {
    return new Place(room, listening, decays, spots, other, keepClear, described);
  }

  /** With other parts of its surfaces kept clear. */
  public Place withKeepClear(List<AtHand.KeepClear> others) {
    return new Place(room, listening, decays, spots, levels, others, described);
  }
}
