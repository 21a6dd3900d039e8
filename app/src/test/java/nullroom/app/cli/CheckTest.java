package nullroom.app.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;
import nullroom.app.Fx;
import nullroom.app.desktop.DemoBook;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.json.JsonMapper;

class CheckTest {
  @TempDir Path folder;

  @Test
  void theDemoBookIsValidUntilSomethingIsBroken() throws IOException {
    Path book = folder.resolve("a book");
    DemoBook.create(book);
    assertThat(Run.json("check", book).get("valid").asBoolean()).isTrue();
    assertThat(Run.of("check", book).out()).contains("a valid room book");
    assertThat(Run.json("predict", book).get("statistics").asString()).isEqualTo("eyring");

    Path sound = book.resolve("sound").resolve("simulated-noise-1.wav");
    byte[] kept = Files.readAllBytes(sound);
    Files.delete(sound);
    Run missing = Run.of("check", book);
    missing.isRefusedWith("simulated-noise-1.wav", "does not exist");
    Run said = Run.of("check", book, "--json");
    assertThat(said.code()).isEqualTo(1);
    assertThat(JsonMapper.shared().readTree(said.out()).get("problems").size()).isEqualTo(1);
    Files.write(sound, kept);

    Path json = book.resolve("book.json");
    Files.writeString(json, Files.readString(json).replace("\"wood_floor_joists\"", "\"lava\""));
    Run.of("check", book).isRefusedWith("lava", "surfaces.floor");
    Files.writeString(json, "{");
    Run.of("check", book).isRefusedWith("book.json", "line 1");
    Files.delete(json);
    Run.of("check", book).isRefusedWith("book");
  }

  @Test
  void whatIsNoPlainFileInABookIsNamedAndNotOpened() throws IOException, InterruptedException {
    Path book = folder.resolve("b");
    DemoBook.create(book);
    Path sound = book.resolve("sound").resolve("simulated-noise-1.wav");
    Path elsewhere = Files.move(sound, folder.resolve("elsewhere.wav"));
    Files.createSymbolicLink(sound, elsewhere);
    Run.of("check", book).isRefusedWith("simulated-noise-1.wav", "no plain file");
    Files.delete(sound);
    assumeTrue(new ProcessBuilder("mkfifo", sound.toString()).start().waitFor() == 0);
    Run.of("check", book)
        .isRefusedWith("simulated-noise-1.wav", "no plain file"); // and does not wait for it
    Path json = book.resolve("book.json");
    Files.delete(json);
    assumeTrue(new ProcessBuilder("mkfifo", json.toString()).start().waitFor() == 0);
    for (String command : new String[] {"check", "predict", "gain"}) {
      Run.of(command, book).isRefusedWith("book.json", "no plain file");
    }
    Run.of("check", json).isRefusedWith("book.json");
  }

  @Test
  void theTourDrawsEveryMainViewAtTheSizeAsked() throws IOException {
    Fx.start();
    var json = Run.json("tour", folder.resolve("pictures"), "--size", "1024x700");
    List<String> pictures =
        Run.elements(json.get("pictures")).stream().map(node -> node.asString()).toList();
    assertThat(pictures).hasSize(26).anyMatch(p -> p.endsWith("1-listen.png"));
    for (String picture : pictures) {
      BufferedImage image = ImageIO.read(Path.of(picture).toFile());
      assertThat(image.getWidth()).isEqualTo(1024);
      assertThat(image.getHeight()).isEqualTo(700);
      long colours =
          IntStream.range(0, 1024 * 700)
              .map(i -> image.getRGB(i % 1024, i / 1024))
              .distinct()
              .count();
      assertThat(colours).as(picture).isGreaterThan(20);
    }
    Run.of("tour", folder, "--size", "huge").isRefusedWith("--size", "huge");
  }

  @Test
  void aRoomFileIsCheckedToo() {
    assertThat(Run.json("check", RoomFile.in(folder)).get("name").asString()).isEqualTo("box room");
    Run.of("check", RoomFile.in(folder, "\"bits\": 24", "\"bits\": 2400")).isRefusedWith("bits");
    Run.of("check", folder.resolve("nothing.json")).isRefusedWith("nothing.json");
  }
}
