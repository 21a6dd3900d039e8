package nullroom.app.mic;

import nullroom.app.shell.Pages;

/** What the microphone station shows. */
public enum MicPage implements Pages.Page {
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
