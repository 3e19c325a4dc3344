/** What the supply and the meter should say, with windows from tolerances. */
@NullMarked
package humble.core.power;

import org.jspecify.annotations.NullMarked;
