package nullroom.core.measure.take;

import java.util.OptionalDouble;

/**
 * Loudness of a programme, all channels together (ITU-R BS.1770-4, EBU Tech 3341 and 3342); each
 * figure empty where the sound is too short or too quiet for it.
 *
 * @param integratedLufs gated over all of it
 * @param rangeLu loudness range
 * @param maxMomentaryLufs largest of 400 ms
 * @param maxShortTermLufs largest of 3 s
 */
public record Loudness(
    OptionalDouble integratedLufs,
    OptionalDouble rangeLu,
    OptionalDouble maxMomentaryLufs,
    OptionalDouble maxShortTermLufs) {}
