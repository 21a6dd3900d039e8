/** What the words of the trade mean, and short pages of help; both ship with the program. */
@NullMarked
package nullroom.app.help;

import org.jspecify.annotations.NullMarked;
