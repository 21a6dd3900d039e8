package nullroom.app.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
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

    Path sound = book.resolve("sound").resolve("noise-1.wav");
    byte[] kept = Files.readAllBytes(sound);
    Files.delete(sound);
    Run missing = Run.of("check", book);
    missing.isRefusedWith("noise-1.wav", "does not exist");
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
  void aRoomFileIsCheckedToo() {
    assertThat(Run.json("check", RoomFile.in(folder)).get("name").asString()).isEqualTo("box room");
    Run.of("check", RoomFile.in(folder, "\"bits\": 24", "\"bits\": 2400")).isRefusedWith("bits");
    Run.of("check", folder.resolve("nothing.json")).isRefusedWith("nothing.json");
  }
}
