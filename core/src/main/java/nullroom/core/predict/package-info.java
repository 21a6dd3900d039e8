/**
 * From a room to what the microphone hears. Start at {@link Heard}, the one result that every
 * verdict reads, and {@link Statistics}, the reverberation formulas (Sabine, Eyring, Millington,
 * Fitzroy, Arau-Puchades) with air absorption by ISO 9613-1.
 */
@NullMarked
package nullroom.core.predict;

import org.jspecify.annotations.NullMarked;
