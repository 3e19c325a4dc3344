/** The logbook of a build as one HTML page that needs nothing else. */
@NullMarked
package humble.formats.report;

import org.jspecify.annotations.NullMarked;
