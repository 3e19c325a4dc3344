/** The command line: the scriptable face of the core. Nothing is computed here. */
@NullMarked
package humble.cli;

import org.jspecify.annotations.NullMarked;
