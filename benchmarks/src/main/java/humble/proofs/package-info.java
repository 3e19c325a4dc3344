/** What the slow proofs share: how a child process is started, and how a result is printed. */
@NullMarked
package humble.proofs;

import org.jspecify.annotations.NullMarked;
