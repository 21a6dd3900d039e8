package nullroom.app.mic;

import nullroom.app.shell.Pages;

/** What the microphone station shows. */
public enum MicPage implements Pages.Page {
  ZONE("Where it may go", "how clean it comes out all around the talker, and what is in the way"),
  FRAME("Frame first", "place, tripod, frame and light, and how near they let it come"),
  BEST("Each at its best", "every microphone at its own best place, ranked"),
  DISTANCE("Near and far", "margins against distance, and where each stops being enough"),
  CHAIN("Lips to file", "what each stage adds, hisses and takes, and what does not fit"),
  VOICES("Several voices", "who is heard where, one microphone for all, a backing"),
  MONEY("What to buy", "where money helps first, by three schools"),
  HERE("At this spot", "distance, angle, and all microphones side by side"),
  SHELF("Shelf", "what there is to record with, owned or thought of");

  private final String label;
  private final String hint;

  MicPage(String label, String hint) {
    this.label = label;
    this.hint = hint;
  }

  @Override
  public String label() {
    return label;
  }

  @Override
  public String hint() {
    return hint;
  }
}
