/**
 * The command line, by picocli: one class per subcommand, each of which reads files through io,
 * asks core, and prints text or one JSON object. Start at {@link CommandLineFace}. Keys are
 * camelCase and end in their unit; a figure that cannot be had is null with a sentence in {@code
 * warnings}.
 */
@NullMarked
package nullroom.app.cli;

import org.jspecify.annotations.NullMarked;
