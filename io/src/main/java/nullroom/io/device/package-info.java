/**
 * Where sound comes from: {@link AudioDevice}, with a {@link SimulatedDevice} that records a
 * modelled room and a {@link JavaSoundDevice} for inputs of this computer.
 */
@NullMarked
package nullroom.io.device;

import org.jspecify.annotations.NullMarked;
