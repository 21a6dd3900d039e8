package nullroom.app.desktop;

import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.List;
import java.util.Objects;
import javafx.application.ColorScheme;
import javafx.application.Platform;
import javafx.geometry.Rectangle2D;
import javafx.scene.Scene;
import javafx.scene.layout.Region;
import javafx.scene.text.Font;
import javafx.stage.Screen;
import javafx.stage.Stage;
import nullroom.app.shell.Preferences;
import nullroom.app.words.SpokenScene;
import org.jspecify.annotations.Nullable;

/**
 * How all windows look: the fonts and the stylesheet that ship with the program, the theme and the
 * text size that a person settled, the window's place.
 */
final class Look {
  private static final int FONT_SIZE = 13;

  private final Preferences preferences;
  private @Nullable Region content;
  private @Nullable Zoomed zoomed;

  /** The look that somebody settled, followed while it changes. */
  Look(Preferences preferences) {
    this.preferences = preferences;
    preferences.themeProperty().subscribe(theme -> dress());
    preferences.textPercentProperty().subscribe(percent -> dress());
    Platform.getPreferences().colorSchemeProperty().subscribe(scheme -> dress());
  }

  /** A scene that looks like this program at first. */
  static Scene scene(Region root, double width, double height) {
    for (String file : new String[] {"OpenSans_400Regular.ttf", "OpenSans_600SemiBold.ttf"}) {
      Font.loadFont(resource("fonts/" + file), FONT_SIZE);
    }
    Scene scene = new Scene(root, width, height);
    scene.getStylesheets().add(resource("nullroom.css"));
    return scene;
  }

  /** Shows content in a window. */
  void show(Stage stage, Region root) {
    content = root;
    zoomed = new Zoomed(root);
    SpokenScene.follow(root);
    if (stage.getScene() == null) {
      stage.setScene(scene(zoomed, stage.getWidth(), stage.getHeight()));
    } else {
      stage.getScene().setRoot(zoomed);
    }
    dress();
  }

  private void dress() {
    if (content == null || zoomed == null || zoomed.getScene() == null) {
      return;
    }
    boolean off =
        switch (preferences.themeProperty().get()) {
          case PAPER -> false;
          case LAMP_OFF -> true;
          case SYSTEM -> Platform.getPreferences().getColorScheme() == ColorScheme.DARK;
        };
    content.getStyleClass().removeAll("paper", "lamp-off");
    content.getStyleClass().add(off ? "lamp-off" : "paper");
    double factor = preferences.textPercentProperty().get() / 100.0;
    zoomed.zoom(factor);
    zoomed.getScene().getStylesheets().setAll(resource("nullroom.css"), popups(factor));
  }

  /** What opens over the window is drawn by itself, and takes its text size from here. */
  private static String popups(double factor) {
    String rules =
        ".combo-box-popup .list-cell, .context-menu .menu-item .label, .tooltip { -fx-font-size: "
            + Math.round(FONT_SIZE * factor)
            + "px; }";
    return "data:text/css;base64,"
        + Base64.getEncoder().encodeToString(rules.getBytes(StandardCharsets.UTF_8));
  }

  /** Where a window is, as {@link #restore} takes it. */
  String place(Stage stage) {
    return stage.isMaximized()
        ? "maximized"
        : "%d %d %d %d"
            .formatted(
                Math.round(stage.getX()),
                Math.round(stage.getY()),
                Math.round(stage.getWidth()),
                Math.round(stage.getHeight()));
  }

  /** Puts a window where it was, where a screen still shows that; else in the middle. */
  void restore(Stage stage, double width, double height) {
    Toolkit.fit(stage, width, height);
    String place = preferences.windowProperty().get();
    if (place.equals("maximized")) {
      stage.setMaximized(true);
    } else if (place.matches("-?\\d{1,5} -?\\d{1,5} \\d{2,5} \\d{2,5}")) {
      double[] at = List.of(place.split(" ")).stream().mapToDouble(Double::parseDouble).toArray();
      boolean shown =
          Screen.getScreens().stream()
              .map(Screen::getVisualBounds)
              .anyMatch(screen -> fits(screen, at));
      if (shown) {
        stage.setX(at[0]);
        stage.setY(at[1]);
        stage.setWidth(at[2]);
        stage.setHeight(at[3]);
      }
    }
  }

  private static boolean fits(Rectangle2D screen, double[] at) {
    return screen.contains(at[0], at[1]) && screen.contains(at[0] + at[2] - 1, at[1] + at[3] - 1);
  }

  private static String resource(String name) {
    return Objects.requireNonNull(Look.class.getResource("/nullroom/app/" + name), name)
        .toExternalForm();
  }
}
