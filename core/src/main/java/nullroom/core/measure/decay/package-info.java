/**
 * Reverberation: claps, sweeps and interrupted noise in, times with their uncertainty out. Start at
 * {@link DecayAnalysis}; ISO 3382-1 and -2, IEC 60268-16.
 */
@NullMarked
package nullroom.core.measure.decay;

import org.jspecify.annotations.NullMarked;
