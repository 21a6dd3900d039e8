package nullroom.core.plan.mic;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Connector;
import nullroom.core.acoustics.Mount;
import nullroom.core.book.Kit;
import nullroom.core.book.KitField;
import nullroom.core.book.Shelf;

/**
 * A thing without which a microphone does not work in its place.
 *
 * @param what it is
 * @param price still to be paid for it
 * @param another what one more of it would cost
 * @param shared whether one serves several microphones
 */
public record Need(String what, double price, double another, boolean shared) {
  /** What such things usually cost (common practice, from memory). */
  private static final double BOOM_STAND = 60;

  private static final double STAND = 35;
  private static final double DESK_ARM = 45;
  private static final double CLAMP = 15;
  private static final double XLR_CABLE = 15;

  /** An inline booster, where none is on the shelf. */
  private static final Need BOOSTER = new Need("inline booster", 70);

  private Need(String what, double price) {
    this(what, price, price, false);
  }

  private static Need of(Kit kit, boolean shared) {
    double toPay = kit.is(KitField.OWNED) ? 0 : kit.number(KitField.PRICE);
    return new Need(kit.name(), toPay, kit.number(KitField.PRICE), shared);
  }

  /** What a microphone that gives a voltage goes into, where there is nothing. */
  private static final Need PREAMP =
      new Need("recorder or interface with a preamp", 110, 110, true);

  /**
   * All that a chain needs, held by a mount.
   *
   * @param now what the microphone in use goes into
   */
  static List<Need> of(MicChain chain, Mount mount, Shelf shelf, Capture now) {
    List<Need> all = new ArrayList<>();
    all.add(
        chain
            .kit()
            .map(k -> of(k, false))
            .orElseGet(() -> new Need(chain.type().label(), chain.type().price())));
    chain.input().ifPresent(k -> all.add(of(k, true)));
    boolean voltage = chain.type().dbfsAt94DbSpl().isEmpty();
    if (voltage && chain.input().isEmpty() && !now.preamp()) {
      all.add(PREAMP);
    }
    Stream.of(chain.booster(), chain.adapter())
        .flatMap(Optional::stream)
        .forEach(k -> all.add(of(k, false)));
    chain.adapterWanted().ifPresent(all::add);
    boolean owned = chain.kit().filter(k -> k.is(KitField.OWNED)).isPresent();
    holder(chain, mount).map(n -> n.from(shelf.of(Kit.Kind.STAND), owned)).ifPresent(all::add);
    if (chain.type().connector() == Connector.XLR) {
      List<Kit> cables =
          shelf.of(Kit.Kind.CABLE).stream()
              .filter(c -> c.text(KitField.FROM).filter(Connector.XLR.id()::equals).isPresent())
              .toList();
      all.add(new Need("XLR cable", XLR_CABLE).from(cables, owned));
    }
    return all;
  }

  /** Off the shelf where one is there; what is owned is taken to have it. */
  private Need from(List<Kit> shelf, boolean owned) {
    return shelf.stream()
        .findFirst()
        .map(k -> of(k, false))
        .orElse(owned ? new Need(what, 0, another, false) : this);
  }

  /** What is put between a plug and a socket; empty where none is made. */
  static Optional<Need> adapter(Connector plug, String socket) {
    return switch (plug.id() + " " + socket) {
      case "trs35 trrs35" -> Optional.of(new Need("a TRS-to-TRRS adapter", 10));
      case "trrs35 trs35" -> Optional.of(new Need("a TRRS-to-TRS adapter", 10));
      case "trs35 xlr" ->
          Optional.of(new Need("a 3.5 mm-to-XLR adapter that makes plug-in power", 30));
      case "xlr trs35" -> Optional.of(new Need("an XLR-to-TRS lead", 15));
      case "xlr trrs35" -> Optional.of(new Need("an XLR-to-TRRS lead", 20));
      case "xlr usb" -> Optional.of(new Need("a USB interface", 90));
      case "trrs35 usb", "trs35 usb" -> Optional.of(new Need("a USB sound adapter", 15));
      default -> Optional.empty();
    };
  }

  private static Optional<Need> holder(MicChain chain, Mount mount) {
    boolean builtIn = chain.type().connector() == Connector.BUILT_IN;
    return switch (mount) {
      case BOOM -> Optional.of(new Need("boom stand with a sandbag", BOOM_STAND));
      case STAND ->
          Optional.of(
              builtIn
                  ? new Need("stand with a clamp", STAND + CLAMP)
                  : new Need("microphone stand", STAND));
      case DESK ->
          switch (chain.type().connector()) {
            case XLR ->
                chain.flat() ? Optional.empty() : Optional.of(new Need("desk arm", DESK_ARM));
            case BUILT_IN ->
                chain.type().mounts().contains(Mount.STAND)
                    ? Optional.of(new Need("clamp for the desk", CLAMP))
                    : Optional.empty();
            default -> Optional.empty();
          };
      case CAMERA, CLIP, HEAD, HAND -> Optional.empty();
    };
  }

  /**
   * All that several voices need who each have the same microphone: the first as ranked, one more
   * of everything for each other voice, and a booster for each where the input's gain does not do.
   */
  public static List<Need> forEach(MicPlanner.Ranked ranked, int voices) {
    List<Need> all = new ArrayList<>(ranked.chain().needs());
    boolean gain =
        ranked.chain().checks().stream().allMatch(c -> c.ok() || !c.check().equals("gain"));
    if (!gain && MicChain.boostable(ranked.type()) && ranked.chain().booster().isEmpty()) {
      all.add(BOOSTER);
    }
    return all.stream().map(n -> n.times(voices)).toList();
  }

  private Need times(int count) {
    return shared
        ? this
        : new Need(
            count == 1 ? what : count + " times " + what,
            price + (count - 1) * another,
            another,
            false);
  }
}
