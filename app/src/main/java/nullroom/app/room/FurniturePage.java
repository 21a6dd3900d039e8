package nullroom.app.room;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nullroom.app.control.Choice;
import nullroom.app.control.FigureTable;
import nullroom.app.control.FoldAway;
import nullroom.app.control.FoldOut;
import nullroom.app.control.NumberField;
import nullroom.app.control.Row;
import nullroom.app.control.WhileShown;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.Trouble;
import nullroom.core.acoustics.LooseThings;
import nullroom.core.acoustics.Material;
import nullroom.core.room.Furniture;
import nullroom.core.room.LooseObject;

/** What stands in the room, piece by piece. */
final class FurniturePage {
  private static final List<String> HEADS =
      List.of("piece", "x", "y", "offset", "long", "wide", "high", "turn °", "material", "");

  private static final double PICTURE_HEIGHT = 230;
  private static final double LEAST_PICTURE_HEIGHT = 190;
  private static final double ROWS_HEIGHT = 110;
  private static final double LOOSE_WIDTH = 210;
  private static final double MATERIAL_WIDTH = 190;
  private static final int ONE_KHZ = 4;

  private final FurnitureModel model;
  private final MaterialsModel materials;
  private final StationContext context;
  private final FigureTable table = new FigureTable("furniture");
  private final FoldOut foldOut = new FoldOut();
  private final FlowPane loose = new FlowPane(6, 2);
  private final VBox node;

  FurniturePage(RoomModel room, StationContext context) {
    model = room.furniture();
    materials = room.materials();
    foldOut.setAssumed(context.session().assumedProperty());
    foldOut.setItemHandler(room.itemHandler());
    this.context = context;
    Row add = new Row(pieces().toArray(new Node[0]));
    add.getChildren().addAll(cloth());
    foldOut.setPrefHeight(PICTURE_HEIGHT);
    foldOut.setMinHeight(LEAST_PICTURE_HEIGHT);
    ScrollPane rows = new ScrollPane(table);
    rows.setFitToWidth(true);
    rows.setMinHeight(ROWS_HEIGHT);
    VBox.setVgrow(rows, Priority.ALWAYS);
    Label key =
        new Label(
            "Places are from the first corner of the floor; offset is the height of the underside. Drag pieces or use the arrow keys; R turns them, enter opens a wardrobe. Delete takes them out. Fix tall furniture to a wall and weigh stands down, so that nothing can fall; keep cloth off lamps and heaters.");
    key.setWrapText(true);
    key.setMinHeight(Region.USE_PREF_SIZE);
    key.getStyleClass().add("caution");
    FlowPane without = loose();
    FoldAway away = new FoldAway("the rows", rows, without, key);
    node = new VBox(8, add, foldOut, away, rows, without, key);
    VBox.setVgrow(foldOut, Priority.ALWAYS);
    WhileShown.follow(node, this::refresh, context.session().bookProperty(), context.units());
    refresh();
  }

  VBox node() {
    return node;
  }

  private FlowPane loose() {
    FlowPane row = new FlowPane(6, 6);
    Choice<LooseThings.Entry> what =
        new Choice<>(
            "loose-thing",
            "a thing that takes up sound, without a place",
            LooseThings.all(),
            LooseThings.Entry::name,
            chosen -> {});
    what.show(LooseThings.all().getFirst());
    what.setPrefWidth(LOOSE_WIDTH);
    Button put = new Button("Put in");
    put.setId("put-loose");
    put.setOnAction(e ->
        context
            .work()
            .attempt(
                () -> model.addLoose(what.getValue().name(), what.getValue().squareMetres()),
                () -> {}));
    row.getChildren().addAll(new Label("Without a place:"), what, put, loose);
    return row;
  }

  private List<Node> pieces() {
    Choice<Piece> piece =
        new Choice<>(
            "piece", "a piece of furniture", List.of(Piece.values()), Piece::label, chosen -> {});
    piece.show(Piece.DESK);
    Button up = new Button("Put up");
    up.setId("put-piece");
    up.setOnAction(e -> context.work().attempt(() -> model.add(piece.getValue()), () -> {}));
    return List.of(piece, up);
  }

  /** What hangs free, as the second of two ways to bring softness in. */
  private List<Node> cloth() {
    Choice<FreeCloth> cloth =
        new Choice<>(
            "free-cloth",
            "cloth or a board that stands free",
            List.of(FreeCloth.values()),
            FreeCloth::label,
            chosen -> {});
    cloth.show(FreeCloth.BLANKET);
    Button up = new Button("Put up");
    up.setId("put-cloth");
    up.setOnAction(e -> context.work().attempt(() -> model.add(cloth.getValue()), () -> {}));
    return List.of(new Label("cloth:"), cloth, up);
  }

  private void refresh() {
    foldOut.show(context.session().book().room());
    List<Furniture> all = model.all();
    table.show(
        all.isEmpty() ? List.of() : HEADS,
        IntStream.range(0, all.size()).mapToObj(i -> row(i, all.get(i))).toList());
    loose.getChildren().clear();
    for (int i = 0; i < model.loose().size(); i++) {
      int index = i;
      LooseObject item = model.loose().get(i);
      Button out =
          new Button(Figures.say("%s, %.1f m² ×", item.name(), item.absorptionArea().get(ONE_KHZ)));
      out.getStyleClass().add("plain");
      out.setAccessibleText("take the " + item.name() + " out");
      out.setOnAction(e -> model.removeLoose(index));
      loose.getChildren().add(out);
    }
  }

  private List<Object> row(int index, Furniture piece) {
    List<Object> cells = new ArrayList<>(List.of(piece.label()));
    double[] figures = FurnitureModel.figures(piece);
    for (int f = 0; f < figures.length; f++) {
      cells.add(field(index, f, figures[f], piece.name()));
    }
    Choice<Material> material =
        new Choice<>(
            "furniture-material-" + index,
            "material of the " + piece.name(),
            materials.all(),
            Material::name,
            chosen -> model.setMaterial(index, materials.finish(chosen)));
    material.show(materials.of(piece.finish()).orElse(null));
    material.setPrefWidth(MATERIAL_WIDTH);
    Button out = new Button("Out");
    out.setAccessibleText("take the " + piece.name() + " out");
    out.setOnAction(e -> model.remove(index));
    material.setMinWidth(MATERIAL_WIDTH);
    out.setMinWidth(Region.USE_PREF_SIZE);
    cells.add(material);
    HBox actions = new HBox(out);
    piece
        .otherwise()
        .ifPresent(o -> {
          Button turn = new Button("Make it " + o.then());
          turn.getStyleClass().add("plain");
          turn.setMinWidth(Region.USE_PREF_SIZE);
          turn.setAccessibleText("make the " + piece.name() + " " + o.then());
          turn.setOnAction(e -> model.turnOver(index));
          actions.getChildren().addFirst(turn);
        });
    cells.add(actions);
    return cells;
  }

  private TextField field(int index, int figure, double number, String name) {
    boolean turn = figure == FurnitureModel.TURN;
    String shown = turn ? Figures.say("%.0f", number) : context.units().get().entry(number);
    TextField field = new TextField(shown);
    field.setPrefColumnCount(3);
    field.setMinWidth(Region.USE_PREF_SIZE);
    field.setAccessibleText(HEADS.get(figure + 1) + " of the " + name);
    field.setId("furniture-" + index + "-" + figure);
    field.setOnAction(e -> {
      try {
        String text = field.getText();
        double typed = turn ? NumberField.parse(text) : context.units().get().parse(text);
        model.change(index, figure, typed);
        context.work().say("");
      } catch (NumberFormatException wrong) {
        context.work().warn("“" + field.getText() + "” is no number.");
      } catch (Trouble wrong) {
        context.work().warn(wrong.line());
      }
    });
    return field;
  }
}
