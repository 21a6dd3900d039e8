package nullroom.app.desktop;

import java.util.Map;
import java.util.Optional;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.book.Kit;
import nullroom.core.book.KitField;
import nullroom.core.book.RoomBook;
import nullroom.core.book.Shelf;
import nullroom.core.room.FirstRoom;
import nullroom.core.room.Room;

/** What the narrator has to record with, and where else they could. All invented. */
final class DemoKit {
  private DemoKit() {}

  private static Kit microphone(String id, String name, Map<KitField, String> stated) {
    Kit kit = Kit.of(MicrophoneType.find(id).orElseThrow(), name);
    for (Map.Entry<KitField, String> each : stated.entrySet()) {
      kit = kit.with(each.getKey(), Optional.of(each.getValue()));
    }
    return kit;
  }

  private static Shelf shelf() {
    return Shelf.EMPTY
        .plus(microphone("sdc_cardioid", "Small condenser", Map.of(KitField.PRICE, "140")))
        .plus(microphone("phone_builtin", "Phone", Map.of()))
        .plus(
            microphone(
                "lav_omni_wired",
                "Lapel clip-on",
                Map.of(KitField.OWNED, "false", KitField.PRICE, "35", KitField.SELF_NOISE, "30")))
        .plus(new Kit(Kit.Kind.RECORDER, "Hand recorder", Map.of(KitField.EIN, "-122")))
        .plus(new Kit(Kit.Kind.STAND, "Short boom stand", Map.of(KitField.REACH, "1.5")));
  }

  /** The book with a shelf, and the hall below as a second place, of which nothing is measured. */
  static RoomBook added(RoomBook book) {
    Room hall = FirstRoom.empty("The hall below", 5.2, 1.9, 2.5).withSetUpOf(book.room());
    return book.with(shelf()).moved(hall).goTo(book.here().name());
  }
}
