package nullroom.io.book;

import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.DecayAnalysis;
import nullroom.core.measure.DecayReport;
import nullroom.core.predict.Statistics;
import nullroom.core.room.Room;
import nullroom.core.signal.Samples;

/**
 * A decay measurement kept in the book.
 *
 * @param sound file name under sound/
 * @param taken local date and time, ISO 8601
 * @param report what was found, in octaves
 * @param predictedSeconds what the room as described then was predicted to do, so that later
 *     changes can be told apart
 */
public record DecayMeasurement(
    String sound, String taken, DecayReport report, Bands predictedSeconds) {

  /**
   * Measures claps, a usual sweep or switched-off noise recorded in a room.
   *
   * @throws Trouble.BadSound if none stands out
   */
  public static DecayMeasurement of(String sound, String taken, Samples recording, Room room) {
    DecayReport report = DecayAnalysis.analyse(recording, DecayAnalysis.Request.any(Octave.ALL));
    if (report.takes() == 0) {
      throw new Trouble.BadSound(sound, report.warnings().getFirst());
    }
    return new DecayMeasurement(sound, taken, report, Statistics.of(room).seconds());
  }
}
