/**
 * From what is heard to what it means and what to do next. Start at {@link Ladder}, with its {@link
 * Verdicts} and their {@link Why}: what every face draws or prints; then {@link GainPlan}, {@link
 * TakeChecks} and {@link Adviser}. Reads {@link nullroom.core.predict.Heard} only; never computes
 * acoustics of its own.
 */
@NullMarked
package nullroom.core.plan;

import org.jspecify.annotations.NullMarked;
