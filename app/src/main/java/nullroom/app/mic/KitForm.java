package nullroom.app.mic;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import nullroom.app.control.Choice;
import nullroom.app.control.NameField;
import nullroom.app.control.NumberField;
import nullroom.app.control.Row;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.core.Keyed;
import nullroom.core.acoustics.Connector;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.acoustics.Pattern;
import nullroom.core.book.Kit;
import nullroom.core.book.KitField;

/** All that can be said of one thing on the shelf; what is not stated shows what is usual. */
final class KitForm {
  private static final double ANY = 1e9;
  private static final double NAME_WIDTH = 200;

  private final Kit kit;
  private final ShelfModel model;
  private final StationContext context;
  private final Row asked = new Row();

  KitForm(Kit kit, ShelfModel model, StationContext context) {
    this.kit = kit;
    this.model = model;
    this.context = context;
    asked.getStyleClass().add("asked");
    ask(List.of());
  }

  /** Name and fields, figures first, and the question that a figure raises. */
  List<Node> nodes() {
    Row figures = new Row(name());
    Row others = new Row();
    for (KitField field : kit.kind().fields()) {
      boolean meant = kit.usual(field).isPresent() || kit.stated().containsKey(field);
      switch (field.form()) {
        case NUMBER -> {
          if (meant || field == KitField.PRICE || field == KitField.LENGTH) {
            figures.getChildren().add(number(field));
          }
        }
        case FLAG -> others.getChildren().add(flag(field));
        case CHOICE -> others.getChildren().add(choice(field));
        case CHOICES -> others.getChildren().add(several(field));
      }
    }
    figures.getStyleClass().add("fields");
    others.getStyleClass().add("fields");
    return List.of(figures, others, asked);
  }

  private NameField name() {
    return new NameField(
        "kit-name",
        "this thing",
        kit.name(),
        NAME_WIDTH,
        typed -> context.work().attempt(() -> model.rename(kit, typed), () -> {}));
  }

  private NumberField number(KitField field) {
    boolean usual = !kit.stated().containsKey(field) && kit.usual(field).isPresent();
    NumberField number =
        new NumberField(field.label(), field.unit(), -ANY, ANY, typed -> typed(field, typed));
    if (field.isLength()) {
      number.setEntry(context.units().get().field());
    }
    number.setOnNothing(() -> model.state(kit, field, Optional.empty()));
    number.setUsual(kit.usual(field).map(Double::parseDouble));
    number.show(
        usual || kit.text(field).isEmpty()
            ? OptionalDouble.empty()
            : OptionalDouble.of(kit.number(field)));
    return number;
  }

  /** A figure that is probably in another unit is asked about before it is taken. */
  private void typed(KitField field, double typed) {
    Optional<KitField.Doubt> doubt = field.doubt(typed);
    if (doubt.isEmpty()) {
      ask(List.of());
      state(field, typed);
      return;
    }
    double meant = doubt.get().figure();
    Button yes = new Button("Yes, take that");
    yes.setId("doubt-yes");
    yes.getStyleClass().add("action");
    yes.setOnAction(e -> take(field, Math.round(meant * 10) / 10.0));
    Button no = new Button("No, as I wrote it");
    no.setId("doubt-no");
    no.setOnAction(e -> take(field, typed));
    ask(List.of(new Wrapped(doubt.get().question() + "."), yes, no));
  }

  private void take(KitField field, double figure) {
    ask(List.of());
    context.work().attempt(() -> state(field, figure), () -> {});
  }

  private void state(KitField field, double figure) {
    model.state(kit, field, Optional.of(String.valueOf(figure)));
  }

  private void ask(List<Node> question) {
    asked.getChildren().setAll(question);
    asked.setVisible(!question.isEmpty());
    asked.setManaged(!question.isEmpty());
  }

  private CheckBox flag(KitField field) {
    CheckBox box = new CheckBox(field.label());
    box.setId("kit-" + field.key());
    box.setSelected(kit.is(field));
    box.setOnAction(e -> model.state(kit, field, Optional.of(String.valueOf(box.isSelected()))));
    return box;
  }

  private HBox choice(KitField field) {
    List<Optional<String>> items = new ArrayList<>();
    if (kit.usual(field).isPresent()) {
      items.add(Optional.empty());
    }
    field.choices().forEach(key -> items.add(Optional.of(key)));
    Choice<Optional<String>> choice =
        new Choice<>(
            "kit-" + field.key(),
            field.label(),
            items,
            key ->
                key.map(k -> words(field, k))
                    .orElseGet(() -> "usual: " + words(field, kit.usual(field).orElse(""))),
            key -> model.state(kit, field, key));
    choice.show(Optional.ofNullable(kit.stated().get(field)));
    HBox row = new HBox(new Label(field.label()), choice);
    row.getStyleClass().add("row");
    return row;
  }

  private Row several(KitField field) {
    Row row =
        new Row(
            new Label(field.label() + (kit.stated().containsKey(field) ? "" : ", usually") + ":"));
    List<String> now = List.of(kit.text(field).orElse("").split(" "));
    List<CheckBox> boxes = new ArrayList<>();
    for (String key : field.choices()) {
      CheckBox box = new CheckBox(words(field, key));
      box.setSelected(now.contains(key));
      box.setUserData(key);
      box.setOnAction(e -> tick(field, boxes));
      boxes.add(box);
    }
    row.getChildren().addAll(boxes);
    return row;
  }

  private void tick(KitField field, List<CheckBox> boxes) {
    String keys =
        boxes.stream()
            .filter(CheckBox::isSelected)
            .map(box -> String.valueOf(box.getUserData()))
            .collect(Collectors.joining(" "));
    model.state(kit, field, keys.isEmpty() ? Optional.empty() : Optional.of(keys));
  }

  /** What a key means to people. */
  static String words(KitField field, String key) {
    Optional<String> known =
        switch (field) {
          case CLASS -> MicrophoneType.find(key).map(MicrophoneType::label);
          case PATTERN -> Keyed.find(Pattern.class, key).map(Pattern::label);
          case CONNECTOR, CONNECTORS, FROM, TO ->
              Keyed.find(Connector.class, key).map(Connector::label);
          default -> Optional.empty();
        };
    return known.orElseGet(() -> key.replaceAll("([A-Z])", " $1").toLowerCase(Locale.ROOT));
  }
}
