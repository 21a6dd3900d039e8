package nullroom.app.cli;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** A small room written by hand, with places to change it. */
final class RoomFile {
  static final String BOX =
      """
      { "name": "box room", "lengthMetres": 4.2, "widthMetres": 3.4,
        "ceiling": {"kind": "flat", "heightMetres": 2.5},
        "temperatureC": 20, "humidityPercent": 50,
        "surfaces": {"floor": {"absorption": [0.2, 0.2, 0.2, 0.2, 0.2, 0.2, 0.2, 0.2]},
                     "ceiling": {"absorption": [0.2, 0.2, 0.2, 0.2, 0.2, 0.2, 0.2, 0.2]},
                     "walls": {"absorption": [0.2, 0.2, 0.2, 0.2, 0.2, 0.2, 0.2, 0.2]}},
        "talker": {"at": [1.2, 1.5, 1.5], "azimuthDegrees": 0, "effort": "normal", "directivity": "omni"},
        "microphone": {"at": [1.5, 1.5, 1.5], "azimuthDegrees": 180, "pattern": "omni", "selfNoiseDbA": 16,
                       "maxDbSpl": 130, "sensitivityDbvPerPascal": -38, "preampEinDbu": -125, "gainDb": 40,
                       "fullScaleDbu": 20, "bits": 24},
        "noise": {"octaveDbSpl": [40, 34, 28, 23, 19, 15, 12, 10]} }
      """;

  private RoomFile() {}

  static Path in(Path folder) {
    return in(folder, "", "");
  }

  /** The room with one piece of its text replaced. */
  static Path in(Path folder, String piece, String other) {
    try {
      return Files.writeString(
          folder.resolve("room.json"), piece.isEmpty() ? BOX : BOX.replace(piece, other));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
