package nullroom.app.shell;

import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.Node;

/**
 * A station as the window takes it: a new one is one more of these.
 *
 * @param station which
 * @param text its words
 * @param view makes its nodes when it is first shown
 * @param opens takes a sound file that is dropped while it is shown; empty where it measures none
 * @param close ends what it does on other threads
 */
public record OpenStation(
    Station station,
    StationText text,
    Supplier<Node> view,
    Optional<Consumer<Path>> opens,
    Runnable close) {
  /** A station that opens no files and has nothing to end. */
  public OpenStation(Station station, StationText text, Supplier<Node> view) {
    this(station, text, view, Optional.empty(), () -> {});
  }
}
