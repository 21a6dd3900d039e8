package nullroom.app.dress;

import nullroom.app.shell.Pages;

/** What the treatment station shows. */
public enum DressPage implements Pages.Page {
  PIECE("One piece", "one piece on one surface, before and after"),
  PLAN("Plan", "what to hang where, in which order, for how much");

  private final String label;
  private final String hint;

  DressPage(String label, String hint) {
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
