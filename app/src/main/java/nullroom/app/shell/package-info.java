/**
 * The window: rail, stations, ladder, status line, themes, and the {@link BookSession} that holds
 * the document. Start at {@link Shell}; {@code nullroom.app.desktop} wires everything by
 * constructor.
 */
@NullMarked
package nullroom.app.shell;

import org.jspecify.annotations.NullMarked;
