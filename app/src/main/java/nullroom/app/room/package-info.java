/**
 * The room station: size, materials, talker and microphone on the fold-out. A model without nodes,
 * a view without decisions.
 */
@NullMarked
package nullroom.app.room;

import org.jspecify.annotations.NullMarked;
