package nullroom.core.book;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.Keyed;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Connector;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.acoustics.Mount;
import nullroom.core.acoustics.Pattern;
import nullroom.core.acoustics.Power;

/** What can be said of a thing on the shelf, each as a text that was checked. */
public enum KitField {
  CLASS("class", "class", MicrophoneType.ALL.stream().map(MicrophoneType::id).toList(), false),
  PATTERN("pattern", "pattern", keys(Pattern.class), false),
  SELF_NOISE("selfNoiseDbA", "self-noise", "dBA", -10, 60),
  SENSITIVITY("sensitivityDbvPerPascal", "gives at 94 dB SPL", "dBV", -90, 20),
  DIGITS("dbfsAt94DbSpl", "gives at 94 dB SPL", "dBFS", -45, 0),
  MAX_SPL("maxDbSpl", "takes up to", "dB SPL", 60, 180),
  CONNECTOR("connector", "plug", keys(Connector.class), false),
  POWER("power", "power", keys(Power.class), false),
  PLACES("places", "held by", keys(Mount.class), true),
  CONNECTORS("connectors", "takes plugs", keys(Connector.class), true),
  PHANTOM("phantom", "gives 48 V"),
  PLUG_IN("plugIn", "gives plug-in power"),
  EIN("einDbu", "hisses at", "dBu A", -140, 0),
  HIGHEST_GAIN("highestGainDb", "gain to", "dB", 0, 120),
  FULL_SCALE("fullScaleDbu", "full scale at", "dBu", -20, 40),
  BITS("bits", "words of", "bits", 8, 64),
  RATE("sampleRateHz", "records at", "Hz", 8000, 384_000),
  CELLS("cells", "runs on cells"),
  GAIN("gainDb", "adds", "dB", -80, 80),
  LIMIT("limitDbu", "takes up to", "dBu", -80, 60),
  AUTOMATIC("automatic", "sets its own gain"),
  NEEDS_PHANTOM("needsPhantom", "needs 48 V"),
  FROM("from", "from", keys(Connector.class), false),
  TO("to", "to", keys(Connector.class), false),
  LENGTH("lengthMetres", "long", "m", 0, 500),
  REACH("reachMetres", "reaches", "m", 0, 20),
  PRICE("price", "price", "", 0, 1e6),
  OWNED("owned", "owned");

  /** How a field is written. */
  public enum Form {
    NUMBER,
    CHOICE,
    CHOICES,
    FLAG
  }

  /**
   * A figure that is probably in another unit.
   *
   * @param question for people
   * @param figure what it would be in the right one
   */
  public record Doubt(String question, double figure) {}

  private static final Set<KitField> LENGTHS = EnumSet.of(LENGTH, REACH);

  /** No microphone gives a volt at 94 dB SPL, and none as little as this (common practice). */
  private static final double LEAST_DBV = -65;

  private static final double VOLTS_UNDER = 0.5;

  /** Old data sheets give volts per microbar, a tenth of a pascal. */
  private static final double MICROBAR_DB = 20;

  private static final double PASCAL_DB_SPL = 94;

  private final String key;
  private final String label;
  private final String unit;
  private final Form form;
  private final double lowest;
  private final double highest;
  private final List<String> choices;

  KitField(String key, String label, String unit, double lowest, double highest) {
    this(key, label, unit, Form.NUMBER, lowest, highest, List.of());
  }

  KitField(String key, String label) {
    this(key, label, "", Form.FLAG, 0, 0, List.of("true", "false"));
  }

  KitField(String key, String label, List<String> choices, boolean several) {
    this(key, label, "", several ? Form.CHOICES : Form.CHOICE, 0, 0, choices);
  }

  KitField(
      String key,
      String label,
      String unit,
      Form form,
      double lowest,
      double highest,
      List<String> choices) {
    this.key = key;
    this.label = label;
    this.unit = unit;
    this.form = form;
    this.lowest = lowest;
    this.highest = highest;
    this.choices = choices;
  }

  private static <E extends Enum<E> & Keyed> List<String> keys(Class<E> set) {
    return Stream.of(set.getEnumConstants()).map(Keyed::id).toList();
  }

  /** A connector's key in words. */
  public static String label(String connector) {
    return Keyed.find(Connector.class, connector).map(Connector::label).orElse(connector);
  }

  /** The field of a key. */
  public static Optional<KitField> find(String key) {
    return Stream.of(values()).filter(f -> f.key.equals(key)).findFirst();
  }

  /** Key in files. */
  public String key() {
    return key;
  }

  /** Name for people. */
  public String label() {
    return label;
  }

  /** Unit for people; empty where there is none. */
  public String unit() {
    return unit;
  }

  /** How it is written. */
  public Form form() {
    return form;
  }

  /** Whether it is a length, in metres. */
  public boolean isLength() {
    return LENGTHS.contains(this);
  }

  /** Least number taken. */
  public double lowest() {
    return lowest;
  }

  /** Largest number taken. */
  public double highest() {
    return highest;
  }

  /** Keys to choose from. */
  public List<String> choices() {
    return choices;
  }

  /**
   * A text as it is kept: a number with a decimal point, a key, keys with a space between, or true
   * or false.
   *
   * @throws Trouble.BadField naming what is taken
   */
  public String checked(String text) {
    String typed = text.strip();
    return switch (form) {
      case NUMBER -> number(typed);
      case CHOICE -> choice(typed);
      case CHOICES ->
          String.join(" ", Stream.of(typed.split("[ ,;|]+")).map(this::choice).toList());
      case FLAG ->
          switch (typed) {
            case "true", "yes" -> "true";
            case "false", "no" -> "false";
            default ->
                throw new Trouble.BadField(key, "must be true or false, not " + quoted(typed));
          };
    };
  }

  private String number(String typed) {
    double number;
    try {
      number = Double.parseDouble(typed.replace(',', '.'));
    } catch (NumberFormatException e) {
      throw new Trouble.BadField(key, "must be a number, not " + quoted(typed));
    }
    if (!(number >= lowest && number <= highest)) {
      throw new Trouble.BadField(
          key,
          Figures.say("must lie between %s and %s %s, not ", said(lowest), said(highest), unit)
              + said(number)
              + doubt(number).map(d -> ". " + d.question()).orElse(""));
    }
    return said(number);
  }

  /** A number as it is kept. */
  static String said(double number) {
    return number == Math.rint(number) && Math.abs(number) < 1e9
        ? String.valueOf((long) number)
        : String.valueOf(number);
  }

  private String choice(String typed) {
    if (!choices.contains(typed)) {
      throw new Trouble.BadField(key, quoted(typed) + " is none of " + String.join(", ", choices));
    }
    return typed;
  }

  private static String quoted(String typed) {
    return "'" + (typed.length() <= 60 ? typed : typed.substring(0, 60) + "…") + "'";
  }

  /** Whether a figure is probably in another unit. */
  public Optional<Doubt> doubt(double number) {
    return switch (this) {
      case SENSITIVITY -> sensitivity(number);
      case SELF_NOISE ->
          meant(
              number > highest && number <= PASCAL_DB_SPL,
              PASCAL_DB_SPL - number,
              n -> "A signal-to-noise ratio? Then the self-noise is " + n + " dBA");
      case EIN ->
          meant(number > 90 && number <= 140, -number, n -> "Its sign is lost: " + n + " dBu?");
      default -> Optional.empty();
    };
  }

  private static Optional<Doubt> sensitivity(double number) {
    if (number > 0 && number < VOLTS_UNDER) {
      return meant(
          true, Decibels.ofAmplitude(number), n -> "Volts per pascal? That is " + n + " dBV");
    }
    if (number > 0) {
      return meant(
          true,
          Decibels.ofAmplitude(number / 1000),
          n -> "Millivolts per pascal? That is " + n + " dBV");
    }
    return meant(
        number < LEAST_DBV,
        number + MICROBAR_DB,
        n -> "Decibels under a volt per microbar? That is " + n + " dBV at one pascal");
  }

  private static Optional<Doubt> meant(
      boolean doubtful, double figure, Function<String, String> question) {
    return doubtful
        ? Optional.of(new Doubt(question.apply(Figures.say("%.1f", figure)), figure))
        : Optional.empty();
  }
}
