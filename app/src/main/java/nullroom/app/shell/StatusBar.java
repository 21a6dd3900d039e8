package nullroom.app.shell;

import java.util.Locale;
import java.util.Optional;
import javafx.animation.Animation;
import javafx.animation.AnimationTimer;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.beans.binding.Bindings;
import javafx.beans.value.ObservableValue;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.Label;
import javafx.scene.control.TextInputControl;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.util.Duration;
import nullroom.app.control.Choice;
import nullroom.app.words.Language;
import nullroom.core.Figures;
import org.jspecify.annotations.Nullable;

/**
 * The lower edge: what records, how loud it is, what the space bar does now, and what can be taken
 * back. What does not fit beside the rest stands in a second row.
 */
final class StatusBar {
  private final FlowPane box = new FlowPane();

  StatusBar(StationContext context, Runnable commands) {
    follow(context);
    BookSession session = context.session();
    Button undo = step("Undo", session.undoNameProperty(), () -> attempt(context, context::undo));
    Button redo = step("Redo", session.redoNameProperty(), () -> attempt(context, context::redo));
    Button all = new Button("What do you want to do?  " + MainWindow.COMMANDS.getDisplayText());
    all.setId("commands");
    all.setOnAction(e -> commands.run());
    HBox input = new HBox(8, soft("Input"), input(context), level(context));
    input.getStyleClass().add("status-part");
    HBox steps = new HBox(4, undo, redo);
    steps.getStyleClass().add("status-part");
    box.getChildren().addAll(input, space(context), all, steps);
    box.getStyleClass().add("status");
  }

  Node node() {
    return box;
  }

  private static Label soft(String text) {
    Label label = new Label(text);
    label.setMinWidth(Region.USE_PREF_SIZE);
    label.getStyleClass().add("soft");
    return label;
  }

  private static Node input(StationContext context) {
    Inputs inputs = context.inputs();
    Choice<Inputs.Input> input =
        new Choice<>(
            "input",
            "input that records",
            inputs.all(),
            Inputs.Input::name,
            inputs.chosenProperty()::set);
    inputs.all().subscribe(() -> input.getItems().setAll(inputs.all()));
    inputs.chosenProperty().subscribe(chosen -> input.show(chosen));
    input.setMinWidth(Region.USE_PREF_SIZE);
    return input;
  }

  /** What the space bar does where the keyboard is now. */
  private Node space(StationContext context) {
    Label label = soft("");
    label.setId("space-hint");
    box.sceneProperty()
        .subscribe(scene -> {
          if (scene != null) {
            label
                .textProperty()
                .bind(
                    Bindings.createStringBinding(
                        () -> Language.say(hint(context, scene.getFocusOwner())),
                        scene.focusOwnerProperty(),
                        context.work().runningProperty(),
                        context.live().runningProperty()));
          }
        });
    return label;
  }

  private static String hint(StationContext context, @Nullable Node focus) {
    if (focus instanceof TextInputControl) {
      return "space: a space in the field";
    }
    if (context.work().runningProperty().get()) {
      return "space: stop";
    }
    String live = context.live().runningProperty().get() ? "stop listening" : "listen";
    if (focus instanceof ComboBoxBase<?>) {
      return "space: open the list, in which letters find";
    }
    return focus instanceof ButtonBase button && !context.live().runningProperty().get()
        ? "space: " + name(button)
        : "space: " + live;
  }

  private static String name(ButtonBase button) {
    String text = button.getText();
    if (text == null || text.isBlank()) {
      text = button.getAccessibleText();
    }
    return text == null ? "press it" : "“" + text.split(":", 2)[0] + "”";
  }

  /** Whether space belongs to what has the keyboard, not to the window. */
  static boolean isOwnSpace(StationContext context, @Nullable Node focus) {
    if (focus instanceof TextInputControl) {
      return true;
    }
    boolean busy = context.work().runningProperty().get() || context.live().runningProperty().get();
    return !busy && (focus instanceof ButtonBase || focus instanceof ComboBoxBase<?>);
  }

  private static void attempt(StationContext context, Runnable back) {
    context.work().attempt(back, () -> {});
  }

  /** What the input hears now goes onto the ladder, frame by frame. */
  private static void follow(StationContext context) {
    AnimationTimer frames =
        new AnimationTimer() {
          @Override
          public void handle(long nanos) {
            context.live().reading().ifPresent(context.live()::tell);
          }
        };
    context
        .live()
        .runningProperty()
        .subscribe((was, on) -> {
          if (on) {
            frames.start();
          } else {
            frames.stop();
            context.live().levelProperty().set(Optional.empty());
          }
        });
  }

  /** What the input hears now, where it is heard: twice a second, to be read. */
  private static Label level(StationContext context) {
    Label level = soft("not heard now");
    level.setId("live-level");
    Timeline clock =
        new Timeline(
            new KeyFrame(
                Duration.millis(500),
                e ->
                    level.setText(
                        context
                            .live()
                            .reading()
                            .flatMap(r ->
                                r.silent()
                                    ? Optional.of("silent: muted?")
                                    : r.aDbfs().isPresent()
                                        ? Optional.of(
                                            Figures.say("%.0f dBFS A", r.aDbfs().getAsDouble()))
                                        : Optional.<String>empty())
                            .orElse("…"))));
    clock.setCycleCount(Animation.INDEFINITE);
    context
        .live()
        .runningProperty()
        .subscribe(on -> {
          if (on) {
            clock.play();
          } else {
            clock.stop();
            level.setText("not heard now");
          }
        });
    return level;
  }

  private static Button step(String verb, ObservableValue<String> name, Runnable action) {
    Button button = new Button();
    button.setId(verb.toLowerCase(Locale.ROOT));
    button.setMinWidth(Region.USE_PREF_SIZE);
    button.getStyleClass().add("plain");
    button.textProperty().bind(name.map(n -> Language.say(n.isEmpty() ? verb : verb + ": " + n)));
    button
        .disableProperty()
        .bind(Bindings.createBooleanBinding(() -> name.getValue().isEmpty(), name));
    button.setOnAction(e -> action.run());
    return button;
  }
}
