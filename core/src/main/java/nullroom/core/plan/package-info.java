/**
 * From what is heard to what to do next: the treatment that is hung and what it buys. Start at
 * {@link Adviser}. Reads {@link nullroom.core.predict.Heard} only; never computes acoustics of its
 * own.
 */
@NullMarked
package nullroom.core.plan;

import org.jspecify.annotations.NullMarked;
