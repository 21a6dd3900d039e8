package nullroom.core;

import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** How figures are written in sentences and on screens: a decimal point, and a true minus sign. */
public final class Figures {
  /** A nought that rounding left a sign on. */
  private static final Pattern NEGATIVE_ZERO =
      Pattern.compile("(?<![\\w.])-(?=0(?:\\.0+)?(?![\\d.]))");

  /** A sign, not a hyphen in a word or a date. */
  private static final Pattern MINUS = Pattern.compile("(?<![\\p{L}\\d])-(?=[\\d.])");

  private Figures() {}

  /** A sentence with figures in it, as {@link String#format} takes them. */
  public static String say(String format, @Nullable Object... figures) {
    String text = String.format(Locale.ROOT, format, figures);
    return MINUS.matcher(NEGATIVE_ZERO.matcher(text).replaceAll("")).replaceAll("−");
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
