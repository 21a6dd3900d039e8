package nullroom.core;

/** What a user can cause and mend: one sentence and the place. Never used for our own mistakes. */
public abstract sealed class Trouble extends RuntimeException {
  private static final long serialVersionUID = 1L;

  /** What a line of trouble may take of a place and of a sentence, 600 characters in all. */
  private static final int LONGEST_PLACE = 240;

  private static final int LONGEST_SENTENCE = 350;

  private final String place;

  Trouble(String place, String sentence) {
    super(shortened(sentence, LONGEST_SENTENCE));
    this.place = shortened(place, LONGEST_PLACE);
  }

  /** Beginning and end of a text that is too long to be said whole. */
  static String shortened(String text, int most) {
    if (text.length() <= most) {
      return text;
    }
    String left = " [" + text.length() + " characters] ";
    int kept = (most - left.length()) / 2;
    return text.substring(0, kept) + left + text.substring(text.length() - kept);
  }

  /** The file, field or time that the sentence is about. */
  public final String place() {
    return place;
  }

  /** Place and sentence as one line. */
  public final String line() {
    return place.isEmpty() ? String.valueOf(getMessage()) : place + ": " + getMessage();
  }

  /** A file that is missing, unreadable or damaged. */
  public static final class BadFile extends Trouble {
    private static final long serialVersionUID = 1L;

    /**
     * @param file the file as the user named it
     * @param sentence what is wrong and what to do
     */
    public BadFile(String file, String sentence) {
      super(file, sentence);
    }
  }

  /** A value in a field, or in a place of a document, that cannot be. */
  public static final class BadField extends Trouble {
    private static final long serialVersionUID = 1L;

    /**
     * @param field path of the field, such as {@code ceiling.heightMetres}
     * @param sentence what is wrong and what to do
     */
    public BadField(String field, String sentence) {
      super(field, sentence);
    }
  }

  /** Sound from which the figure asked for cannot be had. */
  public static final class BadSound extends Trouble {
    private static final long serialVersionUID = 1L;

    /**
     * @param place the file, or empty where the caller knows it
     * @param sentence what is wrong and what to do
     */
    public BadSound(String place, String sentence) {
      super(place, sentence);
    }
  }
}
