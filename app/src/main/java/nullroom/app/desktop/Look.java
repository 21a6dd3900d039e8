package nullroom.app.desktop;

import java.util.Objects;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.text.Font;

/** The fonts and the stylesheet that ship with the program. */
final class Look {
  private Look() {}

  /** A scene that looks like this program. */
  static Scene scene(Parent root, double width, double height) {
    for (String file : new String[] {"OpenSans_400Regular.ttf", "OpenSans_600SemiBold.ttf"}) {
      Font.loadFont(resource("fonts/" + file), 13);
    }
    Scene scene = new Scene(root, width, height);
    scene.getStylesheets().add(resource("nullroom.css"));
    return scene;
  }

  private static String resource(String name) {
    return Objects.requireNonNull(Look.class.getResource("/nullroom/app/" + name), name)
        .toExternalForm();
  }
}
