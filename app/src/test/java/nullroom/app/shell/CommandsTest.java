package nullroom.app.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import nullroom.app.Fx;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** What can be done is found by its words, by its path and by its key. */
class CommandsTest {
  private final List<String> done = new ArrayList<>();

  @BeforeAll
  static void toolkit() {
    Fx.start();
  }

  private Command command(Group group, String name, String about) {
    return new Command(group, name, about, () -> done.add(name));
  }

  private Commands some() {
    return new Commands(
        List.of(
            command(Group.ROOM, "Go to Room", "walls"),
            command(Group.ROOM, "Materials", "absorption carpet"),
            command(Group.ROOM, "Model", "measured"),
            command(Group.EDIT, "Undo", "take back"),
            new Command(
                Group.VIEW,
                "Larger text",
                "zoom",
                Command.shortcut(KeyCode.EQUALS),
                () -> done.add("larger"))));
  }

  private List<String> found(String typed) {
    return some().find(typed).stream().map(e -> e.getValue().name()).toList();
  }

  @Test
  @DisplayName(
      "each has a path of its own: its group's character and a letter, of its name where free")
  void paths() {
    assertThat(some().all().keySet()).containsExactly("3g", "3m", "3o", "8u", "9l");
    List<Command> many = new ArrayList<>();
    for (int i = 0; i < 30; i++) {
      many.add(command(Group.MIC, "Same name", "" + i));
    }
    assertThat(new Commands(many).all()).hasSize(30).allSatisfy((p, c) -> assertThat(p).hasSize(2));
  }

  @Test
  @DisplayName("found by the beginnings of words, of names first, of what it is about after")
  void words() {
    assertThat(found("mat")).containsExactly("Materials");
    assertThat(found("carp")).containsExactly("Materials");
    assertThat(found("room mod")).containsExactly("Model");
    assertThat(found("ZOOM")).containsExactly("Larger text");
    assertThat(found("3")).containsExactly("Go to Room", "Materials", "Model");
    assertThat(found("3o")).containsExactly("Model");
    assertThat(found("back")).containsExactly("Undo");
    assertThat(found("nothing so")).isEmpty();
    assertThat(found(" ")).isEmpty();
  }

  @Test
  @DisplayName("its key does it, with the modifier only")
  void keys() {
    assertThat(some().on(key(true))).isPresent();
    assertThat(some().on(key(false))).isEmpty();
  }

  private static KeyEvent key(boolean control) {
    return new KeyEvent(KeyEvent.KEY_PRESSED, "", "", KeyCode.EQUALS, false, control, false, false);
  }
}
