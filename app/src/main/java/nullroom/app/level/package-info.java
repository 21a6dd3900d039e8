/**
 * The level station: effort, gain and where the loudest peak lands. A model without nodes, a view
 * without decisions.
 */
@NullMarked
package nullroom.app.level;

import org.jspecify.annotations.NullMarked;
