package nullroom.app.listen;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nullroom.app.shell.StationContext;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Capture;
import nullroom.core.book.NoiseMeasurement;
import nullroom.core.book.RoomBook;
import nullroom.core.book.Suspect;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.measure.noise.Scale;
import nullroom.core.measure.noise.Spots;
import nullroom.core.plan.FigureReasons;
import nullroom.core.plan.Quantity;
import nullroom.core.plan.Why;
import nullroom.core.signal.SampleSource;
import nullroom.io.device.AudioDevice;

/** Candidate places and hours side by side. */
public final class SpotModel {
  private final StationContext context;

  SpotModel(StationContext context) {
    this.context = context;
  }

  private RoomBook book() {
    return context.session().book();
  }

  /** The candidates as they were heard. */
  public List<NoiseMeasurement> heard() {
    return book().listening().spots();
  }

  /** Name of place and hour. */
  static String name(NoiseMeasurement spot) {
    int time = spot.taken().indexOf('T');
    return spot.spot() + (time < 0 ? "" : ", " + spot.taken().substring(time + 1));
  }

  /** Whether a candidate was heard in an acted room. */
  public boolean simulated(String name) {
    return heard().stream().anyMatch(s -> name(s).equals(name) && s.simulated());
  }

  /** Best first, with reasons. */
  public List<Spots.Ranked> ranked() {
    return Spots.rank(
        heard().stream()
            .map(s -> new Spots.Candidate(name(s), s.report().laeqDbfs().orElseThrow(), s.report()))
            .toList());
  }

  /** Why the level in a place is what it is; empty where none of that name was heard. */
  public Optional<Why> why(String place) {
    return find(place).flatMap(s -> FigureReasons.noise(s, Quantity.LAEQ));
  }

  /** The same of an octave of it. */
  public Optional<Why> why(String place, int band) {
    return find(place).flatMap(s -> FigureReasons.octave(s, band));
  }

  private Optional<NoiseMeasurement> find(String place) {
    return heard().stream().filter(s -> name(s).equals(place)).findFirst();
  }

  /** What their levels mean, where that is known and alike for all. */
  public Optional<Scale> scale() {
    List<Optional<Scale>> scales =
        heard().stream().map(NoiseMeasurement::scale).distinct().toList();
    return scales.size() == 1 ? scales.getFirst() : Optional.empty();
  }

  /** Listens for ten seconds in a place. */
  public void listen(String place) {
    String name = place.strip();
    if (name.isEmpty()) {
      throw new Trouble.BadField("spot", "name the place, such as “under the slope”");
    }
    context.record(
        "Listening at " + name,
        AudioDevice.Prompt.QUIET,
        ListenModel.SECONDS,
        "spot",
        measure(name, book().chain(false), book().chain(true)),
        this::keep);
  }

  /** The same by a file of the quiet there, of which nobody said what it was made with. */
  public void open(Path file, String place) {
    String name = place.isBlank() ? String.valueOf(file.getFileName()) : place.strip();
    context.open(
        "Listening to " + file.getFileName(),
        file,
        "spot",
        measure(name, Optional.empty(), Optional.empty()),
        this::keep);
  }

  private StationContext.Measurement<NoiseMeasurement> measure(
      String name, Optional<Capture> own, Optional<Capture> acted) {
    RoomBook book = book();
    String now = context.now();
    return (sound, progress) ->
        NoiseMeasurement.of(
            sound.name(),
            new NoiseMeasurement.Taken(now, sound.simulated(), name, off(book)),
            SampleSource.of(sound.samples()),
            sound.simulated() ? acted : own,
            book.listening().calibration(),
            progress);
  }

  static List<String> off(RoomBook book) {
    return book.listening().suspects().stream()
        .filter(Suspect::switchedOff)
        .map(Suspect::name)
        .toList();
  }

  private void keep(NoiseMeasurement measured) {
    List<NoiseMeasurement> all = new ArrayList<>(heard());
    all.add(measured);
    edit("Listen at " + measured.spot(), all);
  }

  /** Takes a candidate off the list; its recording stays in the book. */
  public void remove(String name) {
    edit("Drop " + name, heard().stream().filter(s -> !name(s).equals(name)).toList());
  }

  /** Makes a candidate the spot of now: its noise is the room's from then on. */
  public void choose(String name) {
    heard().stream()
        .filter(s -> name(s).equals(name))
        .findFirst()
        .ifPresent(s -> context.session().edit("Record at " + s.spot(), b -> b.with(s)));
  }

  private void edit(String name, List<NoiseMeasurement> all) {
    context.session().edit(name, b -> b.with(b.listening().withSpots(all)));
  }

  String meaning() {
    List<Spots.Ranked> ranked = ranked();
    if (ranked.isEmpty()) {
      return "Stand the microphone where you might record, name the place, and listen for ten seconds. Do the same elsewhere, and"
          + " at another hour.";
    }
    Spots.Ranked best = ranked.getFirst();
    String first =
        Alteration.doubt(
                find(best.candidate().name()).map(NoiseMeasurement::altered).orElse(List.of()),
                Alteration.Measured.NOISE)
            + "Best: "
            + best.candidate().name()
            + ": "
            + best.reason()
            + ".";
    return ranked.size() == 1
        ? first + " Listen somewhere else to compare."
        : first
            + " Worst: "
            + ranked.getLast().candidate().name()
            + ", "
            + ranked.getLast().reason()
            + ".";
  }
}
