/** What stands beside a program: tables, cards, libraries; what is wrong with them. */
@NullMarked
package humble.core.beside;

import org.jspecify.annotations.NullMarked;
