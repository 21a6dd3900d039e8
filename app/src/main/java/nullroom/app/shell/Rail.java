package nullroom.app.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.value.ObservableValue;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.SVGPath;
import nullroom.app.control.Choice;
import nullroom.app.control.Fitted;
import nullroom.app.words.Language;
import nullroom.app.words.SpokenScene;
import nullroom.core.book.Goal;
import nullroom.core.book.Place;

/**
 * The left edge: the book and its goal, then the stations in the order of work, each with its
 * figure.
 */
final class Rail {
  private static final PseudoClass NARROW = PseudoClass.getPseudoClass("narrow");

  private final VBox box = new VBox();
  private final Fitted scroll = new Fitted(box);
  private final List<Node> wide = new ArrayList<>();
  private final ObjectProperty<Station> station = new SimpleObjectProperty<>(Station.LISTEN);

  Rail(StationContext context, List<OpenStation> stations, Runnable commands) {
    BookSession session = context.session();
    Button name = new Button();
    name.setId("book-name");
    name.textProperty().bind(session.bookProperty().map(b -> b.name()));
    name.getStyleClass().addAll("plain", "book-name");
    name.setWrapText(true);
    name.setMaxWidth(Double.MAX_VALUE);
    name.setAccessibleText("the book, and all that can be done with it");
    name.setOnAction(e -> commands.run());
    box.getStyleClass().add("rail");
    scroll.getStyleClass().add("rail-scroll");
    Node place = place(context);
    VBox places = new VBox(place);
    Node goal = goal(session);
    wide.addAll(List.of(name, places, goal));
    box.getChildren().addAll(name, places, goal);
    for (OpenStation s : stations) {
      box.getChildren().add(button(s.station(), s.text().figure()));
    }
  }

  Node node() {
    return scroll;
  }

  /** Only the stations' glyphs, where the window is narrow; or all of it. */
  void setNarrow(boolean narrow) {
    scroll.pseudoClassStateChanged(NARROW, narrow);
    wide.forEach(n -> {
      n.setVisible(!narrow);
      n.setManaged(!narrow);
    });
  }

  ObjectProperty<Station> stationProperty() {
    return station;
  }

  /** Which place of several is the one of now. */
  private static Node place(StationContext context) {
    Choice<String> place =
        new Choice<>(
            "place",
            "the place that is looked at",
            List.of(),
            name -> name,
            name -> context.work().attempt(() -> context.goTo(name), () -> {}));
    place.setMaxWidth(Double.MAX_VALUE);
    place
        .disableProperty()
        .bind(context.work().runningProperty().or(context.live().runningProperty()));
    context
        .session()
        .bookProperty()
        .subscribe(b -> {
          List<String> names = b.places().stream().map(Place::name).toList();
          if (!place.getItems().equals(names)) {
            place.offer(names);
          }
          place.show(b.here().name());
          place.setVisible(names.size() > 1);
          place.setManaged(names.size() > 1);
        });
    return place;
  }

  private static Node goal(BookSession session) {
    Choice<Goal> goal =
        new Choice<>(
            "goal",
            "goal of the recording",
            List.of(Goal.values()),
            Goal::label,
            chosen -> session.edit("Change the goal", b -> b.with(chosen)));
    goal.setMaxWidth(Double.MAX_VALUE);
    session.bookProperty().subscribe(b -> goal.show(b.goal()));
    return goal;
  }

  private Node button(Station s, ObservableValue<String> figure) {
    SVGPath glyph = new SVGPath();
    glyph.setContent(s.glyph());
    glyph.getStyleClass().add("glyph");
    StackPane place = new StackPane(glyph);
    place.setMinSize(26, 26);
    Label name = new Label(s.label());
    name.getStyleClass().add("station-name");
    Label number = new Label();
    number.textProperty().bind(SpokenScene.said(figure));
    number.getStyleClass().add("station-figure");
    VBox words = new VBox(name, number);
    wide.add(words);
    HBox row = new HBox(8, place, words);
    row.setAlignment(Pos.CENTER_LEFT);
    ToggleButton button = new ToggleButton();
    button.setGraphic(row);
    button.setId("station-" + s.label().toLowerCase(Locale.ROOT));
    button.setAccessibleText(s.label() + ": " + s.question());
    button.setTooltip(new Tooltip(Language.say(s.label() + ": " + s.question())));
    button.getStyleClass().add("station-button");
    button.setMaxWidth(Double.MAX_VALUE);
    station.subscribe(now -> button.setSelected(now == s));
    button.setOnAction(e -> {
      station.set(s);
      button.setSelected(true);
    });
    return button;
  }
}
