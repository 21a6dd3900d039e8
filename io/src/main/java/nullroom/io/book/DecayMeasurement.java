package nullroom.io.book;

import nullroom.core.acoustics.Bands;
import nullroom.core.measure.DecayReport;

/**
 * A decay measurement kept in the book.
 *
 * @param sound file name under sound/
 * @param taken local date and time, ISO 8601
 * @param report what was found, in octaves
 * @param predictedSeconds what the room as described then was predicted to do, so that later changes can be told apart
 */
public record DecayMeasurement(String sound, String taken, DecayReport report, Bands predictedSeconds) {}
