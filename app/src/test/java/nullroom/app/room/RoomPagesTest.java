package nullroom.app.room;

import static nullroom.app.room.ShapeModel.Typed.CORNERS;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.Scene;
import javafx.scene.layout.StackPane;
import javax.imageio.ImageIO;
import nullroom.app.DeskTest;
import nullroom.app.Fx;
import nullroom.app.TestBooks;
import nullroom.app.control.FoldOut;
import nullroom.app.control.PictureFile;
import nullroom.app.ring.RingModel;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Material;
import nullroom.core.acoustics.PorousLayer;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Finish;
import nullroom.core.room.Furniture;
import nullroom.core.room.Room;
import nullroom.core.room.RoomItem;
import nullroom.core.room.Surface;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The pages of the room station: their models, and the fold-out as a file. */
class RoomPagesTest extends DeskTest {
  private RoomModel model;

  @BeforeEach
  void open() {
    model = Fx.on(() -> new RoomModel(desk, TestBooks.WORKERS));
  }

  @Test
  void furnitureIsPutUpWhereItFitsChangedAndTakenOut() {
    FurnitureModel furniture = model.furniture();
    for (Piece kind : Piece.values()) {
      if (kind != Piece.SOFA) {
        Fx.run(() -> furniture.add(kind));
      }
    }
    assertThat(furniture.all()).extracting(Furniture::name).contains("desk", "bed", "wardrobe");
    Fx.run(() -> furniture.change(0, 5, 0.05));
    assertThat(furniture.all().getFirst().heightMetres()).isEqualTo(0.05);
    List<Furniture> before = furniture.all();
    assertThatThrownBy(() -> furniture.change(0, 0, 9)).hasMessageContaining("reaches out");
    assertThatThrownBy(() -> furniture.change(0, 3, -1)).hasMessageContaining("length");
    assertThat(furniture.all()).isEqualTo(before);
    Fx.run(() -> furniture.setMaterial(1, Finish.of("foam_pu_15")));
    assertThat(((Finish.Listed) furniture.all().get(1).finish()).materialId())
        .isEqualTo("foam_pu_15");
    Fx.run(() -> furniture.remove(0));
    assertThat(furniture.all()).hasSize(before.size() - 1);
    assertThat(desk.session().folder().load()).isEqualTo(desk.session().book());
    assertThatThrownBy(
            () -> {
              for (int k = 0; k < 20; k++) {
                Fx.run(() -> furniture.add(Piece.BED));
              }
            })
        .hasMessageContaining("no room left for a bed");
  }

  @Test
  void shapesFromTemplatesAndTypedKeepWhatFits() {
    ShapeModel shape = model.shape();
    Fx.run(() -> model.furniture().add(Piece.SHELF));
    Fx.run(() -> shape.add(Opening.WINDOW, Surface.wall(2), 0.5));
    assertThat(room().patches()).hasSize(1);
    assertThatThrownBy(() -> shape.add(Opening.DOOR, Surface.wall(1), 3.9))
        .isInstanceOf(Trouble.class)
        .hasMessageContaining("does not fit");
    Fx.run(() ->
        shape.apply(
            shape.typed(ShapeModel.Template.ELL, CORNERS), CORNERS, ShapeModel.Roof.FLAT, 2, 2.4));
    assertThat(Fx.on(() -> desk.work().troubleProperty().get()))
        .contains("1 thing does not fit into this shape and went");
    assertThat(room().outline().corners()).hasSize(6);
    assertThat(room().outline().area()).isCloseTo(4 * 3 * 0.75, within(1e-9));
    assertThat(room().furniture()).hasSize(1);
    assertThat(room().holds(room().requireTalker().at())).isTrue();
    for (ShapeModel.Roof roof : ShapeModel.Roof.values()) {
      ShapeModel.Template plan =
          roof.name().startsWith("LEAN_TO_") // wall 3 of an alcove is no end of the room
              ? ShapeModel.Template.BOX
              : ShapeModel.Template.ALCOVE;
      Fx.run(() -> shape.apply(shape.typed(plan, CORNERS), CORNERS, roof, 1.6, 2.7));
      assertThat(shape.roof()).isEqualTo(roof);
      assertThat(shape.heights()[1]).isEqualTo(2.7);
    }
    assertThat(room().ceiling()).isInstanceOf(Ceiling.Gable.class);
    Fx.run(() -> model.setHeight(RoomItem.TALKER, 1.31));
    Room before = room();
    assertThatThrownBy(() -> shape.apply("0 0\n4 0\n4", CORNERS, ShapeModel.Roof.FLAT, 2, 2.4))
        .hasMessageContaining("must be two numbers");
    assertThatThrownBy(
            () -> shape.apply("0 0\n4 3\n4 0\n0 3", CORNERS, ShapeModel.Roof.FLAT, 2, 2.4))
        .hasMessageContaining("crosses");
    assertThatThrownBy(
            () -> shape.apply("0 0\n0 3\n4 3\n4 0", CORNERS, ShapeModel.Roof.FLAT, 2, 2.4))
        .hasMessageContaining("clockwise");
    assertThatThrownBy(
            () -> shape.apply(shape.typed(CORNERS), CORNERS, ShapeModel.Roof.LEAN_TO, 3, 2))
        .isInstanceOf(Trouble.class);
    assertThat(room()).isEqualTo(before);
    Fx.run(() -> shape.apply("0 0; 1,5 0; 1,5 1,2; 0 1,2", CORNERS, ShapeModel.Roof.FLAT, 2, 2.2));
    assertThat(Fx.on(() -> desk.work().troubleProperty().get())).isEmpty();
    assertThat(room().outline().area()).isCloseTo(1.8, within(1e-9));
    Fx.run(desk.session()::undo);
    assertThat(room()).isEqualTo(before);
  }

  @Test
  void theDescriptionIsTracedHeldAgainstTheMeasurementAndTuned() {
    TraceModel trace = model.trace();
    assertThat(Fx.on(trace::words)).contains("those of statistics");
    assertThat(trace.tuning()).isEmpty();
    Traces.of(model);
    assertThat(Fx.on(trace::words)).contains("Traced with", "Clear");
    assertThat(Fx.on(trace::tracedSeconds)[4])
        .isCloseTo(trace.predictedSeconds()[4], within(0.25 * trace.predictedSeconds()[4]));
    RingModel ring = Fx.on(() -> new RingModel(desk));
    Fx.run(ring::clap);
    Fx.until(desk.work().runningProperty(), false);
    var tuning = trace.tuning().orElseThrow();
    Fx.run(trace::takeOver);
    for (int b = 3; b < 7; b++) {
      double measured = trace.measured().get(b).orElseThrow();
      assertThat(tuning.tunedSeconds().get(b)).isCloseTo(measured, within(0.03 * measured));
      assertThat(trace.predictedSeconds()[b])
          .as("%d", b)
          .isCloseTo(measured, within(0.1 * measured));
    }
    assertThat(room().finishOf(Surface.FLOOR)).isInstanceOf(Finish.Stated.class);
    assertThat(desk.session().folder().load()).isEqualTo(desk.session().book());
  }

  @Test
  void materialsAreFoundComparedAndLaid() {
    MaterialsModel materials = model.materials();
    assertThat(materials.search("glass window")).isNotEmpty();
    assertThat(materials.search("GLASS double").stream().map(Material::id))
        .contains("glass_double_10");
    assertThat(materials.search("no such stuff")).isEmpty();
    assertThat(materials.search("")).hasSizeGreaterThan(50);
    Material foam = materials.search("foam_pu_25").getFirst();
    assertThat(materials.nearest(foam.absorption())).isEqualTo(foam);
    PorousLayer layer = new PorousLayer(12_000, 0.05, 0.02);
    Fx.run(() -> materials.clad(Surface.wall(3), layer));
    assertThat(room().finishOf(Surface.wall(3)).absorption()).isEqualTo(layer.absorption());
    assertThat(desk.session().folder().load().room()).isEqualTo(room());
  }

  @Test
  void spotsAreKeptComparedAndGoneBackTo() {
    SpotsModel spots = model.spots();
    assertThat(spots.all()).isEmpty();
    Fx.run(() -> spots.keep("middle"));
    Room middle = room();
    Fx.run(() -> model.move(RoomItem.MICROPHONE, 3.4, 2.5));
    Fx.run(() -> spots.keep("far corner"));
    assertThatThrownBy(() -> spots.keep(" middle ")).hasMessageContaining("already");
    assertThatThrownBy(() -> spots.keep("")).hasMessageContaining("needs a name");
    List<SpotsModel.Judged> ranked = spots.all();
    assertThat(ranked).extracting(j -> j.spot().name()).containsExactly("middle", "far corner");
    assertThat(ranked.get(0).verdicts().orElseThrow().clear().db())
        .isGreaterThan(ranked.get(1).verdicts().orElseThrow().clear().db() + 3);
    assertThat(ranked.get(1).here()).isTrue();
    Fx.run(() -> spots.go(ranked.getFirst().spot()));
    assertThat(room()).isEqualTo(middle);
    assertThat(desk.session().folder().load()).isEqualTo(desk.session().book());
    Fx.run(() -> model.setSize(0, 3));
    assertThat(spots.all().getLast().verdicts()).isEmpty();
    Fx.run(() -> spots.remove(spots.all().getLast().spot()));
    assertThat(spots.all()).hasSize(1);
  }

  @Test
  void theFoldOutZoomsPansAndSaysLengths() {
    FoldOut picture =
        Fx.on(() -> {
          FoldOut made = new FoldOut();
          Scene scene = new Scene(new StackPane(made), 700, 500);
          made.setLengths(nullroom.app.shell.Units.FEET::length);
          made.show(room());
          scene.getRoot().applyCss();
          scene.getRoot().layout();
          return made;
        });
    assertThat(
            Fx.on(() ->
                picture.getChildrenUnmodifiable().stream()
                    .filter(n -> n instanceof javafx.scene.text.Text)
                    .map(n -> ((javafx.scene.text.Text) n).getText())
                    .toList()))
        .contains("wall 1, 13 ft 1 in", "wall 2, 9 ft 10 in");
    for (String key : List.of("+", "+", "-", "+")) {
      Fx.run(() ->
          picture.fireEvent(
              new javafx.scene.input.KeyEvent(
                  javafx.scene.input.KeyEvent.KEY_TYPED,
                  key,
                  key,
                  javafx.scene.input.KeyCode.UNDEFINED,
                  false,
                  false,
                  false,
                  false)));
    }
    assertThat(Fx.on(picture::zoom)).isCloseTo(1.5625, within(1e-9));
    Fx.run(() ->
        picture.fireEvent(
            new javafx.scene.input.KeyEvent(
                javafx.scene.input.KeyEvent.KEY_TYPED,
                "0",
                "0",
                javafx.scene.input.KeyCode.UNDEFINED,
                false,
                false,
                false,
                false)));
    assertThat(Fx.on(picture::zoom)).isEqualTo(1);
  }

  @Test
  void aRoomGoesToAFileAndComesBack() throws Exception {
    Fx.run(() -> model.furniture().add(Piece.DESK));
    Room mine = room();
    Path file = folder.resolve("mine.json");
    Fx.run(() -> model.write(file));
    Fx.run(() -> model.setSize(0, 5));
    assertThat(room()).isNotEqualTo(mine);
    Fx.run(() -> model.open(file));
    assertThat(room()).isEqualTo(mine);
    Path wrong = Files.writeString(folder.resolve("wrong.json"), "{\"name\": 3}");
    assertThatThrownBy(() -> model.open(wrong)).isInstanceOf(Trouble.class);
    String nobody = Files.readString(file).replace("\"talker\"", "\"somebody\"");
    Path empty = Files.writeString(folder.resolve("empty.json"), nobody);
    assertThatThrownBy(() -> model.open(empty)).hasMessageContaining("talker");
    assertThat(room()).isEqualTo(mine);
  }

  @Test
  void theFoldOutIsWrittenAsShapesAndAsPoints() throws Exception {
    Path svg = folder.resolve("room.svg");
    Path png = folder.resolve("room.png");
    Traces.of(model);
    Fx.run(() -> {
      FoldOut picture = new FoldOut();
      Scene scene = new Scene(new StackPane(picture), 700, 500);
      scene
          .getStylesheets()
          .add(String.valueOf(FoldOut.class.getResource("/nullroom/app/nullroom.css")));
      picture.show(room());
      picture.tint(model.trace().tracedProperty().get().map(TraceModel.Traced::returns), true);
      scene.getRoot().applyCss();
      scene.getRoot().layout();
      PictureFile.write(picture, svg);
      PictureFile.write(picture, png);
    });
    String shapes = Files.readString(svg);
    assertThat(shapes)
        .startsWith("<svg")
        .contains("wall 3", "talker", "<polygon")
        .endsWith("</svg>\n");
    assertThat(
            javax.xml.parsers.DocumentBuilderFactory.newInstance()
                .newDocumentBuilder()
                .parse(svg.toFile())
                .getElementsByTagName("path")
                .getLength())
        .as("steps of tint")
        .isGreaterThan(3);
    assertThat(ImageIO.read(png.toFile()).getWidth()).isEqualTo(700);
  }
}
