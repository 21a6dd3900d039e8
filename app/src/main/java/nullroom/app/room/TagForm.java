package nullroom.app.room;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import nullroom.app.control.Choice;
import nullroom.app.control.WhileShown;
import nullroom.core.Figures;
import nullroom.core.room.Surface;
import nullroom.core.room.SurfaceTag;

/** What each surface is to be or not to be: for light, or bare. */
final class TagForm {
  private static final double WIDTH = 168;

  private final RoomModel model;
  private final VBox node = new VBox(4);
  private List<Surface> shown = List.of();

  TagForm(RoomModel model) {
    this.model = model;
    WhileShown.follow(node, this::refresh, model.bookProperty());
    refresh();
  }

  VBox node() {
    return node;
  }

  private void refresh() {
    if (!shown.equals(model.room().surfaces())) {
      shown = model.room().surfaces();
      node.getChildren().setAll(shown.stream().map(this::row).toList());
    }
  }

  private Node row(Surface surface) {
    List<Optional<SurfaceTag>> all =
        new ArrayList<>(
            Stream.concat(
                    Stream.of(Optional.<SurfaceTag>empty()),
                    Stream.of(SurfaceTag.values()).map(Optional::of))
                .toList());
    Choice<Optional<SurfaceTag>> choice =
        new Choice<>(
            "tag-" + surface.id(),
            "what " + surface.spoken() + " is to be",
            all,
            tag -> tag.map(SurfaceTag::label).orElse("as may be"),
            tag -> model.tag(surface, tag));
    WhileShown.follow(choice, () -> choice.show(model.room().tagOf(surface)), model.bookProperty());
    choice.show(model.room().tagOf(surface));
    choice.setPrefWidth(WIDTH);
    Label name = new Label(Figures.capital(surface.label()));
    name.getStyleClass().add("field-name");
    HBox row = new HBox(name, choice);
    row.getStyleClass().add("row");
    return row;
  }
}
