/** What is printed: lists and reports as PDF. */
@NullMarked
package nullroom.io.report;

import org.jspecify.annotations.NullMarked;
