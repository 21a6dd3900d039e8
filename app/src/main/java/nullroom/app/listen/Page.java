package nullroom.app.listen;

import nullroom.app.shell.Pages;

/** What the noise station shows. */
public enum Page implements Pages.Page {
  LIVE("Live", "what the input hears now"),
  CLIP("One clip", "everything from one recording"),
  REPORT("Report", "the room's noise against the quiet line"),
  CULPRITS("Culprits", "who makes it"),
  NIGHT("Hours", "what breaks in over hours"),
  SPOTS("Spots", "where and when it is quietest"),
  CALIBRATION("Scale", "what levels mean in the air");

  private final String label;
  private final String hint;

  Page(String label, String hint) {
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
