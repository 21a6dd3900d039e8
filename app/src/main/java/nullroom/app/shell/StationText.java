package nullroom.app.shell;

import java.util.function.Supplier;
import javafx.beans.Observable;
import javafx.beans.binding.Bindings;
import javafx.beans.value.ObservableValue;
import nullroom.core.plan.Why;

/**
 * What a station says in words, each made anew with every state of the book.
 *
 * @param answer the sentence under the question
 * @param meaning what it means, under the picture
 * @param figure the few characters on the rail
 * @param why where that figure comes from
 */
public record StationText(
    ObservableValue<String> answer,
    ObservableValue<String> meaning,
    ObservableValue<String> figure,
    Supplier<Why> why) {

  /**
   * Words that follow the book.
   *
   * @param others what else they follow
   */
  public static StationText of(
      BookSession session,
      Supplier<String> answer,
      Supplier<String> meaning,
      Supplier<String> figure,
      Supplier<Why> why,
      Observable... others) {
    Observable[] all = java.util.Arrays.copyOf(others, others.length + 1);
    all[others.length] = session.revisionProperty();
    return new StationText(
        Bindings.createStringBinding(answer::get, all),
        Bindings.createStringBinding(meaning::get, all),
        Bindings.createStringBinding(figure::get, all),
        why);
  }
}
