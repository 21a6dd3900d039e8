package nullroom.app.room;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import nullroom.app.DeskTest;
import nullroom.app.Fx;
import nullroom.app.TestBooks;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.LooseThings;
import nullroom.core.acoustics.Material;
import nullroom.core.acoustics.PorousLayer;
import nullroom.core.predict.Statistics;
import nullroom.core.room.Finish;
import nullroom.core.room.Point;
import nullroom.core.room.RoomItem;
import nullroom.core.room.Surface;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** The user's own materials, things and walls, and what tracing does to the ladder. */
class RoomOwnTest extends DeskTest {
  private RoomModel model;

  @BeforeEach
  void open() {
    model = Fx.on(() -> new RoomModel(desk, TestBooks.WORKERS));
  }

  @Test
  void anOwnMaterialIsKeptFoundUsedAndForgotten() {
    MaterialsModel materials = model.materials();
    Bands felt = MaterialsModel.figures("0.05 0,1 0.2 0.4 0.6 0.7 0.7 0.7");
    Fx.run(() -> materials.keep(" felt tiles ", felt));
    Material own = materials.search("felt til").getFirst();
    assertThat(own.absorption()).isEqualTo(felt);
    assertThat(MaterialsModel.isOwn(own)).isTrue();
    assertThat(materials.nearest(felt)).isEqualTo(own);
    Fx.run(() -> model.setMaterial(Surface.wall(1), materials.finish(own)));
    assertThat(room().finishOf(Surface.wall(1)).absorption()).isEqualTo(felt);
    assertThat(materials.of(room().finishOf(Surface.wall(1)))).contains(own);
    assertThat(desk.session().folder().load()).isEqualTo(desk.session().book());
    assertThatThrownBy(() -> materials.keep("Felt tiles", felt)).hasMessageContaining("already");
    assertThatThrownBy(() -> materials.keep("", felt)).hasMessageContaining("needs a name");
    assertThatThrownBy(() -> MaterialsModel.figures("0.1 0.2")).hasMessageContaining("eight");
    assertThatThrownBy(() -> MaterialsModel.figures("a b c d e f g h"))
        .hasMessageContaining("eight");
    Fx.run(() -> materials.forget(own));
    assertThat(materials.search("felt til")).isEmpty();
    assertThat(room().finishOf(Surface.wall(1)).absorption())
        .as("stays on the wall")
        .isEqualTo(felt);
  }

  @Test
  void overOneIsRefusedForASurfaceWithTheReasonAndTakenForAThing() {
    Bands over = MaterialsModel.figures("0.3 0.6 1.1 1.3 1.2 1.2 1.1 1.1");
    assertThatThrownBy(() -> model.materials().keep("panel", over))
        .isInstanceOf(Trouble.class)
        .hasMessageContaining("Reverberation rooms read more");
    double before = Statistics.of(room()).midSeconds();
    Fx.run(() -> model.furniture().addLoose("panel", over));
    assertThat(room().objectArea().get(4)).isEqualTo(1.2);
    assertThat(Statistics.of(room()).midSeconds()).isLessThan(before);
    LooseThings.Entry bed = LooseThings.all().get(7);
    Fx.run(() -> model.furniture().addLoose(bed.name(), bed.squareMetres()));
    assertThat(model.furniture().loose()).hasSize(2);
    Fx.run(() -> model.furniture().removeLoose(0));
    assertThat(model.furniture().loose().getFirst().name()).isEqualTo(bed.name());
    assertThatThrownBy(() -> model.furniture().addLoose(" ", over)).hasMessageContaining("name");
    assertThatThrownBy(() -> model.furniture().addLoose("hole", Bands.all(-1)))
        .hasMessageContaining("outside 0 to 1000");
  }

  @Test
  void aLayerHungFreeTakesUpOnBothFaces() {
    PorousLayer layer = new PorousLayer(20_000, 0.03, 0);
    Fx.run(() -> model.materials().hangFree(layer, 3));
    assertThat(room().looseArea().get(5))
        .isCloseTo(2 * 3 * layer.absorptionHungFree().get(5), within(1e-9));
    assertThatThrownBy(() -> model.materials().hangFree(layer, 0)).isInstanceOf(Trouble.class);
  }

  @Test
  void wallsAndAnglesMakeTheRoomAndASmallGapIsSaid() {
    ShapeModel shape = model.shape();
    String walls = shape.typed(ShapeModel.Template.ELL, ShapeModel.Typed.WALLS);
    assertThat(walls).startsWith("4.00 90\n1.50 90\n2.00 270");
    Fx.run(() -> shape.apply(walls, ShapeModel.Typed.WALLS, ShapeModel.Roof.FLAT, 2, 2.4));
    assertThat(room().outline().area()).isCloseTo(9, within(1e-6));
    String off = "4 90\n3 90\n3.97 90\n3 90";
    Fx.run(() -> shape.apply(off, ShapeModel.Typed.WALLS, ShapeModel.Roof.FLAT, 2, 2.4));
    assertThat(Fx.on(() -> desk.work().troubleProperty().get())).contains("by 3 cm", "shared out");
    assertThatThrownBy(
            () -> shape.apply("4 90\n3", ShapeModel.Typed.WALLS, ShapeModel.Roof.FLAT, 2, 2.4))
        .hasMessageContaining("a length in metres and an angle");
  }

  @Test
  void piecesOnSurfacesAreResizedAndTurnedAndASkylightIsLetIn() {
    ShapeModel shape = model.shape();
    Fx.run(() -> shape.add(Opening.SKYLIGHT, Surface.CEILING, 1));
    Fx.run(() -> shape.turnOver(0));
    assertThat(shape.pieces().getFirst().label()).isEqualTo("skylight, blind drawn");
    Fx.run(() -> shape.resize(0, 1.2, 0.6));
    assertThat(shape.pieces().getFirst().width()).isCloseTo(1.2, within(1e-9));
    assertThat(shape.pieces().getFirst().height()).isCloseTo(0.6, within(1e-9));
    assertThat(shape.pieces().getFirst().otherwise()).isPresent();
    assertThatThrownBy(() -> shape.resize(0, 9, 0.6)).hasMessageContaining("does not fit");
    assertThatThrownBy(() -> shape.resize(0, 0, 0.6)).hasMessageContaining("no area");
    Fx.run(() -> shape.place(0, 0.4, 0.7));
    assertThat(shape.pieces().getFirst().lowest()).isEqualTo(new Point(0.4, 0.7, 0));
    assertThat(shape.pieces().getFirst().width()).isCloseTo(1.2, within(1e-9));
    assertThatThrownBy(() -> shape.place(0, 0.4, 9)).hasMessageContaining("does not fit");
    assertThat(shape.pieces().getFirst().lowest().y()).isEqualTo(0.7);
    Fx.run(() -> model.furniture().add(Piece.WARDROBE));
    Fx.run(() -> model.furniture().turnOver(0));
    assertThat(model.furniture().all().getFirst().label()).isEqualTo("wardrobe, open");
    Fx.run(() -> model.furniture().change(0, 3, 1.2));
    assertThat(model.furniture().all().getFirst().label()).isEqualTo("wardrobe, open");
  }

  @Test
  @DisplayName("all walls are made of one material in one step, and told when they differ")
  void allWalls() {
    Fx.run(() -> model.setMaterial(Surface.wall(2), Finish.of("glass_double_30")));
    assertThat(model.walls()).isEmpty();
    Finish brick = Finish.of("brick_unglazed");
    Fx.run(() -> model.setWalls(brick));
    assertThat(model.walls()).contains(brick);
    assertThat(model.room().finishOf(Surface.FLOOR)).isNotEqualTo(brick);
    Fx.run(() -> desk.session().undo());
    assertThat(model.walls()).isEmpty();
  }

  @Test
  void theLadderSaysWhenItIsQuickAndWhenItIsTraced() {
    assertThat(Fx.on(() -> desk.session().refinedProperty().get())).contains("Quick answer");
    double quick = desk.session().heard().margins().clearDb();
    Traces.of(model);
    assertThat(Fx.on(() -> desk.session().refinedProperty().get())).startsWith("Traced");
    double traced = desk.session().heard().margins().clearDb();
    assertThat(traced).isNotEqualTo(quick).isCloseTo(quick, within(3.0));
    assertThat(desk.session().beforeProperty().get().margins().clearDb()).isEqualTo(quick);
    Fx.run(() -> model.move(RoomItem.MICROPHONE, 2.0, 1.6));
    assertThat(Fx.on(() -> desk.session().refinedProperty().get())).contains("Quick answer");
    double carried = desk.session().heard().margins().clearDb();
    Traces.of(model);
    assertThat(desk.session().heard().margins().clearDb()).isCloseTo(carried, within(0.8));
    assertThat(model.spots().at(room().requireMicrophone().at()))
        .as("any point by the same reckoning")
        .isEqualTo(desk.session().verdicts());
    assertThatThrownBy(() -> model.spots().at(new Point(9, 9, 1))).isInstanceOf(Trouble.class);
    Fx.run(model.trace()::stop);
    assertThat(Fx.on(() -> desk.session().refinedProperty().get())).contains("stopped");
    assertThat(model.trace().now()).as("what was traced stays").isPresent();
  }

  @Test
  void theCameraIsPutWhereThereIsRoomAndSeesWhatItSees() {
    Fx.run(() -> model.setCamera(true));
    Traces.of(model);
    var framing = Fx.on(() -> model.trace().framingProperty().get()).orElseThrow();
    assertThat(framing.talker()).isTrue();
    assertThat(framing.share(room(), Surface.wall(4))).isGreaterThan(0.1);
    Fx.run(() -> model.itemHandler().turn(RoomItem.TALKER, 180));
    Fx.run(() -> model.move(RoomItem.TALKER, 0.1, 1.5));
    Fx.run(() -> model.setCamera(false));
    assertThatThrownBy(() -> model.setCamera(true)).hasMessageContaining("no room before");
    assertThat(room().finishOf(Surface.FLOOR)).isInstanceOf(Finish.class);
  }
}
