package nullroom.app.room;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.layout.StackPane;
import nullroom.app.DeskTest;
import nullroom.app.Fx;
import nullroom.app.TestBooks;
import nullroom.app.ring.RingModel;
import nullroom.core.book.RoomBook;
import nullroom.core.predict.Margins;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What is described after the room was measured was there all along, until somebody says no. */
class DescribedTest extends DeskTest {
  private RoomModel model;

  @BeforeEach
  void clapped() {
    model = Fx.on(() -> new RoomModel(desk, TestBooks.WORKERS));
    RingModel ring = Fx.on(() -> new RingModel(desk));
    after(() -> ring.sweep().play());
    assertThat(book().decay()).isPresent();
  }

  private RoomBook book() {
    return desk.session().book();
  }

  private double seconds() {
    return book().decays().average().orElseThrow().tMidSeconds().orElseThrow();
  }

  /** What every verdict hears the room ring, at 1 kHz. */
  private double heardSeconds() {
    return Fx.on(() -> desk.session().heard().decaySeconds().get(4));
  }

  private void describe() {
    Fx.run(() -> model.furniture().add(Piece.BED));
    Fx.run(() -> model.furniture().add(Piece.SOFA));
  }

  @Test
  void describingFurnitureMovesTheModelAndNotTheMeasuredRoom() {
    double measured = seconds();
    double heard = heardSeconds();
    double clear = Fx.on(() -> desk.session().heard().margins().get(Margins.Kind.CLEAR));
    double predicted = book().decay().orElseThrow().predictedSeconds().get(4);
    describe();
    assertThat(seconds()).isEqualTo(measured);
    assertThat(heardSeconds()).as("the room that was measured").isCloseTo(heard, within(1e-9));
    assertThat(Fx.on(() -> desk.session().heard().margins().get(Margins.Kind.CLEAR)))
        .as("but for the volume that furniture takes up")
        .isCloseTo(clear, within(0.1));
    assertThat(book().decay().orElseThrow().predictedSeconds().get(4))
        .as("the model of it")
        .isLessThan(0.9 * predicted);
    assertThat(words(model.say().answer())).contains("By its description alone");
    assertThat(Fx.on(() -> desk.session().describedProperty().get()).orElseThrow().names())
        .as("is asked about")
        .isNotEmpty();
    Fx.run(() -> desk.session().wasThere());
    assertThat(Fx.on(() -> desk.session().describedProperty().get())).isEmpty();
    assertThat(heardSeconds()).isCloseTo(heard, within(1e-9));
    assertThat(desk.session().folder().load()).isEqualTo(book());
  }

  @Test
  void whatCameAfterTheMeasurementChangesTheRoom() {
    double heard = heardSeconds();
    describe();
    Fx.run(() -> desk.session().isNew());
    assertThat(heardSeconds()).as("softer since").isLessThan(0.9 * heard);
    assertThat(seconds()).as("what was measured stays written").isPositive();
    Fx.run(desk.session()::undo);
    assertThat(heardSeconds()).isCloseTo(heard, within(1e-9));
    Fx.run(desk.session()::redo);
    assertThat(heardSeconds()).isLessThan(0.9 * heard);
  }

  @Test
  void theQuestionStandsOnTheStationUntilItIsAnswered() {
    RoomView view = Fx.on(() -> new RoomView(model, desk));
    StackPane around = new StackPane();
    Fx.run(() -> around.getChildren().setAll(view.node()));
    Fx.show(around, 1000, 700);
    Node question = Fx.on(() -> around.lookup("#is-new").getParent());
    assertThat(question.isVisible()).isFalse();
    double heard = heardSeconds();
    describe();
    assertThat(question.isVisible()).isTrue();
    Fx.run(() -> ((Button) around.lookup("#is-new")).fire());
    assertThat(question.isVisible()).isFalse();
    assertThat(heardSeconds()).isLessThan(0.9 * heard);
  }
}
