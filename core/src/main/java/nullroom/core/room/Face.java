package nullroom.core.room;

import nullroom.core.acoustics.Bands;

/**
 * A piece of the room's boundary with one absorption.
 *
 * @param surface that it belongs to
 * @param areaSquareMetres its area
 * @param absorption coefficient per octave
 * @param pair 0, 1, 2 for the walls across x, the walls across y, and floor and ceiling
 */
public record Face(Surface surface, double areaSquareMetres, Bands absorption, int pair) {}
