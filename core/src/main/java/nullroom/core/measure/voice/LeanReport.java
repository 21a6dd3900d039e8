package nullroom.core.measure.voice;

import java.util.List;

/**
 * How level and tone of a voice go up and down while somebody moves as they naturally do, against
 * the first seconds in which they sat still.
 *
 * @param stillDbfs level of the voice while they sat still, a full-scale sine 0 dBFS
 * @param ownDb standard deviation of its level from second to second then: the voice's own
 * @param spreadDb the same while they moved
 * @param movedDb what the moving adds to it: the root of the difference of the squares, 0 or more
 * @param fallDb by so much the level of the softest twentieth of the seconds lies under that of
 *     sitting still; 0 or more
 * @param toneFallDb by so much the highs over 3 kHz fall against the middle in the dullest
 *     twentieth
 * @param worst the softest seconds, the softest first
 */
public record LeanReport(
    double stillDbfs,
    double ownDb,
    double spreadDb,
    double movedDb,
    double fallDb,
    double toneFallDb,
    List<Worst> worst) {
  /**
   * One second.
   *
   * @param seconds when
   * @param levelDb against sitting still
   * @param toneDb highs against the middle, against sitting still
   */
  public record Worst(double seconds, double levelDb, double toneDb) {}

  public LeanReport {
    worst = List.copyOf(worst);
  }
}
