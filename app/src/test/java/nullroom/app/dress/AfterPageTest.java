package nullroom.app.dress;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import nullroom.app.DeskTest;
import nullroom.app.Fx;
import nullroom.core.Progress;
import nullroom.core.book.DecayMeasurement;
import nullroom.core.book.MeasuredAt;
import nullroom.core.book.RoomBook;
import nullroom.core.plan.Hanging;
import nullroom.core.room.Finish;
import nullroom.core.room.Furniture;
import nullroom.core.room.Point;
import nullroom.core.room.Surface;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class AfterPageTest extends DeskTest {
  private Scene scene;

  @BeforeEach
  void open() {
    AfterPage page = Fx.on(() -> new AfterPage(desk));
    scene = Fx.show(new VBox(page.node(), page.controls()), 800, 700);
  }

  /** Claps that ring for so long, in the room as it is described now. */
  private void clapped(String sound, String taken, double seconds, int seed) {
    Random random = new Random(seed);
    double[] x = new double[96_000];
    for (int i = 4800; i < x.length; i++) {
      x[i] = 0.3 * random.nextGaussian() * Math.pow(10, -3 * (i - 4800) / 48_000.0 / seconds);
    }
    DecayMeasurement measured =
        DecayMeasurement.of(
            sound, taken, MeasuredAt.in(room()), new Samples(x, 48_000), room(), Progress.NONE);
    Fx.run(() -> desk.session().edit("Measure", (RoomBook b) -> b.with(measured)));
  }

  private String said() {
    return Fx.find(scene, "achieved-words", Label.class).getText();
  }

  @Test
  @DisplayName(
      "before, hung, after: real where it is, and what was only described later is no change")
  void achieved() {
    assertThat(said()).startsWith("Nothing was measured yet");
    clapped("clap-1.wav", "2026-11-01T20:00", 0.7, 1);
    assertThat(said()).startsWith("Measured once");
    Furniture sofa =
        new Furniture("sofa", new Point(0.1, 0.1, 0), 0.9, 0.6, 0.7, 0, Finish.of("foam_pu_25"));
    Fx.run(() -> desk.session().describe("Describe", r -> r.withFurniture(List.of(sofa))));
    assertThat(said()).startsWith("Measured once");
    Fx.run(() ->
        desk.session()
            .edit(
                "Hang",
                b ->
                    b.with(
                        b.room()
                            .plus(
                                Hanging.BLANKET
                                    .patchOn(b.room(), Surface.wall(3))
                                    .orElseThrow()))));
    clapped("clap-2.wav", "2026-11-02T20:00", 0.4, 2);
    assertThat(said()).startsWith("The last change is real in ").doesNotContain("simulated");
    assertThat(table())
        .contains("Blanket came, 2026-11-02 20:00")
        .contains("1 kHz")
        .doesNotContain("Sofa", "sofa");
    clapped(DecayMeasurement.SIMULATED + "clap-3.wav", "2026-11-03T20:00", 0.4, 3);
    assertThat(table()).as("a simulated one is not taken for real").doesNotContain("simulated");
  }

  private String table() {
    return String.join(
        "\n",
        Fx.on(() ->
            scene.getRoot().lookupAll(".label").stream()
                .map(n -> Optional.ofNullable(((Label) n).getText()).orElse(""))
                .toList()));
  }
}
