package nullroom.app.level;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.RadioButton;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nullroom.app.control.FigureTable;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.book.Brief;

/**
 * What is asked of a recording that is handed over: what is usual, with its source, and one's own.
 */
final class BriefPage {
  private static final double ASKED_WIDTH = 430;

  private final TakeModel model;
  private final FigureTable table = new FigureTable("briefs");
  private final VBox node;

  BriefPage(LevelModel level, StationContext context) {
    model = level.take();
    Label heading = new Label("Your own, kept with this book");
    heading.getStyleClass().add("heading");
    OwnBriefForm form = new OwnBriefForm(model, context);
    node = new VBox(6, table, heading, form.node());
    VBox.setVgrow(form.node(), Priority.ALWAYS);
    node.getStyleClass().add("pictures");
    WhileShown.follow(node, this::refresh, context.session().bookProperty());
    refresh();
  }

  private void refresh() {
    List<List<Node>> rows = new ArrayList<>();
    String chosen = model.brief().map(Brief::id).orElse("");
    for (Brief brief : model.briefs()) {
      RadioButton choose = new RadioButton(brief.use());
      choose.setId("brief-" + brief.id());
      choose.setAccessibleText(
          brief.use() + ": " + brief.words() + "; " + Figures.source(brief.source()));
      choose.setSelected(brief.id().equals(chosen));
      choose.setOnAction(e -> {
        choose.setSelected(true);
        model.setBrief(brief);
      });
      choose.setMinWidth(Region.USE_PREF_SIZE);
      Label asked = new Wrapped((brief.words() + "; " + Figures.source(brief.source())), "soft");
      asked.setPrefWidth(ASKED_WIDTH);
      asked.setMinWidth(ASKED_WIDTH);
      rows.add(List.of(choose, asked));
    }
    table.show(List.of("handed over as", ""), rows);
  }

  VBox node() {
    return node;
  }
}
