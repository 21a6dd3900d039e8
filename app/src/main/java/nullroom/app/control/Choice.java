package nullroom.app.control;

import java.util.List;
import java.util.Objects;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.control.ComboBox;
import javafx.util.StringConverter;
import org.jspecify.annotations.Nullable;

/** One of a few, by name; what the program shows is not taken for a choice of the user. */
public final class Choice<T> extends ComboBox<T> {
  private boolean showing;
  private String nothing = "own figures";

  /**
   * A choice.
   *
   * @param id for the scene
   * @param name for screen readers
   * @param items what can be chosen
   * @param label each item's name for people
   * @param onChoice receives what the user chose
   */
  public Choice(
      String id, String name, List<T> items, Function<T, String> label, Consumer<T> onChoice) {
    setId(id);
    setAccessibleText(name);
    getItems().setAll(items);
    setConverter(
        new StringConverter<>() {
          @Override
          public String toString(@Nullable T item) {
            return item == null ? nothing : label.apply(item);
          }

          @Override
          public T fromString(String text) {
            return getItems().stream()
                .filter(item -> label.apply(item).equals(text))
                .findFirst()
                .orElseThrow();
          }
        });
    setOnAction(e -> {
      if (!showing && getValue() != null) {
        onChoice.accept(getValue());
      }
    });
  }

  /** What is said where none of the items is so. */
  public void setNothing(String words) {
    nothing = words;
  }

  /** Shows what is so; null where it is none of the items. */
  public void show(@Nullable T item) {
    if (!Objects.equals(item, getValue())) {
      showing = true;
      setValue(item);
      showing = false;
    }
  }

  /** Offers other items; what is shown stays where it is still among them. */
  public void offer(List<T> items) {
    T now = getValue();
    showing = true;
    getItems().setAll(items);
    setValue(items.contains(now) ? now : null);
    showing = false;
  }
}
