package nullroom.core.room;

import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Materials;
import nullroom.core.acoustics.PorousLayer;

/** What a surface or patch is made of: a material of the table, or stated coefficients. */
public sealed interface Finish {
  /** What is scattered where nothing else is stated. */
  double DEFAULT_SCATTERING = 0.1;

  /** Absorption coefficient per octave. */
  Bands absorption();

  /** Scattering coefficient per octave. */
  Bands scattering();

  /** A material of the table, by id. */
  record Listed(String materialId, Bands scattering) implements Finish {
    public Listed {
      if (Materials.find(materialId).isEmpty()) {
        throw new IllegalArgumentException(
            "there is no material '" + materialId + "' in the table");
      }
      checkScattering(scattering);
    }

    @Override
    public Bands absorption() {
      return Materials.get(materialId).absorption();
    }
  }

  /**
   * Coefficients given as numbers.
   *
   * @param name of the user's own material, empty where it has none
   */
  record Stated(String name, Bands absorption, Bands scattering) implements Finish {
    /** Coefficients without a name. */
    public Stated(Bands absorption, Bands scattering) {
      this("", absorption, scattering);
    }

    public Stated {
      for (double a : absorption.toArray()) {
        if (!(a >= 0 && a <= 1)) {
          throw new IllegalArgumentException(
              "absorption "
                  + a
                  + " is outside 0 to 1: a surface takes up all at most. Reverberation rooms read more by the edges of a sample; write 1, or give it as an object in square metres");
        }
      }
      checkScattering(scattering);
    }
  }

  /** A porous layer on the surface, computed. */
  record Porous(PorousLayer layer, Bands absorption, Bands scattering) implements Finish {
    /** Its absorption follows from the layer. */
    public Porous(PorousLayer layer, Bands scattering) {
      this(layer, layer.absorption(), scattering);
    }

    public Porous {
      checkScattering(scattering);
    }
  }

  /** A material with the default scattering. */
  static Finish of(String materialId) {
    return new Listed(materialId, Bands.all(DEFAULT_SCATTERING));
  }

  private static void checkScattering(Bands scattering) {
    for (double s : scattering.toArray()) {
      if (!(s >= 0 && s <= 1)) {
        throw new IllegalArgumentException("scattering " + s + " is outside 0 to 1");
      }
    }
  }
}
