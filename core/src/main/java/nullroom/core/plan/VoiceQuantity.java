package nullroom.core.plan;

/** What a single figure of one clip or of a lean test is, in the words that answer "why?". */
public enum VoiceQuantity implements Explained {
  NOISE(
      "room noise",
      "Energy mean of the quiet stretch, A-weighted; in the air by the voice as its scale.",
      "IEC 61672-1; ISO 9921 for the voice as a scale",
      "a calibrator, or a meter held beside the microphone"),
  RINGING(
      "ringing",
      "Mean T20 of 500 and 1000 Hz of the claps, averaged; from the ends of words where there are none.",
      "ISO 3382-2",
      "more claps, and more places"),
  VOICE(
      "voice",
      "Active speech level, A-weighted, by 1/r from the distance said to 1 m, the room's part taken out.",
      "ITU-T P.56, method B; ANSI S3.5 for the effort",
      "the distance from the lips, and how loud it was spoken"),
  PEAKS(
      "loudest peaks",
      "Level that one sample in ten thousand exceeds, over the active speech level.",
      "ITU-T P.56; the share by common practice",
      "how evenly you speak"),
  CONSONANTS(
      "hisses, pops",
      "Loudest hundredth of a second over 5 kHz and under 120 Hz, each against the active speech level.",
      "ITU-T P.56; the bands by common practice",
      "the angle to the lips, and a pop screen"),
  FALL(
      "softest",
      "Level of the softest twentieth of the seconds in movement under that of sitting still.",
      "common practice",
      "how you move, and the distance"),
  TONE_FALL(
      "highs at the dullest",
      "Fall of what lies over 3 kHz against the middle, in the dullest twentieth of the seconds.",
      "common practice",
      "how you move, and the distance"),
  SPREAD(
      "spread from second to second",
      "Standard deviation of the level of the seconds in movement.",
      "common practice",
      "how you move, and the distance"),
  MOVED(
      "of it by moving",
      "Root of the difference of the squares of the spreads in movement and sitting still.",
      "common practice",
      "how you move, and the distance"),
  FALL_BY_GEOMETRY("softest"),
  TONE_BY_GEOMETRY("highs at the dullest");

  private final Kind kind;

  VoiceQuantity(String label, String formula, String source, String mostly) {
    kind = new Kind(label, formula, source, mostly);
  }

  VoiceQuantity(String label) {
    this(
        label,
        "The worst end of leaning and turning as described: 1/r, the mouth's and the microphone's pattern, and what the room sends back.",
        "ANSI S3.5 for the mouth; ISO 3382-1",
        "the distance, and how far you lean");
  }

  @Override
  public Kind kind() {
    return kind;
  }

  /** Name for people. */
  public String label() {
    return kind.label();
  }
}
