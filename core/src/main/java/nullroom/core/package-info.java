/**
 * What every floor of the core shares: {@link Decibels}, {@link Quantile}, how {@link Figures} are
 * written, {@link Keyed} sets, {@link Trouble}, the errors a user can cause, and {@link Progress}.
 */
@NullMarked
package nullroom.core;

import org.jspecify.annotations.NullMarked;
