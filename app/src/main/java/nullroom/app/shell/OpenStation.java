package nullroom.app.shell;

import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.beans.property.ObjectProperty;
import javafx.scene.Node;

/**
 * A station as the window takes it: a new one is one more of these.
 *
 * @param station which
 * @param text its words
 * @param view makes its nodes when it is first shown
 * @param opens takes a sound file that is dropped while it is shown; empty where it measures none
 * @param pages what it shows, one at a time
 * @param close ends what it does on other threads
 */
public record OpenStation(
    Station station,
    StationText text,
    Supplier<Node> view,
    Optional<Consumer<Path>> opens,
    List<PageRef> pages,
    Runnable close) {
  public OpenStation {
    pages = List.copyOf(pages);
  }

  /**
   * One page of a station.
   *
   * @param name that does not change with the language
   * @param label for people
   * @param hint what it is for
   * @param shown whether it is the one shown
   * @param show shows it
   */
  public record PageRef(
      String name, String label, String hint, BooleanSupplier shown, Runnable show) {
    /** All of a kind. */
    public static <P extends Enum<P> & Pages.Page> List<PageRef> all(
        Class<P> kind, ObjectProperty<P> shown) {
      return Arrays.stream(kind.getEnumConstants())
          .map(page ->
              new PageRef(
                  page.name(),
                  page.label(),
                  page.hint(),
                  () -> shown.get() == page,
                  () -> shown.set(page)))
          .toList();
    }
  }
}
