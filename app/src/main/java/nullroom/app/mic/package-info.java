/**
 * The microphone station: type, distance and angle, and all types side by side. A model without
 * nodes, a view without decisions.
 */
@NullMarked
package nullroom.app.mic;

import org.jspecify.annotations.NullMarked;
