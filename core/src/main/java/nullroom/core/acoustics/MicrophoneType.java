package nullroom.core.acoustics;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import nullroom.core.Keyed;
import nullroom.core.Table;
import org.apache.commons.csv.CSVRecord;

/**
 * A generic class of microphone with usual figures (ranges of the trade, common practice; a
 * dynamic's self-noise is the thermal noise of its coil, about -131 dBu A-weighted; earbud and
 * clip-on under cloth from memory), or one of the user's own.
 *
 * @param id key of the class
 * @param label name for people
 * @param pattern polar pattern
 * @param selfNoiseDbA equivalent noise level
 * @param maxDbSpl overload level
 * @param sensitivityDbvPerPascal output at 94 dB SPL; of what is digital without meaning
 * @param dbfsAt94DbSpl of what is digital: level of its digits at 94 dB SPL
 * @param connector how it is plugged in
 * @param power what it needs
 * @param mounts what it can be held by
 * @param price in the user's currency
 */
public record MicrophoneType(
    String id,
    String label,
    Pattern pattern,
    double selfNoiseDbA,
    double maxDbSpl,
    double sensitivityDbvPerPascal,
    OptionalDouble dbfsAt94DbSpl,
    Connector connector,
    Power power,
    List<Mount> mounts,
    double price) {
  private static final List<String> CLOSE =
      List.of("headset_usb", "dynamic_broadcast", "dynamic_handheld");

  /** The preamp that takes the place of none, where a microphone needs one: of a home interface. */
  private static final double USUAL_EIN_DBU = -125;

  private static final double USUAL_GAIN_DB = 40;
  private static final double USUAL_FULL_SCALE_DBU = 20;

  /** The classes to choose from. */
  public static final List<MicrophoneType> ALL =
      Table.rows(MicrophoneType.class, "microphone_classes.csv").stream()
          .map(MicrophoneType::of)
          .toList();

  public MicrophoneType {
    mounts = List.copyOf(mounts);
  }

  private static MicrophoneType of(CSVRecord row) {
    return new MicrophoneType(
        row.get("id"),
        row.get("label"),
        one(Pattern.class, row.get("pattern")),
        Table.number(row, "self_noise_db_a"),
        Table.number(row, "max_db_spl"),
        Table.optional(row, "sensitivity_dbv").orElse(0),
        Table.optional(row, "dbfs_at_94"),
        one(Connector.class, row.get("connector")),
        one(Power.class, row.get("power")),
        Stream.of(row.get("mounts").split(" ")).map(m -> one(Mount.class, m)).toList(),
        Table.number(row, "price"));
  }

  private static <E extends Enum<E> & Keyed> E one(Class<E> set, String key) {
    return Keyed.find(set, key).orElseThrow();
  }

  /** The class of a key. */
  public static Optional<MicrophoneType> find(String id) {
    return ALL.stream().filter(t -> t.id.equals(id)).findFirst();
  }

  /** The same under another name. */
  public MicrophoneType called(String other) {
    return with(other, pattern, mounts);
  }

  /** The same held by these only. */
  public MicrophoneType with(List<Mount> others) {
    return with(label, pattern, others);
  }

  /** The same capsule with another pattern. */
  public MicrophoneType with(Pattern other) {
    return with(label, other, mounts);
  }

  private MicrophoneType with(String name, Pattern otherPattern, List<Mount> otherMounts) {
    return new MicrophoneType(
        id,
        name,
        otherPattern,
        selfNoiseDbA,
        maxDbSpl,
        sensitivityDbvPerPascal,
        dbfsAt94DbSpl,
        connector,
        power,
        otherMounts,
        price);
  }

  /** Whether it is made to be spoken into at once. */
  public boolean isForCloseTalk() {
    return CLOSE.contains(id);
  }

  /** Whether microphones of its class are made with its pattern (common practice). */
  public boolean hasUsualPattern() {
    return switch (id) {
      case "lav_omni_wired", "lav_hidden", "lav_wireless", "boundary", "earbud", "headset_usb" ->
          pattern == Pattern.OMNI || pattern == Pattern.CARDIOID;
      case "camera_short_shotgun", "boom_shotgun" ->
          pattern == Pattern.SUPERCARDIOID || pattern == Pattern.HYPERCARDIOID;
      case "ribbon" -> pattern == Pattern.FIGURE_EIGHT || pattern == Pattern.HYPERCARDIOID;
      case "dynamic_broadcast", "dynamic_handheld" -> pattern != Pattern.FIGURE_EIGHT;
      case "phone_builtin", "laptop_webcam", "camera_builtin" ->
          pattern != Pattern.FIGURE_EIGHT && pattern != Pattern.HYPERCARDIOID;
      default -> true;
    };
  }

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
  public static String nameOf(Capture capture, List<MicrophoneType> known) {
    return in(capture, known)
        .map(type -> type.label().toLowerCase(Locale.ROOT))
        .orElse("microphone of your own");
  }

  /** The type in front of a chain, where it is one of those known. */
  public static Optional<MicrophoneType> in(Capture capture, List<MicrophoneType> known) {
    return known.stream().filter(t -> t.isIn(capture)).findFirst();
  }
}
