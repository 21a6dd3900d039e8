package nullroom.app.words;

import javafx.beans.InvalidationListener;
import javafx.beans.WeakInvalidationListener;
import javafx.beans.binding.Bindings;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.Property;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.beans.value.ObservableValue;
import javafx.collections.ListChangeListener;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextInputControl;
import javafx.scene.shape.Shape;
import javafx.scene.text.Text;

/**
 * Says whatever comes into a scene in the language that is spoken and in the lengths that are
 * measured in: labels, buttons, prompts, names for screen readers. What people typed is left alone.
 * On the FX thread.
 */
public final class SpokenScene {
  private static final IntegerProperty TIMES = new SimpleIntegerProperty();

  private SpokenScene() {}

  /** Follows a scene from its root down, for as long as that lives. */
  public static void follow(Node root) {
    node(root);
  }

  /** All that is followed is said anew, since another way of saying it was settled. */
  public static void again() {
    TIMES.set(TIMES.get() + 1);
  }

  /** A text as it is said, for what is bound to it. */
  public static ObservableValue<String> said(ObservableValue<String> text) {
    return Bindings.createStringBinding(
        () -> text.getValue() == null ? "" : Language.say(text.getValue()), text, TIMES);
  }

  /** Runs something whenever all is said anew, for as long as the listener itself is kept. */
  public static void listen(InvalidationListener listener) {
    TIMES.addListener(new WeakInvalidationListener(listener));
  }

  private static void node(Node node) {
    boolean silent = node instanceof Shape && !(node instanceof Text);
    if (silent || node.getProperties().putIfAbsent(SpokenScene.class, true) != null) {
      return; // says nothing, or is followed already
    }
    text(node, node.accessibleTextProperty());
    switch (node) {
      case Labeled labeled -> text(node, labeled.textProperty());
      case TextInputControl field -> {
        text(node, field.promptTextProperty());
        return; // its inner texts are what was typed
      }
      case Text text when !(text.getParent() instanceof Labeled) -> text(node, text.textProperty());
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

  private static void text(Node node, Property<String> property) {
    Spoken spoken = new Spoken(property);
    node.getProperties().put(property, spoken); // kept as long as the node is
    spoken.heard();
    property.addListener((p, before, now) -> spoken.heard());
    listen(spoken);
  }

  /** One text of a node: what it was given, and what it says. */
  private static final class Spoken implements InvalidationListener {
    private final Property<String> property;
    private String given = "";
    private String said = "";

    Spoken(Property<String> property) {
      this.property = property;
    }

    void heard() {
      String now = property.getValue();
      if (now != null && !now.equals(said)) {
        given = now;
        say();
      }
    }

    private void say() {
      if (property.isBound() || given.isEmpty()) {
        return;
      }
      said = Language.say(given);
      if (!said.equals(property.getValue())) {
        property.setValue(said);
      }
    }

    /** All is said anew; what was emptied since stays so. */
    @Override
    public void invalidated(javafx.beans.Observable times) {
      if (said.equals(property.getValue())) {
        say();
      }
    }
  }
}
