/**
 * The document: what is known about one room and one voice. Start at {@link RoomBook}, one
 * immutable record tree; an edit is a function from book to book. {@link Hearing} says what its
 * microphone hears.
 */
@NullMarked
package nullroom.core.book;

import org.jspecify.annotations.NullMarked;
