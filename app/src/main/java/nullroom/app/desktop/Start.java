package nullroom.app.desktop;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nullroom.app.control.FilePick;
import nullroom.app.control.NumberField;
import nullroom.core.Trouble;

/** The first start: look at the demo, begin with one's own room, or bring a recording. */
final class Start {
  /** What the user wants to begin with. */
  sealed interface Choice {
    /** The room that ships with the program. */
    record Demo() implements Choice {}

    /** A box of this size, metres. */
    record NewRoom(double length, double width, double height) implements Choice {}

    /** A recording of a room. */
    record Recording(Path file) implements Choice {}
  }

  private final VBox box = new VBox();
  private final double[] size = {4, 3, 2.4};

  /**
   * The choice.
   *
   * @param notice why the last book is not open, in a sentence; empty on a first start
   */
  Start(String notice, Consumer<Choice> onChoice) {
    Label question = new Label("Where do you record?");
    question.getStyleClass().add("question");
    Label answer =
        new Label(
            notice.isEmpty()
                ? "Pick a way in. Nothing leaves this computer, and everything is saved by itself."
                : notice + ".");
    answer.setWrapText(true);
    answer.getStyleClass().add("answer");
    HBox ways = new HBox(room(onChoice), recording(onChoice), demo(onChoice));
    ways.getStyleClass().add("ways");
    box.getChildren().addAll(question, answer, ways);
    box.getStyleClass().addAll("root-pane", "paper", "start");
    box.setOnDragOver(e -> {
      if (e.getDragboard().hasFiles()) {
        e.acceptTransferModes(TransferMode.COPY);
      }
    });
    box.setOnDragDropped(e -> {
      if (e.getDragboard().hasFiles() && !e.getDragboard().getFiles().isEmpty()) {
        onChoice.accept(new Choice.Recording(e.getDragboard().getFiles().getFirst().toPath()));
      }
    });
  }

  /** Shown while the demo's recordings are made, or where they could not be. */
  static Parent preparing(String words) {
    Label question = new Label("The loft over the bakery");
    question.getStyleClass().add("question");
    Label answer = new Label(words);
    answer.getStyleClass().add("answer");
    VBox box = new VBox(question, answer);
    box.getStyleClass().addAll("root-pane", "paper", "start");
    return box;
  }

  Parent node() {
    return box;
  }

  private VBox room(Consumer<Choice> onChoice) {
    VBox way = way("In a room of my own", "Three lengths from a tape measure are enough to begin.");
    List<NumberField> fields = new ArrayList<>();
    String[] names = {"Length", "Width", "Height"};
    for (int i = 0; i < names.length; i++) {
      int axis = i;
      NumberField field =
          new NumberField(names[i], "m", 0.5, axis == 2 ? 10 : 30, metres -> size[axis] = metres);
      field.show(size[i]);
      fields.add(field);
      way.getChildren().add(field);
    }
    Button begin = new Button("Begin with this room");
    begin.setId("begin");
    begin.getStyleClass().add("action");
    Label trouble = new Label();
    trouble.setId("start-trouble");
    trouble.getStyleClass().add("field-trouble");
    trouble.setWrapText(true);
    begin.setOnAction(e -> {
      if (fields.stream().allMatch(NumberField::isGood)) {
        try {
          onChoice.accept(new Choice.NewRoom(size[0], size[1], size[2]));
        } catch (Trouble t) {
          trouble.setText(t.line());
        }
      }
    });
    way.getChildren().addAll(begin, trouble);
    return way;
  }

  private static VBox recording(Consumer<Choice> onChoice) {
    VBox way =
        way(
            "I have a recording",
            "A film or sound file from a phone is enough: ten seconds of quiet, twenty of talk where you usually stand, three claps, in any order. Dropped here or opened; the file itself is not changed.");
    way.getChildren().add(FilePick.button(file -> onChoice.accept(new Choice.Recording(file))));
    return way;
  }

  private static VBox demo(Consumer<Choice> onChoice) {
    VBox way =
        way(
            "Show me one first",
            "A made-up loft over a bakery, measured, with its fan and its slope. Change what you like; it is a copy.");
    Button look = new Button("Look around the loft");
    look.setId("look");
    look.setOnAction(e -> {
      look.setDisable(true);
      look.setText("Preparing the loft …");
      onChoice.accept(new Choice.Demo());
    });
    way.getChildren().add(look);
    return way;
  }

  private static VBox way(String name, String words) {
    Label heading = new Label(name);
    heading.getStyleClass().add("move-name");
    Label text = new Label(words);
    text.setWrapText(true);
    text.setMinHeight(Region.USE_PREF_SIZE);
    VBox way = new VBox(heading, text);
    way.getStyleClass().add("way");
    return way;
  }
}
