package nullroom.app.desktop;

import java.util.List;
import java.util.Optional;
import nullroom.core.Progress;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Capture;
import nullroom.core.book.DecayMeasurement;
import nullroom.core.book.Hearing;
import nullroom.core.book.Listening;
import nullroom.core.book.NoiseMeasurement;
import nullroom.core.book.RoomBook;
import nullroom.core.book.SurveyNote;
import nullroom.core.book.Suspect;
import nullroom.core.measure.noise.EnergySubtraction;
import nullroom.core.predict.PlaceNoise;
import nullroom.core.room.NoiseSource;
import nullroom.core.room.Point;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.Samples;
import nullroom.io.book.BookFolder;
import nullroom.io.device.AudioDevice;
import nullroom.io.survey.SurveyFile;

/** What else the narrator listened to: three culprits, three spots, a night. All invented. */
final class DemoListening {
  private static final double SECONDS = 6;

  /** A source of the loft's noise: what is left of it without, and whether it must go on again. */
  private record Source(String name, boolean needed, Bands dbSpl) {}

  private static final List<Source> SOURCES =
      List.of(
          new Source("extractor", false, Bands.of(40, 37, 33, 28.5, 22, 17, 12, 8)),
          new Source("cold store", true, Bands.of(45.5, 37, 27, 20, 13, 8, 4, 0)),
          new Source("lamp fan", false, Bands.of(10, 12, 18, 20, 17.5, 15.5, 11, 6)));

  private static final Point LAMP = new Point(2.4, 2.9, 1.5);

  /** A spot: its name, the hour, and the noise there over that of the loft's middle. */
  private record Place(String name, String taken, double overDb) {}

  private static final List<Place> PLACES =
      List.of(
          new Place("under the gable", "2026-03-14T21:40", 0),
          new Place("by the skylight", "2026-03-14T21:46", 3.5),
          new Place("behind the clothes rail", "2026-03-14T23:10", -4));

  private DemoListening() {}

  static RoomBook addTo(RoomBook book, BookFolder place) {
    Optional<Capture> chain = book.chain(true);
    Bands all = book.room().noiseDbSpl().orElseThrow();
    Listening listening = book.listening();
    Suspect.Heard on = heard(book, place, "all-on", all);
    for (Source source : SOURCES) {
      Bands left = EnergySubtraction.of(all, source.dbSpl()).levelDb();
      listening =
          listening.plus(
              Suspect.of(source.name(), source.needed())
                  .withOn(on)
                  .withOff(heard(book, place, source.name().replace(' ', '-') + "-off", left)));
    }
    listening = listening.withSuspect("lamp fan", lamp -> lamp.with(Optional.of(lamp(book, lamp))));
    List<NoiseMeasurement> spots = PLACES.stream().map(p -> spot(book, place, p, all)).toList();
    String night = place.freshSurvey("survey");
    SurveyFile.write(
        place.survey(night), DemoNight.of(Hearing.quick(book).heard()), DemoNight.octaves());
    return book.with(
        listening
            .withSpots(spots)
            .with(
                new SurveyNote(
                        night, DemoNight.BEGIN.toString(), true, chain, Optional.empty(), true)
                    .by(book.listening().calibration())));
  }

  /** The lamp stands 1.2 m from the microphone; its level at 1 m follows from what was heard. */
  private static NoiseSource lamp(RoomBook book, Suspect lamp) {
    double full = book.scale().orElseThrow().fullScaleDbSpl();
    return PlaceNoise.behind(
        book.room(),
        Hearing.quick(book).decaySeconds(book.room()),
        lamp.name(),
        LAMP,
        lamp.pair().orElseThrow().own().levelDb().map(level -> level + full));
  }

  private static Samples record(RoomBook book, Bands noise) {
    RoomBook there = book.with(book.room().withNoise(noise));
    return DemoBook.device(there).record(AudioDevice.Prompt.QUIET, SECONDS, Progress.NONE);
  }

  private static Suspect.Heard heard(RoomBook book, BookFolder place, String stem, Bands noise) {
    Samples sound = record(book, noise);
    return Suspect.Heard.of(
        place.sounds().keep(DecayMeasurement.SIMULATED + stem, sound),
        SampleSource.of(sound),
        book.chain(true));
  }

  private static NoiseMeasurement spot(RoomBook book, BookFolder place, Place at, Bands all) {
    Samples sound = record(book, all.map(level -> level + at.overDb()));
    return NoiseMeasurement.of(
        place.sounds().keep(DecayMeasurement.SIMULATED + "spot", sound),
        new NoiseMeasurement.Taken(at.taken(), true, at.name(), List.of()),
        SampleSource.of(sound),
        book.chain(true),
        book.listening().calibration(),
        Progress.NONE);
  }
}
