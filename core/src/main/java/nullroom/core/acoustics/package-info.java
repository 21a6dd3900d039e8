/**
 * Physics and data: octave bands, air, materials, voices, microphones, noise rating curves. Start
 * at {@link Octave} and {@link Bands}. Everything here is a value or a pure function; tables are
 * resources with their sources in each row.
 */
@NullMarked
package nullroom.core.acoustics;

import org.jspecify.annotations.NullMarked;
