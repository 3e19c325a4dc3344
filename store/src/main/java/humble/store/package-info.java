/**
 * The journal: every event of every build at one bench, in one SQLite file, one transaction a fact.
 */
@NullMarked
package humble.store;

import org.jspecify.annotations.NullMarked;
