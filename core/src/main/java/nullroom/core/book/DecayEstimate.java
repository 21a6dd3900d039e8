package nullroom.core.book;

import nullroom.core.measure.decay.BlindDecay;

/**
 * A guess at the decay from the ends of words.
 *
 * @param sound file name under sound/
 * @param taken local date and time, ISO 8601
 * @param decay what was estimated
 */
public record DecayEstimate(String sound, String taken, BlindDecay decay) {}
