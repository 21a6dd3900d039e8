package nullroom.app.shell;

import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import javafx.beans.property.ObjectProperty;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import nullroom.app.words.Language;

/**
 * A station of several pages, each made when it is first shown.
 *
 * @param <P> the pages
 */
public final class Pages<P extends Enum<P> & Pages.Page> {
  /** One page. */
  public interface Page {
    /** Name for people. */
    String label();

    /** What it is for. */
    String hint();
  }

  private final Map<P, PageParts> made;
  private final StackPane controls = new StackPane();
  private final VBox picture;

  /**
   * Pages.
   *
   * @param shown the page shown, followed and set
   * @param make makes a page's nodes
   */
  public Pages(Class<P> kind, ObjectProperty<P> shown, Function<P, PageParts> make) {
    made = new EnumMap<>(kind);
    FlowPane tabs = new FlowPane();
    tabs.getStyleClass().add("tabs");
    for (P page : kind.getEnumConstants()) {
      tabs.getChildren().add(tab(page, shown));
    }
    StackPane content = new StackPane();
    controls.setAlignment(Pos.CENTER_LEFT);
    VBox.setVgrow(content, Priority.ALWAYS);
    shown.subscribe(page -> {
      PageParts parts = made.computeIfAbsent(page, make);
      content.getChildren().setAll(parts.picture());
      controls.getChildren().setAll(parts.controls());
    });
    picture = new VBox(8, tabs, content);
  }

  private static <P extends Enum<P> & Page> ToggleButton tab(P page, ObjectProperty<P> shown) {
    ToggleButton tab = new ToggleButton(page.label());
    tab.setMinWidth(Region.USE_PREF_SIZE);
    tab.setId("page-" + page.name().toLowerCase(Locale.ROOT));
    tab.setTooltip(new Tooltip(Language.say(page.hint())));
    tab.setAccessibleText(page.label() + ": " + page.hint());
    tab.getStyleClass().add("tab");
    shown.subscribe(now -> tab.setSelected(now == page));
    tab.setOnAction(e -> {
      shown.set(page);
      tab.setSelected(true);
    });
    return tab;
  }

  /** The tabs over the page's picture. */
  public Node picture() {
    return picture;
  }

  /** The page's controls. */
  public Node controls() {
    return controls;
  }
}
