package nullroom.app.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * "What do you want to do?": all commands, group by group, until something is typed; then those
 * that fit. A group's character and a command's do it at once.
 */
final class CommandSheet {
  private static final String TITLE = "What do you want to do?";

  private final Sheets sheets;
  private final Commands commands;
  private final TextField field = new TextField();
  private final VBox shown = new VBox();
  private final VBox content = new VBox(12, field, shown);
  private List<Button> rows = List.of();
  private int marked;

  CommandSheet(Sheets sheets, Commands commands) {
    this.sheets = sheets;
    this.commands = commands;
    field.setId("do");
    field.setAccessibleText(TITLE);
    field.setPromptText("Type words, or a group's character and a command's.");
    field.textProperty().subscribe(this::show);
    field.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    content.getStyleClass().add("command-sheet");
  }

  void open() {
    field.clear();
    show("");
    sheets.open(TITLE, content, field);
  }

  private void show(String typed) {
    Command exact = commands.all().get(typed.strip().toLowerCase(java.util.Locale.ROOT));
    if (exact != null && exact.ready().get()) {
      run(exact);
      return;
    }
    rows = new ArrayList<>();
    if (typed.isBlank()) {
      shown.getChildren().setAll(groups());
      return;
    }
    List<Map.Entry<String, Command>> found = commands.find(typed);
    shown.getChildren().clear();
    if (found.isEmpty()) {
      Label none = new Label("Nothing is called so. Fewer letters find more; no letters show all.");
      none.setWrapText(true);
      shown.getChildren().add(none);
    }
    for (Map.Entry<String, Command> e : found) {
      shown.getChildren().add(row(e.getKey(), e.getValue(), true));
    }
    mark(0);
  }

  private Node groups() {
    FlowPane all = new FlowPane(24, 16);
    for (Group group : Group.values()) {
      VBox box = new VBox();
      box.getStyleClass().add("command-group");
      Label heading = new Label(group.key() + "  " + group.label());
      heading.getStyleClass().add("heading");
      box.getChildren().add(heading);
      commands
          .all()
          .forEach((path, command) -> {
            if (command.group() == group) {
              box.getChildren().add(row(path, command, false));
            }
          });
      if (box.getChildren().size() > 1) {
        all.getChildren().add(box);
      }
    }
    return all;
  }

  private Button row(String path, Command command, boolean withGroup) {
    Label letter = new Label(withGroup ? path : path.substring(1));
    letter.getStyleClass().add("command-letter");
    Label name =
        new Label(withGroup ? command.group().label() + ": " + command.name() : command.name());
    name.setMinWidth(Region.USE_PREF_SIZE);
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    Label key = new Label(command.keyWords());
    key.getStyleClass().add("soft");
    key.setMinWidth(Region.USE_PREF_SIZE);
    HBox line = new HBox(8, letter, name, gap, key);
    line.setAlignment(Pos.CENTER_LEFT);
    Button row = new Button();
    row.setGraphic(line);
    row.setAccessibleText(
        command.group().label() + ": " + command.name() + " " + command.keyWords());
    row.setMaxWidth(Double.MAX_VALUE);
    row.getStyleClass().add("command-row");
    row.disableProperty().bind(javafx.beans.binding.Bindings.not(command.ready()));
    row.setOnAction(e -> run(command));
    line.minWidthProperty().bind(row.widthProperty().subtract(16));
    rows.add(row);
    return row;
  }

  private void run(Command command) {
    sheets.close();
    command.action().run();
  }

  private void key(KeyEvent e) {
    if (e.getCode() == KeyCode.DOWN || e.getCode() == KeyCode.UP) {
      if (field.getText().isBlank() && !rows.isEmpty()) {
        rows.getFirst().requestFocus();
      } else {
        mark(marked + (e.getCode() == KeyCode.DOWN ? 1 : -1));
      }
      e.consume();
    } else if (e.getCode() == KeyCode.ENTER && !field.getText().isBlank() && !rows.isEmpty()) {
      rows.get(marked).fire();
      e.consume();
    }
  }

  private void mark(int row) {
    marked = Math.clamp(row, 0, Math.max(0, rows.size() - 1));
    for (int i = 0; i < rows.size(); i++) {
      rows.get(i).getStyleClass().remove("marked");
      if (i == marked) {
        rows.get(i).getStyleClass().add("marked");
      }
    }
  }
}
