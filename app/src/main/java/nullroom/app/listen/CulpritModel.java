package nullroom.app.listen;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import nullroom.app.control.BandName;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.Listening;
import nullroom.core.book.RoomBook;
import nullroom.core.book.Suspect;
import nullroom.core.measure.noise.Culprits;
import nullroom.core.measure.noise.Scale;
import nullroom.core.measure.noise.Switching;
import nullroom.core.plan.Quantity;
import nullroom.core.plan.Why;
import nullroom.core.plan.Why.Input;
import nullroom.core.predict.Origin;
import nullroom.core.predict.PlaceNoise;
import nullroom.core.room.NearMicrophone;
import nullroom.core.room.NoiseSource;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.signal.SampleSource;
import nullroom.io.device.AudioDevice;

/** The culprit board: which source makes how much of the noise. */
public final class CulpritModel {
  /** What is often to blame at home, and whether it must be switched on again. */
  public static final List<Suspect> USUAL =
      List.of(
          Suspect.of("fridge", true),
          Suspect.of("boiler", true),
          Suspect.of("computer", false),
          Suspect.of("lamp fan", false),
          Suspect.of("extractor", false),
          Suspect.of("window", false));

  /** Name of the bar of them all. */
  static final String ALL = "everything on";

  private final StationContext context;

  CulpritModel(StationContext context) {
    this.context = context;
  }

  private RoomBook book() {
    return context.session().book();
  }

  /** Those on the board. */
  public List<Suspect> suspects() {
    return book().listening().suspects();
  }

  /** The usual ones that are not on it. */
  public List<Suspect> usualLeft() {
    return USUAL.stream()
        .filter(u -> suspects().stream().noneMatch(s -> s.name().equals(u.name())))
        .toList();
  }

  /** The board, where at least one was heard on and off. */
  public Optional<Culprits> board() {
    Optional<Capture> chain = chain();
    List<Culprits.Suspect> pairs =
        suspects().stream().flatMap(s -> s.pairAt(chain).stream()).toList();
    return pairs.isEmpty() ? Optional.empty() : Optional.of(Culprits.of(pairs));
  }

  /** The chain whose full scale the board's levels are said by: that of the first recording. */
  private Optional<Capture> chain() {
    List<Suspect> heard = suspects().stream().filter(s -> s.pair().isPresent()).toList();
    return heard.isEmpty() || heard.stream().anyMatch(s -> s.chain().isEmpty())
        ? Optional.empty()
        : heard.getFirst().chain();
  }

  /**
   * What the board's digital levels mean in the air; empty where one of its recordings was made
   * with a chain that nobody knows.
   */
  public Optional<Scale> scale() {
    return chain().flatMap(book().listening().calibration()::scale);
  }

  /** Puts a suspect on the board. */
  public void add(Suspect suspect) {
    String name = suspect.name().strip();
    if (name.isEmpty()) {
      throw new Trouble.BadField("suspect", "give it a name, such as fridge");
    }
    if (suspects().stream().anyMatch(s -> s.name().equals(name))) {
      throw new Trouble.BadField("suspect", "“" + name + "” is on the board already");
    }
    edit("Suspect the " + name, l -> l.plus(Suspect.of(name, suspect.needed())));
  }

  /** Takes it off the board. */
  public void remove(Suspect suspect) {
    if (suspect.owed()) {
      throw new Trouble.BadField(
          "suspect",
          "the " + suspect.name() + " is still switched off; tick that it is on again first");
    }
    edit(
        "Acquit the " + suspect.name(),
        l -> l.withSuspects(l.suspects().stream().filter(s -> !s.equals(suspect)).toList()));
  }

  /** Listens with it on, or off. */
  public void listen(Suspect suspect, boolean on) {
    RoomBook book = book();
    context.record(
        "Listening to the " + suspect.name() + (on ? ", on" : ", off"),
        AudioDevice.Prompt.QUIET,
        ListenModel.SECONDS,
        stem(suspect) + (on ? "-on" : "-off"),
        (sound, progress) ->
            Suspect.Heard.of(
                sound.name(), SampleSource.of(sound.samples()), book.chain(sound.simulated())),
        heard -> keep(suspect.name(), on, heard));
  }

  /** The same by a file; nobody said what it was made with. */
  public void open(Path file, Suspect suspect, boolean on) {
    context.open(
        "Listening to " + file.getFileName(),
        file,
        stem(suspect) + (on ? "-on" : "-off"),
        (sound, progress) ->
            Suspect.Heard.of(sound.name(), SampleSource.of(sound.samples()), Optional.empty()),
        heard -> keep(suspect.name(), on, heard));
  }

  /**
   * By one file in which it is switched on or off: the moments are found.
   *
   * @throws Trouble.BadSound later, as a message, where nothing is switched
   */
  public void open(Path file, Suspect suspect) {
    context.open(
        "Looking for the switch in " + file.getFileName(),
        file,
        stem(suspect) + "-switched",
        (sound, progress) ->
            new Switched(
                sound.name(),
                Switching.of(sound.samples())
                    .orElseThrow(() ->
                        new Trouble.BadSound(
                            sound.name(),
                            "nothing is switched in it: leave five seconds on and five off, with nothing else changed"))),
        found -> keep(suspect, found));
  }

  private record Switched(String sound, Switching switching) {}

  private void keep(Suspect suspect, Switched found) {
    Suspect.Heard on =
        new Suspect.Heard(found.sound(), found.switching().onDbfs(), Optional.empty());
    Suspect.Heard off =
        new Suspect.Heard(found.sound(), found.switching().offDbfs(), Optional.empty());
    edit(
        "Hear the " + suspect.name() + " switched",
        l -> l.withSuspect(suspect.name(), s -> s.withOn(on).withOff(off)));
    context
        .work()
        .say(
            "Switched at "
                + found.switching().switchedSeconds().stream()
                    .map(t -> Figures.say("%.1f s", t))
                    .collect(Collectors.joining(", "))
                + ": the louder part counts as on.");
  }

  private static String stem(Suspect suspect) {
    return suspect.name().replaceAll("[^\\w-]", "-");
  }

  private void keep(String name, boolean on, Suspect.Heard heard) {
    edit(
        "Hear the " + name + (on ? " on" : " off"),
        l -> l.withSuspect(name, s -> on ? s.withOn(heard) : s.withOff(heard)));
  }

  /** Says that it is off now, or on again. */
  public void switchOff(Suspect suspect, boolean off) {
    edit(
        (off ? "Switch off the " : "Switch on the ") + suspect.name(),
        l -> l.withSuspect(suspect.name(), s -> s.switched(off)));
  }

  /**
   * Says where it stands, or that it is nowhere in particular. Its own level at 1 m follows from
   * what was heard here.
   *
   * @throws Trouble.BadField if it was not heard on and off, levels mean nothing, or the place lies
   *     outside the room
   */
  public void place(Suspect suspect, Optional<NearMicrophone> place) {
    Optional<NoiseSource> source = place.map(p -> source(suspect, p));
    edit("Place the " + suspect.name(), l -> l.withSuspect(suspect.name(), s -> s.with(source)));
  }

  /** How far from the microphone it stands; empty for no place. */
  public OptionalDouble distanceMetres(Suspect suspect) {
    Point microphone = book().room().requireMicrophone().at();
    return suspect.source().isPresent()
        ? OptionalDouble.of(
            Math.round(suspect.source().get().at().distanceTo(microphone) * 10) / 10.0)
        : OptionalDouble.empty();
  }

  private NoiseSource source(Suspect suspect, NearMicrophone place) {
    Culprits.Suspect pair =
        suspect
            .pairAt(chain())
            .orElseThrow(() ->
                new Trouble.BadField("place", "hear the " + suspect.name() + " on and off first"));
    Scale scale =
        scale()
            .orElseThrow(
                () -> new Trouble.BadField("place", "needs to know what levels mean: see Scale"));
    Room room = book().room();
    Point at =
        place
            .in(room)
            .orElseThrow(() ->
                new Trouble.BadField(
                    "place",
                    Figures.say(
                        "%.1f m %s lies outside the room", place.metres(), place.side().label())));
    return PlaceNoise.behind(
        room,
        context.session().hearing().decaySeconds(room),
        suspect.name(),
        at,
        pair.own().levelDb().map(level -> level + scale.fullScaleDbSpl()));
  }

  /** What is still to be switched on again. */
  public List<Suspect> owed() {
    return suspects().stream().filter(Suspect::owed).toList();
  }

  private void edit(String name, java.util.function.UnaryOperator<Listening> change) {
    context.session().edit(name, b -> b.with(change.apply(b.listening())));
  }

  String meaning() {
    Optional<Culprits> board = board();
    if (board.isEmpty()) {
      return suspects().isEmpty()
          ? "Put on the board what may be humming, whirring or ticking. Hear each one on and off, with all the others on: ten"
              + " seconds each."
          : "Hear each suspect on and off, with all the others left on: ten seconds each.";
    }
    List<Culprits.Culprit> order = board.get().order();
    Culprits.Culprit worst = order.getFirst();
    List<String> said = new ArrayList<>();
    if (!Double.isFinite(worst.own().levelDbA())) {
      return "On and off sound alike with every suspect so far: none of them makes a difference that could be heard here."
          + stillOff();
    }
    said.add(
        worst.uncertain()
            ? "The "
                + worst.name()
                + " is the most likely, but on and off differ by less than 3 dB: only a bound."
            : Figures.say(
                "Switch off the %s first: %.1f dB quieter.", worst.name(), worst.aloneDb()));
    if (order.size() > 1) {
      said.add(
          Figures.say(
              "With all %d off it is %.1f dB quieter.",
              order.size(), order.getLast().togetherDb()));
    }
    return String.join(" ", said) + stillOff();
  }

  private String stillOff() {
    return owed().isEmpty()
        ? ""
        : " Still off: "
            + String.join(", ", owed().stream().map(Suspect::name).toList())
            + ". Food spoils and pipes freeze: tick it when it is on again.";
  }

  /** The A-weighted level of a culprit in words. */
  public String own(Culprits.Culprit culprit) {
    double level = culprit.own().levelDbA();
    if (!Double.isFinite(level)) {
      return "no difference heard";
    }
    return (culprit.uncertain() ? "under " : "") + Words.level(level, scale());
  }

  /** Why a bar is what it is: all of them on, or one of them; empty where there is none such. */
  public Optional<Why> why(String name) {
    if (name.equals(ALL)) {
      return board()
          .map(b -> {
            Input sounds =
                new Input(
                    "recordings", "with each of them on", new Origin(allKind(), allKind().label()));
            return Quantity.CULPRITS_ALL.why("", Words.level(totalDbfsA(b), scale()), sounds);
          });
    }
    return board()
        .flatMap(b -> b.order().stream().filter(c -> c.name().equals(name)).findFirst())
        .map(c -> {
          Origin.Kind kind = origin(c);
          Input pair =
              new Input("recordings", "with it on and with it off", new Origin(kind, kind.label()));
          return Quantity.CULPRIT.why(" of the " + name, own(c), pair);
        });
  }

  /** How the level of all of them on is known. */
  Origin.Kind allKind() {
    return Origin.Kind.heard(suspects().stream().anyMatch(Suspect::simulated));
  }

  /** How its level is known. */
  Origin.Kind origin(Culprits.Culprit culprit) {
    return culprit.uncertain()
        ? Origin.Kind.ASSUMED
        : Origin.Kind.heard(
            suspects().stream().anyMatch(s -> s.name().equals(culprit.name()) && s.simulated()));
  }

  /** Its spectrum in words, a band that is only a bound said as such. */
  public String spectrum(Culprits.Culprit culprit) {
    Optional<Scale> scale = scale();
    double offset = scale.map(Scale::fullScaleDbSpl).orElse(0.0);
    List<String> bands = new ArrayList<>();
    for (int i = 0; i < Octave.COUNT; i++) {
      double level = culprit.own().levelDb().get(i) + offset;
      if (Double.isFinite(level)) {
        bands.add(
            Figures.say(
                "%s %s%.0f",
                BandName.of(Octave.nominalHz(i)),
                culprit.own().bound().get(i) ? "under " : "",
                level));
      }
    }
    return String.join(", ", bands) + (scale.isPresent() ? " dB SPL" : " dBFS");
  }

  /** The A-weighted level of all of them on. */
  public double totalDbfsA(Culprits board) {
    return Octave.aWeightedSum(board.totalDb());
  }
}
