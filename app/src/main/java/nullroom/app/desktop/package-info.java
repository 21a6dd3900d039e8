/**
 * Puts the window together: {@link Composition} wires models, views and shell by constructor;
 * {@link DemoBook} is the book that ships; {@link Desktop} starts all of it with or without a
 * display.
 */
@NullMarked
package nullroom.app.desktop;

import org.jspecify.annotations.NullMarked;
