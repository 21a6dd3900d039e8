package nullroom.core.acoustics;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import nullroom.core.Table;
import org.apache.commons.csv.CSVRecord;

/** The material table that ships with the program; every row names its source. */
public final class Materials {
  private static final Map<String, Material> SURFACES = load();

  private Materials() {}

  private static Map<String, Material> load() {
    Map<String, Material> all = new LinkedHashMap<>();
    for (CSVRecord row : Table.rows(Materials.class, "absorption_materials.csv")) {
      Bands alpha = Bands.from(i -> Table.number(row, Math.round(Octave.nominalHz(i)) + "_hz"));
      String source = row.get("source") + " (" + row.get("mark") + ")";
      String id = row.get("id");
      all.put(id, new Material(id, row.get("name"), row.get("category"), alpha, source));
    }
    return all;
  }

  /** All, in the order of the table. */
  public static Collection<Material> all() {
    return java.util.Collections.unmodifiableCollection(SURFACES.values());
  }

  /** The material of that id. */
  public static Optional<Material> find(String id) {
    return Optional.ofNullable(SURFACES.get(id));
  }

  /** The material of an id that the program itself names. */
  public static Material get(String id) {
    return find(id).orElseThrow(() -> new IllegalArgumentException("no material " + id));
  }
}
