package nullroom.io.book;

import nullroom.core.acoustics.Bands;

/**
 * A room noise measurement kept in the book.
 *
 * @param sound file name under sound/
 * @param taken local date and time, ISO 8601
 * @param laeqDbSpl A-weighted level at the microphone's place
 * @param octaveDbSpl octave levels
 * @param nc noise criterion
 * @param ncBandHz the octave that decides it
 */
public record NoiseMeasurement(
    String sound, String taken, double laeqDbSpl, Bands octaveDbSpl, int nc, double ncBandHz) {}
