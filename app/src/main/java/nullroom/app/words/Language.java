package nullroom.app.words;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** A language of the window, and the one it speaks now. */
public enum Language {
  /** As the code has it. */
  ENGLISH(Locale.ENGLISH, "English"),
  /** German. */
  GERMAN(Locale.GERMAN, "Deutsch");

  private static volatile Language spoken = ENGLISH;
  private static volatile UnaryOperator<String> measured = UnaryOperator.identity();

  private final Locale locale;
  private final String label;

  Language(Locale locale, String label) {
    this.locale = locale;
    this.label = label;
  }

  /** Read where it is first needed. */
  static final class German {
    static final Translation TRANSLATION = new Translation(Catalogue.of("de"));
  }

  /** Its name in itself. */
  public String label() {
    return label;
  }

  /** Dates and times in it: as the system's country writes them, where that speaks it. */
  public Locale locale() {
    Locale system = Locale.getDefault(Locale.Category.FORMAT);
    return system.getLanguage().equals(code()) ? system : locale;
  }

  /** Its ISO 639 code. */
  public String code() {
    return locale.getLanguage();
  }

  /** The language with a code; empty if the window does not speak it. */
  public static Optional<Language> of(String code) {
    return Arrays.stream(values()).filter(l -> l.code().equals(code)).findFirst();
  }

  /** The language of a country and people; English where the window does not speak theirs. */
  public static Language of(Locale locale) {
    return of(locale.getLanguage()).orElse(ENGLISH);
  }

  /** The language that the window speaks. */
  public static Language spoken() {
    return spoken;
  }

  /** Speaks a language from now on; what is shown already stays as it is. */
  public static void speak(Language language) {
    spoken = language;
    if (language == GERMAN) {
      Thread.ofVirtual().start(() -> German.TRANSLATION.of("")); // read before it is asked
    }
  }

  /** Says lengths in texts another way from now on. */
  public static void measure(UnaryOperator<String> lengths) {
    measured = lengths;
  }

  /** A text of the program in the language that is spoken and the lengths that are measured in. */
  public static String say(String english) {
    String said =
        switch (spoken) {
          case ENGLISH -> english;
          case GERMAN -> German.TRANSLATION.of(english);
        };
    return measured.apply(said);
  }
}
