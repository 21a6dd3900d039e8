/**
 * Sound files in and out. Start at {@link SoundFile}: any readable file becomes a stream of samples
 * with full scale 1. RIFF, RF64 and BW64 are read by chunks here, since recorders that lose power
 * or write over 4 GiB leave headers that the platform's reader refuses; AIFF goes through
 * javax.sound.sampled. Damage is a warning where something can be read.
 */
@NullMarked
package nullroom.io.audio;

import org.jspecify.annotations.NullMarked;
