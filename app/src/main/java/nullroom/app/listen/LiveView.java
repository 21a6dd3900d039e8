package nullroom.app.listen;

import java.util.OptionalDouble;
import javafx.animation.AnimationTimer;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import nullroom.app.control.LiveScope;
import nullroom.app.shell.Desk;
import nullroom.app.shell.PageParts;
import nullroom.core.measure.Scale;
import nullroom.core.signal.Band;

/** The live meter. */
final class LiveView {
  private final PageParts parts;

  LiveView(ListenModel model, Desk desk) {
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
    desk.session().bookProperty().subscribe(rescale);
    rescale.run();
    AnimationTimer frames =
        new AnimationTimer() {
          @Override
          public void handle(long now) {
            if (scope.getScene() != null) {
              desk.live().reading().ifPresent(r -> scope.move(r, desk.live().trace()));
            }
          }
        };
    desk.live()
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
        .bind(desk.live().runningProperty().map(on -> on ? "Stop the meter" : "Start the meter"));
    listen.setOnAction(e -> model.toggleLive());
    Label scale = new Label();
    scale
        .textProperty()
        .bind(
            desk.session()
                .bookProperty()
                .map(b ->
                    model
                        .calibration()
                        .scale()
                        .map(Scale::uncertaintyDb)
                        .map(u -> Words.say("levels give or take %.0f dB", u))
                        .orElse("levels are relative: no scale is set")));
    scale.getStyleClass().add("soft");
    HBox controls = new HBox(listen, scale);
    controls.getStyleClass().add("row");
    parts = new PageParts(scope, controls);
  }

  PageParts parts() {
    return parts;
  }
}
