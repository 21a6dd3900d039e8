package nullroom.core.measure.noise;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import nullroom.core.Decibels;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;

/**
 * Which sources make a room's noise, and in which order to switch them off: always the one next
 * whose absence lowers the A-weighted level of what is left most.
 *
 * @param totalDb the noise with everything on, per octave
 * @param order of switching off
 */
public record Culprits(Bands totalDb, List<Culprit> order) {

  /**
   * A source heard on and off.
   *
   * @param name for people
   * @param onDb octave levels with it on
   * @param offDb the same with it off, nothing else changed
   */
  public record Suspect(String name, Bands onDb, Bands offDb) {
    /** Its own sound. */
    public EnergySubtraction own() {
      return EnergySubtraction.of(onDb, offDb);
    }

    /** The A-weighted difference that was measured. */
    public double differenceDbA() {
      return Octave.aWeightedSum(onDb) - Octave.aWeightedSum(offDb);
    }
  }

  /**
   * One source on the board.
   *
   * @param name for people
   * @param own its sound by energy subtraction
   * @param uncertain whether on and off differ by less than 3 dB A-weighted: its level is a bound
   * @param aloneDb by how much the A-level falls when it alone is off
   * @param togetherDb by how much it falls when it and all before it in the order are off
   */
  public record Culprit(
      String name, EnergySubtraction own, boolean uncertain, double aloneDb, double togetherDb) {}

  public Culprits {
    order = List.copyOf(order);
  }

  /** The board of suspects, each of which was heard on while all the others were on too. */
  public static Culprits of(List<Suspect> suspects) {
    if (suspects.isEmpty()) {
      throw new IllegalArgumentException("no suspects");
    }
    Bands total =
        Bands.from(i ->
            Decibels.ofEnergy(
                suspects.stream()
                    .mapToDouble(s -> Decibels.toEnergy(s.onDb().get(i)))
                    .average()
                    .orElseThrow()));
    double before = Octave.aWeightedSum(total);
    List<Suspect> left = new ArrayList<>(suspects);
    List<Culprit> order = new ArrayList<>();
    Bands rest = total;
    while (!left.isEmpty()) {
      Bands now = rest;
      Suspect next =
          left.stream()
              .min(Comparator.comparingDouble(s -> Octave.aWeightedSum(s.own().takenFrom(now))))
              .orElseThrow();
      left.remove(next);
      rest = next.own().takenFrom(rest);
      order.add(
          new Culprit(
              next.name(),
              next.own(),
              next.differenceDbA() < EnergySubtraction.LEAST_DIFFERENCE_DB,
              before - Octave.aWeightedSum(next.own().takenFrom(total)),
              before - Octave.aWeightedSum(rest)));
    }
    return new Culprits(total, order);
  }
}
