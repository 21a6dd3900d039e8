package nullroom.app.shell;

import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Labeled;
import javafx.scene.input.MouseEvent;
import javafx.scene.text.Text;
import nullroom.app.help.Glossary;
import org.jspecify.annotations.Nullable;

/** Says what the terms mean in whatever the pointer rests on or the keyboard is at. */
final class Meanings {
  /** Whole sentences hold terms, too, but nobody points at one word of them. */
  private static final int LONGEST = 90;

  private final Parent root;
  private final Consumer<String> say;
  private @Nullable Node at;

  Meanings(Parent root, Consumer<String> say) {
    this.root = root;
    this.say = say;
  }

  void follow() {
    root.addEventFilter(
        MouseEvent.MOUSE_MOVED,
        e -> {
          if (e.getTarget() instanceof Node node && node != at) {
            at = node;
            explain(node);
          }
        });
    root.sceneProperty()
        .subscribe(scene -> {
          if (scene != null) {
            scene
                .focusOwnerProperty()
                .subscribe(owner -> {
                  if (owner != null && root.getScene() == scene) {
                    explain(owner);
                  }
                });
          }
        });
  }

  private void explain(Node node) {
    String text = text(node);
    List<Glossary.Term> terms = text.length() > LONGEST ? List.of() : Glossary.shipped().in(text);
    say.accept(terms.stream().map(Glossary.Term::line).collect(Collectors.joining("   ")));
  }

  /** What a node says: its own words, or those of what it lies in. */
  private static String text(Node node) {
    for (Node n = node; n != null; n = n.getParent()) {
      if (n instanceof Text text && !(n.getParent() instanceof Labeled)) {
        return text.getText();
      }
      if (n instanceof Labeled labeled && labeled.getText() != null) {
        return labeled.getText();
      }
    }
    return "";
  }
}
