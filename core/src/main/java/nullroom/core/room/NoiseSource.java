package nullroom.core.room;

import nullroom.core.acoustics.Bands;

/**
 * Something in the room that makes noise, such as the fan of a lamp.
 *
 * @param name for people
 * @param at where it is
 * @param dbSplAtMetre octave levels at 1 m in the free field, alike in all directions
 */
public record NoiseSource(String name, Point at, Bands dbSplAtMetre) {}
