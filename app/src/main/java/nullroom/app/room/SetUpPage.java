package nullroom.app.room;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.DoubleConsumer;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.RadioButton;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nullroom.app.control.Choice;
import nullroom.app.control.FoldAway;
import nullroom.app.control.FoldOut;
import nullroom.app.control.NameField;
import nullroom.app.control.NumberField;
import nullroom.app.control.Row;
import nullroom.app.control.SameFocus;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.acoustics.OwnVoice;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.room.Camera;
import nullroom.core.room.Movement;
import nullroom.core.room.PictureShape;
import nullroom.core.room.Point;
import nullroom.core.room.Posture;
import nullroom.core.room.Ride;
import nullroom.core.room.RoomItem;
import nullroom.core.room.Talker;

/** Who speaks, what listens, films and plays, one to a row. */
final class SetUpPage {
  private static final double PICTURE_HEIGHT = 250;
  private static final double LEAST_PICTURE_HEIGHT = 190;
  private static final double ROWS_HEIGHT = 190;
  private static final double JUDGED_WIDTH = 104;
  private static final double HIGHEST = 10;
  private static final double FURTHEST = 100;
  private static final double NAME_WIDTH = 100;
  private static final double CHOICE_WIDTH = 156;
  private static final double POSTURE_WIDTH = 96;

  /** Most that a talker leans, as far as they sit. */
  private static final double MOST_LEAN = 1;

  private static final double MOST_TURN = 120;

  private final SetUpModel model;
  private final StationContext context;
  private final FoldOut foldOut = new FoldOut();
  private final VBox list = new VBox(6);
  private final Label shared = new Wrapped("", "caution");
  private final VBox node;

  SetUpPage(RoomModel room, StationContext context) {
    model = room.setUp();
    this.context = context;
    foldOut.setAssumed(context.session().assumedProperty());
    foldOut.setItemHandler(room.itemHandler());
    foldOut.setPrefHeight(PICTURE_HEIGHT);
    foldOut.setMinHeight(LEAST_PICTURE_HEIGHT);
    Row add = new Row(new Label("One more:"));
    for (RoomItem.Kind kind :
        List.of(
            RoomItem.Kind.TALKER,
            RoomItem.Kind.MICROPHONE,
            RoomItem.Kind.CAMERA,
            RoomItem.Kind.LOUDSPEAKER)) {
      String word = Figures.word(kind);
      Button button = new Button(word);
      button.setId("one-more-" + word);
      button.setOnAction(e -> attempt(() -> model.add(kind)));
      add.getChildren().add(button);
    }
    ScrollPane rows = new ScrollPane(list);
    rows.setFitToWidth(true);
    rows.setPrefHeight(ROWS_HEIGHT);
    rows.setMinHeight(ROWS_HEIGHT / 2);
    Label key =
        new Wrapped(
            "What is ticked is judged. What rides on something follows it; drag it off and it is put down. Weigh stands down, tape"
                + " cables to the floor.",
            "caution");
    shared.setId("shared-space");
    shared.managedProperty().bind(shared.textProperty().isNotEmpty());
    node = new VBox(8, foldOut, new FoldAway("the rows", add, rows, key), add, rows, shared, key);
    VBox.setVgrow(foldOut, Priority.ALWAYS);
    VBox.setVgrow(rows, Priority.SOMETIMES);
    WhileShown.follow(node, this::refresh, context.session().bookProperty(), context.units());
    refresh();
  }

  VBox node() {
    return node;
  }

  private void attempt(Runnable edit) {
    context.work().attempt(edit, this::refresh);
  }

  private void refresh() {
    foldOut.show(context.session().book().room());
    shared.setText(String.join(" ", model.cautions()));
    SameFocus.through(
        list, () -> list.getChildren().setAll(model.items().stream().map(this::row).toList()));
  }

  private Row row(RoomItem item) {
    Row row = new Row(judged(item), name(item));
    row.getStyleClass().add("tight");
    row.getChildren()
        .addAll(
            switch (item.kind()) {
              case TALKER -> talker(item);
              case MICROPHONE -> List.of(rides(item), type(item));
              case LOUDSPEAKER -> List.of(level(item));
              case CAMERA -> List.of(rides(item), shape(item), lens(item));
              default -> List.of(rides(item));
            });
    Point at = model.member(item).it().at();
    row.getChildren()
        .addAll(
            length("along", at.x(), -FURTHEST, FURTHEST, x -> model.place(item, x, at.y())),
            length("across", at.y(), -FURTHEST, FURTHEST, y -> model.place(item, at.x(), y)),
            length("high", at.z(), 0, HIGHEST, z -> model.height(item, z)));
    Button out = new Button("Take out");
    out.getStyleClass().add("plain");
    out.setAccessibleText("take " + model.member(item).name() + " out");
    out.setDisable(model.needed(item));
    out.setOnAction(e -> attempt(() -> model.remove(item)));
    row.getChildren().add(out);
    return row;
  }

  private NumberField length(
      String name, double metres, double least, double most, DoubleConsumer change) {
    NumberField field = new NumberField(name, "m", least, most, change);
    field.setEntry(context.units().get().field());
    field.show(metres);
    return field;
  }

  private Node judged(RoomItem item) {
    if (item.kind() == RoomItem.Kind.LOUDSPEAKER) {
      Label plays = new Label("loudspeaker");
      plays.setMinWidth(JUDGED_WIDTH);
      return plays;
    }
    RadioButton judged = new RadioButton(Figures.word(item.kind()));
    judged.setMinWidth(JUDGED_WIDTH);
    judged.setId("judge-" + id(item));
    judged.setAccessibleText("judge " + model.member(item).name());
    judged.setSelected(model.judged(item));
    judged.setOnAction(e -> attempt(() -> model.judge(item)));
    return judged;
  }

  private static String id(RoomItem item) {
    return item.kind().name().toLowerCase(Locale.ROOT) + "-" + (item.index() + 1);
  }

  private Node name(RoomItem item) {
    String now = model.member(item).name();
    return new NameField(
        "name-" + id(item),
        now,
        now,
        NAME_WIDTH,
        typed -> attempt(() -> model.rename(item, typed)));
  }

  private Node rides(RoomItem item) {
    Choice<Optional<Ride>> rides =
        new Choice<>(
            "rides-" + id(item),
            "what " + model.member(item).name() + " rides on",
            model.rides(item),
            SetUpModel::words,
            ride -> attempt(() -> model.ride(item, ride)));
    rides.show(model.member(item).ride());
    rides.setPrefWidth(CHOICE_WIDTH);
    return rides;
  }

  private Node type(RoomItem item) {
    Choice<MicrophoneType> type =
        new Choice<>(
            "type-" + id(item),
            "type of " + model.member(item).name(),
            model.types(),
            MicrophoneType::label,
            chosen -> attempt(() -> model.type(item, chosen)));
    type.setNothing("a chain of your own");
    type.show(
        MicrophoneType.in(
                model.setUp().microphones().get(item.index()).it().capture(), model.types())
            .orElse(null));
    type.setPrefWidth(CHOICE_WIDTH);
    return type;
  }

  private Camera camera(RoomItem item) {
    return model.setUp().cameras().get(item.index()).it();
  }

  private Node shape(RoomItem item) {
    Choice<PictureShape> shape =
        new Choice<>(
            "shape-" + id(item),
            "picture of " + model.member(item).name(),
            List.of(PictureShape.values()),
            PictureShape::label,
            s -> attempt(() -> model.lens(item, camera(item).focalMillimetres(), s.ratio())));
    shape.setNothing("another shape");
    shape.show(PictureShape.of(camera(item).aspectRatio()).orElse(null));
    shape.setPrefWidth(CHOICE_WIDTH);
    return shape;
  }

  private Node lens(RoomItem item) {
    NumberField lens =
        new NumberField(
            "lens", "mm", 8, 1200, mm -> model.lens(item, mm, camera(item).aspectRatio()));
    lens.show(camera(item).focalMillimetres());
    return lens;
  }

  private Node posture(RoomItem item) {
    Choice<Posture> posture =
        new Choice<>(
            "posture-" + id(item),
            "whether " + model.member(item).name() + " sits or stands",
            List.of(Posture.values()),
            Posture::label,
            p -> attempt(() -> model.posture(item, p)));
    posture.setNothing("otherwise");
    posture.show(Posture.of(model.member(item).it().at().z()).orElse(null));
    posture.setPrefWidth(POSTURE_WIDTH);
    return posture;
  }

  private Node level(RoomItem item) {
    NumberField level = new NumberField("at 1 m", "dBA", 20, 110, dba -> model.level(item, dba));
    level.show(model.level(item));
    return level;
  }

  private List<Node> talker(RoomItem item) {
    Talker talker = model.setUp().talkers().get(item.index()).it();
    Choice<VocalEffort> effort =
        new Choice<>(
            "effort-" + id(item),
            "how loud " + model.member(item).name() + " is",
            List.of(VocalEffort.values()),
            e -> Figures.word(e),
            e -> attempt(() -> model.effort(item, e)));
    effort.show(talker.effort());
    effort.setPrefWidth(CHOICE_WIDTH);
    Choice<Optional<OwnVoice>> voice =
        new Choice<>(
            "voice-" + id(item),
            "whose voice " + model.member(item).name() + " has",
            model.voices(),
            v -> v.map(OwnVoice::name).orElse("the table’s voice"),
            v -> attempt(() -> model.voice(item, v)));
    voice.show(talker.own());
    voice.setPrefWidth(CHOICE_WIDTH);
    NumberField lean =
        length(
            "leans",
            talker.movement().leanMetres(),
            0,
            MOST_LEAN,
            m -> model.movement(item, new Movement(m, moves(item).turnDegrees())));
    NumberField turn =
        new NumberField(
            "turns",
            "°",
            0,
            MOST_TURN,
            d -> model.movement(item, new Movement(moves(item).leanMetres(), d)));
    turn.show(talker.movement().turnDegrees());
    return model.voices().size() > 1
        ? List.of(effort, voice, posture(item), lean, turn)
        : List.of(effort, posture(item), lean, turn);
  }

  private Movement moves(RoomItem item) {
    return model.setUp().talkers().get(item.index()).it().movement();
  }
}
