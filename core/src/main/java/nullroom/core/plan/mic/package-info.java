/**
 * Which microphone, where, through which chain: every one at the best place that its mount allows,
 * outside the picture and within reach.
 */
@NullMarked
package nullroom.core.plan.mic;

import org.jspecify.annotations.NullMarked;
