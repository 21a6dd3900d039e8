package nullroom.core;

import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** How figures are written in sentences and on screens: a true minus sign, a point or a comma. */
public final class Figures {
  /** A nought that rounding left a sign on. */
  private static final Pattern NEGATIVE_ZERO =
      Pattern.compile("(?<![\\w.])-(?=0(?:\\.0+)?(?![\\d.]))");

  /** A sign, not a hyphen in a word or a date. */
  private static final Pattern MINUS = Pattern.compile("(?<![\\p{L}\\d])-(?=[\\d.])");

  /** A decimal point of a figure, not one in a name such as S3.5 or in a version such as 1.2.3. */
  private static final Pattern POINT =
      Pattern.compile("(?<![\\p{L}\\d.])(\\d+)\\.(\\d+)(?![\\d.]*\\.?\\d)");

  /**
   * Set to "true" where figures are said with a decimal comma. What a person settled holds for the
   * whole program; files and the command line never set it.
   */
  public static final String COMMA_PROPERTY = "nullroom.decimal.comma";

  /** Set to the mark that amounts of money are said with. */
  public static final String CURRENCY_PROPERTY = "nullroom.currency";

  private Figures() {}

  /** A sentence with figures in it, as {@link String#format} takes them. */
  public static String say(String format, @Nullable Object... figures) {
    String text = String.format(Locale.ROOT, format, figures);
    String signed = MINUS.matcher(NEGATIVE_ZERO.matcher(text).replaceAll("")).replaceAll("−");
    return Boolean.getBoolean(COMMA_PROPERTY) ? POINT.matcher(signed).replaceAll("$1,$2") : signed;
  }

  /** An amount of money to the whole, with its mark where one was settled: "40 €". */
  public static String money(double amount) {
    String mark = System.getProperty(CURRENCY_PROPERTY, "");
    return say("%.0f", amount) + (mark.isEmpty() ? "" : " " + mark);
  }

  /** A source as people are told it: what its remarks mean for them in place of the remarks. */
  public static String source(String source) {
    return source.replaceAll(
        ",? ?from memory, low confidence",
        ", remembered and not read up: where it decides, measure or ask");
  }

  /** A name of a constant as a word: "SUNG_SOFT" is "sung soft". */
  public static String word(Enum<?> constant) {
    return constant.name().toLowerCase(Locale.ROOT).replace('_', ' ');
  }

  /** A name like one, with a number behind it where it is taken. */
  public static String freeName(String like, Set<String> taken) {
    String name = like;
    for (int i = 2; taken.contains(name); i++) {
      name = like + " " + i;
    }
    return name;
  }

  /** A text with its first letter large. */
  public static String capital(String text) {
    return text.isEmpty()
        ? text
        : text.substring(0, 1).toUpperCase(Locale.ROOT) + text.substring(1);
  }
}
