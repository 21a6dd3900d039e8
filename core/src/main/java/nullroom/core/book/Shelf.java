package nullroom.core.book;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import nullroom.core.Figures;
import nullroom.core.Keyed;
import nullroom.core.Trouble;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.acoustics.Stage;

/**
 * What there is to record with, owned or thought of.
 *
 * @param kit things, in the order that they were put there
 * @param boomMetres reach of the boom
 * @param standMetres highest place of a stand
 * @param shot what the picture is to show; empty where nobody said
 */
public record Shelf(List<Kit> kit, double boomMetres, double standMetres, Optional<Shot> shot) {
  /** What a picture shows of the one who speaks. */
  public enum Shot implements Keyed {
    FACE,
    HEAD_AND_SHOULDERS,
    WAIST,
    WHOLE
  }

  private static final double USUAL_BOOM_METRES = 2;
  private static final double USUAL_STAND_METRES = 1.8;
  private static final int MOST = 200;

  /** No boom or stand is longer. */
  public static final double LONGEST_METRES = 10;

  /** Nothing on it. */
  public static final Shelf EMPTY =
      new Shelf(List.of(), USUAL_BOOM_METRES, USUAL_STAND_METRES, Optional.empty());

  /**
   * A shelf.
   *
   * @throws Trouble.BadField where two things have one name, there are too many, or a reach cannot
   *     be
   */
  public Shelf {
    kit = List.copyOf(kit);
    if (kit.size() > MOST) {
      throw new Trouble.BadField("shelf", "holds " + MOST + " things at most");
    }
    Set<String> names = new HashSet<>();
    for (Kit each : kit) {
      if (!names.add(each.name())) {
        throw new Trouble.BadField(each.kind().key(), "two are called “" + each.name() + "”");
      }
    }
    reach("boomMetres", boomMetres);
    reach("standMetres", standMetres);
  }

  private static void reach(String field, double metres) {
    if (!(metres >= 0 && metres <= LONGEST_METRES)) {
      throw new Trouble.BadField(field, "must lie between 0 and 10 m, not " + metres);
    }
  }

  /** Things of a kind. */
  public List<Kit> of(Kit.Kind kind) {
    return kit.stream().filter(k -> k.kind() == kind).toList();
  }

  /** With other things. */
  public Shelf with(List<Kit> others) {
    return new Shelf(others, boomMetres, standMetres, shot);
  }

  /** With one more. */
  public Shelf plus(Kit one) {
    return with(Stream.concat(kit.stream(), Stream.of(one)).toList());
  }

  /** With one in the place of another. */
  public Shelf with(Kit before, Kit after) {
    List<Kit> all = new ArrayList<>(kit);
    all.replaceAll(k -> k.equals(before) ? after : k);
    return with(all);
  }

  /** Without one. */
  public Shelf without(Kit one) {
    return with(kit.stream().filter(k -> !k.equals(one)).toList());
  }

  /** With other reaches. */
  public Shelf withReach(double boom, double stand) {
    return new Shelf(kit, boom, stand, shot);
  }

  /** A name that is still free, beginning with one that may not be. */
  public String freeName(String like) {
    Set<String> taken = new HashSet<>();
    kit.forEach(k -> taken.add(k.name()));
    return Figures.freeName(like, taken);
  }

  /** The microphones on it with their own names, before the generic classes. */
  public List<MicrophoneType> known() {
    return Stream.concat(types().stream(), MicrophoneType.ALL.stream()).toList();
  }

  /** The microphones on it, as what can be chosen. */
  public List<MicrophoneType> types() {
    return of(Kit.Kind.MICROPHONE).stream().map(Kit::asType).toList();
  }

  /** Boosters and transmitters on it, as stages. */
  public List<Stage> stages() {
    return Stream.of(Kit.Kind.BOOSTER, Kit.Kind.TRANSMITTER)
        .flatMap(kind -> of(kind).stream())
        .map(Kit::asStage)
        .toList();
  }

  /** Inputs and recorders on it. */
  public List<Kit> inputs() {
    return Stream.of(Kit.Kind.INPUT, Kit.Kind.RECORDER).flatMap(kind -> of(kind).stream()).toList();
  }

  /** What the things would cost that are not owned. */
  public double stillToBuy() {
    return kit.stream()
        .filter(k -> !k.is(KitField.OWNED))
        .mapToDouble(k -> k.number(KitField.PRICE))
        .sum();
  }
}
