package nullroom.core.room;

import nullroom.core.acoustics.Directivity;
import nullroom.core.acoustics.VocalEffort;

/** Who speaks: place of the lips, direction, effort and directivity. */
public record Talker(Point at, Aim aim, VocalEffort effort, Directivity directivity) {}
