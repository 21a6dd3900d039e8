package nullroom.core.measure;

/**
 * Something that rose over the background for a while.
 *
 * @param startSeconds from the start of the recording
 * @param durationSeconds until it was gone
 * @param peakDbfs largest sample in it
 * @param riseDb highest FAST A-level over the background
 */
public record Intrusion(
    double startSeconds, double durationSeconds, double peakDbfs, double riseDb) {}
