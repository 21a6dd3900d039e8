package nullroom.app.control;

import java.util.Locale;
import java.util.function.DoubleConsumer;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import nullroom.core.Trouble;

/**
 * A number with name, unit and range. Wrong input stays in the field, with a sentence beside it;
 * decimal comma or point.
 */
public final class NumberField extends VBox {
  private final TextField field = new TextField();
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
    this.lowest = lowest;
    this.highest = highest;
    this.onNumber = onNumber;
    field.setPrefColumnCount(4);
    field.setAccessibleText(name + " in " + unit);
    field.setId("field-" + name.toLowerCase(Locale.ROOT).replace(' ', '-'));
    Label label = new Label(name);
    label.getStyleClass().add("field-name");
    Label after = new Label(unit);
    after.getStyleClass().add("soft");
    HBox row = new HBox(label, field, after);
    row.getStyleClass().add("row");
    message.getStyleClass().add("field-trouble");
    message.setWrapText(true);
    message.managedProperty().bind(message.textProperty().isNotEmpty());
    getChildren().addAll(row, message);
    field.setOnAction(e -> commit());
    field
        .focusedProperty()
        .subscribe(focused -> {
          if (!focused) {
            commit();
          }
        });
  }

  private String shown = "";

  /** Shows a number that came from elsewhere. */
  public void show(double number) {
    shown = String.format(Locale.ROOT, "%.2f", number);
    field.setText(shown);
    message.setText("");
  }

  /** Takes what was typed; whether it was a number in range. */
  public boolean isGood() {
    commit();
    return message.getText().isEmpty();
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
    double number;
    try {
      number = parse(field.getText());
    } catch (NumberFormatException e) {
      message.setText("“" + field.getText() + "” is no number.");
      return;
    }
    if (!(number >= lowest && number <= highest)) {
      message.setText(
          String.format(Locale.ROOT, "must lie between %.1f and %.1f.", lowest, highest));
      return;
    }
    try {
      onNumber.accept(number);
      message.setText("");
    } catch (Trouble e) {
      message.setText(e.line());
    }
  }
}
