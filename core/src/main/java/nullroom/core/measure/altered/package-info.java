/**
 * Whether a recording is what the microphone gave: what devices do to sound without telling, known
 * by what it leaves in the sound.
 */
@NullMarked
package nullroom.core.measure.altered;

import org.jspecify.annotations.NullMarked;
