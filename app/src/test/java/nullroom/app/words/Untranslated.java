package nullroom.app.words;

/** What the German window has no message for, for tests that walk through it. */
public final class Untranslated {
  private Untranslated() {}

  /** How many letters of a text no message explains. */
  public static double letters(String text) {
    return Language.German.TRANSLATION.lettersLeft(text);
  }
}
