package nullroom.app.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import nullroom.app.TestBooks;
import nullroom.core.acoustics.Bands;
import nullroom.core.room.LooseObject;
import nullroom.core.room.Room;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** No file syntax reaches the window. */
class SpokenPlacesTest {
  @ParameterizedTest
  @DisplayName("places of a document are said as people call what stands there")
  @CsvSource(
      delimiter = '|',
      value = {
        "furniture[99].at: stands in the wall | what was just put there: stands in the wall",
        "ceiling.heightMetres: must be over 1 | ceiling height metres: must be over 1",
        "talkers[0] is outside | talkers 1 is outside",
        "/home/a.b/book.json: cannot be read | /home/a.b/book.json: cannot be read",
        "Wait. Then go on: it is done | Wait. Then go on: it is done"
      })
  void said(String sentence, String words) {
    assertThat(SpokenPlaces.in(sentence, TestBooks.bedroom().room())).isEqualTo(words);
  }

  @Test
  @DisplayName("a thing of the room is said by its name")
  void named() {
    Room room =
        TestBooks.bedroom()
            .room()
            .withObjects(List.of(new LooseObject("sofa", Bands.of(1, 1, 1, 1, 1, 1, 1, 1))));
    assertThat(SpokenPlaces.in("objects[0]: too large", room)).isEqualTo("the sofa: too large");
  }
}
