package nullroom.app.desktop;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import nullroom.core.Progress;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Directivity;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.acoustics.Pattern;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.book.DecayMeasurement;
import nullroom.core.book.Goal;
import nullroom.core.book.Hearing;
import nullroom.core.book.Listening;
import nullroom.core.book.MeasuredAt;
import nullroom.core.book.NoiseMeasurement;
import nullroom.core.book.RoomBook;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Statistics;
import nullroom.core.room.Aim;
import nullroom.core.room.Alternative;
import nullroom.core.room.Camera;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Contents;
import nullroom.core.room.Finish;
import nullroom.core.room.Finishes;
import nullroom.core.room.Furniture;
import nullroom.core.room.LooseObject;
import nullroom.core.room.Outline;
import nullroom.core.room.Patch;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.SetUp;
import nullroom.core.room.Surface;
import nullroom.core.room.Talker;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.Samples;
import nullroom.io.book.BookFolder;
import nullroom.io.device.AudioDevice;
import nullroom.io.device.SimulatedDevice;

/** The loft over the bakery: all of it invented, its recordings made by the simulated device. */
public final class DemoBook {
  private static final long SEED = 20;
  private static final double NOISE_SECONDS = 10;
  private static final double CLAP_SECONDS = 12.5;
  private static final double SWEEP_SECONDS = 14;
  private static final String NOISE_TAKEN = "2026-03-14T21:40";
  private static final String DECAY_TAKEN = "2026-03-14T21:52";
  private static final String ELSEWHERE_TAKEN = "2026-03-14T21:46";

  /** The real loft rings this much longer or shorter than its description says. */
  private static final Bands TRUTH = Bands.of(1.05, 1.1, 1.12, 1.08, 1.05, 0.97, 0.95, 0.95);

  /** Extractor fan and cold store below, wind at the skylight, dB SPL in octaves. */
  private static final Bands NOISE = Bands.of(47, 41, 35, 30, 24, 20, 16, 13);

  private DemoBook() {}

  /** The loft as its narrator measured it with a tape. */
  static Room room() {
    Point lips = new Point(1.5, 1.7, 1.25);
    Point capsule = new Point(2.05, 1.75, 1.4);
    Point eye = new Point(3.1, 1.6, 1.35);
    Capture capture =
        MicrophoneType.ALL.get(2).on(new Capture(Pattern.OMNI, 0, 100, -38, -125, 34, 20, 24));
    Patch skylight =
        Patch.rectangle("skylight", Surface.CEILING, 1.8, 1.2, 0.8, 1.0, "glass_double_10")
            .or(new Alternative("bare", "blind drawn", Finish.of("curtain_light")));
    Contents contents =
        new Contents(
            List.of(skylight),
            List.of(
                new LooseObject("single bed", Bands.of(0.3, 0.6, 1.0, 1.4, 1.6, 1.6, 1.6, 1.6)),
                new LooseObject(
                    "clothes rail, half full",
                    Bands.of(0.07, 0.2, 0.45, 0.65, 0.75, 0.8, 0.8, 0.8))),
            List.of(
                new Furniture(
                    "desk",
                    new Point(1.62, 1.1, 0.71),
                    0.7,
                    1.3,
                    0.03,
                    0,
                    Finish.of("door_solid"))),
            List.of());
    SetUp setUp =
        SetUp.of(
                new Talker(lips, new Aim(0, 0), VocalEffort.NORMAL, Directivity.VOICE),
                new PlacedMicrophone(capsule, Aim.along(lips.minus(capsule)), capture))
            .withCamera(Optional.of(new Camera(eye, Aim.along(lips.minus(eye)), 28, Camera.WIDE)));
    return Room.empty(
            "The loft",
            Outline.box(4.6, 3.4),
            new Ceiling.LeanTo(1.15, 2.75, 1),
            Finishes.of(
                Finish.of("wood_floor_joists"),
                Finish.of("gypsum_on_studs"),
                Finish.of("plaster_on_brick")))
        .with(contents)
        .with(setUp)
        .withNoise(NOISE);
  }

  /** The device that stands in the real loft as the book describes it now. */
  static AudioDevice device(RoomBook book) {
    Room room = book.room();
    Heard heard =
        Hearing.acted(room, Statistics.of(room).seconds().with(TRUTH, (t, factor) -> t * factor));
    return SimulatedDevice.in(room, heard, SEED);
  }

  /** Claps from the talker's place, heard from the other end of the loft. */
  private static DecayMeasurement elsewhere(RoomBook bare, BookFolder place) {
    Point capsule = new Point(3.7, 2.6, 1.3);
    PlacedMicrophone moved = bare.room().requireMicrophone();
    Room room = bare.room().withMicrophone(moved.movedBy(capsule.minus(moved.at())));
    Samples claps =
        device(bare.with(room)).record(AudioDevice.Prompt.CLAPS, CLAP_SECONDS, Progress.NONE);
    return DecayMeasurement.of(
        place.sounds().keep(DecayMeasurement.SIMULATED + "claps", claps),
        ELSEWHERE_TAKEN,
        MeasuredAt.in(room, "A", "2", MeasuredAt.inventory(room)),
        claps,
        room,
        Progress.NONE);
  }

  /** Makes a fresh copy of the demo in a folder: records, measures, saves. */
  public static RoomBook create(Path folder) {
    BookFolder place = new BookFolder(folder);
    RoomBook bare = new RoomBook("The loft over the bakery", Goal.SPOKEN_ON_CAMERA, room());
    AudioDevice device = device(bare);
    CompletableFuture<NoiseMeasurement> noise =
        CompletableFuture.supplyAsync(() -> {
          Samples quiet = device.record(AudioDevice.Prompt.QUIET, NOISE_SECONDS, Progress.NONE);
          return NoiseMeasurement.of(
              place.sounds().keep(DecayMeasurement.SIMULATED + "noise", quiet),
              new NoiseMeasurement.Taken(NOISE_TAKEN, true, "", List.of()),
              SampleSource.of(quiet),
              bare.chain(true),
              bare.listening().calibration(),
              Progress.NONE);
        });
    CompletableFuture<DecayMeasurement> elsewhere =
        CompletableFuture.supplyAsync(() -> elsewhere(bare, place));
    Samples sweep = device.record(AudioDevice.Prompt.SWEEP, SWEEP_SECONDS, Progress.NONE);
    CompletableFuture<Listening> listened =
        CompletableFuture.supplyAsync(() -> DemoListening.addTo(bare, place).listening());
    RoomBook measured =
        bare.with(elsewhere.join())
            .with(
                DecayMeasurement.of(
                    place.sounds().keep(DecayMeasurement.SIMULATED + "sweep", sweep),
                    DECAY_TAKEN,
                    MeasuredAt.in(bare.room()),
                    sweep,
                    bare.room(),
                    Progress.NONE))
            .with(listened.join().withNoise(noise.join()));
    RoomBook book = DemoKit.added(measured);
    place.save(book);
    return book;
  }
}
