package nullroom.io.book;

import java.util.List;
import java.util.Optional;
import nullroom.core.Progress;
import nullroom.core.acoustics.Bands;
import nullroom.core.book.DecayEstimate;
import nullroom.core.book.DecayMeasurement;
import nullroom.core.book.Goal;
import nullroom.core.book.HumTest;
import nullroom.core.book.MeasuredAt;
import nullroom.core.book.NoiseMeasurement;
import nullroom.core.book.RoomBook;
import nullroom.core.book.School;
import nullroom.core.book.Spot;
import nullroom.core.book.Staging;
import nullroom.core.book.SurveyNote;
import nullroom.core.book.Suspect;
import nullroom.core.measure.decay.BlindDecay;
import nullroom.core.measure.noise.Calibration;
import nullroom.core.measure.noise.MainsHum;
import nullroom.core.measure.noise.Scale;
import nullroom.core.predict.Heard;
import nullroom.core.room.NoiseSource;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.Samples;
import nullroom.io.device.AudioDevice;
import nullroom.io.device.SimulatedDevice;

/** A book in which everything was measured once. */
final class MeasuredBook {
  private static final Bands ON = Bands.of(-60, -65, -70, -75, -80, -85, -90, -95);

  private MeasuredBook() {}

  static NoiseMeasurement noise(BookFolder place, RoomBook book, String spot) {
    SimulatedDevice device = new SimulatedDevice(Heard.of(book.room()), 343.2, 4);
    Samples quiet = device.record(AudioDevice.Prompt.QUIET, 5, Progress.NONE);
    return NoiseMeasurement.of(
        place.sounds().keep("noise", quiet),
        new NoiseMeasurement.Taken("2026-01-01T20:00", true, spot, List.of("boiler")),
        SampleSource.of(quiet),
        book.chain(true),
        book.listening().calibration(),
        Progress.NONE);
  }

  static RoomBook of(BookFolder place, Room room) {
    RoomBook bare = new RoomBook("box", Goal.SPOKEN_CLOSE, room);
    Samples claps =
        new SimulatedDevice(Heard.of(room), 343.2, 4)
            .record(AudioDevice.Prompt.CLAPS, 7.5, Progress.NONE);
    return bare.with(noise(place, bare, ""))
        .with(
            DecayMeasurement.of(
                place.sounds().keep("claps", claps),
                "2026-01-01T20:05",
                MeasuredAt.in(room),
                claps,
                room,
                Progress.NONE));
  }

  /** With a culprit board, spots, a survey, a calibration and a test of a hum. */
  static RoomBook listened(BookFolder place, Room room) {
    RoomBook book = of(place, room);
    Suspect fridge =
        Suspect.of("fridge", true)
            .withOn(new Suspect.Heard("fridge-on-1.wav", ON, book.chain(true)))
            .withOff(
                new Suspect.Heard("fridge-off-1.wav", ON.map(level -> level - 6), Optional.empty()))
            .with(Optional.of(new NoiseSource("fridge", new Point(2, 1, 1), Bands.all(20))))
            .switched(true);
    MainsHum hum = new MainsHum(50.02, List.of(50.02, 100.04), -62, 11);
    DecayMeasurement first = book.decay().orElseThrow();
    DecayMeasurement second =
        new DecayMeasurement(
            first.sound(),
            "2026-01-01T20:09",
            MeasuredAt.in(room, "B", "2", "rug"),
            first.report(),
            first.predictedSeconds(),
            List.of());
    BlindDecay guess = new BlindDecay(List.of(new BlindDecay.Estimate(500, 0.41, 0.06, 17)));
    book =
        book.withSpots(List.of(Spot.of("gable", room)))
            .with(second)
            .with(
                book.decays()
                    .with(second)
                    .with(new DecayEstimate("take-1.wav", "2026-01-01T20:10", guess)));
    return book.with(book.levels().with(new Staging(School.FLOAT, Staging.Material.SONG, 5, 60)))
        .with(
            book.listening()
                .withCalibration(new Calibration(Calibration.Method.METER, 1.5, 2.2, -38))
                .plus(fridge)
                .plus(Suspect.of("window", false))
                .withSpots(List.of(noise(place, book, "corner"), noise(place, book, "gable")))
                .with(
                    new SurveyNote(
                        "survey-1.csv",
                        "2026-01-01T22:00",
                        true,
                        book.chain(true),
                        Optional.of(new Scale(96, 3)),
                        false))
                .with(new HumTest(HumTest.Way.COVERED, Optional.of(hum), Optional.empty())));
  }
}
