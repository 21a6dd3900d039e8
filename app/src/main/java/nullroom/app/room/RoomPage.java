package nullroom.app.room;

import nullroom.app.shell.Pages;

/** What the room station shows. */
public enum RoomPage implements Pages.Page {
  FOLD_OUT("Fold-out", "sizes, materials and places; what each patch sends back"),
  SHAPE("Shape", "outline, ceiling, doors and windows"),
  SET_UP("Set-up", "who speaks, what listens, films and plays; what rides on what"),
  FURNITURE("Furniture", "what stands in the room"),
  SPOTS("Spots", "places to record from, side by side"),
  PLACES("Places", "bedroom, living room, wardrobe: all places of this book, side by side"),
  MODEL("Model", "the description against what was measured"),
  MATERIALS("Materials", "what surfaces take up, and layers of your own");

  private final String label;
  private final String hint;

  RoomPage(String label, String hint) {
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
