package nullroom.app.shell;

import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import nullroom.app.control.Choice;
import nullroom.app.control.Row;
import nullroom.app.control.Wrapped;
import nullroom.core.book.Hearing;
import nullroom.core.book.RoomBook;
import nullroom.core.plan.Pair;
import nullroom.core.predict.Margins;
import nullroom.core.room.Member;
import nullroom.core.room.SetUp;

/**
 * Which voice and which microphone the ladder judges, where there are several; and who is worse
 * off.
 */
final class PairChoice {
  private final BookSession session;
  private final Choice<String> voice;
  private final Choice<String> microphone;
  private final Label worse = new Wrapped("", "soft", "key");
  private final Label moving = new Wrapped("", "soft", "key");
  private final VBox box;
  private final VBox below = new VBox(worse, moving);

  PairChoice(BookSession session, Newest newest) {
    this.session = session;
    voice =
        new Choice<>(
            "judged-voice",
            "the voice that is judged",
            List.of(),
            name -> name,
            name -> judge(Optional.of(name), Optional.empty()));
    microphone =
        new Choice<>(
            "judged-microphone",
            "the microphone that is judged",
            List.of(),
            name -> name,
            name -> judge(Optional.empty(), Optional.of(name)));
    worse.setId("worse");
    moving.setId("moving");
    box = new VBox(new Row(voice, microphone));
    Runnable ask =
        () -> {
          refresh();
          RoomBook book = session.book();
          Margins targets = book.goal().targets();
          Hearing hearing = session.hearing();
          newest.ask(request -> {
            Optional<Pair> other = Pair.worse(hearing, book.room(), targets);
            request.step(1, 2);
            Optional<String> moved =
                Pair.worstOfMovement(hearing, book.room()).map(m -> Pair.movementWords(m));
            request.tell(() -> {
              say(worse, other.map(p -> p.sentence() + "."));
              say(moving, moved);
            });
          });
        };
    session.revisionProperty().subscribe(ask);
    ask.run();
  }

  private static void say(Label label, Optional<String> words) {
    label.setText(words.orElse(""));
    label.setVisible(words.isPresent());
    label.setManaged(words.isPresent());
  }

  private void judge(Optional<String> byVoice, Optional<String> byMicrophone) {
    session.edit(
        "Judge " + byVoice.or(() -> byMicrophone).orElse(""),
        b -> b.with(b.room().with(b.room().setUp().judging(byVoice, byMicrophone))));
  }

  private void refresh() {
    SetUp s = session.book().room().setUp();
    show(voice, s.talkers().stream().map(Member::name).toList(), s.voice().map(Member::name));
    show(
        microphone,
        s.microphones().stream().map(Member::name).toList(),
        s.listener().map(Member::name));
    boolean several = s.talkers().size() + s.microphones().size() > 2;
    box.setVisible(several);
    box.setManaged(several);
  }

  private static void show(Choice<String> choice, List<String> names, Optional<String> now) {
    if (!choice.getItems().equals(names)) {
      choice.offer(names);
    }
    choice.show(now.orElse(null));
    choice.setVisible(names.size() > 1);
    choice.setManaged(names.size() > 1);
  }

  /** Above the ladder. */
  Node node() {
    return box;
  }

  /** Below it: who is worse off, and what moving costs. */
  Node below() {
    return below;
  }
}
