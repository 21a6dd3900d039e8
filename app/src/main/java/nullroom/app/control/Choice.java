package nullroom.app.control;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.geometry.Orientation;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.skin.ComboBoxListViewSkin;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.util.StringConverter;
import nullroom.app.words.Language;
import org.jspecify.annotations.Nullable;

/**
 * One of a few, by name; what the program shows is not taken for a choice of the user. In a long
 * list, what is typed while it is open leaves the names that hold it.
 */
public final class Choice<T> extends ComboBox<T> {
  /** What the arrow and the frame take of the width. */
  private static final double ARROW = 28;

  private static final double FRAME = 4;

  private static final double LEAST_WIDTH = 70;

  /** Wider than any name. */
  private static final double MOST_WIDTH = 2000;

  /** So many items are found sooner by typing than by looking. */
  private static final int MANY = 12;

  private static final char DELETE = 127;

  private boolean showing;

  /** What was typed into the open list; empty while nobody searches in it. */
  private String sought = "";

  private List<T> unsought = List.of();
  private @Nullable T before;
  private final Consumer<T> chosen;
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
    addEventFilter(KeyEvent.KEY_TYPED, this::typed);
    addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
    skinProperty()
        .subscribe(skin -> {
          if (skin instanceof ComboBoxListViewSkin<?> list) { // the open list hears keys first
            list.getPopupContent().addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
          }
        });
    setPlaceholder(new Label(Language.say("Nothing is called so. Fewer letters find more.")));
    showingProperty()
        .subscribe(open -> {
          if (!open) {
            found();
          }
        });
    chosen = onChoice;
    setOnAction(e -> {
      if (!showing && sought.isEmpty() && getValue() != null) {
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

  private void typed(KeyEvent e) {
    String key = e.getCharacter();
    boolean text = !key.isEmpty() && key.charAt(0) >= ' ' && key.charAt(0) != DELETE;
    if (isShowing() && text && (!sought.isEmpty() || getItems().size() >= MANY)) {
      seek(sought + key);
      e.consume();
    }
  }

  private void pressed(KeyEvent e) {
    if (!isShowing() || sought.isEmpty()) {
      return;
    }
    if (e.getCode() == KeyCode.BACK_SPACE) {
      seek(sought.substring(0, sought.length() - 1));
    } else if (e.getCode() == KeyCode.ESCAPE) {
      setValue(before);
      hide();
    } else if (e.getCode() == KeyCode.ENTER && !getItems().contains(getValue())) {
      if (!getItems().isEmpty()) {
        setValue(getItems().getFirst());
      }
      hide();
    } else if (e.getCode() != KeyCode.SPACE) {
      return;
    }
    e.consume();
  }

  /** Offers only those in whose names all words that were typed are. */
  private void seek(String typed) {
    if (sought.isEmpty()) {
      unsought = List.copyOf(getItems());
      before = getValue();
    }
    sought = typed;
    String[] words = typed.strip().toLowerCase(Locale.ROOT).split("\\s+");
    T now = getValue();
    showing = true;
    getItems()
        .setAll(
            unsought.stream()
                .filter(i -> {
                  String name = getConverter().toString(i).toLowerCase(Locale.ROOT);
                  return Arrays.stream(words).allMatch(name::contains);
                })
                .toList());
    setValue(now);
    showing = false;
    getButtonCell().setText(typed.isEmpty() ? getConverter().toString(now) : "“" + typed + "” …");
  }

  /** The search is over: all items are offered again, and what was chosen stays. */
  private void found() {
    if (sought.isEmpty()) {
      return;
    }
    T now = getValue() == null ? before : getValue();
    sought = "";
    showing = true;
    getItems().setAll(unsought);
    setValue(now);
    showing = false;
    getButtonCell().setText(getConverter().toString(now));
    if (now != null && !now.equals(before)) {
      chosen.accept(now);
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
    if (!sought.isEmpty()) {
      unsought = List.copyOf(items); // shown when the search is over
      return;
    }
    T now = getValue();
    showing = true;
    getItems().setAll(items);
    setValue(items.contains(now) ? now : null);
    showing = false;
  }
}
