/**
 * Controls that stations share: the {@link LadderView}, the room's {@link FoldOut}, plots over
 * bands, fields that keep wrong input. All are made of nodes with style classes; every colour and
 * pattern stands in nullroom.css.
 */
@NullMarked
package nullroom.app.control;

import org.jspecify.annotations.NullMarked;
