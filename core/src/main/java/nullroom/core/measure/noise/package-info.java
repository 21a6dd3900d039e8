/**
 * Noise of a room: levels, bands, tones, hums and intrusions of a recording ({@link NoiseMeter}),
 * second by second over a night ({@link Survey}), by what makes it ({@link Culprits}), and what
 * digital levels mean in the air ({@link Calibration}). IEC 61672-1, IEC 61260-1, ISO 1996-2.
 */
@NullMarked
package nullroom.core.measure.noise;

import org.jspecify.annotations.NullMarked;
