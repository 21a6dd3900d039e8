package nullroom.app.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Set;
import java.util.TreeSet;
import javafx.scene.Node;
import javafx.scene.control.Labeled;
import javafx.scene.text.Text;
import nullroom.app.Fx;
import nullroom.app.shell.Command;
import nullroom.app.words.Language;
import nullroom.app.words.Untranslated;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** Every page of the demo in German: the same layout, and no word of English. */
class GermanTest extends EveryPageTest {
  @Override
  Language language() {
    return Language.GERMAN;
  }

  @Test
  @DisplayName("no text is left in English, and every abbreviation is in the German glossary")
  void said() {
    Set<String> left = new TreeSet<>();
    for (Command page : demo.pages()) {
      demo.go(page);
      Fx.run(() -> {
        for (Node node : demo.scene().getRoot().lookupAll("*")) {
          if (node instanceof Labeled labeled && labeled.getText() != null) {
            look(labeled.getText(), left);
          } else if (node instanceof Text text) {
            look(text.getText(), left);
          }
          if (node.getAccessibleText() != null) {
            look(node.getAccessibleText(), left);
          }
        }
      });
    }
    assertThat(left).isEmpty();
  }

  private static void look(String text, Set<String> left) {
    left.addAll(WordsTest.notInGlossary(text));
    if (Untranslated.letters(text) > 0) {
      left.add(Math.round(Untranslated.letters(text)) + " " + text);
    }
  }
}
