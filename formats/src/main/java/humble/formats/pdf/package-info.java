/** What every document to be printed shares. */
@NullMarked
package humble.formats.pdf;

import org.jspecify.annotations.NullMarked;
