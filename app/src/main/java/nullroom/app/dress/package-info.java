/**
 * The treatment station: hang one piece on a surface and see what it buys before hanging it. A
 * model without nodes, a view without decisions.
 */
@NullMarked
package nullroom.app.dress;

import org.jspecify.annotations.NullMarked;
