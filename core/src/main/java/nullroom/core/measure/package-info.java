/**
 * From samples to report records: room noise, decay, level of a take. Start at {@link NoiseMeter},
 * {@link DecayAnalysis} and {@link TakeMeter}. Input is read through {@link SampleSource} in
 * blocks, so files may be longer than memory. ISO 3382-1/-2, IEC 61672-1, ANSI/ASA S12.2, AES17.
 */
@NullMarked
package nullroom.core.measure;

import org.jspecify.annotations.NullMarked;
