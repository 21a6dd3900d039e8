package nullroom.app.control;

import java.util.function.Consumer;
import javafx.scene.control.TextField;

/** A name that can be changed: taken with enter, or when the field is left. */
public final class NameField extends TextField {
  private String before;
  private final Consumer<String> onName;

  /**
   * A field.
   *
   * @param id for the scene
   * @param what it names, for screen readers
   * @param name of now
   * @param width of the field
   * @param onName receives each other name, without blanks around it
   */
  public NameField(String id, String what, String name, double width, Consumer<String> onName) {
    super(name);
    before = name;
    this.onName = onName;
    setId(id);
    setAccessibleText("name of " + what);
    setPrefWidth(width);
    setOnAction(e -> take());
    focusedProperty()
        .subscribe((was, is) -> {
          if (was && !is) {
            take();
          }
        });
  }

  private void take() {
    String typed = getText().strip();
    if (!typed.equals(before)) {
      before = typed; // leaving the field after enter is not another change
      onName.accept(typed);
    }
  }
}
