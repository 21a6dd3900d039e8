package nullroom.app.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import nullroom.app.Fx;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** "What do you want to do?", typed. */
class CommandSheetTest {
  private final List<String> done = new ArrayList<>();
  private Sheets sheets;
  private Commands commands;
  private CommandSheet sheet;
  private Scene scene;

  @BeforeAll
  static void toolkit() {
    Fx.start();
  }

  @BeforeEach
  void open() {
    List<Command> all = new ArrayList<>();
    for (Group group : Group.values()) {
      for (String name : List.of("Go there", "Gain", "Materials of " + group.label(), "Undo")) {
        all.add(new Command(group, name, "other words", () -> done.add(group + " " + name)));
      }
    }
    sheets = Fx.on(Sheets::new);
    commands = new Commands(all);
    sheet = Fx.on(() -> new CommandSheet(sheets, commands));
    scene = Fx.show(sheets, 1100, 700);
    Fx.run(sheet::open);
  }

  private TextField field() {
    return (TextField) Fx.await(() -> scene.lookup("#do"), f -> f != null);
  }

  private void press(KeyCode code) {
    TextField field = field();
    Fx.run(() ->
        field.fireEvent(
            new KeyEvent(KeyEvent.KEY_PRESSED, "", "", code, false, false, false, false)));
  }

  private List<Button> rows() {
    return Fx.on(
        () -> scene.getRoot().lookupAll(".command-row").stream().map(Button.class::cast).toList());
  }

  @Test
  @DisplayName("each command is done by the two characters of its path, and the sheet is gone")
  void paths() {
    List<String> paths = List.copyOf(commands.all().keySet());
    for (String path : paths) {
      Fx.run(sheet::open);
      TextField field = field();
      Fx.run(() -> field.setText(path.substring(0, 1)));
      assertThat(rows()).hasSize(4);
      Fx.run(() -> field.setText(path));
      assertThat(Fx.on(() -> sheets.openProperty().get())).isFalse();
    }
    assertThat(done).hasSize(paths.size()).doesNotHaveDuplicates();
  }

  @Test
  @DisplayName("words leave what fits; arrows choose, Enter does it; Escape puts the sheet away")
  void words() {
    TextField field = field();
    assertThat(rows()).hasSize(44);
    Fx.run(() -> field.setText("mat"));
    assertThat(rows()).hasSize(11);
    press(KeyCode.DOWN);
    press(KeyCode.DOWN);
    press(KeyCode.UP);
    press(KeyCode.ENTER);
    assertThat(done).containsExactly("RING Materials of Ring");
    Fx.run(sheet::open);
    Fx.run(() -> field.setText("nothing of the kind"));
    assertThat(rows()).isEmpty();
    press(KeyCode.ENTER);
    press(KeyCode.ESCAPE);
    assertThat(Fx.on(() -> sheets.openProperty().get())).isFalse();
    assertThat(done).hasSize(1);
  }
}
