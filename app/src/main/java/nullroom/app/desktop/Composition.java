package nullroom.app.desktop;

import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.application.Platform;
import javafx.beans.property.ObjectProperty;
import javafx.scene.Scene;
import javafx.util.Duration;
import nullroom.app.dress.DressModel;
import nullroom.app.dress.DressPage;
import nullroom.app.dress.DressView;
import nullroom.app.level.LevelModel;
import nullroom.app.level.LevelPage;
import nullroom.app.level.LevelView;
import nullroom.app.listen.ListenModel;
import nullroom.app.listen.ListenView;
import nullroom.app.listen.Page;
import nullroom.app.mic.MicModel;
import nullroom.app.mic.MicPage;
import nullroom.app.mic.MicView;
import nullroom.app.ring.RingModel;
import nullroom.app.ring.RingPage;
import nullroom.app.ring.RingView;
import nullroom.app.room.RoomModel;
import nullroom.app.room.RoomPage;
import nullroom.app.room.RoomView;
import nullroom.app.shell.BookSession;
import nullroom.app.shell.Inputs;
import nullroom.app.shell.Live;
import nullroom.app.shell.MainWindow;
import nullroom.app.shell.OpenStation;
import nullroom.app.shell.Preferences;
import nullroom.app.shell.SpokenPlaces;
import nullroom.app.shell.Station;
import nullroom.app.shell.StationContext;
import nullroom.app.shell.Units;
import nullroom.app.shell.Work;
import nullroom.core.book.RoomBook;
import nullroom.io.book.BookFolder;
import nullroom.io.device.AudioDevice;
import nullroom.io.device.JavaSoundDevice;

/** Everything of one open book, wired by constructor. */
public final class Composition {
  private static final int FLUSH_SECONDS = 10;

  /** So often inputs are looked for that were plugged in or pulled out. */
  private static final double LOOK_SECONDS = 4;

  private final Timeline plugs = new Timeline();

  private final ExecutorService saver =
      Executors.newSingleThreadExecutor(Thread.ofPlatform().name("saver").factory());
  private final ExecutorService background = Executors.newVirtualThreadPerTaskExecutor();
  private final BookSession session;
  private final Work work;
  private final MainWindow shell;
  private final Live live;
  private final ListenModel listen;
  private final RingModel ring;
  private final RoomModel room;
  private final DressModel dress;
  private final MicModel mic;
  private final LevelModel level;
  private final StationContext context;
  private final List<OpenStation> stations;
  private final Preferences preferences;
  private final FolderBanner condition;

  /**
   * What a book is opened with.
   *
   * @param simulated the device that stands in the room of a book
   * @param ownInputs whether an input of this computer records where there is one
   * @param preferences of the person
   * @param books what can be done about other books; empty where there is this one only
   * @param readOnly why the book can only be read; empty where it can be changed
   */
  record Setting(
      Function<RoomBook, AudioDevice> simulated,
      boolean ownInputs,
      Preferences preferences,
      Optional<BookActions> books,
      Optional<String> readOnly) {}

  /**
   * Opens a book by itself, for somebody who has settled nothing. Call on the FX thread.
   *
   * @param simulated the device that stands in the room of a book
   * @param ownInputs whether an input of this computer records where there is one
   */
  public Composition(
      BookFolder folder,
      RoomBook book,
      Function<RoomBook, AudioDevice> simulated,
      boolean ownInputs) {
    this(
        folder,
        book,
        new Setting(
            simulated,
            ownInputs,
            new Preferences(Locale.ROOT),
            Optional.empty(),
            Optional.empty()));
  }

  /** Opens a book. Call on the FX thread. */
  Composition(BookFolder folder, RoomBook book, Setting setting) {
    work = new Work(background);
    preferences = setting.preferences();
    session =
        new BookSession(
            folder,
            book,
            setting.readOnly(),
            saver,
            sentence -> Platform.runLater(() -> work.warn(sentence)));
    work.setSpeaks(sentence -> SpokenPlaces.in(sentence, session.book().room()));
    boolean ownInputs = setting.ownInputs();
    Supplier<AudioDevice> acted = () -> setting.simulated().apply(session.book());
    Inputs inputs = ownInputs ? Inputs.own(acted) : new Inputs(acted);
    if (ownInputs) {
      inputs.prefer(preferences.inputProperty().get());
      inputs
          .chosenProperty()
          .subscribe(chosen -> {
            if (inputs.isFound(chosen)) {
              preferences.inputProperty().set(chosen.name());
            }
          });
    }
    inputs.outputProperty().bind(preferences.outputProperty());
    live = new Live();
    if (ownInputs) {
      watchPlugs(inputs);
    }
    context =
        new StationContext(
            session, work, inputs, live, Clock.systemDefaultZone(), preferences.unitsProperty());
    listen = new ListenModel(context, background);
    ring = new RingModel(context);
    room = new RoomModel(context, background);
    dress = new DressModel(context);
    mic = new MicModel(context, background);
    level = new LevelModel(context);
    stations = all();
    room.trace().follow();
    shell =
        new MainWindow(
            context,
            stations,
            DeskCommands.of(this, preferences, setting.books()),
            listen::space,
            this::open,
            background);
    condition = new FolderBanner(this, setting.books());
  }

  /** The stations in the order of work. */
  private List<OpenStation> all() {
    return List.of(
        new OpenStation(
            Station.LISTEN,
            listen.say(),
            () -> new ListenView(listen, context).node(),
            Optional.of(listen::open),
            OpenStation.PageRef.all(Page.class, listen.pageProperty()),
            () -> listen.night().leave()),
        new OpenStation(
            Station.RING,
            ring.say(),
            () -> new RingView(ring, context).node(),
            Optional.of(ring::open),
            OpenStation.PageRef.all(RingPage.class, ring.pageProperty()),
            () -> {}),
        new OpenStation(
            Station.ROOM,
            room.say(),
            () -> new RoomView(room, context).node(),
            Optional.empty(),
            OpenStation.PageRef.all(RoomPage.class, room.pageProperty()),
            room::leave),
        new OpenStation(
            Station.DRESS,
            dress.say(),
            () -> new DressView(dress, context).node(),
            Optional.empty(),
            OpenStation.PageRef.all(DressPage.class, dress.pageProperty()),
            () -> {}),
        new OpenStation(
            Station.MIC,
            mic.say(),
            () -> new MicView(mic, context).node(),
            Optional.empty(),
            OpenStation.PageRef.all(MicPage.class, mic.pageProperty()),
            () -> {}),
        new OpenStation(
            Station.LEVEL,
            level.say(),
            () -> new LevelView(level, context).node(),
            Optional.of(level::open),
            OpenStation.PageRef.all(LevelPage.class, level.pageProperty()),
            () -> {}));
  }

  /** Looks for inputs that were plugged in or pulled out. */
  private void watchPlugs(Inputs inputs) {
    // once the window stands: looking for inputs loads what it could be waiting for
    Platform.runLater(() -> inputs.look(background, JavaSoundDevice::list));
    plugs
        .getKeyFrames()
        .add(
            new KeyFrame(
                Duration.seconds(LOOK_SECONDS),
                e -> {
                  if (!live.runningProperty().get() && !work.runningProperty().get()) {
                    inputs.look(background, JavaSoundDevice::list);
                  }
                }));
    plugs.setCycleCount(Animation.INDEFINITE);
    plugs.play();
  }

  /** A scene of this book. */
  public Scene scene(double width, double height) {
    return Look.scene(shell.root(), width, height);
  }

  /** The window's content. */
  public MainWindow shell() {
    return shell;
  }

  /** The noise station, to show a page of it. */
  public ListenModel listen() {
    return listen;
  }

  /** How lengths are said. */
  public ObjectProperty<Units> unitsProperty() {
    return preferences.unitsProperty();
  }

  /** The reverberation station, to show a page of it. */
  public RingModel ring() {
    return ring;
  }

  /** The room station, to show a page of it. */
  public RoomModel room() {
    return room;
  }

  /** The treatment station, to show a page of it. */
  public DressModel dress() {
    return dress;
  }

  /** The microphone station, to show a page of it. */
  public MicModel mic() {
    return mic;
  }

  /** The level station, to show a page of it. */
  public LevelModel level() {
    return level;
  }

  /** What its stations work with. */
  StationContext context() {
    return context;
  }

  /** Lays the preferences over the window. */
  void showPreferences() {
    PreferencesSheet.open(shell.sheets(), preferences, context);
  }

  /** What the person settled. */
  Preferences preferences() {
    return preferences;
  }

  /** Runs what must not hold up the window. */
  ExecutorService background() {
    return background;
  }

  /** Shows the station and the page that {@link #shown} named. */
  void recall(String shown) {
    String[] names = shown.split(" ", 2);
    stations.stream()
        .filter(s -> s.station().name().equals(names[0]))
        .findFirst()
        .ifPresent(s -> {
          shell.stationProperty().set(s.station());
          s.pages().stream()
              .filter(p -> names.length > 1 && p.name().equals(names[1]))
              .findFirst()
              .ifPresent(p -> p.show().run());
        });
  }

  /** The station shown and its page, by the names that do not change. */
  String shown() {
    Station station = shell.stationProperty().get();
    return stations.stream()
        .filter(s -> s.station() == station)
        .flatMap(s -> s.pages().stream())
        .filter(p -> p.shown().getAsBoolean())
        .map(p -> station.name() + " " + p.name())
        .findFirst()
        .orElse(station.name());
  }

  /** The newest state, once nothing changes it any more, for any thread. */
  RoomBook lastBook() {
    return session.bookProperty().get();
  }

  /** The open book. */
  public BookSession session() {
    return session;
  }

  /** The long task. */
  public Work work() {
    return work;
  }

  /**
   * Opens a sound file where it fits: at the station shown if that measures sound, else by what it
   * holds.
   */
  public void open(Station shown, Path file) {
    stations.stream()
        .filter(s -> s.station() == shown)
        .findFirst()
        .flatMap(OpenStation::opens)
        .orElse(new Dropped(context, listen, ring, shell.stationProperty()::set)::open)
        .accept(file);
  }

  /** Ends work and waits until the newest state is saved. */
  public void close() {
    Platform.runLater(plugs::stop);
    Platform.runLater(condition::stop);
    work.cancel();
    stations.forEach(s -> s.close().run());
    live.stop();
    saver.shutdown();
    try {
      if (!saver.awaitTermination(FLUSH_SECONDS, TimeUnit.SECONDS)) {
        System.err.println(
            "nullroom: the book could not be saved in time: " + session.folder().path());
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    background.shutdownNow();
  }
}
