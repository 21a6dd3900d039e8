package nullroom.app.shell;

/**
 * The stations in the order of work: the question each answers and its own glyph, an SVG path in a
 * box of 16.
 */
public enum Station {
  LISTEN(
      "Listen",
      "Is it quiet enough?",
      "M3 13 C3 5 6 2 9 2 C12 2 14 4 13 7 C12 10 9 9 9 12 C9 14 7 15 5 14"),
  RING("Ring", "Does it ring?", "M1 3 L3 3 C5 3 5 13 15 13 M1 14 L15 14"),
  ROOM(
      "Room",
      "What does the room look like to sound?",
      "M5 5 L11 5 L11 11 L5 11 Z M5 5 L5 1 L11 1 L11 5 M11 5 L15 5 L15 11 L11 11 M11 11 L11 15 L5 15 L5 11 M5 11 L1 11 L1 5 L5 5"),
  DRESS(
      "Dress",
      "What should hang where?",
      "M1 2 L15 2 M3 2 L3 13 C5 11 6 15 8 13 C10 11 11 15 13 13 L13 2"),
  MIC(
      "Mic",
      "Which microphone, how near?",
      "M6 2 L10 2 L10 9 L6 9 Z M6 4 L10 4 M6 6.5 L10 6.5 M8 9 L8 14 M5 14 L11 14"),
  LEVEL(
      "Level",
      "How far up?",
      "M5 1 L11 1 L11 15 L5 15 Z M5 4 L8 4 M5 7 L9 7 M5 10 L8 10 M5 13 L9 13");

  private final String label;
  private final String question;
  private final String glyph;

  Station(String label, String question, String glyph) {
    this.label = label;
    this.question = question;
    this.glyph = glyph;
  }

  /** Name on the rail. */
  public String label() {
    return label;
  }

  /** The question it answers. */
  public String question() {
    return question;
  }

  /** SVG path of its glyph. */
  public String glyph() {
    return glyph;
  }
}
