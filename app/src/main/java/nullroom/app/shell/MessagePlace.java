package nullroom.app.shell;

import java.util.Optional;
import javafx.animation.PauseTransition;
import javafx.beans.binding.Bindings;
import javafx.beans.value.ObservableValue;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.util.Duration;
import nullroom.app.words.SpokenScene;

/**
 * The one place for messages: what is under way, what was done, what went wrong. It is always as
 * high as one line; a longer message reaches up over the station's foot until it is put away, so
 * that no control ever moves. A message belongs to the station where it was said and is shown
 * there; news leaves by itself.
 */
final class MessagePlace extends Pane {
  private static final double HEIGHT = 30;
  private static final String IDLE =
      "Point at a word, or go to it with Tab, to read here what it means.";
  private static final Duration NEWS_STAYS = Duration.seconds(15);
  private static final Duration FAULT_STAYS = Duration.minutes(2);

  private final Work work;
  private final Label kind = new Label();
  private final Label words = new Label();
  private final HBox message = new HBox();
  private final Label explained = new Label();
  private final PauseTransition leaves = new PauseTransition();
  private Station saidAt = Station.LISTEN;

  MessagePlace(Work work, ObservableValue<Station> station) {
    this.work = work;
    setMinHeight(HEIGHT);
    setPrefHeight(HEIGHT);
    setMaxHeight(HEIGHT);
    setViewOrder(-1); // over the station that it reaches up into
    getStyleClass().add("message-place");
    message();
    HBox progress = progress();
    explain("");
    explained.setId("explained");
    explained.setWrapText(true);
    explained.getStyleClass().addAll("explained", "soft");
    explained
        .visibleProperty()
        .bind(
            work.runningProperty()
                .not()
                .and(message.visibleProperty().not())
                .and(explained.textProperty().isNotEmpty()));
    explained.textProperty().subscribe(this::requestLayout);
    getChildren().setAll(explained, progress, message);
    work.troubleProperty()
        .subscribe(said -> {
          saidAt = station.getValue();
          leaves.setDuration(work.faultProperty().get() ? FAULT_STAYS : NEWS_STAYS);
          leaves.playFromStart();
        });
    message
        .visibleProperty()
        .bind(
            Bindings.createBooleanBinding(
                () -> !work.troubleProperty().get().isEmpty() && saidAt == station.getValue(),
                work.troubleProperty(),
                station));
    leaves.setOnFinished(e -> work.say(""));
  }

  /** Says what a word means, while there is nothing else to say; empty for nothing. */
  void explain(String meaning) {
    explained.setText(meaning.isEmpty() ? IDLE : meaning);
  }

  private void message() {
    kind.getStyleClass().add("message");
    words.setId("trouble");
    words.getStyleClass().add("message");
    words.textProperty().bind(SpokenScene.said(work.troubleProperty()));
    words.setWrapText(true);
    words.setMinHeight(Region.USE_PREF_SIZE);
    HBox.setHgrow(words, Priority.ALWAYS);
    words.setMaxWidth(Double.MAX_VALUE);
    Region mark = new Region();
    mark.getStyleClass().add("message-mark");
    Button show = small("show-written", "Show it in its folder");
    show.setOnAction(e ->
        work.writtenProperty()
            .get()
            .ifPresent(file -> work.attempt(() -> FolderShow.show(file), () -> {})));
    show.visibleProperty().bind(work.writtenProperty().map(Optional::isPresent));
    show.managedProperty().bind(show.visibleProperty());
    Button away = small("put-away", "Put away");
    away.setOnAction(e -> work.say(""));
    message.getChildren().setAll(mark, kind, words, show, away);
    work.faultProperty()
        .subscribe(wrong -> {
          message.getStyleClass().setAll("message-row", wrong ? "trouble" : "news");
          kind.setText(wrong ? "Not so:" : "Done:");
          kind.setMinWidth(Region.USE_PREF_SIZE);
        });
    message.heightProperty().subscribe(this::requestLayout);
    words.textProperty().subscribe(this::requestLayout);
  }

  private static Button small(String id, String text) {
    Button button = new Button(text);
    button.setId(id);
    button.setMinWidth(Region.USE_PREF_SIZE);
    button.getStyleClass().add("plain");
    return button;
  }

  private HBox progress() {
    Label what = new Label();
    what.textProperty().bind(SpokenScene.said(work.whatProperty()));
    what.setMinWidth(Region.USE_PREF_SIZE);
    ProgressBar bar = new ProgressBar();
    bar.progressProperty().bind(work.fractionProperty());
    Button stop = small("stop-work", "Stop");
    stop.setOnAction(e -> work.cancel());
    HBox box = new HBox(10, what, bar, stop);
    box.setAlignment(Pos.CENTER_LEFT);
    box.getStyleClass().add("progress-row");
    box.visibleProperty().bind(work.runningProperty());
    return box;
  }

  @Override
  protected void layoutChildren() {
    for (Node child : getChildren()) {
      double height = Math.max(HEIGHT, child.prefHeight(getWidth()));
      child.resizeRelocate(0, HEIGHT - height, getWidth(), height);
    }
  }
}
