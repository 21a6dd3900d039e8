/** What a person's voice is: its level, spectrum and peaks, from twenty seconds of it. */
@NullMarked
package nullroom.core.measure.voice;

import org.jspecify.annotations.NullMarked;
