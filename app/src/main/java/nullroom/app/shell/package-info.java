/**
 * The window: rail, stations, ladder, status line, themes, and the {@link BookSession} that holds
 * the document. Start at {@link MainWindow}; a station hands it one {@link OpenStation} and works
 * with a {@link StationContext}. What must not hold up the window is {@link Work}, of which there
 * is one at a time, or {@link Newest}, of which the last counts.
 */
@NullMarked
package nullroom.app.shell;

import org.jspecify.annotations.NullMarked;
