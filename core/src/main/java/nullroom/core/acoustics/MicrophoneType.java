package nullroom.core.acoustics;

import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * A generic class of microphone with usual figures (ranges of the trade, common practice; a
 * dynamic's self-noise is the thermal noise of its coil, about -131 dBu A-weighted).
 *
 * @param label name for people
 * @param pattern polar pattern
 * @param selfNoiseDbA equivalent noise level
 * @param maxDbSpl overload level
 * @param sensitivityDbvPerPascal output at 94 dB SPL
 */
public record MicrophoneType(
    String label,
    Pattern pattern,
    double selfNoiseDbA,
    double maxDbSpl,
    double sensitivityDbvPerPascal) {

  /** The types to choose from. */
  public static final List<MicrophoneType> ALL =
      List.of(
          new MicrophoneType("Clip-on, omni", Pattern.OMNI, 28, 120, -42),
          new MicrophoneType("Small condenser, omni", Pattern.OMNI, 17, 135, -38),
          new MicrophoneType("Small condenser, cardioid", Pattern.CARDIOID, 16, 135, -38),
          new MicrophoneType("Small condenser, hypercardioid", Pattern.HYPERCARDIOID, 16, 132, -38),
          new MicrophoneType("Large condenser, cardioid", Pattern.CARDIOID, 9, 135, -33),
          new MicrophoneType("Camera short shotgun", Pattern.SUPERCARDIOID, 19, 120, -33),
          new MicrophoneType("Broadcast dynamic", Pattern.CARDIOID, 16, 145, -55),
          new MicrophoneType("Ribbon", Pattern.FIGURE_EIGHT, 18, 135, -56));

  /** This microphone on the input of {@code other}. */
  public Capture on(Capture other) {
    return new Capture(
        pattern,
        selfNoiseDbA,
        maxDbSpl,
        sensitivityDbvPerPascal,
        other.preampEinDbu(),
        other.gainDb(),
        other.fullScaleDbu(),
        other.bits());
  }

  /** Whether a chain has this microphone in front. */
  public boolean isIn(Capture capture) {
    return on(capture).equals(capture);
  }

  /** What stands in front of a chain, in words. */
  public static String nameOf(Capture capture) {
    return in(capture)
        .map(type -> type.label().toLowerCase(Locale.ROOT))
        .orElse("microphone of your own");
  }

  /** The type in front of a chain, where it is one of {@link #ALL}. */
  public static Optional<MicrophoneType> in(Capture capture) {
    return ALL.stream().filter(t -> t.isIn(capture)).findFirst();
  }
}
