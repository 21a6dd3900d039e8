package nullroom.app.ring;

import nullroom.app.shell.Pages;

/** What the reverberation station shows. */
public enum RingPage implements Pages.Page {
  DECAY("Decay", "decay per octave, and against the goal"),
  THIRDS("Thirds", "decay per third octave"),
  FIGURES("Figures", "all figures, and what could not be had"),
  ORIGIN("Where from", "what answers, on plan and fold-out"),
  PLACES("Places", "several places, averaged; before and after"),
  CLAPS("Clap guide", "how to clap, and how each clap was");

  private final String label;
  private final String hint;

  RingPage(String label, String hint) {
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
