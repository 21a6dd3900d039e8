package nullroom.app.listen;

import javafx.scene.Node;

/**
 * The nodes of one page.
 *
 * @param picture takes the space
 * @param controls stand under what it means
 */
record PageParts(Node picture, Node controls) {}
