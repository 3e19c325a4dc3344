/** Sheets at their true size: what is drilled, sawn, cut to length. */
@NullMarked
package humble.formats.template;

import org.jspecify.annotations.NullMarked;
