package nullroom.app.words;

import javafx.beans.property.Property;
import javafx.beans.value.ObservableValue;
import javafx.collections.ListChangeListener;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextInputControl;
import javafx.scene.shape.Shape;
import javafx.scene.text.Text;

/**
 * Says whatever comes into a scene in the language that is spoken: labels, buttons, prompts, names
 * for screen readers. What people typed is left alone. Nothing is done where that is English.
 */
public final class SpokenScene {
  /** Style of a label whose text is a name that somebody gave, or is in the right words already. */
  public static final String AS_IT_IS = "as-it-is";

  private SpokenScene() {}

  /** Follows a scene from its root down, for as long as that lives. */
  public static void follow(Node root) {
    if (Language.spoken() != Language.ENGLISH) {
      node(root);
    }
  }

  private static void node(Node node) {
    boolean silent = node instanceof Shape && !(node instanceof Text);
    if (silent || node.getStyleClass().contains(AS_IT_IS)) {
      return;
    }
    if (node.getProperties().putIfAbsent(SpokenScene.class, true) != null) {
      return; // followed already
    }
    text(node.accessibleTextProperty());
    text(node.accessibleHelpProperty());
    switch (node) {
      case Labeled labeled -> text(labeled.textProperty());
      case TextInputControl field -> {
        text(field.promptTextProperty());
        return; // its inner texts are what was typed
      }
      case Text text when !(text.getParent() instanceof Labeled) -> text(text.textProperty());
      default -> {}
    }
    if (node instanceof Parent parent) {
      parent.getChildrenUnmodifiable().forEach(SpokenScene::node);
      parent
          .getChildrenUnmodifiable()
          .addListener(
              (ListChangeListener<Node>)
                  change -> {
                    while (change.next()) {
                      change.getAddedSubList().forEach(SpokenScene::node);
                    }
                  });
    }
  }

  private static void text(Property<String> property) {
    say(property);
    property.addListener(
        (ObservableValue<? extends String> p, String before, String now) -> say(property));
  }

  private static void say(Property<String> property) {
    String text = property.getValue();
    if (text != null && !text.isEmpty() && !property.isBound()) {
      String said = Language.say(text);
      if (!said.equals(text)) {
        property.setValue(said);
      }
    }
  }
}
