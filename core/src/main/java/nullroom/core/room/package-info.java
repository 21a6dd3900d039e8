/**
 * The room as described by its user: {@link Enclosure} (outline, ceiling and their {@link
 * Surface}s), {@link Finishes}, {@link Contents}, {@link SetUp} (talker, microphone, camera) and
 * {@link RoomNoise}. Start at {@link Room}. Metres and degrees; x along the length, y along the
 * width, z up from the floor. A value that cannot be a room cannot be constructed.
 */
@NullMarked
package nullroom.core.room;

import org.jspecify.annotations.NullMarked;
