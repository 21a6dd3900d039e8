package nullroom.core.book;

import java.util.List;
import java.util.Optional;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.measure.decay.AlteredDecay;
import nullroom.core.measure.decay.DecayAnalysis;
import nullroom.core.measure.decay.DecayReport;
import nullroom.core.predict.Statistics;
import nullroom.core.room.Room;
import nullroom.core.signal.Band;
import nullroom.core.signal.Samples;

/**
 * A decay measurement kept in the book.
 *
 * @param sound file name under sound/
 * @param taken local date and time, ISO 8601
 * @param at where, and what was in the room
 * @param report what was found, in octaves, and in thirds
 * @param predictedSeconds what the room as described then was predicted to do, so that later
 *     changes can be told apart
 * @param altered what was done to the sound after the microphone
 */
public record DecayMeasurement(
    String sound,
    String taken,
    MeasuredAt at,
    DecayReport report,
    Bands predictedSeconds,
    List<Alteration> altered) {
  public DecayMeasurement {
    altered = List.copyOf(altered);
  }

  /** How names of sounds begin that a simulated input made. */
  public static final String SIMULATED = "simulated-";

  /** Whether an acted room was heard. */
  public boolean simulated() {
    return isSimulated(sound);
  }

  /** What a device may have done to it without a trace; empty of an acted room. */
  public Optional<String> unseen() {
    return simulated() ? Optional.empty() : AlteredDecay.unseen(report, altered);
  }

  /** Whether the simulated device made a sound of the book, by its name. */
  public static boolean isSimulated(String sound) {
    return sound.startsWith(SIMULATED);
  }

  /**
   * The same after the room's description was changed to what had been there all along.
   *
   * @param change of the predicted times, as a factor
   * @param where with what is said now to have been present
   */
  DecayMeasurement describedAnew(Bands change, MeasuredAt where) {
    return new DecayMeasurement(
        sound, taken, where, report, predictedSeconds.with(change, (t, by) -> t * by), altered);
  }

  /**
   * Measures claps, a usual sweep or switched-off noise recorded in a room.
   *
   * @throws Trouble.BadSound if none stands out
   */
  public static DecayMeasurement of(
      String sound, String taken, MeasuredAt at, Samples recording, Room room, Progress progress) {
    DecayReport report =
        DecayAnalysis.analyse(
            recording, DecayAnalysis.Request.any(Octave.ALL, Band.DECAY_THIRDS), progress);
    if (report.takes() == 0) {
      throw new Trouble.BadSound(sound, report.warnings().getFirst());
    }
    List<Alteration> altered = isSimulated(sound) ? List.of() : AlteredDecay.of(report, recording);
    return new DecayMeasurement(sound, taken, at, report, Statistics.of(room).seconds(), altered);
  }
}
