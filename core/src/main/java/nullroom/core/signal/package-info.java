/**
 * Digital signals: blocks of samples in, filtered samples and spectra out. Start at {@link Fft},
 * {@link FilterBank} and {@link Weighting}. Samples are {@code double}, full scale is 1,
 * frequencies are in hertz. Follows IEC 61260-1:2014 (bands) and IEC 61672-1:2013 (weightings).
 */
@NullMarked
package nullroom.core.signal;

import org.jspecify.annotations.NullMarked;
