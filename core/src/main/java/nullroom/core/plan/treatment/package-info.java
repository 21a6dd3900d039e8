/**
 * The treatment planner: what to hang where, in which order, for how much. In: a book and what is
 * at hand; out: plans by school with their figures, a bound under which none can come, and the room
 * with the pieces up. Places are searched with the sums of {@code predict.TreatedReply}; what is
 * told is worked out anew by {@code book.Hearing}.
 */
@NullMarked
package nullroom.core.plan.treatment;

import org.jspecify.annotations.NullMarked;
