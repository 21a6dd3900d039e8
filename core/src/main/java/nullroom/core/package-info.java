/**
 * What every floor of the core shares: {@link Trouble}, the errors a user can cause, and {@link
 * Progress}.
 */
@NullMarked
package nullroom.core;

import org.jspecify.annotations.NullMarked;
