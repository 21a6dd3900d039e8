package nullroom.app.shell;

import javafx.scene.Node;

/**
 * The nodes of one page of a station.
 *
 * @param picture takes the space
 * @param controls stand under what it means
 */
public record PageParts(Node picture, Node controls) {}
