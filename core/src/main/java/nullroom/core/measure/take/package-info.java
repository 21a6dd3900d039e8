/**
 * A take: peaks, loudness, active speech, noise floor, clipping. Start at {@link TakeMeter}; ITU-R
 * BS.1770-4, EBU Tech 3341 and 3342, ITU-T P.56.
 */
@NullMarked
package nullroom.core.measure.take;

import org.jspecify.annotations.NullMarked;
