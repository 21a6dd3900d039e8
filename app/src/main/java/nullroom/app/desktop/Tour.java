package nullroom.app.desktop;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.locks.LockSupport;
import javafx.scene.Scene;
import javafx.scene.image.WritableImage;
import javafx.stage.Stage;
import nullroom.app.control.PictureFile;
import nullroom.app.control.Tint;
import nullroom.app.dress.DressPage;
import nullroom.app.level.LevelPage;
import nullroom.app.listen.Page;
import nullroom.app.mic.MicPage;
import nullroom.app.ring.RingPage;
import nullroom.app.room.RoomPage;
import nullroom.app.shell.Station;
import nullroom.app.shell.Units;
import nullroom.core.Trouble;
import nullroom.core.book.RoomBook;
import nullroom.io.book.BookFolder;

/** Pictures of every main view of the demo book; needs no monitor. */
public final class Tour {
  /** The meter listens this long before its picture. */
  private static final long LIVE_NANOS = 2_500_000_000L;

  /** Two claps of the simulated room, and until they are judged. */
  private static final long TWO_CLAPS_NANOS = 4_800_000_000L;

  /** What is waited for is drawn as far as it has got after this. */
  private static final long LONGEST_WAIT_SECONDS = 8;

  private static final long LONGEST_PLAN_SECONDS = 60;

  /** What a page of microphones asks for is there after this. */
  private static final long MIC_NANOS = 700_000_000L;

  private Tour() {}

  /**
   * Draws the views.
   *
   * @param folder made where it is not there
   * @return the pictures
   */
  public static List<Path> draw(Path folder, int width, int height) {
    Toolkit.goHeadless();
    try {
      Files.createDirectories(folder);
    } catch (IOException e) {
      throw new Trouble.BadFile(folder.toString(), "cannot be made: " + e.getMessage());
    }
    Composition window = demo(Home.temporary("nullroom-demo-"));
    List<Path> pictures = new ArrayList<>();
    Stage stage = show(window, width, height);
    for (Station station : Station.values()) {
      String name = (station.ordinal() + 1) + "-" + station.label().toLowerCase(Locale.ROOT);
      pictures.add(station(window, stage, station, folder, name));
      if (station == Station.LISTEN) {
        pages(window, stage, folder, name, pictures);
      }
      if (station == Station.ROOM) {
        roomPages(window, stage, folder, name, pictures);
      }
      if (station == Station.DRESS) {
        dressPages(window, stage, folder, name, pictures);
      }
      if (station == Station.MIC) {
        micPages(window, stage, folder, name, pictures);
      }
      if (station == Station.LEVEL) {
        levelPages(window, stage, folder, name, pictures);
      }
      if (station == Station.RING) {
        ringPages(window, stage, folder, name, pictures);
      }
    }
    Toolkit.onFx(() -> {
      window.shell().setLampOff(true);
      window.shell().stationProperty().set(Station.LISTEN);
      window.listen().pageProperty().set(Page.LIVE);
      window.listen().toggleLive();
    });
    LockSupport.parkNanos(LIVE_NANOS);
    settle();
    pictures.add(picture(stage.getScene(), folder, (Station.values().length + 1) + "-lamp-off"));
    commands(window, stage, folder, pictures);
    Toolkit.onFx(() ->
        stage.setScene(
            Look.scene(
                new Start(Start.Offer.first(), Units.METRES, way -> {}).node(), width, height)));
    settle();
    pictures.add(picture(stage.getScene(), folder, (Station.values().length + 2) + "-start"));
    Toolkit.onFx(stage::close);
    window.close();
    return pictures;
  }

  private static Composition demo(Path copy) {
    RoomBook book = DemoBook.create(copy);
    Toolkit.start();
    return Toolkit.onFx(() -> new Composition(new BookFolder(copy), book, DemoBook::device, false));
  }

  private static Stage show(Composition window, int width, int height) {
    return Toolkit.onFx(() -> {
      Stage stage = Toolkit.show(window.session().book().name(), window.scene(width, height));
      window.shell().root().requestFocus();
      return stage;
    });
  }

  private static Path station(
      Composition window, Stage stage, Station station, Path folder, String name) {
    Toolkit.onFx(() -> window.shell().stationProperty().set(station));
    settle();
    return picture(stage.getScene(), folder, name);
  }

  private static void commands(Composition window, Stage stage, Path folder, List<Path> pictures) {
    Toolkit.onFx(() -> {
      window.listen().toggleLive();
      window.shell().setLampOff(false);
      window.shell().showCommands();
    });
    settle();
    pictures.add(picture(stage.getScene(), folder, (Station.values().length + 3) + "-commands"));
  }

  private static void pages(
      Composition window, Stage stage, Path folder, String name, List<Path> pictures) {
    Toolkit.onFx(() -> window.listen().toggleLive());
    for (Page page : Page.values()) {
      if (page != Page.REPORT && page != Page.CALIBRATION && page != Page.SPOTS) {
        Toolkit.onFx(() -> window.listen().pageProperty().set(page));
        if (page == Page.LIVE) {
          LockSupport.parkNanos(LIVE_NANOS);
        }
        if (page == Page.CLIP) {
          Toolkit.onFx(() -> window.listen().clip().record());
          Toolkit.waitUntil(window.work().runningProperty().map(on -> !on), LONGEST_PLAN_SECONDS);
        }
        settle();
        String label = page.label().toLowerCase(Locale.ROOT).replace(' ', '-');
        pictures.add(picture(stage.getScene(), folder, name + "-" + label));
        if (page == Page.CLIP) {
          Toolkit.onFx(() -> window.session().undo());
        }
      }
    }
    Toolkit.onFx(() -> window.listen().toggleLive());
    Toolkit.onFx(() -> window.listen().pageProperty().set(Page.REPORT));
  }

  private static void roomPages(
      Composition window, Stage stage, Path folder, String name, List<Path> pictures) {
    Toolkit.waitUntil(
        window.room().trace().tracedProperty().map(t -> window.room().trace().now().isPresent()),
        LONGEST_WAIT_SECONDS);
    for (RoomPage page : List.of(RoomPage.SHAPE, RoomPage.SET_UP, RoomPage.MODEL)) {
      Toolkit.onFx(() -> window.room().pageProperty().set(page));
      settle();
      String label = page.label().toLowerCase(Locale.ROOT);
      pictures.add(picture(stage.getScene(), folder, name + "-" + label));
    }
    Toolkit.onFx(() -> window.room().pageProperty().set(RoomPage.FOLD_OUT));
    Toolkit.onFx(() -> window.room().tintProperty().set(Tint.EARLY));
    settle();
    pictures.set(
        pictures.indexOf(folder.resolve(name + ".png")), picture(stage.getScene(), folder, name));
  }

  private static void dressPages(
      Composition window, Stage stage, Path folder, String name, List<Path> pictures) {
    Toolkit.onFx(() -> {
      window.dress().pageProperty().set(DressPage.PLAN);
      window.dress().plan().make();
    });
    Toolkit.waitUntil(
        window.dress().plan().madeProperty().map(Optional::isPresent), LONGEST_PLAN_SECONDS);
    settle();
    pictures.set(
        pictures.indexOf(folder.resolve(name + ".png")), picture(stage.getScene(), folder, name));
    Toolkit.onFx(() -> window.dress().pageProperty().set(DressPage.ROOM));
    settle();
    pictures.add(picture(stage.getScene(), folder, name + "-room"));
    Toolkit.onFx(() -> window.dress().pageProperty().set(DressPage.PIECE));
  }

  private static void micPages(
      Composition window, Stage stage, Path folder, String name, List<Path> pictures) {
    Toolkit.waitUntil(window.mic().mappedProperty(), LONGEST_WAIT_SECONDS);
    Toolkit.waitUntil(window.mic().rankedProperty(), LONGEST_WAIT_SECONDS);
    settle();
    pictures.set(
        pictures.indexOf(folder.resolve(name + ".png")), picture(stage.getScene(), folder, name));
    for (MicPage page :
        List.of(MicPage.FRAME, MicPage.BEST, MicPage.DISTANCE, MicPage.CHAIN, MicPage.SHELF)) {
      Toolkit.onFx(() -> {
        window.mic().pageProperty().set(page);
        window
            .mic()
            .shelf()
            .chosenProperty()
            .set(window.mic().shelf().shelf().kit().getFirst().name());
      });
      LockSupport.parkNanos(MIC_NANOS);
      settle();
      pictures.add(
          picture(stage.getScene(), folder, name + "-" + page.name().toLowerCase(Locale.ROOT)));
    }
    Toolkit.onFx(() -> window.mic().pageProperty().set(MicPage.ZONE));
  }

  private static void levelPages(
      Composition window, Stage stage, Path folder, String name, List<Path> pictures) {
    Toolkit.onFx(() -> window.level().pageProperty().set(LevelPage.TAKE));
    Toolkit.onFx(() -> window.level().take().record());
    Toolkit.waitUntil(window.work().runningProperty().map(on -> !on), LONGEST_WAIT_SECONDS);
    settle();
    pictures.add(picture(stage.getScene(), folder, name + "-take"));
    Toolkit.onFx(() -> window.level().pageProperty().set(LevelPage.GAIN));
  }

  private static void ringPages(
      Composition window, Stage stage, Path folder, String name, List<Path> pictures) {
    for (RingPage page : RingPage.values()) {
      if (page != RingPage.DECAY && page != RingPage.FIGURES && page != RingPage.THIRDS) {
        Toolkit.onFx(() -> window.ring().pageProperty().set(page));
        if (page == RingPage.CLAPS) {
          Toolkit.onFx(() -> window.ring().clap());
          LockSupport.parkNanos(TWO_CLAPS_NANOS);
        }
        settle();
        String label = page.label().toLowerCase(Locale.ROOT).replace(' ', '-');
        pictures.add(picture(stage.getScene(), folder, name + "-" + label));
      }
    }
    Toolkit.onFx(() -> window.work().cancel());
    Toolkit.waitUntil(window.work().runningProperty().map(on -> !on), LONGEST_WAIT_SECONDS);
    settle();
    Toolkit.onFx(() -> window.work().say(""));
    Toolkit.onFx(() -> window.ring().pageProperty().set(RingPage.DECAY));
    settle();
  }

  /**
   * Draws every station once, away from sight: part of what the start-up cache is trained with.
   *
   * @return the folder of the demo book drawn
   */
  public static Path rehearse() {
    Toolkit.goHeadless();
    Path copy = Home.temporary("nullroom-train-");
    Composition window = demo(copy);
    Stage stage = show(window, Desktop.WIDTH, Desktop.HEIGHT);
    for (Station station : Station.values()) {
      station(window, stage, station, copy, station.name());
    }
    Toolkit.onFx(stage::close);
    window.close();
    return copy;
  }

  /** Lets what was asked of other threads come back, and the layout follow. */
  private static void settle() {
    for (int i = 0; i < 3; i++) {
      Toolkit.onFx(() -> {});
      LockSupport.parkNanos(60_000_000L);
    }
  }

  private static Path picture(Scene scene, Path folder, String name) {
    WritableImage image = Toolkit.onFx(() -> scene.snapshot(null));
    Path file = folder.resolve(name + ".png");
    PictureFile.png(image, file);
    return file;
  }
}
