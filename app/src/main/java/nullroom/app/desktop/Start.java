package nullroom.app.desktop;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nullroom.app.control.Choice;
import nullroom.app.control.FilePick;
import nullroom.app.control.NumberField;
import nullroom.app.shell.Units;
import nullroom.app.words.Language;
import nullroom.core.Trouble;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.book.Goal;
import nullroom.core.room.FirstRoom;

/** Where to begin: go on with a book, begin with a room or a recording, or look at the demo. */
final class Start {
  /** What the user wants to begin with. */
  sealed interface Way {
    /** The room that ships with the program. */
    record Demo(boolean fresh) implements Way {}

    /** A book that is there. */
    record Book(Path folder) implements Way {}

    /** The save before the last of a damaged book. */
    record Restore(Path folder) implements Way {}

    /** A book from the old place, to be kept with the others from now on. */
    record MoveHere(Path folder) implements Way {}

    /**
     * A box.
     *
     * @param device what is recorded with; empty where that is not known yet
     * @param metres length, width and height; empty for what nobody said
     */
    record NewRoom(
        String name, Goal goal, Optional<MicrophoneType> device, List<Optional<Double>> metres)
        implements Way {
      public NewRoom {
        metres = List.copyOf(metres);
      }
    }

    /** A recording of a room. */
    record Recording(Path file) implements Way {}
  }

  /**
   * What there is to choose from.
   *
   * @param notice why the last book is not open, in a sentence; empty on a first start
   * @param damaged a book whose save before the last is whole
   * @param recent the books opened last
   * @param shelves folders that hold books
   * @param old books in the old place
   * @param demoKept whether the demo was changed before
   */
  record Offer(
      String notice,
      Optional<Path> damaged,
      List<Path> recent,
      List<Path> shelves,
      List<Path> old,
      boolean demoKept) {
    /** What somebody is offered who has nothing yet. */
    static Offer first() {
      return new Offer("", Optional.empty(), List.of(), List.of(), List.of(), false);
    }

    Offer {
      recent = List.copyOf(recent);
      shelves = List.copyOf(shelves);
      old = List.copyOf(old);
    }
  }

  private final VBox box = new VBox();
  private final ScrollPane scroll = new ScrollPane(box);
  private final Consumer<Way> onChoice;
  private final Units units;
  private final List<Optional<Double>> size =
      new ArrayList<>(List.of(Optional.empty(), Optional.empty(), Optional.empty()));
  private Optional<MicrophoneType> device = Optional.empty();
  private String name = Language.say("My room");
  private Goal goal = Goal.SPOKEN_ON_CAMERA;

  /** The page. */
  Start(Offer offer, Units units, Consumer<Way> onChoice) {
    this.onChoice = onChoice;
    this.units = units;
    Label question = new Label("Where do you record?");
    question.getStyleClass().add("question");
    Label answer =
        new Label(
            offer.notice().isEmpty()
                ? "Pick a way in. Nothing leaves this computer, and everything is saved by itself."
                : offer.notice() + ".");
    answer.setId("start-notice");
    answer.setWrapText(true);
    answer.setMinHeight(Region.USE_PREF_SIZE);
    answer.getStyleClass().add("answer");
    FlowPane ways = new FlowPane(room(), recording(), demo(offer.demoKept()));
    ways.getStyleClass().add("ways");
    box.getChildren().addAll(question, answer);
    offer.damaged().ifPresent(book -> box.getChildren().add(restore(book)));
    BookList books = new BookList(offer, onChoice);
    box.getChildren().addAll(books.node(), ways, books.foot());
    box.getStyleClass().add("start");
    scroll.setFitToWidth(true);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    scroll.setFocusTraversable(false);
    scroll.getStyleClass().addAll("root-pane", "paper", "start-scroll");
    drops();
  }

  private Button restore(Path book) {
    Button restore = new Button("Open the save before it");
    restore.setId("restore");
    restore.getStyleClass().add("action");
    restore.setOnAction(e -> onChoice.accept(new Way.Restore(book)));
    return restore;
  }

  private void drops() {
    scroll.setOnDragOver(e -> {
      if (e.getDragboard().hasFiles()) {
        e.acceptTransferModes(TransferMode.COPY);
      }
    });
    scroll.setOnDragDropped(e -> {
      if (e.getDragboard().hasFiles() && !e.getDragboard().getFiles().isEmpty()) {
        Path file = e.getDragboard().getFiles().getFirst().toPath();
        onChoice.accept(
            java.nio.file.Files.isDirectory(file) ? new Way.Book(file) : new Way.Recording(file));
      }
    });
  }

  /** Shown while the demo's recordings are made, or where they could not be. */
  static Region preparing(String words) {
    Label question = new Label("The loft over the bakery");
    question.getStyleClass().add("question");
    Label answer = new Label(words);
    answer.setWrapText(true);
    answer.getStyleClass().add("answer");
    VBox box = new VBox(question, answer);
    box.getStyleClass().addAll("root-pane", "paper", "start");
    return box;
  }

  Region node() {
    return scroll;
  }

  private VBox room() {
    VBox way =
        way(
            "In a room of my own",
            "Three questions are enough to begin: what you record with, where, and how you speak or sing. What you do not know yet stays open.");
    way.getChildren().addAll(named(), row("With", device()));
    List<NumberField> fields = new ArrayList<>();
    String[] names = {"Length", "Width", "Height"};
    for (int i = 0; i < names.length; i++) {
      int axis = i;
      NumberField field =
          new NumberField(
              names[i],
              units.unit(),
              0.5,
              axis == 2 ? 10 : 30,
              metres -> size.set(axis, Optional.of(metres)));
      field.setEntry(units.field());
      field.setOnNothing(() -> size.set(axis, Optional.empty()));
      field.setUsual(Optional.of(FirstRoom.METRES.get(axis)));
      fields.add(field);
      way.getChildren().add(field);
    }
    Choice<Goal> voice =
        new Choice<>(
            "start-goal",
            "how you record your voice",
            List.of(Goal.values()),
            Goal::label,
            g -> goal = g);
    voice.show(goal);
    way.getChildren().add(row("Voice", voice));
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
          onChoice.accept(new Way.NewRoom(name, goal, device, size));
        } catch (Trouble t) {
          trouble.setText(t.line());
        }
      }
    });
    scroll.addEventFilter(
        KeyEvent.KEY_PRESSED,
        e -> {
          if (e.getCode() == KeyCode.ENTER) {
            e.consume();
            (e.getTarget() instanceof Button button ? button : begin).fire();
          }
        });
    way.getChildren().addAll(begin, trouble);
    return way;
  }

  private Choice<Optional<MicrophoneType>> device() {
    List<Optional<MicrophoneType>> all = new ArrayList<>(List.of(Optional.empty()));
    MicrophoneType.ALL.forEach(t -> all.add(Optional.of(t)));
    Choice<Optional<MicrophoneType>> choice =
        new Choice<>(
            "start-device",
            "what you record with",
            all,
            t -> t.map(MicrophoneType::label).orElse("I do not know yet"),
            t -> device = t);
    choice.show(device);
    return choice;
  }

  private HBox named() {
    TextField field = new TextField(name);
    field.setId("field-book-name");
    field.setAccessibleText("name of the book");
    field.textProperty().subscribe(text -> name = text);
    return row("Name", field);
  }

  private static HBox row(String name, Region control) {
    Label label = new Label(name);
    label.getStyleClass().add("field-name");
    HBox row = new HBox(label, control);
    row.getStyleClass().add("row");
    return row;
  }

  private VBox recording() {
    VBox way =
        way(
            "I have a recording",
            "A film or sound file from a phone is enough: ten seconds of quiet, twenty of talk where you usually stand, three claps, in any order. Dropped here or opened; the file itself is not changed.");
    way.getChildren().add(FilePick.button(file -> onChoice.accept(new Way.Recording(file))));
    return way;
  }

  private VBox demo(boolean kept) {
    VBox way =
        way(
            "Show me one first",
            "A made-up loft over a bakery, measured, with its fan and its slope. Change what you like; it is a copy.");
    way.getChildren().add(look("look", kept ? "Go on in the loft" : "Look around the loft", false));
    if (kept) {
      way.getChildren().add(look("look-fresh", "Begin again with a fresh loft", true));
    }
    return way;
  }

  private Button look(String id, String words, boolean fresh) {
    Button look = new Button(words);
    look.setId(id);
    look.setOnAction(e -> {
      look.setDisable(true);
      look.setText("Preparing the loft …");
      onChoice.accept(new Way.Demo(fresh));
    });
    return look;
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
