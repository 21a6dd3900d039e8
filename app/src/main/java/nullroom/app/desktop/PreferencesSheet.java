package nullroom.app.desktop;

import java.io.File;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.beans.property.BooleanProperty;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import nullroom.app.control.Choice;
import nullroom.app.shell.Inputs;
import nullroom.app.shell.Preferences;
import nullroom.app.shell.Sheets;
import nullroom.app.shell.StationContext;
import nullroom.app.shell.Units;
import nullroom.app.words.Language;
import nullroom.io.device.Loudspeaker;

/** What a person settles for all books; each takes effect at once. */
final class PreferencesSheet {
  private static final String MONEY = "no mark";

  private final GridPane grid = new GridPane(18, 12);
  private int row;

  private PreferencesSheet() {}

  static void open(Sheets sheets, Preferences preferences, StationContext context) {
    PreferencesSheet sheet = new PreferencesSheet();
    Node first =
        sheet.choice(
            "Language",
            "pref-language",
            List.of(Language.values()),
            Language::label,
            preferences.languageProperty().get(),
            preferences.languageProperty()::set);
    sheet.choice(
        "Lengths",
        "pref-units",
        List.of(Units.values()),
        Units::label,
        preferences.unitsProperty().get(),
        preferences.unitsProperty()::set);
    sheet.choice(
        "Figures",
        "pref-comma",
        List.of(false, true),
        comma -> comma ? "decimal comma: 0,62" : "decimal point: 0.62",
        preferences.decimalCommaProperty().get(),
        preferences.decimalCommaProperty()::set);
    sheet.choice(
        "Money",
        "pref-currency",
        Preferences.CURRENCIES,
        mark -> mark.isEmpty() ? MONEY : mark,
        preferences.currencyProperty().get(),
        preferences.currencyProperty()::set);
    sheet.choice(
        "Theme",
        "pref-theme",
        List.of(Preferences.Theme.values()),
        Preferences.Theme::label,
        preferences.themeProperty().get(),
        preferences.themeProperty()::set);
    sheet.choice(
        "Text size",
        "pref-text",
        Preferences.TEXT_PERCENT,
        percent -> percent + " %",
        preferences.textPercentProperty().get(),
        preferences.textPercentProperty()::set);
    sheet.flag("Questions", "ask before a recording is deleted", preferences.asksBeforeProperty());
    sheet.choice(
        "Input",
        "pref-input",
        context.inputs().all(),
        Inputs.Input::name,
        context.inputs().chosenProperty().get(),
        context.inputs().chosenProperty()::set);
    List<String> outputs = new ArrayList<>(List.of(""));
    outputs.addAll(Loudspeaker.outputs());
    sheet.choice(
        "Output",
        "pref-output",
        outputs,
        name -> name.isEmpty() ? "the system’s own" : name,
        preferences.outputProperty().get(),
        preferences.outputProperty()::set);
    sheet.books(preferences);
    sheets.open("Preferences", sheet.grid, first);
  }

  private void line(String name, Region control) {
    Label label = new Label(name);
    label.getStyleClass().add("row-name");
    label.setMinWidth(Region.USE_PREF_SIZE);
    grid.addRow(row++, label, control);
  }

  private <T> Node choice(
      String name, String id, List<T> items, Function<T, String> label, T now, Consumer<T> set) {
    Choice<T> choice = new Choice<>(id, name, items, label, set);
    choice.show(now);
    choice.setMinWidth(Region.USE_PREF_SIZE);
    line(name, choice);
    return choice;
  }

  private void flag(String name, String words, BooleanProperty flag) {
    CheckBox box = new CheckBox(words);
    box.setSelected(flag.get());
    box.selectedProperty().subscribe(flag::set);
    box.setWrapText(true);
    line(name, box);
  }

  private void books(Preferences preferences) {
    Label where = new Label();
    where.setWrapText(true);
    Runnable show =
        () -> {
          String settled = preferences.booksFolderProperty().get();
          where.setText(settled.isEmpty() ? Home.here().books() + " (the usual place)" : settled);
        };
    Button other = new Button("Another folder…");
    other.setOnAction(e -> {
      File chosen = new DirectoryChooser().showDialog(other.getScene().getWindow());
      Optional.ofNullable(chosen)
          .ifPresent(f -> preferences.booksFolderProperty().set(f.getPath()));
      show.run();
    });
    Button usual = new Button("The usual place");
    usual.setOnAction(e -> {
      preferences.booksFolderProperty().set("");
      show.run();
    });
    show.run();
    line("New books", new VBox(6, where, new FlowPane(8, 4, other, usual)));
  }
}
