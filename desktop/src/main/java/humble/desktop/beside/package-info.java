/** What stands beside the programs: tables, memory cards, pages of modules, libraries. */
@NullMarked
package humble.desktop.beside;

import org.jspecify.annotations.NullMarked;
