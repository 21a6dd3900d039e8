/**
 * The reverberation station: record or drop claps, decay per octave, times against the goal. A
 * model without nodes, a view without decisions.
 */
@NullMarked
package nullroom.app.ring;

import org.jspecify.annotations.NullMarked;
