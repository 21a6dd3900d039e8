/**
 * The room book: one immutable {@link nullroom.core.book.RoomBook} in memory, a folder with
 * book.json and sound files on disk ({@link BookFolder}). Rooms are written in the open form
 * documented in docs/book-format.md ({@link RoomJson}). Every save is atomic and keeps the one
 * before.
 */
@NullMarked
package nullroom.io.book;

import org.jspecify.annotations.NullMarked;
