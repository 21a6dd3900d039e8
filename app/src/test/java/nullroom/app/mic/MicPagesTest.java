package nullroom.app.mic;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import javafx.beans.value.ObservableValue;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Labeled;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.shape.Path;
import javafx.scene.text.Text;
import nullroom.app.DeskTest;
import nullroom.app.Fx;
import nullroom.core.book.Shelf;
import nullroom.core.plan.mic.FrameReach;
import nullroom.core.plan.mic.MicMap;
import nullroom.core.plan.mic.MicPlanner;
import nullroom.core.predict.Margins;
import nullroom.core.room.Aim;
import nullroom.core.room.Camera;
import nullroom.core.room.Member;
import nullroom.core.room.Point;
import nullroom.core.room.SetUp;
import nullroom.core.room.Talker;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** The pages of the microphone station, as they are looked at and worked. */
class MicPagesTest extends DeskTest {
  private MicModel mic;
  private Scene scene;

  @BeforeEach
  void open() {
    mic = Fx.on(() -> new MicModel(desk));
    Node view = Fx.on(() -> new MicView(mic, desk).node());
    scene = Fx.show((Parent) view, 900, 760);
  }

  /** Waits for what is worked out in the background. */
  private static <T> void await(ObservableValue<T> result, Predicate<T> there) {
    Fx.until(result.map(there::test), true);
  }

  private void page(MicPage page) {
    Fx.run(() -> mic.pageProperty().set(page));
    Fx.run(this::layout);
  }

  private void layout() {
    scene.getRoot().applyCss();
    scene.getRoot().layout();
  }

  private String words() {
    return Fx.on(() -> {
      layout();
      return scene.getRoot().lookupAll("*").stream()
          .map(n ->
              n instanceof Labeled l
                  ? Optional.ofNullable(l.getText()).orElse("")
                  : n instanceof Text t ? t.getText() : "")
          .filter(s -> !s.isEmpty())
          .collect(Collectors.joining("\n"));
    });
  }

  private void key(String id, KeyCode code, boolean shift) {
    Fx.run(() -> {
      layout();
      Node node = scene.lookup("#" + id);
      node.fireEvent(new KeyEvent(KeyEvent.KEY_PRESSED, "", "", code, shift, false, false, false));
    });
  }

  private void press(String id) {
    Button button = Fx.find(scene, id, Button.class);
    Fx.run(button::fire);
  }

  private void film() {
    Fx.run(() ->
        desk.session()
            .edit("Film", b -> b.with(b.room().withCamera(Optional.of(Camera.before(b.room()))))));
  }

  @Test
  @DisplayName("the map answers as the ladder does where the microphone is, and is drawn")
  void zone() {
    await(mic.zone().map().valueProperty(), Optional::isPresent);
    MicMap map = Fx.on(() -> mic.zone().map().valueProperty().get().orElseThrow());
    Point lips = room().requireTalker().at();
    int i = 30;
    int j = 20;
    Point ahead = new Aim(room().requireTalker().aim().azimuthDegrees(), 0).direction();
    Point flat = lips.plus(ahead, map.alongMetres()[i]);
    Point there = new Point(flat.x(), flat.y(), map.acrossMetres()[j]);
    Fx.run(() -> mic.zone().move(new ZoneModel.Spot(map.alongMetres()[i], map.acrossMetres()[j])));
    assertThat(room().requireMicrophone().at().distanceTo(there)).isLessThan(1e-9);
    Margins heard =
        Fx.on(() -> {
          var right = mic.heard();
          return right
              .withGainDb(
                  desk.session().book().levels().staging().rightGainDb(right, mic.targets()))
              .margins();
        });
    for (Margins.Kind kind : Margins.Kind.values()) {
      assertThat(map.overDb()[kind.ordinal()][j][i])
          .as(kind.name())
          .isCloseTo(heard.over(Fx.on(() -> mic.targets()), kind), within(0.01));
    }
    assertThat(
            Fx.on(() -> {
              layout();
              return scene.getRoot().lookupAll(".contour").stream()
                  .filter(n -> n instanceof Path p && !p.getElements().isEmpty())
                  .count();
            }))
        .isPositive();
    assertThat(Fx.on(() -> mic.zone().told(new ZoneModel.Spot(0.4, 1.4))))
        .contains("ahead")
        .contains("Clear")
        .contains("dB");
    assertThat(Fx.on(() -> mic.zone().told(new ZoneModel.Spot(9, 1)))).isEmpty();
  }

  @Test
  @DisplayName("by keys the microphone is moved by 5 cm and 1 cm, turned, and pointed at the lips")
  void keys() {
    page(MicPage.ZONE);
    Point before = room().requireMicrophone().at();
    key("zone-microphone", KeyCode.UP, false);
    Point up = room().requireMicrophone().at();
    assertThat(up.z() - before.z()).isCloseTo(0.05, within(1e-9));
    key("zone-microphone", KeyCode.DOWN, true);
    assertThat(room().requireMicrophone().at().z()).isCloseTo(before.z() + 0.04, within(1e-9));
    Aim at = room().requireMicrophone().aim();
    key("zone-aim", KeyCode.LEFT, false);
    double turned = at.angleTo(room().requireMicrophone().aim().direction());
    assertThat(turned).isBetween(5.0, 20.0);
    key("zone-microphone", KeyCode.L, false);
    Point lips = room().requireTalker().at();
    Point now = room().requireMicrophone().at();
    assertThat(room().requireMicrophone().aim().angleTo(lips.minus(now))).isLessThan(1e-6);
  }

  @Test
  @DisplayName("the ranking is that of the planner; put there, the microphone is at its best place")
  void best() {
    film();
    page(MicPage.BEST);
    await(mic.rank().rankingProperty(), now -> mic.rank().best().isPresent());
    MicPlanner.Ranked best = Fx.on(() -> mic.rank().best().orElseThrow());
    await(mic.rank().otherwiseProperty(), Optional::isPresent);
    assertThat(words())
        .contains(best.chain().microphone())
        .contains("What it takes")
        .contains("To be paid: ")
        .contains("As a second pickup");
    assertThat(Fx.on(() -> mic.say().answer().getValue())).contains("Each at its best place");
    press("mic-put");
    assertThat(room().requireMicrophone().at().distanceTo(best.room().requireMicrophone().at()))
        .isLessThan(1e-9);
    assertThat(room().requireMicrophone().capture().pattern())
        .isEqualTo(best.heard().capture().pattern());
  }

  @Test
  @DisplayName("frame first: without a camera that is said; with one its picture is measured")
  void frame() {
    page(MicPage.FRAME);
    assertThat(words()).contains("No camera is described").contains("No lamp is described");
    press("frame-camera");
    assertThat(room().camera()).isPresent();
    await(mic.frame().framesProperty(), now -> now.filter(f -> f.size() == 1).isPresent());
    assertThat(words())
        .contains("by a boom")
        .contains("headroom")
        .doesNotContain("No camera is described");
    press("frame-turn");
    assertThat(room().camera().orElseThrow().aspectRatio()).isLessThan(1);
    Fx.run(() -> mic.frame().show(Shelf.Shot.FACE));
    FrameReach face = FrameReach.of(room(), Shelf.EMPTY).getFirst();
    assertThat(face.shot()).isEqualTo(Shelf.Shot.FACE);
    assertThat(face.heightMetres()).isCloseTo(0.35, within(0.01));
    Fx.run(() -> mic.frame().show(Shelf.Shot.WHOLE));
    double before = FrameReach.of(room(), Shelf.EMPTY).getFirst().headroomMetres();
    press("frame-lower");
    double after = FrameReach.of(room(), Shelf.EMPTY).getFirst().headroomMetres();
    assertThat(before).isGreaterThan(0.3);
    assertThat(after).isCloseTo(0.05, within(0.03));
    Fx.run(() -> desk.session().undo());
    assertThat(FrameReach.of(room(), Shelf.EMPTY).getFirst().headroomMetres())
        .isCloseTo(before, within(1e-9));
  }

  @Test
  @DisplayName("near and far, lips to file: lines for several microphones, a box for each station")
  void charts() {
    page(MicPage.DISTANCE);
    await(mic.rank().distancesProperty(), Optional::isPresent);
    assertThat(words())
        .contains("dB over the target of the weakest of the three")
        .containsPattern("enough");
    page(MicPage.CHAIN);
    assertThat(words()).contains("lips, at 1 m", "microphone", "file", "dBFS").contains("power: ");
  }

  @Test
  @DisplayName(
      "two voices: bleed, one microphone for both; the triangle is set up with its backing")
  void voices() {
    page(MicPage.VOICES);
    assertThat(words()).contains("One voice is described");
    Fx.run(() ->
        desk.session()
            .edit(
                "Guest",
                b -> {
                  SetUp s = b.room().setUp();
                  Talker host = b.room().requireTalker();
                  Point seat =
                      host.at().plus(new Aim(host.aim().azimuthDegrees() + 90, 0).direction(), 0.7);
                  return b.with(
                      b.room()
                          .with(
                              s.withTalkers(
                                  List.of(
                                      s.talkers().getFirst(),
                                      new Member<>("guest", host.movedTo(seat))))));
                }));
    await(
        mic.voices().among().valueProperty(),
        now -> now.flatMap(VoicesModel.Among::voices).isPresent());
    assertThat(words()).contains("guest").contains("share a microphone").contains("worst off");
    await(mic.voices().backing().valueProperty(), Optional::isPresent);
    press("backing-put");
    assertThat(room().loudspeakers()).hasSize(1);
    assertThat(room().requireMicrophone().at().distanceTo(room().requireTalker().at()))
        .isCloseTo(1.5, within(1e-9));
  }

  @Test
  @DisplayName("three schools spend the money given; after a change that is said to be of before")
  void money() {
    page(MicPage.MONEY);
    press("money-work");
    Fx.until(desk.work().runningProperty(), false);
    assertThat(words()).contains("Sound first", "Light first", "Treat first", "still short, dB");
    film();
    assertThat(words()).contains("work it out again");
  }
}
