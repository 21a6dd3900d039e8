package nullroom.app.control;

import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleConsumer;
import java.util.function.DoubleFunction;
import java.util.function.ToDoubleFunction;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import nullroom.core.Figures;
import nullroom.core.Trouble;

/**
 * A number with name, unit and range. Wrong input stays in the field, with a sentence beside it;
 * decimal comma or point.
 */
public final class NumberField extends VBox {
  /**
   * How numbers stand in the field.
   *
   * @param unit shown after them
   * @param print from a number to a text
   * @param parse from a text to a number; throws {@link NumberFormatException}
   */
  public record Entry(String unit, DoubleFunction<String> print, ToDoubleFunction<String> parse) {
    private static Entry plain(String unit) {
      return new Entry(unit, NumberField::print, NumberField::parse);
    }
  }

  /** From here on hundredths say nothing. */
  private static final double WHOLE = 1000;

  private final TextField field = new TextField();
  private final Label after = new Label();
  private final String name;
  private final Label message = new Label();
  private final double lowest;
  private final double highest;
  private final DoubleConsumer onNumber;

  /**
   * A field.
   *
   * @param name for people and screen readers
   * @param unit shown after it
   * @param lowest least number taken
   * @param highest largest number taken
   * @param onNumber receives each new number; may throw {@link Trouble}, whose sentence is shown
   */
  public NumberField(
      String name, String unit, double lowest, double highest, DoubleConsumer onNumber) {
    this.name = name;
    this.lowest = lowest;
    this.highest = highest;
    this.onNumber = onNumber;
    field.setPrefColumnCount(4);
    field.setMinWidth(USE_PREF_SIZE);
    field.setId("field-" + name.toLowerCase(Locale.ROOT).replace(' ', '-'));
    Label label = new Label(name);
    label.getStyleClass().add("field-name");
    after.getStyleClass().add("soft");
    HBox row = new HBox(label, field, after);
    row.getStyleClass().add("row");
    message.getStyleClass().add("field-trouble");
    message.setWrapText(true);
    message.managedProperty().bind(message.textProperty().isNotEmpty());
    getChildren().addAll(row, message);
    setEntry(Entry.plain(unit));
    field.setOnAction(e -> commit());
    field
        .focusedProperty()
        .subscribe(focused -> {
          if (!focused) {
            commit();
          }
        });
  }

  private Runnable onNothing = () -> {};
  private boolean mayBeEmpty;
  private Entry entry = Entry.plain("");
  private double number = Double.NaN;
  private String shown = "";
  private boolean taking;

  /** Other units; the number shown stays the same. */
  public void setEntry(Entry other) {
    entry = other;
    after.setText(other.unit());
    field.setAccessibleText(name + " in " + other.unit());
    if (!Double.isNaN(number)) {
      show(number);
    }
  }

  /** Shows a number that came from elsewhere. */
  public void show(double other) {
    number = other;
    show(entry.print().apply(number));
  }

  /** What is being typed stays for as long as there is nothing new to show. */
  private void show(String text) {
    boolean here = field.getScene() != null && field.getScene().getFocusOwner() == field;
    if (here && !taking && !field.getText().equals(shown) && text.equals(shown)) {
      return;
    }
    shown = text;
    if (!field.getText().equals(text)) { // else what is selected would be forgotten
      field.setText(text);
    }
    message.setText("");
  }

  /** Lets the field be empty, which is told. */
  public void setOnNothing(Runnable heard) {
    mayBeEmpty = true;
    onNothing = heard;
  }

  /** What holds while the field is empty, shown in it. */
  public void setUsual(Optional<Double> usual) {
    field.setPromptText(usual.map(n -> entry.print().apply(n)).orElse(""));
    field
        .textProperty()
        .subscribe(text -> {
          boolean says = usual.isPresent() && text.isEmpty();
          after.setText(
              says ? entry.unit() + (entry.unit().isEmpty() ? "usual" : ", usual") : entry.unit());
        });
  }

  /** Shows a number, or an empty field where there is none. */
  public void show(OptionalDouble other) {
    if (other.isPresent()) {
      show(other.getAsDouble());
    } else {
      number = Double.NaN;
      show("");
    }
  }

  /** Takes what was typed; whether it was a number in range. */
  public boolean isGood() {
    commit();
    return message.getText().isEmpty();
  }

  /** To the hundredth, without noughts at its end. */
  private static String print(double number) {
    return Math.abs(number) < WHOLE
        ? Figures.say("%.2f", number).replaceFirst("[.,]?0+$", "")
        : Figures.say("%.0f", number);
  }

  /**
   * A number as people type it, with a decimal point or comma.
   *
   * @throws NumberFormatException if it is none
   */
  public static double parse(String typed) {
    return Double.parseDouble(typed.strip().replace(',', '.'));
  }

  private void commit() {
    if (field.getText().equals(shown)) {
      return;
    }
    if (mayBeEmpty && field.getText().isBlank()) {
      take(onNothing);
      return;
    }
    double typed;
    try {
      typed = entry.parse().applyAsDouble(field.getText());
    } catch (NumberFormatException e) {
      message.setText("“" + field.getText() + "” is no number.");
      return;
    }
    if (!(typed >= lowest && typed <= highest)) {
      message.setText(
          "must lie between "
              + entry.print().apply(lowest)
              + " and "
              + entry.print().apply(highest)
              + ".");
      return;
    }
    take(() -> onNumber.accept(typed));
  }

  private void take(Runnable heard) {
    taking = true;
    try {
      heard.run();
      message.setText("");
    } catch (Trouble e) {
      message.setText(e.line());
    } finally {
      taking = false;
    }
  }
}
