package nullroom.app.room;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.layout.StackPane;
import javafx.scene.robot.Robot;
import javafx.stage.Stage;
import nullroom.app.DeskTest;
import nullroom.app.Fx;
import nullroom.app.TestBooks;
import nullroom.app.control.FoldOut;
import nullroom.app.control.OutlinePlot;
import nullroom.app.control.RoomPlot;
import nullroom.core.room.Outline;
import nullroom.core.room.Point;
import nullroom.core.room.Surface;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Things taken hold of in the pictures of the room, by the mouse and by the keys of a window. */
class RoomItemsTest extends DeskTest {
  private RoomModel model;
  private Stage stage;

  @BeforeEach
  void open() {
    model = Fx.on(() -> new RoomModel(desk, TestBooks.WORKERS));
    stage = Fx.on(() -> new Stage());
  }

  @AfterEach
  void close() {
    Fx.run(stage::close);
  }

  private Scene show(Parent picture) {
    return Fx.on(() -> {
      Scene scene = new Scene(new StackPane(picture), 900, 600);
      stage.setScene(scene);
      stage.show();
      scene.getRoot().applyCss();
      scene.getRoot().layout();
      return scene;
    });
  }

  private FoldOut foldOut() {
    FoldOut picture =
        Fx.on(() -> {
          FoldOut made = new FoldOut();
          made.setItemHandler(model.itemHandler());
          desk.session().bookProperty().subscribe(book -> made.show(book.room()));
          return made;
        });
    show(picture);
    return picture;
  }

  private void layout() {
    Fx.run(() -> {
      stage.getScene().getRoot().applyCss();
      stage.getScene().getRoot().layout();
    });
  }

  private Node node(String id) {
    layout();
    Node found = Fx.on(() -> stage.getScene().lookup("#" + id));
    assertThat(found).as(id).isNotNull();
    return found;
  }

  /** Drags a shape in three steps, as a hand does. */
  private void drag(String id, double dx, double dy) {
    Bounds at = Fx.on(() -> node0(id).localToScreen(node0(id).getBoundsInLocal()));
    Robot robot = Fx.on(Robot::new);
    Fx.run(() -> {
      robot.mouseMove(at.getCenterX(), at.getCenterY());
      robot.mousePress(MouseButton.PRIMARY);
    });
    for (int step = 1; step <= 3; step++) {
      int now = step;
      Fx.run(() -> robot.mouseMove(at.getCenterX() + dx * now / 3, at.getCenterY() + dy * now / 3));
      layout();
    }
    Fx.run(() -> robot.mouseRelease(MouseButton.PRIMARY));
    layout();
  }

  private Node node0(String id) {
    return stage.getScene().lookup("#" + id);
  }

  private void press(KeyCode... keys) {
    Robot robot = Fx.on(Robot::new);
    for (KeyCode key : keys) {
      Fx.run(() -> {
        robot.keyPress(key);
        robot.keyRelease(key);
      });
      layout();
    }
  }

  @Test
  void aTalkerIsDraggedOverTheFloorAndTheLadderFollows() {
    foldOut();
    Point before = room().requireTalker().at();
    double clear = desk.session().heard().margins().clearDb();
    drag("handle-talker", -40, 30);
    Point after = room().requireTalker().at();
    assertThat(after.x()).isLessThan(before.x() - 0.2);
    assertThat(after.y()).isLessThan(before.y() - 0.1);
    assertThat(after.z()).isEqualTo(before.z());
    assertThat(desk.session().heard().margins().clearDb()).isLessThan(clear - 1);
    Fx.run(desk.session()::undo);
    assertThat(room().requireTalker().at()).as("one drag is one step").isEqualTo(before);
  }

  @Test
  void keysGoOnMovingWhatHasTheFocusAndTurnIt() {
    foldOut();
    Fx.run(() -> node0("handle-talker").requestFocus());
    double x = room().requireTalker().at().x();
    press(KeyCode.LEFT, KeyCode.LEFT, KeyCode.LEFT);
    assertThat(room().requireTalker().at().x()).isCloseTo(x - 0.15, within(1e-9));
    press(KeyCode.R);
    assertThat(room().requireTalker().aim().azimuthDegrees()).isEqualTo(15);
  }

  @Test
  void doorsAreOpenedMovedAndTakenOutByKeysAndStayOnTheirWall() {
    Fx.run(() -> model.shape().add(Opening.DOOR, Surface.wall(1), 1));
    FoldOut picture = foldOut();
    assertThat(picture.getChildrenUnmodifiable()).isNotEmpty();
    Fx.run(() -> node0("handle-patch-0").requestFocus());
    press(KeyCode.ENTER);
    assertThat(room().patches().getFirst().label()).isEqualTo("door, open");
    assertThat(node("handle-patch-0").getAccessibleText()).contains("door, open", "delete");
    press(KeyCode.RIGHT);
    assertThat(room().patches().getFirst().corners().getFirst().x()).isCloseTo(1.05, within(1e-9));
    press(KeyCode.UP);
    assertThat(desk.work().troubleProperty().get()).contains("does not lie on wall 1");
    press(KeyCode.DELETE);
    assertThat(room().patches()).isEmpty();
  }

  @Test
  void aSideViewMovesUpAndDownAndACameraIsTurned() {
    Fx.run(() -> model.setCamera(true));
    RoomPlot plot =
        Fx.on(() -> {
          RoomPlot made = new RoomPlot();
          made.setItemHandler(model.itemHandler());
          made.setView(RoomPlot.View.SIDE);
          desk.session().bookProperty().subscribe(book -> made.show(book.room()));
          return made;
        });
    show(plot);
    double z = room().camera().orElseThrow().at().z();
    drag("handle-camera", 0, -60);
    assertThat(room().camera().orElseThrow().at().z()).isGreaterThan(z + 0.1);
    Fx.run(() -> model.itemHandler().turn(nullroom.core.room.RoomItem.CAMERA, 93));
    assertThat(room().camera().orElseThrow().aim().azimuthDegrees()).isEqualTo(95);
    Fx.run(() -> model.setFocal(24));
    Fx.run(() -> model.setAspect(1));
    assertThat(room().camera().orElseThrow().widthDegrees()).isCloseTo(73.7, within(0.1));
    Fx.run(() -> model.setCamera(false));
    assertThat(room().camera()).isEmpty();
  }

  @Test
  void anOutlineIsPulledDraggedAndDrawnAnew() {
    OutlinePlot plot =
        Fx.on(() -> {
          OutlinePlot made = new OutlinePlot();
          made.setOnChange(
              all -> desk.work().attempt(() -> model.shape().apply(new Outline(all)), () -> {}));
          desk.session().bookProperty().subscribe(book -> made.show(book.room().outline()));
          return made;
        });
    show(plot);
    drag("pull-3", 0, 60);
    assertThat(room().outline().corners()).hasSize(5);
    assertThat(room().outline().area()).isLessThan(11.6);
    Fx.run(() -> node0("corner-4").requestFocus());
    press(KeyCode.DELETE);
    assertThat(room().outline().corners()).hasSize(4);
    assertThat(room().outline().area()).isCloseTo(12, within(1e-9));
    drag("corner-3", 50, 0);
    assertThat(room().outline().area()).isGreaterThan(12.3);
    Fx.run(plot::drawAnew);
    layout();
    Bounds at = Fx.on(() -> plot.localToScreen(plot.getBoundsInLocal()));
    double[][] clicks = {{300, 200}, {300, 420}, {560, 420}, {560, 200}, {302, 202}};
    Robot robot = Fx.on(Robot::new);
    for (double[] click : clicks) { // clockwise on the screen's own axes, which is no matter
      Fx.run(() -> {
        robot.mouseMove(at.getMinX() + click[0], at.getMinY() + click[1]);
        robot.mouseClick(MouseButton.PRIMARY);
      });
      layout();
    }
    assertThat(room().outline().corners()).hasSize(4);
    assertThat(room().outline().isBox()).isTrue();
    assertThat(room().outline().area()).isBetween(1.8, 2.3);
  }
}
