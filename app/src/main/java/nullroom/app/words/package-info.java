/**
 * What the window says, in the language a person reads: English as it stands in the code, other
 * languages from a catalogue of messages.
 */
@NullMarked
package nullroom.app.words;

import org.jspecify.annotations.NullMarked;
