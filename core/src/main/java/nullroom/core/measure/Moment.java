package nullroom.core.measure;

/**
 * A stretch of a recording.
 *
 * @param startSeconds from the file's start
 * @param durationSeconds of it
 */
public record Moment(double startSeconds, double durationSeconds) {}
