/**
 * Marks on parts to values and back: resistor bands by IEC 60062, preferred numbers by IEC 60063.
 */
@NullMarked
package humble.core.marking;

import org.jspecify.annotations.NullMarked;
