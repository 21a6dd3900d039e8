/** The entry point; see {@code cli} for the command line and {@code shell} for the window. */
@NullMarked
package nullroom.app;

import org.jspecify.annotations.NullMarked;
