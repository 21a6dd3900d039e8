/**
 * Long watches over a room's noise: a second a row, in a CSV file that anything can open and that a
 * crash cannot hurt. Start at {@link SurveyRun}, which fills one from a stream, and {@link
 * SurveyFile}, which reads it back.
 */
@NullMarked
package nullroom.io.survey;

import org.jspecify.annotations.NullMarked;
