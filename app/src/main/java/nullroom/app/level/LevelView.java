package nullroom.app.level;

import javafx.scene.Node;
import javafx.scene.layout.HBox;
import nullroom.app.shell.PageParts;
import nullroom.app.shell.Pages;
import nullroom.app.shell.Station;
import nullroom.app.shell.StationContext;
import nullroom.app.shell.StationFrame;

/** The level station's nodes. */
public final class LevelView {
  private final Node node;

  /** A view of a model. */
  public LevelView(LevelModel model, StationContext context) {
    Pages<LevelPage> pages =
        new Pages<>(LevelPage.class, model.pageProperty(), page -> parts(page, model, context));
    node = StationFrame.of(Station.LEVEL, model.say(), pages.picture(), pages.controls(), context);
  }

  private static PageParts parts(LevelPage page, LevelModel model, StationContext context) {
    return switch (page) {
      case GAIN -> {
        GainPage gain = new GainPage(model, context);
        yield new PageParts(gain.picture(), gain.controls());
      }
      case STAGES -> new PageParts(new StagesPage(model.stages(), context).node(), new HBox());
      case LOUD_LINE -> {
        LoudLinePage line = new LoudLinePage(model, context);
        yield new PageParts(line.node(), line.controls());
      }
      case TAKE -> {
        TakePage take = new TakePage(model, context);
        yield new PageParts(take.node(), take.controls());
      }
      case LEAN -> new LeanPage(model.lean(), context).parts();
      case BRIEF -> new PageParts(new BriefPage(model, context).node(), new HBox());
      case FILES -> new PageParts(new FilesPage(context).node(), new HBox());
    };
  }

  /** The nodes. */
  public Node node() {
    return node;
  }
}
