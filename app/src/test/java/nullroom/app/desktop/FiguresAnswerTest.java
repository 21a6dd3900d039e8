package nullroom.app.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.shape.Rectangle;
import nullroom.app.Fx;
import nullroom.app.control.BandPlot;
import nullroom.app.control.FigureTable;
import nullroom.app.control.LevelRows;
import nullroom.app.shell.BookSession;
import nullroom.app.shell.Station;
import nullroom.core.book.RoomBook;
import nullroom.core.predict.Refinement;
import nullroom.core.predict.ReflectedSound;
import nullroom.io.book.BookFolder;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Each figure of every table and bar of every page says why, and says the same figure. */
class FiguresAnswerTest {
  private static final Pattern NUMBER = Pattern.compile("[−-]?\\d+(?:\\.(\\d+))?");

  @TempDir Path folder;
  private Composition window;
  private Scene scene;

  @BeforeEach
  void open() {
    Fx.start();
    RoomBook demo = DemoBook.create(folder);
    window = Fx.on(() -> new Composition(new BookFolder(folder), demo, Desktop::simulated, false));
    scene = Fx.on(() -> window.scene(1280, 800));
  }

  @AfterEach
  void close() {
    window.close();
  }

  private void layOut() {
    Fx.run(() -> {
      for (int pass = 0; pass < 2; pass++) { // what scrolls gets its content in the first
        scene.getRoot().applyCss();
        scene.getRoot().layout();
      }
    });
  }

  private <T extends Node> List<T> shown(Class<T> kind) {
    List<T> found = new ArrayList<>();
    collect(scene.getRoot(), kind, found);
    return found;
  }

  private static <T extends Node> void collect(Node node, Class<T> kind, List<T> found) {
    if (!node.isVisible()) {
      return;
    }
    if (kind.isInstance(node)) {
      found.add(kind.cast(node));
    }
    if (node instanceof javafx.scene.Parent parent) {
      parent.getChildrenUnmodifiable().forEach(child -> collect(child, kind, found));
    }
  }

  private List<String> card() {
    Node card = scene.lookup("#why");
    return card.isVisible()
        ? card.lookupAll(".why-line").stream().map(n -> ((Label) n).getText()).toList()
        : List.of();
  }

  private static void press(Node node, KeyCode code) {
    node.fireEvent(new KeyEvent(KeyEvent.KEY_PRESSED, "", "", code, false, false, false, false));
  }

  private void toReport() {
    Fx.run(() -> window.shell().stationProperty().set(Station.LISTEN));
    layOut();
    Fx.run(() -> ((ToggleButton) scene.lookup("#page-report")).fire());
    layOut();
  }

  /** Runs on every page of every station. */
  private void everyPage(Runnable look) {
    for (Station station : Station.values()) {
      Fx.run(() -> window.shell().stationProperty().set(station));
      layOut();
      List<ToggleButton> tabs =
          Fx.on(() ->
              shown(ToggleButton.class).stream()
                  .filter(b -> b.getStyleClass().contains("tab"))
                  .toList());
      for (ToggleButton tab : tabs) {
        Fx.run(tab::fire);
        layOut();
        Fx.run(look);
      }
      if (tabs.isEmpty()) {
        Fx.run(look);
      }
    }
  }

  @Test
  @DisplayName("in tables: clicked, the card gives the very figure, with what it is and its source")
  void tables() {
    Set<String> answered = new HashSet<>();
    Fx.run(() -> window.listen().clip().record());
    Fx.until(window.work().runningProperty(), false);
    Fx.run(() -> window.level().lean().record());
    Fx.until(window.work().runningProperty(), false);
    everyPage(() -> {
      for (FigureTable table : shown(FigureTable.class)) {
        for (Node cell : table.lookupAll(".asking")) {
          String text = ((Label) cell).getText();
          Matcher number = NUMBER.matcher(text);
          if (number.find() && !text.startsWith("–")) {
            Fx.click(cell);
            List<String> lines = card();
            assertThat(lines).as(table.getId() + ": " + text).hasSizeGreaterThan(3);
            assertThat(lines.getLast()).startsWith("source: ");
            alike(number, lines.getFirst().substring(lines.getFirst().indexOf(": ") + 2));
            answered.add(table.getId());
          }
        }
      }
    });
    assertThat(answered)
        .contains(
            "noise-figures", "ring-figures", "ring-average", "mic-types", "gain-plan", "files")
        .contains("model-modes", "model-changes", "clip-found", "lean-figures");
  }

  private static void alike(Matcher shown, String figure) {
    Matcher said = NUMBER.matcher(figure);
    assertThat(said.find()).as(figure).isTrue();
    int decimals = shown.group(1) == null ? 0 : shown.group(1).length();
    assertThat(value(said.group()))
        .as(figure)
        .isCloseTo(value(shown.group()), within(0.51 * Math.pow(10, -decimals)));
  }

  private static double value(String number) {
    return Double.parseDouble(number.replace('−', '-'));
  }

  @Test
  @DisplayName("bars over bands and levels by name, clicked and by the keyboard alone")
  void bars() {
    Set<Station> answered = new HashSet<>();
    everyPage(() -> {
      List<Node> pictures = new ArrayList<>(shown(BandPlot.class));
      pictures.addAll(shown(LevelRows.class));
      for (Node picture : pictures) {
        List<Rectangle> bars =
            picture.lookupAll(".bar").stream()
                .map(Rectangle.class::cast)
                .filter(r -> r.getOnMouseClicked() != null && r.getHeight() > 3)
                .toList();
        for (Rectangle bar : bars) {
          press(scene.lookup("#why"), KeyCode.ESCAPE);
          Fx.click(bar);
          assertThat(card()).as(bar.toString()).hasSizeGreaterThan(3);
          answered.add(window.shell().stationProperty().get());
        }
        if (!bars.isEmpty()) {
          assertThat(picture.isFocusTraversable()).isTrue();
          press(picture, KeyCode.RIGHT);
          press(picture, KeyCode.ENTER);
          assertThat(card()).as(picture.getAccessibleText()).isNotEmpty();
        }
      }
    });
    assertThat(answered).contains(Station.LISTEN, Station.RING, Station.ROOM, Station.DRESS);
  }

  @Test
  @DisplayName("a page that is shown while tracing ends shows what the card then says")
  void tracedMeanwhile() {
    toReport();
    Fx.await(() -> window.session().refinedProperty().get(), words -> words.startsWith("Traced"));
    Fx.run(() -> {
      BookSession session = window.session();
      Refinement found = session.refinement().orElseThrow();
      ReflectedSound full = found.full();
      session.refine(
          new Refinement(
              found.room(),
              found.decaySeconds(),
              new ReflectedSound(
                  full.earlyDb().map(level -> level + 10), full.lateDb(), full.directBlocked()),
              found.earlyDb(),
              found.lateDb(),
              found.standardErrorDb()));
      Node cell =
          scene.lookup("#noise-figures").lookupAll(".asking").stream()
              .filter(c -> ((Label) c).getText().endsWith(" dB"))
              .findFirst()
              .orElseThrow();
      Fx.click(cell);
      assertThat(card().getFirst()).isEqualTo("to the quiet line: " + ((Label) cell).getText());
    });
  }

  @Test
  @DisplayName("a table is one stop of the tab key: arrows go from figure to figure, enter asks")
  void byKeyboard() {
    toReport();
    Fx.run(() -> {
      Node table = scene.lookup("#noise-figures");
      table.requestFocus();
      assertThat(scene.getFocusOwner()).isSameAs(table);
      press(table, KeyCode.ENTER);
      assertThat(card().getFirst()).startsWith("LAeq: ");
      press(table, KeyCode.DOWN);
      press(table, KeyCode.DOWN);
      press(table, KeyCode.ENTER);
      assertThat(card().getFirst()).startsWith("LZeq: ");
      assertThat(table.getAccessibleText()).startsWith("LZeq ");
      press(table, KeyCode.UP);
      press(table, KeyCode.UP);
      press(table, KeyCode.UP);
      press(table, KeyCode.ENTER);
      assertThat(card().getFirst()).startsWith("LAeq: ");
    });
  }
}
