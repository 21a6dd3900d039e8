package nullroom.io.device;

import nullroom.core.Progress;
import nullroom.core.signal.Samples;

/** Something that records: an input of this computer, or a modelled room. */
public interface AudioDevice {
  /**
   * What the person in front of it was asked to do. A real device hears it; a simulated one acts
   * it.
   */
  enum Prompt {
    /** Keep still. */
    QUIET,
    /** Clap a few times with silence between. */
    CLAPS,
    /** Play the usual swept sine from a loudspeaker in the talker's place. */
    SWEEP,
    /** Speak. */
    VOICE,
    /** Keep still for ten seconds, speak for twenty, then clap. */
    CLIP
  }

  /** Name for people. */
  String name();

  /** Samples a second. */
  double sampleRateHz();

  /** Level of a sine that reaches full scale, in dB SPL, where it is known. */
  java.util.OptionalDouble fullScaleDbSpl();

  /**
   * Begins to listen.
   *
   * @throws nullroom.core.Trouble if the device is gone or refuses
   */
  AudioStream open(Prompt prompt);

  /**
   * Records one channel.
   *
   * @param seconds how long
   * @param progress told how many samples are there; may cancel
   * @throws nullroom.core.Trouble if the device is gone or refuses
   */
  Samples record(Prompt prompt, double seconds, Progress progress);
}
