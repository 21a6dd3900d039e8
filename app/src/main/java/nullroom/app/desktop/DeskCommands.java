package nullroom.app.desktop;

import static nullroom.app.shell.Command.shiftShortcut;
import static nullroom.app.shell.Command.shortcut;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import nullroom.app.shell.Command;
import nullroom.app.shell.FolderShow;
import nullroom.app.shell.Group;
import nullroom.app.shell.Preferences;

/** The commands about books, about how the window looks, and the sheets that lie over it. */
final class DeskCommands {
  private DeskCommands() {}

  static List<Command> of(
      Composition window, Preferences preferences, Optional<BookActions> books) {
    List<Command> all = new ArrayList<>();
    books.ifPresent(b -> all.addAll(others(b)));
    all.addAll(
        List.of(
            new Command(
                Group.BOOKS,
                "Rename this book",
                "title name call",
                () -> RenameSheet.open(window.shell().sheets(), window.context())),
            new Command(
                Group.BOOKS,
                "Show this book's folder",
                "files explorer finder where kept",
                () ->
                    window
                        .work()
                        .attempt(
                            () -> FolderShow.show(window.session().folder().path()), () -> {})),
            new Command(
                Group.SOUND,
                "Show the recordings of this book",
                "sounds list play delete export takes files",
                shortcut(KeyCode.R),
                () -> new RecordingsSheet(window).open())));
    all.addAll(view(window, preferences));
    return all;
  }

  private static List<Command> others(BookActions books) {
    return List.of(
        new Command(
            Group.BOOKS,
            "New book, or open another",
            "start page room recent begin create",
            shortcut(KeyCode.O),
            books::start),
        new Command(
            Group.BOOKS,
            "Duplicate this book",
            "copy recordings",
            shiftShortcut(KeyCode.D),
            books::duplicate),
        new Command(
            Group.BOOKS, "Put this book away", "delete remove close archive", books::putAway),
        new Command(Group.BOOKS, "Look at the demo", "loft bakery example sample", books::demo),
        new Command(
            Group.BOOKS, "Quit", "end close exit program", shortcut(KeyCode.Q), books::quit));
  }

  private static List<Command> view(Composition window, Preferences preferences) {
    return List.of(
        new Command(
            Group.VIEW,
            "Lamp off, or on",
            "dark light theme night paper",
            shiftShortcut(KeyCode.L),
            () ->
                preferences
                    .themeProperty()
                    .set(
                        window.shell().isLampOff()
                            ? Preferences.Theme.PAPER
                            : Preferences.Theme.LAMP_OFF)),
        new Command(
            Group.VIEW,
            "Larger text",
            "bigger zoom in size",
            shortcut(KeyCode.EQUALS),
            () -> step(preferences, 1)),
        new Command(
            Group.VIEW,
            "Smaller text",
            "zoom out size",
            shortcut(KeyCode.MINUS),
            () -> step(preferences, -1)),
        new Command(
            Group.VIEW,
            "In feet, or in metres",
            "units imperial metric inches lengths",
            () -> preferences.unitsProperty().set(preferences.unitsProperty().get().other())),
        new Command(
            Group.VIEW,
            "Preferences",
            "settings options units comma currency theme text size device input output folder",
            shortcut(KeyCode.COMMA),
            window::showPreferences));
  }

  private static void step(Preferences preferences, int by) {
    List<Integer> sizes = Preferences.TEXT_PERCENT;
    int at = sizes.indexOf(preferences.textPercentProperty().get()) + by;
    preferences.textPercentProperty().set(sizes.get(Math.clamp(at, 0, sizes.size() - 1)));
  }
}
