package nullroom.core.plan.mic;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nullroom.core.Figures;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Connector;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.acoustics.Mount;
import nullroom.core.acoustics.Pattern;
import nullroom.core.acoustics.Power;
import nullroom.core.book.Kit;
import nullroom.core.book.KitField;
import nullroom.core.book.Shelf;
import nullroom.core.book.Staging;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;

/**
 * A microphone through what it is recorded with.
 *
 * @param type of microphone
 * @param kit it on the shelf; empty of a generic one
 * @param input that it goes into; empty where it gives digits by itself, or where the input of now
 *     is meant
 * @param booster between both
 * @param adapter that makes the plug fit
 */
record MicChain(
    MicrophoneType type,
    Optional<Kit> kit,
    Optional<Kit> input,
    Optional<Kit> booster,
    Optional<Kit> adapter) {
  /** Longer unbalanced leads catch hum (common practice). */
  private static final double LONG_LEAD_METRES = 3;

  /** A microphone worn under cloth. */
  private static final String HIDDEN = "lav_hidden";

  private static final String FLAT = "boundary";

  /** All chains of the shelf; of every class where no microphone is on it. */
  static List<MicChain> of(Shelf shelf) {
    List<Kit> owned = shelf.of(Kit.Kind.MICROPHONE);
    return owned.isEmpty()
        ? MicrophoneType.ALL.stream()
            .flatMap(type -> of(type, Optional.empty(), shelf).stream())
            .toList()
        : owned.stream()
            .flatMap(kit -> of(kit.asType(), Optional.of(kit), shelf).stream())
            .toList();
  }

  private static List<MicChain> of(MicrophoneType type, Optional<Kit> kit, Shelf shelf) {
    MicChain bare = new MicChain(type, kit, Optional.empty(), Optional.empty(), Optional.empty());
    if (type.dbfsAt94DbSpl().isPresent() || shelf.inputs().isEmpty()) {
      return boosted(bare, shelf);
    }
    List<MicChain> fitting =
        shelf.inputs().stream()
            .flatMap(input -> bare.into(input, shelf).stream())
            .flatMap(chain -> boosted(chain, shelf).stream())
            .toList();
    return fitting.isEmpty()
        ? List.of(
            new MicChain(
                type,
                kit,
                Optional.of(shelf.inputs().getFirst()),
                Optional.empty(),
                Optional.empty()))
        : fitting;
  }

  private Optional<MicChain> into(Kit input, Shelf shelf) {
    if (plugs(input)) {
      return Optional.of(new MicChain(type, kit, Optional.of(input), booster, adapter));
    }
    return shelf.of(Kit.Kind.ADAPTER).stream()
        .filter(a -> a.text(KitField.FROM).filter(type.connector().id()::equals).isPresent())
        .filter(a -> connectors(input).contains(a.text(KitField.TO).orElse("")))
        .findFirst()
        .map(a -> new MicChain(type, kit, Optional.of(input), booster, Optional.of(a)));
  }

  /** As it is, and with each booster of the shelf where one can be put between. */
  private static List<MicChain> boosted(MicChain chain, Shelf shelf) {
    Stream<MicChain> with =
        boostable(chain.type)
            ? shelf.of(Kit.Kind.BOOSTER).stream()
                .filter(b -> !b.is(KitField.NEEDS_PHANTOM) || chain.phantom())
                .map(b ->
                    new MicChain(chain.type, chain.kit, chain.input, Optional.of(b), chain.adapter))
            : Stream.empty();
    return Stream.concat(Stream.of(chain), with).toList();
  }

  /** Whether an inline booster goes between it and its input. */
  static boolean boostable(MicrophoneType type) {
    return type.connector() == Connector.XLR
        && type.power() == Power.NONE
        && type.dbfsAt94DbSpl().isEmpty();
  }

  /** Held by each of its mounts alone, and with each other pattern of its capsule. */
  List<MicChain> otherwise() {
    Stream<MicrophoneType> mounts =
        type.mounts().stream()
            .map(m -> type.called(type.label() + ", " + Figures.word(m)).with(List.of(m)));
    boolean studio = type.connector() == Connector.XLR && !flat();
    Stream<MicrophoneType> patterns =
        Stream.of(Pattern.values())
            .filter(p -> studio && p != type.pattern() && type.with(p).hasUsualPattern())
            .map(
                p -> type.called(type.label() + ", " + p.label().toLowerCase(Locale.ROOT)).with(p));
    return Stream.concat(mounts, patterns)
        .map(t -> new MicChain(t, kit, input, booster, adapter))
        .toList();
  }

  private boolean phantom() {
    return input.map(i -> i.is(KitField.PHANTOM)).orElse(true);
  }

  private static List<String> connectors(Kit input) {
    return List.of(input.text(KitField.CONNECTORS).orElse("").split(" "));
  }

  private boolean plugs(Kit input) {
    return connectors(input).contains(type.connector().id());
  }

  /** Whether it is made for close talk. */
  boolean close() {
    return type.isForCloseTalk();
  }

  boolean hidden() {
    return type.id().equals(HIDDEN);
  }

  /** The whole chain, on the input of now where none is named. */
  Capture capture(Capture now) {
    Capture plain = type.on(now).withStages(List.of());
    Capture through = input.map(i -> i.on(plain)).orElse(plain);
    return booster.map(b -> through.withStages(List.of(b.asStage()))).orElse(through);
  }

  /** The staging with as much gain as its input has. */
  Staging staging(Staging usual) {
    return input.map(i -> usual.withHighestGainDb(i.number(KitField.HIGHEST_GAIN))).orElse(usual);
  }

  /** What is still to be paid for it, held by a mount. */
  double price(Mount mount, Shelf shelf, Capture now) {
    return Need.of(this, mount, shelf, now).stream().mapToDouble(Need::price).sum();
  }

  /** Whether it lies on a table by itself. */
  boolean flat() {
    return type.id().equals(FLAT);
  }

  /** What fits and what does not. */
  List<MicPlanner.Check> checks(Heard heard, Margins targets, Staging usual, Shelf shelf) {
    List<MicPlanner.Check> all = new ArrayList<>();
    all.add(connector());
    all.add(power());
    Staging staging = staging(usual);
    double wanted = staging.school().gainDb(heard, targets, staging.allowanceDb());
    boolean digital = type.dbfsAt94DbSpl().isPresent();
    double missing = wanted - staging.highestGainDb();
    all.add(
        digital || missing <= 0
            ? new MicPlanner.Check(
                "gain",
                true,
                digital ? "It gives digits by itself." : Figures.say("%.0f dB wanted.", wanted))
            : new MicPlanner.Check(
                "gain",
                false,
                Figures.say(
                    boostable(type) && booster.isEmpty()
                        ? "%.0f dB wanted and %.0f there: %.0f dB more by an inline booster, a better preamp, or coming nearer."
                        : "%.0f dB wanted and %.0f there: %.0f dB more by a better preamp, or coming nearer.",
                    wanted,
                    staging.highestGainDb(),
                    missing)));
    double shout = heard.peakDbSpl() + staging.allowanceDb();
    double left = heard.capture().limitDbSpl() - shout;
    all.add(
        new MicPlanner.Check(
            "overload",
            left >= 0,
            left >= 0
                ? Figures.say("%.0f dB left over a shout.", left)
                : Figures.say(
                    "A shout is %.0f dB over what the microphone or its stage takes: use a pad, or go further off.",
                    -left)));
    all.add(cable(shelf));
    all.add(level(heard, targets, shelf));
    return all;
  }

  private MicPlanner.Check level(Heard heard, Margins targets, Shelf shelf) {
    double peak = heard.dbfs(heard.peakDbSpl());
    boolean hot = peak > -targets.safeDb() / 2;
    Optional<String> rate = otherRate(shelf);
    return new MicPlanner.Check(
        "level",
        !hot && rate.isEmpty(),
        Figures.say(
                hot
                    ? "The loudest peak would come to %.0f dBFS: too hot, and nothing turns it down but distance."
                    : "The loudest peak would come to %.0f dBFS.",
                peak)
            + rate.map(r -> " " + r).orElse(""));
  }

  private MicPlanner.Check connector() {
    if (type.dbfsAt94DbSpl().isPresent() || input.isEmpty()) {
      return new MicPlanner.Check(
          "connector", true, Figures.capital(type.connector().label()) + ".");
    }
    if (adapter.isPresent()) {
      return new MicPlanner.Check("connector", true, "With the " + adapter.get().name() + ".");
    }
    if (plugs(input.get())) {
      return new MicPlanner.Check(
          "connector", true, "It plugs into the " + input.get().name() + ".");
    }
    return new MicPlanner.Check(
        "connector",
        false,
        adapterWanted()
                .map(n -> Figures.capital(n.what()) + " is needed")
                .orElse("Nothing adapts it")
            + " to plug "
            + type.connector().label()
            + " into "
            + connectors(input.get()).stream()
                .map(key -> KitField.label(key))
                .collect(Collectors.joining(" or "))
            + (type.connector() == Connector.TRS35
                    && connectors(input.get()).contains(Connector.TRRS35.id())
                ? ": a plug of three contacts stays silent in a socket of four."
                : "."));
  }

  /** The adapter that the plug wants; empty where it fits, or none is made. */
  Optional<Need> adapterWanted() {
    if (input.isEmpty() || adapter.isPresent() || plugs(input.get())) {
      return Optional.empty();
    }
    return connectors(input.get()).stream()
        .flatMap(to -> Need.adapter(type.connector(), to).stream())
        .findFirst();
  }

  private MicPlanner.Check power() {
    return switch (type.power()) {
      case PHANTOM ->
          phantom()
              ? new MicPlanner.Check("power", true, "Phantom power from the input." + cells())
              : new MicPlanner.Check(
                  "power", false, "It needs phantom power, which the input does not give.");
      case PLUG_IN ->
          input.isEmpty() || input.get().is(KitField.PLUG_IN)
              ? new MicPlanner.Check("power", true, "Plug-in power from the input.")
              : new MicPlanner.Check(
                  "power",
                  false,
                  "It needs plug-in power, which the input does not give: a battery adapter, or a recorder.");
      case BATTERY ->
          new MicPlanner.Check(
              "power",
              true,
              "Its own cells: fresh ones before a take, spare ones beside it. A charger that is plugged in meanwhile may hum: listen"
                  + " for it.");
      case USB -> new MicPlanner.Check("power", true, "From USB.");
      case NONE -> new MicPlanner.Check("power", true, "It needs none.");
    };
  }

  /** Phantom power for one microphone takes about half of what cells give (common practice). */
  private String cells() {
    return input.filter(i -> i.is(KitField.CELLS)).isPresent()
        ? " From cells it lasts about half as long: full ones for each session, or a charger, if that does not hum."
        : "";
  }

  /** What is to run beside it at another rate. */
  private Optional<String> otherRate(Shelf shelf) {
    Optional<String> own = input.flatMap(i -> i.text(KitField.RATE));
    return own.flatMap(rate ->
        shelf.inputs().stream()
            .filter(i -> i.text(KitField.RATE).filter(r -> !r.equals(rate)).isPresent())
            .findFirst()
            .map(i ->
                input.get().name()
                    + " records at "
                    + rate
                    + " Hz, "
                    + i.name()
                    + " at "
                    + i.text(KitField.RATE).orElseThrow()
                    + ": set both alike, or they run apart."));
  }

  private MicPlanner.Check cable(Shelf shelf) {
    boolean unbalanced =
        type.connector() == Connector.TRS35 || type.connector() == Connector.TRRS35;
    double longest =
        shelf.of(Kit.Kind.CABLE).stream()
            .filter(c -> c.text(KitField.FROM).filter(type.connector().id()::equals).isPresent())
            .mapToDouble(c -> c.number(KitField.LENGTH))
            .max()
            .orElse(0);
    return unbalanced && longest > LONG_LEAD_METRES
        ? new MicPlanner.Check(
            "cable",
            false,
            Figures.say(
                "%.0f m of unbalanced cable catch hum: put the recorder beside the microphone, with a short lead.",
                longest))
        : new MicPlanner.Check(
            "cable",
            true,
            unbalanced ? "Keep it short: it is unbalanced." : "Balanced or digital.");
  }
}
