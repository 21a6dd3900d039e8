package nullroom.app.room;

import java.util.Optional;
import nullroom.app.control.RoomPlot;

/** How the room is looked at: unfolded, or from a side. */
public enum Sight {
  UNFOLDED("unfolded", Optional.empty()),
  ABOVE("from above", Optional.of(RoomPlot.View.ABOVE)),
  SIDE("from wall 1", Optional.of(RoomPlot.View.SIDE)),
  END("from the end", Optional.of(RoomPlot.View.END));

  private final String label;
  private final Optional<RoomPlot.View> view;

  Sight(String label, Optional<RoomPlot.View> view) {
    this.label = label;
    this.view = view;
  }

  /** For people. */
  public String label() {
    return label;
  }

  /** From where; empty for the fold-out. */
  Optional<RoomPlot.View> view() {
    return view;
  }
}
