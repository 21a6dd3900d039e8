/** What every part of io shares: {@link nullroom.io.SafeFile}, the one way files are written. */
@NullMarked
package nullroom.io;

import org.jspecify.annotations.NullMarked;
