package nullroom.app.control;

import java.util.Locale;
import java.util.function.DoubleConsumer;
import javafx.scene.control.Slider;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;

/**
 * A named number that is turned on a slider or typed; tells only what the user changes, not what it
 * is shown.
 */
public final class Dial extends HBox {
  private final Slider slider;
  private final NumberField figure;
  private double shown = Double.NaN;

  /**
   * A slider and a field.
   *
   * @param name for people and screen readers
   * @param onChange receives what the user sets
   */
  public Dial(String name, String unit, double lowest, double highest, DoubleConsumer onChange) {
    slider = new Slider(lowest, highest, lowest);
    slider.setId("dial-" + name.toLowerCase(Locale.ROOT).replace(' ', '-'));
    slider.setAccessibleText(name);
    slider.setBlockIncrement((highest - lowest) / 50);
    HBox.setHgrow(slider, Priority.ALWAYS);
    figure = new NumberField(name, unit, lowest, highest, onChange);
    figure.setMinWidth(USE_PREF_SIZE);
    getStyleClass().addAll("row", "dial");
    getChildren().addAll(figure, slider);
    slider
        .valueProperty()
        .subscribe(now -> {
          double number = now.doubleValue();
          if (Math.abs(number - shown) > 1e-9 && !Double.isNaN(shown)) {
            shown = number;
            onChange.accept(number);
          }
        });
  }

  /** Shows a number that came from elsewhere. */
  public void show(double number) {
    shown = Math.clamp(number, slider.getMin(), slider.getMax());
    slider.setValue(shown);
    figure.show(number);
  }

  /** Other units in the field; the slider stays in its own. */
  public void setEntry(NumberField.Entry entry) {
    figure.setEntry(entry);
  }
}
