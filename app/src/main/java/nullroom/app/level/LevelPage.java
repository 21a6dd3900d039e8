package nullroom.app.level;

import nullroom.app.shell.Pages;

/** What the level station shows. */
public enum LevelPage implements Pages.Page {
  GAIN("Gain", "how far to turn it up, and what comes of it"),
  STAGES("Stages", "what lies between microphone and recording, each with its noise and its limit"),
  LOUD_LINE("Loud line", "half a minute that finds the gain"),
  TAKE("Take check", "a take held against common practice and a brief"),
  LEAN("Lean", "what moving while you speak does"),
  BRIEF("Brief", "what is asked of the file that is handed over"),
  FILES("Files", "how long files, cards and cameras last");

  private final String label;
  private final String hint;

  LevelPage(String label, String hint) {
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
