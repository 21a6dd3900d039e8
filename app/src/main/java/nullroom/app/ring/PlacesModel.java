package nullroom.app.ring;

import java.util.List;
import java.util.Optional;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.book.DecayMeasurement;
import nullroom.core.book.Decays;
import nullroom.core.book.MeasuredAt;
import nullroom.core.measure.decay.PositionAverage;
import nullroom.core.room.Room;

/** Where the source and the microphone stand, and what several places give together. */
public final class PlacesModel {
  /** Names of places of the source. */
  public static final List<String> SOURCES = List.of("A", "B", "C", "D");

  /** Names of places of the microphone. */
  public static final List<String> MICROPHONES = List.of("1", "2", "3", "4", "5", "6");

  private final StringProperty source = new SimpleStringProperty(SOURCES.getFirst());
  private final StringProperty microphone = new SimpleStringProperty(MICROPHONES.getFirst());
  private final StringProperty note = new SimpleStringProperty("");
  private final StationContext context;

  PlacesModel(StationContext context) {
    this.context = context;
  }

  /** Where the source stands for the next measurement. */
  public StringProperty sourceProperty() {
    return source;
  }

  /** Where the microphone stands for the next measurement. */
  public StringProperty microphoneProperty() {
    return microphone;
  }

  /** What was in the room that its description does not say. */
  public StringProperty noteProperty() {
    return note;
  }

  private Decays decays() {
    return context.session().book().decays();
  }

  /** The place of the next measurement. */
  MeasuredAt at() {
    Room room = context.session().book().room();
    String more = note.get().strip();
    String present = MeasuredAt.inventory(room) + (more.isEmpty() ? "" : "; " + more);
    return MeasuredAt.in(room, source.get(), microphone.get(), present);
  }

  /** All measurements, newest first. */
  public List<DecayMeasurement> all() {
    return decays().measured();
  }

  /** Whether one counts for the room as it is now. */
  public boolean counts(DecayMeasurement measured) {
    return decays().now().contains(measured);
  }

  /** The room's times now. */
  public Optional<PositionAverage> average() {
    return decays().average();
  }

  /** Drops a measurement; its recording stays. */
  public void remove(DecayMeasurement measured) {
    context
        .session()
        .edit(
            "Drop the decay at " + measured.at().pair(),
            book -> book.with(book.decays().without(measured)));
  }

  /** What the places are good for by the standard, and what the next step up needs. */
  public String grade() {
    if (average().isEmpty()) {
      return "Nothing measured yet. Measure at several places: times differ from place to place.";
    }
    PositionAverage all = average().get();
    String have =
        Figures.say(
            "%s of source and microphone: %s.",
            all.pairs() == 1 ? "One pair" : all.pairs() + " pairs",
            all.grade()
                .map(g -> "enough for the " + g.label() + " method of ISO 3382-2")
                .orElse("one place says little of the others"));
    for (PositionAverage.Grade next : PositionAverage.Grade.values()) {
      if (all.grade().isEmpty() || next.ordinal() > all.grade().get().ordinal()) {
        return have
            + Figures.say(
                " The %s method asks for %d pairs, from at least %d %s of the source and %d of the microphone, 2 m apart, 1 m from walls and floor.",
                next.label(),
                next.pairs(),
                next.sources(),
                next.sources() == 1 ? "place" : "places",
                next.microphones());
      }
    }
    return have;
  }
}
