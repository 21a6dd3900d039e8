package nullroom.app.listen;

import java.util.OptionalDouble;
import javafx.animation.AnimationTimer;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import nullroom.app.control.LiveScope;
import nullroom.app.control.Row;
import nullroom.app.control.WhileShown;
import nullroom.app.shell.PageParts;
import nullroom.app.shell.StationContext;
import nullroom.app.words.Language;
import nullroom.core.Figures;
import nullroom.core.measure.noise.Scale;
import nullroom.core.signal.Band;

/** The live meter. */
final class LiveView {
  private final PageParts parts;

  LiveView(ListenModel model, StationContext context) {
    LiveScope scope = new LiveScope(Band.THIRDS);
    Runnable rescale =
        () -> {
          OptionalDouble full =
              model
                  .calibration()
                  .scale()
                  .map(s -> OptionalDouble.of(s.fullScaleDbSpl()))
                  .orElse(OptionalDouble.empty());
          scope.setScale(full, full.isPresent() ? model.quietEnoughDbA() : OptionalDouble.empty());
        };
    WhileShown.follow(scope, rescale, context.session().revisionProperty());
    rescale.run();
    AnimationTimer frames =
        new AnimationTimer() {
          @Override
          public void handle(long now) {
            if (scope.getScene() != null) {
              context.live().reading().ifPresent(r -> scope.move(r, context.live().trace()));
            }
          }
        };
    context
        .live()
        .runningProperty()
        .subscribe(running -> {
          if (running) {
            frames.start();
          } else {
            frames.stop();
          }
        });
    scope.sceneProperty().subscribe(shown -> scope.redraw());
    Button listen = new Button();
    listen.setId("live");
    listen.getStyleClass().add("action");
    listen
        .textProperty()
        .bind(
            context
                .live()
                .runningProperty()
                .map(on -> Language.say(on ? "Stop the meter" : "Start the meter")));
    listen.setOnAction(e -> model.toggleLive());
    Label scale = new Label();
    scale
        .textProperty()
        .bind(
            context
                .session()
                .bookProperty()
                .map(b ->
                    model
                        .calibration()
                        .scale()
                        .map(Scale::uncertaintyDb)
                        .map(u -> Figures.say("levels give or take %.0f dB", u))
                        .orElse("levels are relative: no scale is set"))
                .map(Language::say));
    scale.getStyleClass().add("soft");
    Row controls = new Row(listen, scale);
    parts = new PageParts(scope, controls);
  }

  PageParts parts() {
    return parts;
  }
}
