/**
 * The noise station: record or drop a quiet room, octave bands against the quiet line. A model
 * without nodes, a view without decisions.
 */
@NullMarked
package nullroom.app.listen;

import org.jspecify.annotations.NullMarked;
