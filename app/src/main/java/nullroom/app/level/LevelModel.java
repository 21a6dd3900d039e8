package nullroom.app.level;

import java.util.Locale;
import javafx.beans.binding.Bindings;
import javafx.beans.binding.StringBinding;
import nullroom.app.shell.Desk;
import nullroom.core.Trouble;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.plan.Adviser;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Room;
import nullroom.core.room.Talker;
import nullroom.io.book.RoomBook;

/** What the level station knows and can do. */
public final class LevelModel {
  private final Desk desk;
  private final StringBinding answer;
  private final StringBinding meaning;
  private final StringBinding figure;

  /** A model on a desk. */
  public LevelModel(Desk desk) {
    this.desk = desk;
    answer = Bindings.createStringBinding(this::sayAnswer, desk.session().bookProperty());
    meaning = Bindings.createStringBinding(this::sayMeaning, desk.session().bookProperty());
    figure =
        Bindings.createStringBinding(
            () ->
                String.format(Locale.ROOT, "peak %.0f dBFS", peakDbfs(effort())).replace('-', '−'),
            desk.session().bookProperty());
  }

  /** The sentence under the question. */
  public StringBinding answer() {
    return answer;
  }

  /** What it means. */
  public StringBinding meaning() {
    return meaning;
  }

  /** The figure on the rail. */
  public StringBinding figure() {
    return figure;
  }

  private RoomBook book() {
    return desk.session().book();
  }

  private static Talker talker(Room room) {
    return room.talker().orElseThrow(() -> new Trouble.BadField("talker", "this room has none"));
  }

  private static PlacedMicrophone microphone(Room room) {
    return room.microphone()
        .orElseThrow(() -> new Trouble.BadField("microphone", "this room has none"));
  }

  /** How loud the voice is. */
  public VocalEffort effort() {
    return talker(book().room()).effort();
  }

  /** Gain of the preamp. */
  public double gainDb() {
    return microphone(book().room()).capture().gainDb();
  }

  /** Where peaks should come, dBFS. */
  public double targetDbfs() {
    return -book().goal().targets().get(Margins.Kind.SAFE);
  }

  private Heard heard(VocalEffort effort) {
    Talker t = talker(book().room());
    return book()
        .heard(book().room().withTalker(new Talker(t.at(), t.aim(), effort, t.directivity())));
  }

  /** Loudest expected peak with another effort at the same gain. */
  public double peakDbfs(VocalEffort effort) {
    Heard heard = heard(effort);
    return heard.dbfs(heard.peakDbSpl());
  }

  /** Active speech level with another effort at the same gain. */
  public double voiceDbfs(VocalEffort effort) {
    Heard heard = heard(effort);
    return heard.dbfs(heard.voiceDbSpl());
  }

  /** The gain that brings the loudest peak to the target, within what inputs have. */
  public double rightGainDb() {
    return Adviser.rightGainDb(book().heard(), book().goal().targets());
  }

  /** Turns the gain. */
  public void setGain(double gain) {
    desk.session()
        .edit(
            "Turn the gain",
            b -> {
              PlacedMicrophone m = microphone(b.room());
              return b.with(
                  b.room().withMicrophone(m.with(m.capture().withGainDb(Math.rint(gain)))));
            });
  }

  /** Speaks louder or softer. */
  public void setEffort(VocalEffort effort) {
    desk.session()
        .edit(
            "Change the effort",
            b -> {
              Talker t = talker(b.room());
              return b.with(
                  b.room().withTalker(new Talker(t.at(), t.aim(), effort, t.directivity())));
            });
  }

  private String sayAnswer() {
    double peak = peakDbfs(effort());
    double change = rightGainDb() - gainDb();
    String where =
        String.format(Locale.ROOT, "The loudest peak should come to %.0f dBFS", peak)
            .replace('-', '−');
    if (peak > 0) {
      return where
          + ", beyond full scale: that is beyond repair. Turn the gain down to "
          + Math.round(rightGainDb())
          + " dB.";
    }
    if (Math.abs(change) < 1) {
      return where + ", where it belongs.";
    }
    return String.format(
            Locale.ROOT,
            "%s. Set the gain to %.0f dB (%+.0f) for %.0f dBFS.",
            where,
            rightGainDb(),
            change,
            targetDbfs())
        .replace("-", "−");
  }

  private String sayMeaning() {
    return "Peaks are counted 18 dB over the average of speech. A low level can be raised, a clipped one cannot be mended; but far"
        + " too low, the preamp’s hiss comes up with it.";
  }
}
