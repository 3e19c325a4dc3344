/**
 * What stands beside a program: settings in headers and key-value files, read, judged, and edited
 * in place with every other byte as it was.
 */
@NullMarked
package humble.core.settings;

import org.jspecify.annotations.NullMarked;
