package nullroom.app.desktop;

import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import nullroom.app.shell.Sheets;
import nullroom.app.shell.StationContext;
import nullroom.core.Trouble;

/** Asks for another name of the book. */
final class RenameSheet {
  private RenameSheet() {}

  static void open(Sheets sheets, StationContext context) {
    TextField name = new TextField(context.session().book().name());
    name.setId("field-rename");
    name.setAccessibleText("name of the book");
    name.setPrefColumnCount(30);
    Label trouble = new Label();
    trouble.getStyleClass().add("field-trouble");
    Button rename = new Button("Rename the book");
    rename.setId("rename");
    rename.getStyleClass().add("action");
    rename.setOnAction(e -> {
      try {
        context.session().edit("Rename the book", b -> b.named(name.getText()));
        sheets.close();
      } catch (Trouble t) {
        trouble.setText(t.line());
      }
    });
    name.setOnAction(e -> rename.fire());
    Label folder =
        new Label(
            "Its folder keeps its own name, so that nothing that points there is lost: "
                + context.session().folder().path());
    folder.setWrapText(true);
    folder.getStyleClass().add("soft");
    sheets.open(
        "What is this book called?",
        new VBox(10, new HBox(8, name, rename), trouble, folder),
        name);
  }
}
