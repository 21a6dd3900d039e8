package nullroom.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import nullroom.app.dress.DressModel;
import nullroom.app.level.LevelModel;
import nullroom.app.listen.ListenModel;
import nullroom.app.mic.MicModel;
import nullroom.app.ring.RingModel;
import nullroom.app.room.MaterialsModel;
import nullroom.app.room.RoomModel;
import nullroom.core.Trouble;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.book.Goal;
import nullroom.core.plan.Hanging;
import nullroom.core.room.Aim;
import nullroom.core.room.Finish;
import nullroom.core.room.Point;
import nullroom.core.room.RoomItem;
import nullroom.core.room.Surface;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** The six stations' models on one book, without a node in sight. */
class StationModelsTest extends DeskTest {

  @Test
  void listenGuessesFirstAndKnowsAfterListening() {
    ListenModel model = Fx.on(() -> new ListenModel(desk, TestBooks.WORKERS));
    assertThat(words(model.say().answer())).contains("guess until you listen");
    assertThat(words(model.say().figure())).isEqualTo("not heard yet");
    assertThat(words(model.say().meaning())).contains("listen for ten seconds");
    assertThat(model.measured()).isFalse();
    after(model::listen);
    assertThat(model.measured()).isTrue();
    assertThat(words(model.say().figure())).endsWith(" dBA");
    assertThat(words(model.say().meaning())).contains("NC-", "Simulated 2026-05-04 18:30");
    assertThat(desk.session().folder().sounds().file("simulated-noise-1.wav")).exists();
    assertThat(desk.session().folder().load()).isEqualTo(desk.session().book());
    assertThat(Fx.on(model::quietLine)).isPresent();
    Fx.run(desk.session()::undo);
    assertThat(model.measured()).isFalse();
  }

  @Test
  void aDroppedRecordingIsKeptUnchanged() throws Exception {
    ListenModel model = Fx.on(() -> new ListenModel(desk, TestBooks.WORKERS));
    after(model::listen);
    Path mine = folder.resolve("my room.wav");
    Files.copy(desk.session().folder().sounds().file("simulated-noise-1.wav"), mine);
    after(() -> model.open(mine));
    String kept = desk.session().book().noise().orElseThrow().sound();
    assertThat(kept).isEqualTo("noise-1.wav");
    assertThat(desk.session().folder().sounds().file(kept)).hasSameBinaryContentAs(mine);
    assertThat(words(model.say().meaning())).contains("Measured 2026-05-04 18:30");
  }

  @Test
  void listenNamesTheHumTheToneAndTheKnock() {
    ListenModel model = Fx.on(() -> new ListenModel(desk, TestBooks.WORKERS));
    java.util.Random random = new java.util.Random(9);
    double[] x = new double[48_000 * 12];
    for (int i = 0; i < x.length; i++) {
      double t = i / 48_000.0;
      x[i] =
          1e-4 * random.nextGaussian()
              + 3e-4 * Math.sin(2 * Math.PI * 50 * t)
              + 1e-4 * Math.sin(2 * Math.PI * 730 * t);
    }
    x[48_000 * 5] = 0.3;
    Path file = folder.resolve("hum.wav");
    nullroom.io.audio.WavWriter.writeFloat(file, new nullroom.core.signal.Samples(x, 48_000));
    after(() -> model.open(file));
    assertThat(words(model.say().meaning()))
        .contains("hums with the 50 Hz mains", "tone at 730 Hz", "One sound broke in");
    assertThat(desk.session().folder().load()).isEqualTo(desk.session().book());
  }

  @Test
  void roomSizesMaterialsAndPlaces() {
    RoomModel model = Fx.on(() -> new RoomModel(desk, TestBooks.WORKERS));
    assertThat(words(model.say().figure())).isEqualTo("29 m³");
    Fx.run(() -> model.setSize(0, 5));
    Fx.run(() -> model.setSize(1, 3.5));
    Fx.run(() -> model.setSize(2, 2.6));
    assertThat(model.room().size()).isEqualTo(new Point(5, 3.5, 2.6));
    assertThat(words(model.say().answer())).startsWith("45.5 m³");
    Fx.run(() -> model.setMaterial(Surface.wall(2), Finish.of("glass_double_10")));
    assertThat(model.room().finishOf(Surface.wall(2))).isEqualTo(Finish.of("glass_double_10"));
    assertThat(model.room().finishOf(Surface.wall(1))).isEqualTo(Finish.of("plaster_on_brick"));
    Fx.run(() -> model.move(RoomItem.TALKER, 1, 1));
    Fx.run(() -> model.setHeight(RoomItem.MICROPHONE, 1.7));
    var microphone = model.room().requireMicrophone();
    var lips = model.room().requireTalker().at();
    assertThat(lips.x()).isEqualTo(1);
    assertThat(microphone.at().z()).isEqualTo(1.7);
    assertThat(microphone.aim().angleTo(lips.minus(microphone.at()))).isCloseTo(0, within(1e-6));
    assertThat(model.materials().all().stream().filter(MaterialsModel::forSurfaces))
        .isNotEmpty()
        .noneMatch(m -> m.category().equals("absorber") || m.category().equals("people"));
  }

  @Test
  void whatDoesNotFitIsRefusedAndTheRoomStays() {
    RoomModel model = Fx.on(() -> new RoomModel(desk, TestBooks.WORKERS));
    var before = model.room();
    assertThatThrownBy(() -> model.move(RoomItem.MICROPHONE, 40, 1)).isInstanceOf(Trouble.class);
    assertThatThrownBy(() -> model.setHeight(RoomItem.TALKER, 3)).isInstanceOf(Trouble.class);
    assertThat(model.room()).isEqualTo(before);
  }

  @ParameterizedTest
  @EnumSource(Hanging.class)
  void dressSaysWhatAPieceBuysAndThenItDoes(Hanging hanging) {
    DressModel model = Fx.on(() -> new DressModel(desk));
    Surface surface = hanging == Hanging.RUG ? Surface.FLOOR : Surface.wall(2);
    Fx.run(() -> model.hangingProperty().set(hanging));
    Fx.run(() -> model.surfaceProperty().set(surface));
    assertThat(words(model.say().answer())).contains("would buy");
    assertThat(words(model.say().figure())).isEqualTo("nothing up");
    double[] promised = Fx.on(() -> model.secondsThen().orElseThrow());
    assertThat(promised[5]).isLessThan(model.secondsNow()[5]);
    Fx.run(model::hang);
    assertThat(model.secondsNow()).containsExactly(promised, within(1e-12));
    assertThat(words(model.say().figure())).isEqualTo("1 piece up");
    while (model.proposal().isPresent()) { // beside it, as long as there is a place
      Fx.run(model::hang);
    }
    assertThat(words(model.say().answer())).contains("already leaves no place");
    assertThatThrownBy(model::hang).isInstanceOf(Trouble.BadField.class);
    for (int up = model.pieces().size(); up >= 0; up--) {
      Fx.run(model::takeDown); // with nothing up it does nothing
    }
    assertThat(model.pieces()).isEmpty();
    assertThat(model.proposal()).isPresent();
  }

  @Test
  void aBlanketDoesNotBelongOnTheFloor() {
    DressModel model = Fx.on(() -> new DressModel(desk));
    Fx.run(() -> model.surfaceProperty().set(Surface.FLOOR));
    assertThat(words(model.say().answer())).contains("does not belong on the floor");
    Fx.run(
        () -> model.surfaceProperty().set(Surface.wall(9))); // of a room of more walls, seen before
    assertThat(model.proposal()).isEmpty();
  }

  @Test
  void micMovesAlongItsLineAndAroundTheLips() {
    MicModel model = Fx.on(() -> new MicModel(desk));
    assertThat(model.distanceMetres()).isCloseTo(0.5, within(1e-9));
    double clear = model.heard().margins().clearDb();
    Fx.run(() -> model.setDistance(0.25));
    assertThat(model.distanceMetres()).isCloseTo(0.25, within(1e-9));
    assertThat(model.heard().margins().clearDb()).isGreaterThan(clear + 3);
    Fx.run(() -> model.setAngle(45));
    assertThat(model.angleDegrees()).isCloseTo(45, within(1e-6));
    assertThat(model.distanceMetres()).isCloseTo(0.25, within(1e-9));
    assertThat(model.riseMetres()).isCloseTo(0, within(1e-9));
    assertThat(words(model.say().figure())).isEqualTo("25 cm");
    assertThatThrownBy(() -> model.setDistance(2.4)).isInstanceOf(Trouble.class);
  }

  @Test
  void allTypesAreRankedByTheirWeakestMarginAtTheirOwnGain() {
    MicModel model = Fx.on(() -> new MicModel(desk));
    var choices = model.choices();
    assertThat(choices)
        .as("the clip-on under cloth is one for itself")
        .hasSize(MicrophoneType.ALL.size() - 1);
    double last = Double.POSITIVE_INFINITY;
    for (MicModel.Choice choice : choices) {
      double over = choice.verdicts().weakest().overDb();
      assertThat(over).isLessThanOrEqualTo(last);
      last = over;
    }
    assertThat(choices).filteredOn(MicModel.Choice::inUse).hasSize(1);
    assertThat(model.type()).contains(MicrophoneType.ALL.get(2));
    MicrophoneType other = MicrophoneType.ALL.get(6);
    Fx.run(() -> model.setType(other));
    assertThat(model.type()).contains(other);
    assertThat(words(model.say().answer())).isNotBlank();
  }

  @Test
  void levelPutsTheLoudestPeakWhereItBelongs() {
    LevelModel model = Fx.on(() -> new LevelModel(desk));
    Fx.run(() -> model.setGain(model.rightGainDb()));
    double peak = model.peakDbfs(model.effort());
    assertThat(peak).isLessThanOrEqualTo(model.targetDbfs()).isGreaterThan(model.targetDbfs() - 1);
    assertThat(words(model.say().answer())).contains("where it belongs");
    Fx.run(() -> model.setGain(model.gainDb() + 3.4));
    assertThat(model.peakDbfs(model.effort())).isCloseTo(peak + 3, within(1e-9));
    Fx.run(() -> model.setGain(75));
    assertThat(words(model.say().answer())).contains("beyond full scale");
    Fx.run(() -> model.setEffort(VocalEffort.LOUD));
    assertThat(model.effort()).isEqualTo(VocalEffort.LOUD);
    assertThat(model.voiceDbfs(VocalEffort.LOUD))
        .isGreaterThan(model.voiceDbfs(VocalEffort.NORMAL));
  }

  @ParameterizedTest
  @CsvSource({"SPOKEN_CLOSE", "SUNG_DRY", "SUNG_SOME_ROOM"})
  void everyStationFollowsTheGoal(Goal goal) {
    RingModel ring = Fx.on(() -> new RingModel(desk));
    ListenModel listen = Fx.on(() -> new ListenModel(desk, TestBooks.WORKERS));
    Fx.run(() -> desk.session().edit("Change the goal", b -> b.with(goal)));
    String label = goal.label().toLowerCase(java.util.Locale.ROOT);
    assertThat(words(ring.say().answer())).contains(label);
    assertThat(words(listen.say().answer())).contains(label);
    assertThat(ring.goal()).isEqualTo(goal);
  }

  @Test
  void anAngleStaysReachableFromAbove() {
    RoomModel room = Fx.on(() -> new RoomModel(desk, TestBooks.WORKERS));
    MicModel mic = Fx.on(() -> new MicModel(desk));
    Fx.run(() -> room.setHeight(RoomItem.MICROPHONE, 1.6));
    double distance = mic.distanceMetres();
    Fx.run(() -> mic.setAngle(90));
    assertThat(mic.angleDegrees()).isCloseTo(90, within(1e-6));
    assertThat(mic.distanceMetres()).isCloseTo(distance, within(1e-9));
    assertThat(mic.riseMetres()).isCloseTo(0.3, within(1e-9));
    assertThat(new Aim(0, 0).angleTo(new Point(0, 1, 0))).isCloseTo(90, within(1e-9));
  }
}
