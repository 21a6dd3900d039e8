package nullroom.core.book;

import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nullroom.core.Keyed;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Connector;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.acoustics.Mount;
import nullroom.core.acoustics.Pattern;
import nullroom.core.acoustics.Power;
import nullroom.core.acoustics.Stage;

/**
 * A thing on the shelf. What nobody stated of it is what is usual for such a thing.
 *
 * @param kind what it is
 * @param name for people; no other on the shelf has it
 * @param stated what was said of it
 */
public record Kit(Kind kind, String name, Map<KitField, String> stated) {
  /** Kinds of things, each with what can be said of it and what is usual (common practice). */
  public enum Kind implements Keyed {
    MICROPHONE(
        "microphones",
        KitField.CLASS,
        KitField.PATTERN,
        KitField.SELF_NOISE,
        KitField.SENSITIVITY,
        KitField.DIGITS,
        KitField.MAX_SPL,
        KitField.CONNECTOR,
        KitField.POWER,
        KitField.PLACES),
    INPUT("inputs", input()),
    RECORDER("recorders", input()),
    TRANSMITTER("transmitters", KitField.GAIN, KitField.EIN, KitField.LIMIT, KitField.AUTOMATIC),
    BOOSTER("boosters", KitField.GAIN, KitField.EIN, KitField.LIMIT, KitField.NEEDS_PHANTOM),
    CABLE("cables", KitField.FROM, KitField.TO, KitField.LENGTH),
    ADAPTER("adapters", KitField.FROM, KitField.TO),
    STAND("stands", KitField.REACH);

    private final String key;
    private final List<KitField> fields;

    Kind(String key, KitField... fields) {
      this.key = key;
      this.fields =
          Stream.concat(Stream.of(fields), Stream.of(KitField.PRICE, KitField.OWNED)).toList();
    }

    private static KitField[] input() {
      return new KitField[] {
        KitField.CONNECTORS,
        KitField.PHANTOM,
        KitField.PLUG_IN,
        KitField.EIN,
        KitField.HIGHEST_GAIN,
        KitField.FULL_SCALE,
        KitField.BITS,
        KitField.RATE,
        KitField.CELLS
      };
    }

    /** Of the list of them in files. */
    public String key() {
      return key;
    }

    /** What can be said of one. */
    public List<KitField> fields() {
      return fields;
    }

    /** One of them in words. */
    public String word() {
      return key.substring(0, key.length() - 1);
    }
  }

  private static final Map<Kind, Map<KitField, String>> USUAL =
      Map.of(
          Kind.INPUT,
          Map.of(
              KitField.CONNECTORS,
              "xlr",
              KitField.PHANTOM,
              "true",
              KitField.PLUG_IN,
              "false",
              KitField.EIN,
              "-125",
              KitField.HIGHEST_GAIN,
              "60",
              KitField.FULL_SCALE,
              "20",
              KitField.BITS,
              "24"),
          Kind.RECORDER,
          Map.of(
              KitField.CONNECTORS,
              "xlr trs35",
              KitField.PHANTOM,
              "true",
              KitField.PLUG_IN,
              "true",
              KitField.EIN,
              "-120",
              KitField.HIGHEST_GAIN,
              "60",
              KitField.FULL_SCALE,
              "14",
              KitField.BITS,
              "24",
              KitField.CELLS,
              "true"),
          Kind.TRANSMITTER,
          Map.of(
              KitField.GAIN,
              "12",
              KitField.EIN,
              "-118",
              KitField.LIMIT,
              "-20",
              KitField.AUTOMATIC,
              "false"),
          Kind.BOOSTER,
          Map.of(
              KitField.GAIN,
              "25",
              KitField.EIN,
              "-128",
              KitField.LIMIT,
              "-15",
              KitField.NEEDS_PHANTOM,
              "true"),
          Kind.CABLE,
          Map.of(KitField.FROM, "xlr", KitField.TO, "xlr", KitField.LENGTH, "5"),
          Kind.ADAPTER,
          Map.of(KitField.FROM, "trs35", KitField.TO, "xlr"),
          Kind.STAND,
          Map.of(KitField.REACH, "1.8"));

  /**
   * A thing of which some is stated.
   *
   * @throws Trouble.BadField for what cannot be said of it, or a microphone without a class
   */
  public Kit {
    if (name.isBlank()) {
      throw new Trouble.BadField("name", "is missing");
    }
    Map<KitField, String> checked = new EnumMap<>(KitField.class);
    for (Map.Entry<KitField, String> each : stated.entrySet()) {
      if (!kind.fields().contains(each.getKey())) {
        throw new Trouble.BadField(each.getKey().key(), "cannot be said of a " + kind.word());
      }
      checked.put(each.getKey(), each.getKey().checked(each.getValue()));
    }
    if (kind == Kind.MICROPHONE && !checked.containsKey(KitField.CLASS)) {
      throw new Trouble.BadField(KitField.CLASS.key(), "is missing");
    }
    stated = Collections.unmodifiableMap(checked);
  }

  /** A microphone of a class, nothing else stated. */
  public static Kit of(MicrophoneType type, String name) {
    return new Kit(Kind.MICROPHONE, name, Map.of(KitField.CLASS, type.id()));
  }

  /** The same with a field stated, or left to what is usual. */
  public Kit with(KitField field, Optional<String> text) {
    Map<KitField, String> other = new EnumMap<>(KitField.class);
    other.putAll(stated);
    text.ifPresentOrElse(t -> other.put(field, t), () -> other.remove(field));
    return new Kit(kind, name, other);
  }

  /** The same under another name. */
  public Kit named(String other) {
    return new Kit(kind, other, stated);
  }

  /** The class of a microphone. */
  private MicrophoneType type() {
    return MicrophoneType.find(stated.getOrDefault(KitField.CLASS, "")).orElseThrow();
  }

  /** Whether it gives digits by itself: so stated, or so usual and no voltage stated. */
  public boolean digital() {
    return kind == Kind.MICROPHONE
        && (stated.containsKey(KitField.DIGITS)
            || !stated.containsKey(KitField.SENSITIVITY) && type().dbfsAt94DbSpl().isPresent());
  }

  /** What is usual where it was not stated; empty where nothing is. */
  public Optional<String> usual(KitField field) {
    if (field == KitField.OWNED) {
      return Optional.of("true");
    }
    if (kind != Kind.MICROPHONE) {
      return Optional.ofNullable(USUAL.get(kind)).map(u -> u.get(field));
    }
    MicrophoneType type = type();
    return switch (field) {
      case PATTERN -> Optional.of(type.pattern().id());
      case SELF_NOISE -> figure(OptionalDouble.of(type.selfNoiseDbA()));
      case SENSITIVITY ->
          digital() || type.dbfsAt94DbSpl().isPresent()
              ? Optional.empty()
              : figure(OptionalDouble.of(type.sensitivityDbvPerPascal()));
      case DIGITS -> digital() ? figure(type.dbfsAt94DbSpl()) : Optional.empty();
      case MAX_SPL -> figure(OptionalDouble.of(type.maxDbSpl()));
      case CONNECTOR -> Optional.of(type.connector().id());
      case POWER -> Optional.of(type.power().id());
      case PLACES ->
          Optional.of(type.mounts().stream().map(Keyed::id).collect(Collectors.joining(" ")));
      case PRICE -> figure(OptionalDouble.of(type.price()));
      default -> Optional.empty();
    };
  }

  private static Optional<String> figure(OptionalDouble number) {
    return number.isPresent() ? Optional.of(KitField.said(number.getAsDouble())) : Optional.empty();
  }

  /** Stated or usual; empty where neither is. */
  public Optional<String> text(KitField field) {
    return Optional.ofNullable(stated.get(field)).or(() -> usual(field));
  }

  /** A number, stated or usual, or nought. */
  public double number(KitField field) {
    return text(field).map(Double::parseDouble).orElse(0.0);
  }

  /** Whether it is so, stated or usual. */
  public boolean is(KitField field) {
    return text(field).filter("true"::equals).isPresent();
  }

  /** What it can be chosen as: a microphone with its own name and figures. */
  public MicrophoneType asType() {
    return new MicrophoneType(
        type().id(),
        name,
        one(Pattern.class, KitField.PATTERN),
        number(KitField.SELF_NOISE),
        number(KitField.MAX_SPL),
        number(KitField.SENSITIVITY),
        digital() ? OptionalDouble.of(number(KitField.DIGITS)) : OptionalDouble.empty(),
        one(Connector.class, KitField.CONNECTOR),
        one(Power.class, KitField.POWER),
        Stream.of(text(KitField.PLACES).orElseThrow().split(" "))
            .map(key -> Keyed.find(Mount.class, key).orElseThrow())
            .toList(),
        number(KitField.PRICE));
  }

  private <E extends Enum<E> & Keyed> E one(Class<E> set, KitField field) {
    return text(field).flatMap(key -> Keyed.find(set, key)).orElseThrow();
  }

  /** A booster or transmitter as a stage behind a microphone. */
  public Stage asStage() {
    return new Stage(
        name,
        number(KitField.GAIN),
        number(KitField.EIN),
        number(KitField.LIMIT),
        is(KitField.AUTOMATIC));
  }

  /** A chain through this input or recorder, at a gain that it has; the same where it has none. */
  public Capture on(Capture chain) {
    return chain.preamp()
        ? new Capture(
            chain.pattern(),
            chain.selfNoiseDbA(),
            chain.maxDbSpl(),
            chain.sensitivityDbvPerPascal(),
            number(KitField.EIN),
            Math.min(chain.gainDb(), number(KitField.HIGHEST_GAIN)),
            number(KitField.FULL_SCALE),
            (int) number(KitField.BITS),
            true,
            chain.stages())
        : chain;
  }
}
