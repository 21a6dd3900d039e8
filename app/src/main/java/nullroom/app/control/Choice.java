package nullroom.app.control;

import java.util.List;
import java.util.Objects;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.geometry.Orientation;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListCell;
import javafx.util.StringConverter;
import nullroom.app.words.Language;
import org.jspecify.annotations.Nullable;

/** One of a few, by name; what the program shows is not taken for a choice of the user. */
public final class Choice<T> extends ComboBox<T> {
  /** What the arrow and the frame take of the width. */
  private static final double ARROW = 28;

  private static final double FRAME = 4;

  private static final double LEAST_WIDTH = 70;

  /** Wider than any name. */
  private static final double MOST_WIDTH = 2000;

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
            return Language.say(item == null ? nothing : label.apply(item));
          }

          @Override
          public T fromString(String text) {
            return getItems().stream()
                .filter(item -> toString(item).equals(text))
                .findFirst()
                .orElseThrow();
          }
        });
    setButtonCell(new Shown<>(getConverter()));
    setOnAction(e -> {
      if (!showing && getValue() != null) {
        onChoice.accept(getValue());
      }
    });
  }

  /** A name too long for its place goes on in a second line. */
  private static final class Shown<T> extends ListCell<T> {
    private final StringConverter<T> label;

    Shown(StringConverter<T> label) {
      this.label = label;
      setWrapText(true);
    }

    @Override
    protected void updateItem(@Nullable T item, boolean empty) {
      super.updateItem(item, empty);
      setText(label.toString(item));
    }
  }

  @Override
  public Orientation getContentBias() {
    return Orientation.HORIZONTAL;
  }

  @Override
  protected double computePrefHeight(double width) {
    double line = super.computePrefHeight(-1);
    double set = getMaxWidth() > 0 ? Math.min(getMaxWidth(), MOST_WIDTH) : getPrefWidth();
    double wide = width > 0 && set > 0 ? Math.min(width, set) : Math.max(width, set);
    return wide <= ARROW ? line : Math.max(line, getButtonCell().prefHeight(wide - ARROW) + FRAME);
  }

  @Override
  protected double computeMinHeight(double width) {
    return computePrefHeight(width);
  }

  @Override
  protected double computeMinWidth(double height) {
    return LEAST_WIDTH;
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
