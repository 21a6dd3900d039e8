package nullroom.app.shell;

import javafx.application.Platform;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;

/**
 * What lies over the stations for a while: the commands, the recordings, the preferences, the help.
 * One at a time; Escape puts it away, and the keyboard is where it was before.
 */
public final class Sheets extends StackPane {
  private final ReadOnlyBooleanWrapper open = new ReadOnlyBooleanWrapper();
  private @Nullable Node before;

  /** None is open. */
  public Sheets() {
    getStyleClass().add("sheet-layer");
    visibleProperty().bind(open);
    managedProperty().bind(open);
    addEventHandler(
        KeyEvent.KEY_PRESSED,
        e -> {
          if (e.getCode() == KeyCode.ESCAPE) {
            close();
          }
          e.consume(); // what is typed here is meant for nothing below
        });
    addEventHandler(KeyEvent.KEY_TYPED, KeyEvent::consume);
    setOnMousePressed(e -> {
      if (e.getTarget() == this) {
        close();
      }
    });
  }

  /** Whether one is open. */
  public ReadOnlyBooleanProperty openProperty() {
    return open.getReadOnlyProperty();
  }

  /**
   * Opens one in place of what is open.
   *
   * @param title what it is
   * @param content scrolled where it is higher than the window
   * @param first takes the keyboard
   */
  public void open(String title, Region content, Node first) {
    if (!open.get() && getScene() != null) {
      before = getScene().getFocusOwner();
    }
    Label heading = new Label(title);
    heading.getStyleClass().add("question");
    heading.setWrapText(true);
    HBox.setHgrow(heading, Priority.ALWAYS);
    heading.setMaxWidth(Double.MAX_VALUE);
    Button close = new Button("Close");
    close.setId("close-sheet");
    close.setMinWidth(Region.USE_PREF_SIZE);
    close.getStyleClass().add("plain");
    close.setOnAction(e -> close());
    HBox top = new HBox(10, heading, close);
    top.setAlignment(Pos.TOP_LEFT);
    ScrollPane scroll = new ScrollPane(content);
    scroll.setFitToWidth(true);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    scroll.setFocusTraversable(false);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    VBox sheet = new VBox(12, top, scroll);
    sheet.getStyleClass().add("sheet");
    getChildren().setAll(new BorderPane(sheet));
    open.set(true);
    if (getScene() != null) {
      getScene().getRoot().applyCss(); // what scrolls has its content once it has its skin
      getScene().getRoot().layout();
    }
    first.requestFocus();
    Platform.runLater(first::requestFocus);
  }

  /** Puts away what is open. */
  public void close() {
    if (open.get()) {
      open.set(false);
      getChildren().clear();
      if (before != null) {
        before.requestFocus();
      }
    }
  }
}
