package nullroom.app.shell;

import java.util.Optional;
import javafx.beans.binding.Bindings;
import javafx.beans.value.ObservableBooleanValue;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;

/**
 * One thing that the program can be told to do.
 *
 * @param name what it does, as an order: "Undo", "Open another book"
 * @param about other words that people look for it with
 * @param key does it at once; empty where it has none of its own
 * @param ready whether it can be done now
 */
public record Command(
    Group group,
    String name,
    String about,
    Optional<KeyCodeCombination> key,
    ObservableBooleanValue ready,
    Runnable action) {

  private static final ObservableBooleanValue ALWAYS = Bindings.createBooleanBinding(() -> true);

  /** One that can always be done, without a key of its own. */
  public Command(Group group, String name, String about, Runnable action) {
    this(group, name, about, Optional.empty(), ALWAYS, action);
  }

  /** One that can always be done, with a key. */
  public Command(Group group, String name, String about, KeyCodeCombination key, Runnable action) {
    this(group, name, about, Optional.of(key), ALWAYS, action);
  }

  /** The same while something is so. */
  public Command when(ObservableBooleanValue now) {
    return new Command(group, name, about, key, now, action);
  }

  /** A key with the system's usual modifier: Control, or Command on a Mac. */
  public static KeyCodeCombination shortcut(KeyCode code) {
    return new KeyCodeCombination(code, KeyCombination.SHORTCUT_DOWN);
  }

  /** The same with Shift. */
  public static KeyCodeCombination shiftShortcut(KeyCode code) {
    return new KeyCodeCombination(code, KeyCombination.SHORTCUT_DOWN, KeyCombination.SHIFT_DOWN);
  }

  /** Its key in words; empty where it has none. */
  public String keyWords() {
    return key.map(KeyCodeCombination::getDisplayText).orElse("");
  }
}
