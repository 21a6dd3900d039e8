package nullroom.app.listen;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.concurrent.ConcurrentLinkedDeque;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import nullroom.app.Fx;
import nullroom.app.TestBooks;
import nullroom.app.shell.Inputs;
import nullroom.app.shell.Live;
import nullroom.app.shell.StationContext;
import nullroom.core.book.RoomBook;
import nullroom.core.predict.Heard;
import nullroom.io.device.AudioDevice;
import nullroom.io.device.AudioStream;
import nullroom.io.device.SimulatedDevice;
import nullroom.io.survey.SurveyFile;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The live input and the watch over hours, on a room that is heard thirty times too fast. */
class NightModelTest {
  private static final double SPEED = 30;

  @TempDir Path folder;
  private StationContext desk;
  private double goneAfterSeconds = Double.POSITIVE_INFINITY;

  @BeforeAll
  static void toolkit() {
    Fx.start();
  }

  @BeforeEach
  void open() {
    StationContext usual = Fx.on(() -> TestBooks.desk(folder.resolve("book"), TestBooks.bedroom()));
    desk =
        new StationContext(usual.session(), usual.work(), fast(usual), usual.live(), usual.clock());
  }

  private Inputs fast(StationContext usual) {
    SimulatedDevice room = new SimulatedDevice(Heard.of(usual.session().book().room()), 343.2, 3);
    AudioDevice quick =
        new AudioDevice() {
          @Override
          public String name() {
            return "quick room";
          }

          @Override
          public double sampleRateHz() {
            return room.sampleRateHz();
          }

          @Override
          public java.util.OptionalDouble fullScaleDbSpl() {
            return room.fullScaleDbSpl();
          }

          @Override
          public AudioStream open(Prompt prompt) {
            return room.open(goneAfterSeconds, SPEED);
          }

          @Override
          public nullroom.core.signal.Samples record(
              Prompt prompt, double seconds, nullroom.core.Progress progress) {
            return room.record(prompt, seconds, progress);
          }
        };
    return new Inputs(() -> quick);
  }

  private static void waitFor(BooleanSupplier wanted) throws InterruptedException {
    CountDownLatch never = new CountDownLatch(1);
    for (int i = 0; i < 600 && !Fx.on(wanted::getAsBoolean); i++) {
      never.await(25, TimeUnit.MILLISECONDS);
    }
    assertThat(Fx.on(wanted::getAsBoolean)).isTrue();
  }

  private Path csv() {
    return desk.session().folder().survey("survey-1.csv");
  }

  private NightModel model() {
    return Fx.on(() -> new NightModel(desk, TestBooks.WORKERS));
  }

  @Test
  void theMeterReadsWhatTheInputHearsAndStops() throws InterruptedException {
    Live live = desk.live();
    List<Integer> heard = new ArrayList<>();
    CountDownLatch ended = new CountDownLatch(1);
    Fx.run(() -> {
      live.tap(
          new Live.Tap() {
            @Override
            public void hear(double[] block, int count) {
              heard.add(count);
            }

            @Override
            public void ended() {
              ended.countDown();
            }
          });
      live.start(desk.inputs().chosenProperty().get().device().get());
    });
    waitFor(() -> live.reading().map(r -> r.seconds() > 3).orElse(false));
    assertThat(live.reading().orElseThrow().aDbfs()).isPresent();
    assertThat(live.trace().orElseThrow().written()).isGreaterThan(50);
    assertThat(live.dropped()).isZero();
    live.stop();
    Fx.until(live.runningProperty(), false);
    assertThat(ended.await(5, TimeUnit.SECONDS)).isTrue();
    assertThat(heard).hasSizeGreaterThan(300).containsOnly(480);
    assertThat(live.format()).isEmpty();
    assertThat(Fx.on(() -> live.troubleProperty().get())).isEmpty();
  }

  @Test
  void aDeviceThatGoesAwayIsSaid() {
    goneAfterSeconds = 2;
    Fx.run(() -> desk.live().start(desk.inputs().chosenProperty().get().device().get()));
    Fx.until(desk.live().runningProperty(), false);
    assertThat(Fx.on(() -> desk.live().troubleProperty().get()))
        .contains("quick room went away", "kept");
  }

  @Test
  void aWatchIsWrittenSecondBySecondAndJudged() throws InterruptedException {
    NightModel model = model();
    assertThat(model.meaning()).contains("an hour or a night");
    Fx.run(model::start);
    waitFor(
        () -> model.nightProperty().get().map(n -> n.survey().rows().size() > 25).orElse(false));
    assertThat(model.brokenOff()).isEmpty();
    Fx.run(model::stop);
    Fx.until(model.runningProperty(), false);
    SurveyFile.Content content = SurveyFile.read(csv());
    assertThat(content.lines()).hasSizeGreaterThan(25);
    assertThat(content.torn()).isZero();
    RoomBook book = desk.session().book();
    assertThat(book.listening().surveys())
        .singleElement()
        .satisfies(s -> assertThat(s.ended()).isTrue());
    assertThat(desk.session().folder().load()).isEqualTo(book);
    assertThat(Fx.on(model::meaning)).contains("heard since 18:30", "broke in");
  }

  @Test
  void oneThatBrokeOffGoesOnInItsFile() throws Exception {
    goneAfterSeconds = 6;
    NightModel first = model();
    Fx.run(first::start);
    waitFor(() -> first.brokenOff().isPresent());
    int before = SurveyFile.read(csv()).lines().size();
    assertThat(before).isBetween(5, 6);
    Files.writeString(csv(), "2026-05-04T18:3", StandardOpenOption.APPEND); // as a crash leaves it

    goneAfterSeconds = Double.POSITIVE_INFINITY;
    NightModel again = model();
    assertThat(Fx.on(again::meaning)).contains("broke off");
    Fx.run(again::resume);
    waitFor(() ->
        again.nightProperty().get().map(n -> n.survey().rows().size() > before + 5).orElse(false));
    Fx.run(again::stop);
    Fx.until(again.runningProperty(), false);
    SurveyFile.Content whole = SurveyFile.read(csv());
    assertThat(whole.torn()).isZero();
    assertThat(whole.lines().size()).isGreaterThan(before + 5);
    assertThat(desk.session().book().listening().surveys()).hasSize(1);
    assertThat(desk.session().book().listening().surveys().getFirst().ended()).isTrue();
  }

  @Test
  void aJudgementThatComesLateDoesNotReplaceANewerOne() throws InterruptedException {
    Deque<Runnable> waiting = new ConcurrentLinkedDeque<>();
    NightModel model = Fx.on(() -> new NightModel(desk, waiting::addFirst));
    Fx.run(model::start);
    waitFor(() -> waiting.size() > 4);
    Fx.run(model::stop);
    waiting.removeFirst().run(); // ends the survey, which asks for a last judgement
    Fx.until(model.runningProperty(), false);
    waitFor(() -> !waiting.isEmpty());
    int judgements = waiting.size();
    waiting.removeFirst().run();
    int newest = Fx.on(() -> model.nightProperty().get().orElseThrow().survey().rows().size());
    assertThat(newest).isGreaterThanOrEqualTo(judgements - 1);
    waiting.forEach(Runnable::run);
    assertThat(Fx.on(() -> model.nightProperty().get().orElseThrow().survey().rows()))
        .hasSize(newest);
  }
}
