package nullroom.app.listen;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.Progress;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.OwnVoice;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.book.NoiseMeasurement;
import nullroom.core.book.OneClip;
import nullroom.core.book.RoomBook;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.measure.clip.Clip;
import nullroom.core.room.Room;
import nullroom.io.device.AudioDevice;

/** One recording that holds everything: sorted, measured, and put into the book. */
public final class ClipModel {
  /** Ten of quiet, twenty of talk, eight of claps. */
  private static final double SECONDS = 38;

  static final double FRAME_SECONDS = 0.1;
  private static final double NEAREST_METRES = 0.05;
  private static final double FARTHEST_METRES = 10;
  private static final String USUAL_NAME = "my voice";

  private final StationContext context;
  private final ReadOnlyObjectWrapper<Optional<Looked>> looked =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private VocalEffort effort;
  private Optional<Double> distance = Optional.empty();
  private String name = USUAL_NAME;

  ClipModel(StationContext context) {
    this.context = context;
    effort =
        context.session().book().room().talker().map(t -> t.effort()).orElse(VocalEffort.NORMAL);
  }

  /**
   * A recording looked at.
   *
   * @param sound its name in the book
   * @param taken when
   * @param simulated whether an acted room was heard
   * @param chain the book's own, where that recorded it
   * @param clip what it holds
   * @param frames mean squares of tenths of a second
   */
  @SuppressWarnings("ArrayRecordComponent") // never compared
  public record Looked(
      String sound,
      String taken,
      boolean simulated,
      Optional<Capture> chain,
      Clip clip,
      double[] frames) {}

  /** The recording looked at last. */
  public ReadOnlyObjectProperty<Optional<Looked>> lookedProperty() {
    return looked.getReadOnlyProperty();
  }

  private RoomBook book() {
    return context.session().book();
  }

  /** How loud they spoke. */
  public VocalEffort effort() {
    return effort;
  }

  /** How far the microphone that recorded it was from the lips. */
  public double distanceMetres() {
    Room room = book().room();
    double described = room.requireTalker().at().distanceTo(room.requireMicrophone().at());
    return Math.clamp(distance.orElse(described), NEAREST_METRES, FARTHEST_METRES);
  }

  /** Whose voice it is. */
  public String name() {
    return name;
  }

  /** Says how loud they spoke. */
  public void setEffort(VocalEffort said) {
    effort = said;
    again("Say how loud it was spoken");
  }

  /** Says how far the microphone was. */
  public void setDistance(double metres) {
    distance = Optional.of(metres);
    again("Say how far the microphone was");
  }

  /** Says whose voice it is. */
  public void setName(String said) {
    name = said.isEmpty() ? USUAL_NAME : said;
    again("Say whose voice it is");
  }

  /** Records one here. */
  public void record() {
    context.record(
        "Recording ten seconds of quiet, twenty of talk, three claps",
        AudioDevice.Prompt.CLIP,
        SECONDS,
        "clip",
        measure(book().chain(false), book().chain(true)),
        this::keep);
  }

  /** Sorts and measures a sound file or the sound of a film. */
  public void open(Path file) {
    context.open("Sorting " + file.getFileName(), file, "clip", measure(), this::keep);
  }

  /** From a sound, of which nobody said what it was made with, to what it holds. */
  public StationContext.Measurement<Looked> measure() {
    return measure(Optional.empty(), Optional.empty());
  }

  private StationContext.Measurement<Looked> measure(
      Optional<Capture> own, Optional<Capture> acted) {
    String now = context.now();
    return (sound, progress) -> look(sound, now, sound.simulated() ? acted : own, progress);
  }

  private static Looked look(
      StationContext.Kept sound, String now, Optional<Capture> chain, Progress progress) {
    return new Looked(
        sound.name(),
        now,
        sound.simulated(),
        chain,
        Clip.of(sound.samples(), progress),
        sound.samples().meanSquares(FRAME_SECONDS));
  }

  /** Puts what a recording holds into the book; a simulated one never in place of a real one. */
  public void keep(Looked found) {
    boolean aside = found.simulated() && measuredForReal();
    looked.set(Optional.of(found));
    if (aside) {
      context
          .work()
          .say("That was the simulated room: what you measured yourself stays what counts.");
      return;
    }
    context
        .session()
        .edit("Keep what the clip holds", b -> OneClip.into(b, found.clip(), told(found)));
  }

  private boolean measuredForReal() {
    return book().noise().filter(n -> !n.simulated()).isPresent()
        || book().decay().filter(d -> !d.simulated()).isPresent()
        || book().levels().voices().stream().anyMatch(v -> !v.simulated());
  }

  private OneClip.Told told(Looked found) {
    return new OneClip.Told(
        found.sound(),
        found.taken(),
        found.simulated(),
        name,
        effort,
        distanceMetres(),
        found.chain());
  }

  /** What was said about the recording has changed: all that follows from it does. */
  private void again(String edit) {
    looked
        .get()
        .filter(l -> book().levels().voices().stream().anyMatch(v -> v.sound().equals(l.sound())))
        .ifPresent(l -> context.attempt(edit, b -> OneClip.into(without(b, l), l.clip(), told(l))));
  }

  /** Without the voice of a recording, whose name may have changed. */
  private static RoomBook without(RoomBook book, Looked looked) {
    RoomBook left = book;
    for (OwnVoice voice : book.levels().voices()) {
      if (voice.sound().equals(looked.sound())) {
        left = left.with(left.levels().withoutVoice(voice.name()));
      }
    }
    return left;
  }

  /** The voice that the recording looked at gave. */
  public Optional<OwnVoice> voice() {
    return looked
        .get()
        .flatMap(l ->
            book().levels().voices().stream().filter(v -> v.sound().equals(l.sound())).findFirst());
  }

  /** The noise that it gave. */
  public Optional<NoiseMeasurement> noise() {
    return looked.get().flatMap(l -> book().noise().filter(n -> n.sound().equals(l.sound())));
  }

  /** What is missing, doubtful or altered, each a sentence. */
  public List<String> words() {
    List<String> all = new ArrayList<>();
    looked
        .get()
        .ifPresent(l -> {
          all.addAll(l.clip().words());
          Alteration.together(l.clip().altered())
              .forEach(a ->
                  all.add(
                      0,
                      Alteration.doubt(a, Alteration.Measured.LEVEL).strip()
                          + Alteration.remedies(a)));
        });
    return all;
  }

  String meaning() {
    return looked
        .get()
        .map(l ->
            Figures.say(
                "%s: %s. Voice and noise of one recording need no scale: only dB SPL stay at give or take 4.",
                l.sound(), l.clip().isSeveral() ? "sorted by itself" : "only one thing is in it"))
        .orElse(
            "One film or sound file from a phone is enough: quiet, talk and claps in any order, at one distance.");
  }
}
