package nullroom.core.room;

import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Material;
import nullroom.core.acoustics.Materials;

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

  /** Coefficients given as numbers. */
  record Stated(Bands absorption, Bands scattering) implements Finish {
    public Stated {
      Material.checkAbsorption(absorption);
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
