package nullroom.app.shell;

import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nullroom.app.control.Wrapped;
import nullroom.app.help.Glossary;
import nullroom.app.help.HelpPage;

/** Help in the program: a few pages, and what the words mean. */
public final class HelpSheet {
  private static final double LINE_WIDTH = 720;

  private static final String KEYS = "keys";

  private final Sheets sheets;
  private final Commands commands;
  private final VBox shown = new VBox(10);
  private final FlowPane contents = new FlowPane(6, 4);
  private final VBox content = new VBox(14, contents, shown);

  /** Help that lies over the stations. */
  public HelpSheet(Sheets sheets, Commands commands) {
    this.sheets = sheets;
    this.commands = commands;
    for (HelpPage page : HelpPage.all()) {
      contents.getChildren().add(link("help-" + page.id(), page.title(), () -> show(page)));
    }
    contents.getChildren().add(link("help-words", "What the words mean", () -> words("")));
  }

  private static Button link(String id, String words, Runnable action) {
    Button link = new Button(words);
    link.setId(id);
    link.getStyleClass().addAll("plain", "link");
    link.setOnAction(e -> action.run());
    return link;
  }

  /** Opens a page by its id; the first where there is none of it. */
  public void open(String id) {
    List<HelpPage> pages = HelpPage.all();
    HelpPage page =
        pages.stream().filter(p -> p.id().equals(id)).findFirst().orElse(pages.getFirst());
    sheets.open("Help", content, contents.getChildren().getFirst());
    show(page);
  }

  /** Opens the list of words, with what was typed looked for. */
  public void openWords(String typed) {
    sheets.open("What the words mean", content, shown);
    words(typed);
  }

  private void show(HelpPage page) {
    Label title = new Wrapped(page.title(), "question");
    title.setId("help-title");
    shown.getChildren().setAll(title);
    for (String paragraph : page.paragraphs()) {
      Label text = new Wrapped(paragraph, "help-text");
      text.setMaxWidth(LINE_WIDTH);
      shown.getChildren().add(text);
    }
    if (page.id().equals(KEYS)) {
      shown.getChildren().add(keys());
    }
  }

  /**
   * Every command that has a key of its own, group by group, with what the searcher takes for it.
   */
  private GridPane keys() {
    GridPane keys = new GridPane(18, 6);
    keys.setId("all-keys");
    commands
        .all()
        .forEach((path, command) -> {
          if (command.key().isPresent()) {
            Label key = new Label(command.keyWords());
            key.getStyleClass().add("row-name");
            Label typed = new Label(path);
            typed.getStyleClass().add("command-letter");
            keys.addRow(keys.getRowCount(), key, new Label(command.name()), typed);
          }
        });
    return keys;
  }

  private void words(String typed) {
    TextField field = new TextField(typed);
    field.setId("find-word");
    field.setAccessibleText("look for a word");
    field.setPromptText("Look for a word");
    field.setMaxWidth(LINE_WIDTH);
    VBox list = new VBox(6);
    list.setId("words");
    field.textProperty().subscribe(text -> list.getChildren().setAll(lines(text)));
    shown.getChildren().setAll(field, list);
    javafx.application.Platform.runLater(field::requestFocus);
  }

  private static List<HBox> lines(String typed) {
    List<HBox> lines = Glossary.shipped().find(typed).stream().map(HelpSheet::line).toList();
    return lines.isEmpty()
        ? List.of(
            new HBox(new Wrapped("No word of this program holds that. Fewer letters find more.")))
        : lines;
  }

  private static HBox line(Glossary.Term term) {
    Label name = new Wrapped(String.join(", ", term.forms()), "row-name");
    name.setMinWidth(190);
    name.setMaxWidth(190);
    Label meaning = new Wrapped(term.meaning());
    meaning.setMaxWidth(LINE_WIDTH - 200);
    HBox.setHgrow(meaning, Priority.ALWAYS);
    HBox line = new HBox(10, name, meaning);
    line.setAlignment(Pos.TOP_LEFT);
    return line;
  }
}
