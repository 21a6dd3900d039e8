/**
 * What the meters of noise, decay, takes and the moment share. Samples in, report records out;
 * input is read through {@link nullroom.core.signal.SampleSource} in blocks, so files may be longer
 * than memory.
 */
@NullMarked
package nullroom.core.measure;

import org.jspecify.annotations.NullMarked;
