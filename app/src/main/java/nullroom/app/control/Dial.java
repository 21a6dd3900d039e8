package nullroom.app.control;

import java.util.Locale;
import java.util.function.DoubleConsumer;
import java.util.function.DoubleFunction;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import nullroom.core.Figures;

/** A named slider with its figure; tells only what the user changes, not what it is shown. */
public final class Dial extends HBox {
  private final Slider slider;
  private final Label figure = new Label();
  private DoubleFunction<String> said;
  private double shown = Double.NaN;

  /**
   * A slider.
   *
   * @param name for people and screen readers
   * @param format of the figure
   * @param onChange receives what the user sets
   */
  public Dial(
      String name,
      String unit,
      double lowest,
      double highest,
      String format,
      DoubleConsumer onChange) {
    said = number -> Figures.say(format, number) + " " + unit;
    slider = new Slider(lowest, highest, lowest);
    slider.setId("dial-" + name.toLowerCase(Locale.ROOT).replace(' ', '-'));
    slider.setAccessibleText(name);
    slider.setBlockIncrement((highest - lowest) / 50);
    HBox.setHgrow(slider, Priority.ALWAYS);
    Label label = new Label(name);
    label.getStyleClass().add("dial-name");
    figure.getStyleClass().add("dial-figure");
    getStyleClass().add("row");
    getChildren().addAll(label, slider, figure);
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
    figure.setText(said.apply(number));
  }

  /** Says the figure another way. */
  public void setSaid(DoubleFunction<String> other) {
    said = other;
    if (!Double.isNaN(shown)) {
      show(shown);
    }
  }
}
