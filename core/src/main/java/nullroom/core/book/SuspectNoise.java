package nullroom.core.book;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nullroom.core.acoustics.Bands;
import nullroom.core.measure.noise.Culprits;
import nullroom.core.measure.noise.EnergySubtraction;
import nullroom.core.room.NoiseSource;
import nullroom.core.room.Room;

/**
 * The noise of a room now, from what was measured and from which suspects have been switched since:
 * what is off is taken out as energy, and what has a place in the room makes its noise from there.
 */
final class SuspectNoise {
  private SuspectNoise() {}

  /** A room with its noise as it is now; as it was where none was measured in dB SPL. */
  static Room in(Room room, Listening listening) {
    Optional<NoiseMeasurement> measured = listening.noise().filter(n -> n.roomDbSpl().isPresent());
    if (measured.isEmpty()) {
      return room;
    }
    NoiseMeasurement noise = measured.get();
    Bands diffuse = noise.roomDbSpl().orElseThrow();
    List<NoiseSource> sources = new ArrayList<>(room.sources());
    for (Suspect suspect : listening.suspects()) {
      Optional<EnergySubtraction> own =
          suspect.pairAt(noise.chain()).map(pair -> inRoom(pair, noise, room));
      if (own.isPresent()) {
        boolean within = !noise.without().contains(suspect.name());
        Optional<NoiseSource> source = suspect.source().filter(s -> room.holds(s.at()));
        boolean spread = !suspect.switchedOff() && source.isEmpty();
        if (within && !spread) {
          diffuse = own.get().takenFrom(diffuse);
        } else if (!within && spread) {
          diffuse = diffuse.energySum(own.get().levelDb());
        }
        if (!suspect.switchedOff()) {
          source.ifPresent(sources::add);
        }
      }
    }
    return room.withNoise(diffuse, sources);
  }

  /** What the microphone gave as diffuse noise of the room, as the measurement itself is. */
  private static EnergySubtraction inRoom(
      Culprits.Suspect pair, NoiseMeasurement noise, Room room) {
    double pickup = room.requireMicrophone().capture().pattern().diffuseGainDb();
    double offset = noise.scale().orElseThrow().fullScaleDbSpl() - pickup;
    return EnergySubtraction.of(
        pair.onDb().map(level -> level + offset), pair.offDb().map(level -> level + offset));
  }
}
