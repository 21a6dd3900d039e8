package nullroom.app.dress;

import nullroom.app.shell.Pages;

/** What the treatment station shows. */
public enum DressPage implements Pages.Page {
  PIECE("One piece", "one piece on one surface, before and after", ""),
  HAND(
      "At hand",
      "what there is to hang, lay and lean, and what is kept clear",
      "Plans use this list. Keep clear what must stay so: door swings, windows, heaters, lamps, detectors, exits."),
  PLAN(
      "Plan",
      "what to hang where, in which order, for how much",
      "Cloth works from about 500 Hz up; bass needs depth."),
  ROOM(
      "In the room",
      "the plan in the picture of the room, before and after",
      "Drag a planned piece, and its figures follow. B shows the room as it is."),
  AFTER(
      "Achieved",
      "what it did, measured, against what was predicted",
      "Claps before and after at the same place tell what is real from what is chance.");

  private final String label;
  private final String hint;
  private final String meaning;

  DressPage(String label, String hint, String meaning) {
    this.label = label;
    this.hint = hint;
    this.meaning = meaning;
  }

  /** What the page is for, in a sentence; empty where the page says that itself. */
  String meaning() {
    return meaning;
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
