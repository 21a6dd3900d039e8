/**
 * What is heard at this moment, for a meter that is looked at. Start at {@link LiveMeter}; IEC
 * 61672-1.
 */
@NullMarked
package nullroom.core.measure.meter;

import org.jspecify.annotations.NullMarked;
