package nullroom.core.acoustics;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A generic class of microphone with usual figures (ranges of the trade, common practice; a
 * dynamic's self-noise is the thermal noise of its coil, about -131 dBu A-weighted).
 *
 * @param label name for people
 * @param pattern polar pattern
 * @param selfNoiseDbA equivalent noise level
 * @param maxDbSpl overload level
 * @param sensitivityDbvPerPascal output at 94 dB SPL; of what is digital without meaning
 * @param dbfsAt94DbSpl of what is digital: level of its digits at 94 dB SPL
 */
public record MicrophoneType(
    String label,
    Pattern pattern,
    double selfNoiseDbA,
    double maxDbSpl,
    double sensitivityDbvPerPascal,
    OptionalDouble dbfsAt94DbSpl) {
  /** A microphone that needs a preamp. */
  public MicrophoneType(
      String label,
      Pattern pattern,
      double selfNoiseDbA,
      double maxDbSpl,
      double sensitivityDbvPerPascal) {
    this(label, pattern, selfNoiseDbA, maxDbSpl, sensitivityDbvPerPascal, OptionalDouble.empty());
  }

  /** One that gives digits by itself, which reach full scale at its highest level. */
  private static MicrophoneType digital(
      String label, Pattern pattern, double selfNoiseDbA, double maxDbSpl) {
    return new MicrophoneType(
        label, pattern, selfNoiseDbA, maxDbSpl, 0, OptionalDouble.of(94 - maxDbSpl));
  }

  /** The preamp that takes the place of none, where a microphone needs one: of a home interface. */
  private static final double USUAL_EIN_DBU = -125;

  private static final double USUAL_GAIN_DB = 40;
  private static final double USUAL_FULL_SCALE_DBU = 20;

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
          new MicrophoneType("Ribbon", Pattern.FIGURE_EIGHT, 18, 135, -56),
          digital("Phone, its own", Pattern.OMNI, 31, 120),
          digital("Laptop or webcam, its own", Pattern.OMNI, 35, 112),
          digital("Headset, USB", Pattern.CARDIOID, 31, 118),
          digital("Desktop condenser, USB", Pattern.CARDIOID, 19, 118),
          digital("Clip-on, wireless set", Pattern.OMNI, 28, 120));

  /** This microphone on the input of {@code other}; on a usual one where that has no preamp. */
  public Capture on(Capture other) {
    if (dbfsAt94DbSpl.isPresent()) {
      return Capture.digital(
          pattern, selfNoiseDbA, maxDbSpl, dbfsAt94DbSpl.getAsDouble(), other.bits());
    }
    boolean same = other.preamp();
    return new Capture(
        pattern,
        selfNoiseDbA,
        maxDbSpl,
        sensitivityDbvPerPascal,
        same ? other.preampEinDbu() : USUAL_EIN_DBU,
        same ? other.gainDb() : USUAL_GAIN_DB,
        same ? other.fullScaleDbu() : USUAL_FULL_SCALE_DBU,
        other.bits(),
        true,
        same ? other.stages() : List.of());
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
