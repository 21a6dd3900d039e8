package nullroom.app.control;

import javafx.scene.Node;
import javafx.scene.control.ToggleButton;
import nullroom.app.words.Language;

/** Folds a form away, so that the picture beside it takes the space; and back. */
public final class FoldAway extends ToggleButton {
  /**
   * A switch.
   *
   * @param what it folds away, for people: "the form"
   * @param form that is folded away
   */
  public FoldAway(String what, Node... form) {
    setId("fold-away");
    getStyleClass().add("fold-away");
    for (Node node : form) {
      node.visibleProperty().bind(selectedProperty().not());
      node.managedProperty().bind(selectedProperty().not());
    }
    textProperty()
        .bind(selectedProperty().map(away -> Language.say((away ? "Show " : "Fold away ") + what)));
  }
}
