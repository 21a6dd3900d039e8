/**
 * The room as described by its user: outline, ceiling, surfaces with materials, patches, loose
 * objects, talker, microphone and noise. Start at {@link Room}. Metres and degrees; x along the
 * length, y along the width, z up from the floor. A value that cannot be a room cannot be
 * constructed.
 */
@NullMarked
package nullroom.core.room;

import org.jspecify.annotations.NullMarked;
