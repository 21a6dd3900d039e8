package nullroom.app.shell;

import static nullroom.app.shell.Command.shiftShortcut;
import static nullroom.app.shell.Command.shortcut;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.beans.binding.Bindings;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import nullroom.core.book.Goal;
import nullroom.core.book.Place;

/** The commands that every window has: its stations with their pages, undo, listening, "why?". */
final class WindowCommands {
  private WindowCommands() {}

  /** A command for each station, and one for each page of it. */
  static List<Command> stations(List<OpenStation> stations, ObjectProperty<Station> shown) {
    List<Command> all = new ArrayList<>();
    for (OpenStation open : stations) {
      Station station = open.station();
      Group group = Group.of(station);
      KeyCode digit = KeyCode.getKeyCode(String.valueOf(group.key()));
      all.add(
          new Command(
              group,
              "Go to " + station.label(),
              station.question(),
              shortcut(digit),
              () -> shown.set(station)));
      for (OpenStation.PageRef page : open.pages()) {
        all.add(
            new Command(
                group,
                page.label(),
                page.hint(),
                () -> {
                  shown.set(station);
                  page.show().run();
                }));
      }
    }
    return all;
  }

  /** Those of the window itself. */
  static List<Command> of(StationContext context, Runnable onSpace, Runnable foldLadder) {
    BookSession session = context.session();
    List<Command> all = new ArrayList<>(goals(context));
    all.addAll(
        List.of(
            step(
                "Undo",
                "take back the last change",
                shortcut(KeyCode.Z),
                session.undoNameProperty(),
                () -> context.work().attempt(context::undo, () -> {})),
            step(
                "Redo",
                "repeat the change taken back",
                shiftShortcut(KeyCode.Z),
                session.redoNameProperty(),
                () -> context.work().attempt(context::redo, () -> {})),
            new Command(
                Group.SOUND,
                "Listen, or stop listening",
                "microphone input live level space start record",
                onSpace),
            new Command(
                    Group.SOUND,
                    "Stop what is under way",
                    "cancel end work recording measuring",
                    context.work()::cancel)
                .when(context.work().runningProperty()),
            new Command(
                Group.VIEW,
                "Fold the ladder away, or show it",
                "right column hide space wider picture",
                shortcut(KeyCode.L),
                foldLadder)));
    all.addAll(help(context));
    return all;
  }

  private static List<Command> help(StationContext context) {
    return List.of(
        new Command(
            Group.HELP,
            "Help",
            "how to begin explain manual guide",
            new KeyCodeCombination(KeyCode.F1),
            () -> context.showHelp("start")),
        new Command(
            Group.HELP,
            "What the words mean",
            "glossary terms dictionary explain",
            shortcut(KeyCode.G),
            () -> context.showHelp("words")),
        new Command(Group.HELP, "Keys", "keyboard shortcuts space", () -> context.showHelp("keys")),
        new Command(
            Group.HELP,
            "My claps are rejected",
            "too soft clipped near",
            () -> context.showHelp("claps")),
        new Command(
            Group.HELP, "No level scale", "calibrate dB SPL", () -> context.showHelp("scale")),
        new Command(Group.HELP, "It hums", "mains 50 60 Hz", () -> context.showHelp("hum")),
        new Command(
            Group.HELP,
            "Ask why the weakest figure is so",
            "explain reason source formula uncertainty",
            () -> context.askWhy(context.session().verdicts().weakest().name())));
  }

  /** What the rail offers where it is wide enough. */
  private static List<Command> goals(StationContext context) {
    BookSession session = context.session();
    List<Command> all = new ArrayList<>();
    for (Goal goal : Goal.values()) {
      all.add(
          new Command(
              Group.EDIT,
              "Record " + goal.label().toLowerCase(Locale.ROOT).replace(", ", " "),
              "goal target voice",
              () -> context.attempt("Change the goal", b -> b.with(goal))));
    }
    all.add(
        new Command(
            Group.EDIT,
            "Go to the next place of the book",
            "room other spot",
            () -> {
              List<String> names = session.book().places().stream().map(Place::name).toList();
              int next = (names.indexOf(session.book().here().name()) + 1) % names.size();
              context.work().attempt(() -> context.goTo(names.get(next)), () -> {});
            }));
    return all;
  }

  private static Command step(
      String name,
      String about,
      KeyCodeCombination key,
      ReadOnlyStringProperty step,
      Runnable action) {
    return new Command(
        Group.EDIT,
        name,
        about,
        Optional.of(key),
        Bindings.createBooleanBinding(() -> !step.get().isEmpty(), step),
        action);
  }
}
