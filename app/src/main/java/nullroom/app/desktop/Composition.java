package nullroom.app.desktop;

import java.nio.file.Path;
import java.time.Clock;
import java.util.EnumMap;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;
import javafx.beans.value.ObservableValue;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.text.Font;
import nullroom.app.dress.DressModel;
import nullroom.app.dress.DressView;
import nullroom.app.level.LevelModel;
import nullroom.app.level.LevelView;
import nullroom.app.listen.ListenModel;
import nullroom.app.listen.ListenView;
import nullroom.app.mic.MicModel;
import nullroom.app.mic.MicView;
import nullroom.app.ring.RingModel;
import nullroom.app.ring.RingView;
import nullroom.app.room.RoomModel;
import nullroom.app.room.RoomView;
import nullroom.app.shell.BookSession;
import nullroom.app.shell.Desk;
import nullroom.app.shell.Shell;
import nullroom.app.shell.Station;
import nullroom.app.shell.Work;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.DecayAnalysis;
import nullroom.io.audio.SoundFile;
import nullroom.io.book.BookFolder;
import nullroom.io.book.RoomBook;

/** Everything of one open book, wired by constructor. */
public final class Composition {
  private static final int FLUSH_SECONDS = 10;

  private final ExecutorService saver =
      Executors.newSingleThreadExecutor(Thread.ofPlatform().name("saver").factory());
  private final ExecutorService background = Executors.newVirtualThreadPerTaskExecutor();
  private final BookSession session;
  private final Work work;
  private final Shell shell;
  private final ListenModel listen;
  private final RingModel ring;

  /** Opens a book. Call on the FX thread. */
  public Composition(BookFolder folder, RoomBook book) {
    work = new Work(background);
    session =
        new BookSession(
            folder, book, saver, sentence -> Platform.runLater(() -> work.say(sentence)));
    Desk desk =
        new Desk(session, work, () -> DemoBook.device(session.book()), Clock.systemDefaultZone());
    listen = new ListenModel(desk);
    ring = new RingModel(desk);
    RoomModel room = new RoomModel(desk);
    DressModel dress = new DressModel(desk);
    MicModel mic = new MicModel(desk);
    LevelModel level = new LevelModel(desk);
    Map<Station, Node> nodes = new EnumMap<>(Station.class);
    nodes.put(Station.LISTEN, new ListenView(listen, desk).node());
    nodes.put(Station.RING, new RingView(ring, desk).node());
    nodes.put(Station.ROOM, new RoomView(room, desk).node());
    nodes.put(Station.DRESS, new DressView(dress, desk).node());
    nodes.put(Station.MIC, new MicView(mic, desk).node());
    nodes.put(Station.LEVEL, new LevelView(level, desk).node());
    Map<Station, ObservableValue<String>> figures = new EnumMap<>(Station.class);
    figures.put(Station.LISTEN, listen.figure());
    figures.put(Station.RING, ring.figure());
    figures.put(Station.ROOM, room.figure());
    figures.put(Station.DRESS, dress.figure());
    figures.put(Station.MIC, mic.figure());
    figures.put(Station.LEVEL, level.figure());
    shell = new Shell(desk, nodes, figures, listen::listen, this::open, background);
  }

  /** A scene of this book. */
  public Scene scene(double width, double height) {
    Fonts.load();
    Scene scene = new Scene(shell.root(), width, height);
    scene.getStylesheets().add(Fonts.resource("nullroom.css"));
    return scene;
  }

  /** The window's content. */
  public Shell shell() {
    return shell;
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
    switch (shown) {
      case LISTEN -> listen.open(file);
      case RING -> ring.open(file);
      case ROOM, DRESS, MIC, LEVEL ->
          work.start(
              "Looking at " + file.getFileName(),
              progress ->
                  DecayAnalysis.ofImpulses(SoundFile.readChannel(file, 0), Octave.ALL).takes(),
              claps -> {
                Station fits = claps > 0 ? Station.RING : Station.LISTEN;
                shell.stationProperty().set(fits);
                open(fits, file);
              });
    }
  }

  /** Ends work and waits until the newest state is saved. */
  public void close() {
    work.cancel();
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

  /** Fonts and stylesheet that ship with the program. */
  private static final class Fonts {
    static void load() {
      for (String file : new String[] {"OpenSans_400Regular.ttf", "OpenSans_600SemiBold.ttf"}) {
        Font.loadFont(resource("fonts/" + file), 13);
      }
    }

    static String resource(String name) {
      return java.util.Objects.requireNonNull(
              Composition.class.getResource("/nullroom/app/" + name), name)
          .toExternalForm();
    }
  }
}
