/**
 * One recording that holds quiet, talk and claps: its parts are told apart, and each is measured as
 * if it had been recorded alone, all at one gain.
 */
@NullMarked
package nullroom.core.measure.clip;

import org.jspecify.annotations.NullMarked;
